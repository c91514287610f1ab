import { describe, expect, it } from 'vitest';
import { loopSection } from '../closures/sewnLoop';
import { holeEnd, distance } from '../layout/layout';
import { BEADS, byId } from '../materials/catalogue';
import { tally, unitTally } from '../read/tally';
import { threadMm } from '../read/thread';
import { holeUses } from '../read/traversals';
import { DRAW_SHUT } from '../joints/drawShut';
import { newPart } from '../piece/newPiece';
import { planSteps } from '../plan/steps';
import { planned } from '../testing/planned';
import { isTraversal, WOVEN, type Section } from '../weave/path';
import { ladder } from './ladder';
import { flatPeyote } from './flatPeyote';
import { rightAngleWeave } from './rightAngleWeave';
import { flatHerringbone } from './flatHerringbone';
import { strungLine } from './strungLine';
import type { Weaveable } from './structure';
import { crossWeave } from './crossWeave';
import { tileLadder } from './tileLadder';
import { tubularHerringbone } from './tubularHerringbone';
import { tubularPeyote } from './tubularPeyote';
import { twoHoleLine } from './twoHoleLine';
import { all, bodies, body, counted, eight, eleven, ends, layOut, through, woven } from '../testing/woven';

describe('flat herringbone by hand', () => {
  const single = flatHerringbone.bind({ sequence: ['A'], extra: 0 });

  it('practice: 20 rows take 40 seeds, the starting ladder of 4 being the first two', () => {
    const path = single.weave(20, ends);
    expect(tally(path).get('A')).toBe(40);
    expect(tally(path, (b) => b.place.pass === 'start' || b.place.row < 2).get('A')).toBe(4);
  });

  it('counted by hand: 3 rows, 6 seeds; the thread goes through each as often as the drawing shows', () => {
    // Square: L0 L1 R1 R0, then L0 L1 again. Row 2: L2 R2, down R1, up L1 and L2. Then the end loop twice
    // between L2 and R2, and the start loop twice between L0 and R0 with the tail. Both ends are woven in
    // along the right column.
    const uses = new Map(
      holeUses(single.weave(3, ends))
        .filter((u) => u.bead.role === 'A')
        .map((u) => [`${u.bead.name}${u.bead.place.row}`, u.traversals]),
    );
    expect(Object.fromEntries(uses)).toEqual({
      left0: 2 + 1, // square twice; tail once, coming round for the second loop
      left1: 2 + 1, // square twice; row 2
      right1: 1 + 1 + 1 + 1, // square; row 2; both ends woven in
      right0: 1 + 2 + 1, // square; tail twice; the working end woven in
      left2: 2 + 1, // its pick and the end of its row; coming round for the second loop
      right2: 1 + 2 + 1, // its pick; end loop twice; the tail woven in
    });
  });

  it('a cube and the seed on it in one pick: as many beads, the same length, and thread comes up through the last row alone', () => {
    const options = { sequence: ['A', 'B'], extra: 1, columns: 2 };
    const [byRow, atOnce] = ['row', 'unit'].map((strung) => flatHerringbone.bind({ ...options, strung }));
    if (!byRow || !atOnce) throw new Error('two ways');
    expect(counted(atOnce, 10)).toEqual({ A: 22, B: 20 });
    const sizes = (role: string) => byId(BEADS, role === 'A' ? 'cube-4' : 'seed-8');
    expect(atOnce.form(sizes, all)).toMatchObject({ pitchMm: 6, extraMm: 4 });
    // In the middle a cube's own pick is all that goes through the right one; the left is come up through once more. The seed on
    // it holds the next unit besides: down the right one, up the left.
    const times = (weaveable: Weaveable) =>
      holeUses(weaveable.weave(10, ends))
        .filter(({ bead: { place }, bead }) => woven(bead) && [10, 11].includes(place.row))
        .map(({ bead, traversals }) => `${bead.name}${bead.place.row}: ${traversals}`)
        .sort();
    expect(times(atOnce)).toEqual(['left10: 2', 'left11: 3', 'right10: 1', 'right11: 2']);
    expect(times(byRow)).toEqual(['left10: 3', 'left11: 3', 'right10: 2', 'right11: 2']);
  });

  it('more rows at once than draw together are refused in words', () => {
    const seven = { ...flatHerringbone.defaults, sequence: Array<string>(7).fill('A'), strung: 'unit' };
    expect(flatHerringbone.check(seven).join()).toMatch(/six|6 rows at most/);
  });

  it('closed form by hand: one more row is five holes and two turns of a bead’s width', () => {
    const { lengthMm: l, diameterMm: d } = eleven;
    const inWork = (n: number) => threadMm(layOut(single, n).thread);
    expect(inWork(21) - inWork(20)).toBeCloseTo(5 * l + 2 * d, 9);
  });

  it('practice: thread for 20 rows without loops, tails of 10 cm included, is 0.3 to 0.55 m', () => {
    const { thread } = layOut(single, 20);
    const strip = threadMm(thread, (m) => m.place.section === WOVEN);
    expect(strip + 200).toBeGreaterThan(300);
    expect(strip + 200).toBeLessThan(550);
  });

  it('closed form: one bead length a row; up to 6 % less is said (common practice)', () => {
    const form = single.form(body, all);
    expect(form.pitchMm).toBe(eleven.lengthMm);
    expect(form.mayShorten).toBe(0.06);
  });

  it('rows of different beads: a unit is as long as its rows, and ends alike when asked', () => {
    const mixed = flatHerringbone.bind({ sequence: ['B', 'A', 'A'], extra: 1 });
    expect(mixed.form(body, all).pitchMm).toBeCloseTo(eight.lengthMm + 2 * eleven.lengthMm);
    const path = mixed.weave(4, ends);
    expect(tally(path).get('B')).toBe(2 * 5);
    expect(tally(path).get('A')).toBe(2 * 8);
    const rows = path.beads.filter((b) => b.place.section === WOVEN).map((b) => b.place.row);
    expect(path.beads.find((b) => b.place.row === 0)?.role).toBe(
      path.beads.find((b) => b.place.row === Math.max(...rows))?.role,
    );
  });
});

describe('ladder by hand', () => {
  const plain = ladder.bind({ sequence: ['B'], extra: 0 });
  const without = { ...ends, without: new Set(['picots']) };

  it('practice: 48 size-8 seeds with a small toggle come to 6 ½ to 7 ½ in; the strip to 5 ½ to 6.2 in', () => {
    const strip = 48 * plain.form(body, all).pitchMm;
    expect(strip / 25.4).toBeGreaterThan(5.5);
    expect(strip / 25.4).toBeLessThan(6.2);
    // A toggle with its sewn loops takes 0.7 to 1.2 in (practice).
    expect((strip + 0.7 * 25.4) / 25.4).toBeGreaterThan(6.4);
    expect((strip + 1.2 * 25.4) / 25.4).toBeLessThan(7.5);
  });

  it('counted by hand: 10 rungs, and three seeds over each of nine gaps', () => {
    const single = ladder.bind({ sequence: ['A'], extra: 0 });
    expect(tally(single.weave(10, ends), (b) => b.place.section === WOVEN)).toEqual(
      new Map([
        ['A', 10],
        ['B', 27],
      ]),
    );
    expect(tally(single.weave(10, without)).has('B')).toBe(false);
    expect(single.form(body, new Set(['picots'])).widthMm).toBe(eleven.lengthMm);
  });
});

describe('right-angle weave by hand', () => {
  const body = (b: { place: { section: Section } }) => b.place.section === WOVEN;
  const balls = rightAngleWeave.bind({ side: ['A'], rung: ['B'] });

  it('counted by hand: 7 units are 8 rungs and 14 sides', () => {
    expect(Object.fromEntries(tally(balls.weave(7, ends), body))).toEqual({ A: 14, B: 8 });
  });

  it('counted by hand: sides of seed, ball, seed: each unit takes two of them and a rung', () => {
    const mixed = rightAngleWeave.bind({ side: ['B', 'A', 'B'], rung: ['C'] });
    expect(Object.fromEntries(tally(mixed.weave(10, ends), body))).toEqual({ A: 20, B: 40, C: 11 });
    expect(Object.fromEntries(unitTally(mixed.weave(10, ends), 4))).toEqual({ A: 2, B: 4, C: 1 });
  });

  it('closed form: √2·D a unit for equal balls, and one ball more in all', () => {
    const four = byId(BEADS, 'pressed-4');
    const form = balls.form(() => four, all);
    expect(form.pitchMm).toBeCloseTo(Math.SQRT2 * 4, 9);
    expect(form.extraMm).toBe(4);
  });
});

describe('flat peyote by hand', () => {
  it('counted by hand: 6 across, 10 rows of three beads', () => {
    const strip = flatPeyote.bind({ sequence: ['A', 'B'], wide: 6 });
    const path = strip.weave(5, ends);
    const woven = tally(path, (b) => b.place.section === WOVEN);
    expect(Object.fromEntries(woven)).toEqual({ A: 15, B: 15 });
    // The first two rows are strung by turns, the second row's bead first.
    expect(path.beads.slice(0, 6).map((b) => b.role)).toEqual(['B', 'A', 'B', 'A', 'B', 'A']);
  });

  it('closed form: half a diameter a row, one length for each bead across', () => {
    const cylinder = byId(BEADS, 'cylinder-11');
    const form = flatPeyote.bind({ sequence: ['A'], wide: 8 }).form(() => cylinder, all);
    expect(form.pitchMm).toBe(cylinder.diameterMm / 2);
    expect(form.widthMm).toBeCloseTo(8 * cylinder.lengthMm, 9);
  });

  it('its steps tell a row once, with how often', () => {
    const part = newPart('x', 'flat-peyote', null);
    const params = { ...part.structure.params, sequence: ['A'], wide: 12 };
    const told = planSteps(planned({ ...part, units: 9, structure: { ...part.structure, params } }));
    const rows = told.filter(({ pass }) => pass === 'base');
    expect(rows).toHaveLength(1);
    expect(rows[0]?.steps.map(({ text }) => text)).toEqual([
      'By turns from left to right and from right to left. Pick up 1 A, then let it sit on the bead that you came out of, ' +
        'then 5 times: go through the next up bead, pick up 1 A, skip the next down bead; then go through the next up bead.',
    ]);
  });
});

describe('swags by hand', () => {
  const params = { ...strungLine.defaults, sequence: ['A', 'B', 'A', 'B'], extra: 0 };
  const swagged = (swags: 1 | 2) => strungLine.bind({ ...params, swags, swag: ['C', 'C', 'D', 'C', 'C'] });

  it('seven units hang three swags, over the second, the fourth and the sixth', () => {
    expect(counted(swagged(1), 7)).toEqual({ A: 14, B: 14, C: 12, D: 3 });
    const units = new Set(
      swagged(1)
        .weave(7, ends)
        .beads.filter((b) => b.role === 'D')
        .map((b) => b.place.unit),
    );
    expect([...units].sort()).toEqual([1, 3, 5]);
  });

  it('a row above each, two beads shorter; the line below a swag is gone through once only', () => {
    expect(counted(swagged(2), 7)).toEqual({ A: 14, B: 14, C: 12 + 6, D: 6 });
    expect(through(swagged(2), 9, 3)).toMatchObject({ '1': 1, '2': 1, '3': 1, '4': 1, swag3: 1, above2: 1 });
    expect(through(swagged(2), 9, 4)).toMatchObject({ '1': 3, '2': 3, '3': 3, '4': 3 });
  });

  it('a line above the units between: every bead of the line below is gone through twice, whichever it is', () => {
    const swags = 'with a line above';
    const both = strungLine.bind({
      ...params,
      swags,
      swag: ['C', 'C', 'D', 'C', 'C'],
      line: ['E', 'E', 'E', 'E'],
    });
    // Over the third unit and the fifth; the first and the last hold the ends.
    expect(counted(both, 7)).toEqual({ A: 14, B: 14, C: 12, D: 3, E: 8 });
    for (const row of [3, 4]) expect(through(both, 9, row)).toMatchObject({ '1': 2, '2': 2, '3': 2, '4': 2 });
    expect(through(both, 9, 4)).toMatchObject({ line1: 1, line4: 1 });
    const told = (line: string[]) => strungLine.bind({ ...params, swags, line }).advise?.(() => eleven);
    expect(told(['E', 'E', 'E', 'E'])).toEqual([]);
    expect(told(['E', 'E', 'E'])?.join()).toMatch(/add beads/i);
    expect(told(Array<string>(6).fill('E'))?.join()).toMatch(/take beads/i);
  });

  it('one that is no longer than its unit is told, and one that hangs is not', () => {
    const short = strungLine.bind({ ...params, swags: 1, swag: ['A', 'B'] });
    expect(short.advise?.(body).join()).toMatch(/cannot hang.*add/i);
    expect(swagged(1).advise?.(() => eleven)).toEqual([]);
  });
});

describe('tile ladder by hand', () => {
  it('memory: tiles 5 mm wide run 5 to the inch; practice says so within 3 %', () => {
    const form = tileLadder.bind(tileLadder.defaults).form(() => byId(BEADS, 'tile'), all);
    expect(Math.abs(25.4 / form.pitchMm / 5 - 1)).toBeLessThan(0.03);
  });

  it('every hole of a middle tile is gone through twice: strung and held, turned into and held', () => {
    expect(counted(tileLadder.bind({ sequence: ['A', 'B'], extra: 1 }), 3)).toEqual({ A: 4, B: 3 });
    expect(through(tileLadder.bind(tileLadder.defaults), 9, 4)).toEqual({ tile: 2, 'tile/1': 2 });
  });
});

describe('herringbone of more columns, by hand', () => {
  it('ten rows of four are forty beads; the edge is gone through once more, down and up', () => {
    const wide = flatHerringbone.bind({ sequence: ['A'], extra: 0, columns: 4 });
    expect(counted(wide, 10)).toEqual({ A: 40 });
    // The first of a row: strung, and down and up when the next row turns on it. The last: strung, and up.
    expect(through(wide, 12, 6)).toEqual({ 'c1-1': 3, 'c2-1': 2, 'c3-1': 2, 'c4-1': 2 });
  });

  it('a tube of six: ten rounds are sixty beads, the first column steps up', () => {
    const tube = tubularHerringbone.bind({ sequence: ['A'], extra: 0, around: 6 });
    expect(counted(tube, 10)).toEqual({ A: 60 });
    // Left: strung, and gone up by the next round; the first also by its own step up. Right: strung, and down.
    expect(through(tube, 14, 6)).toEqual({
      'p1-1': 3,
      'p1-2': 2,
      'p2-1': 2,
      'p2-2': 2,
      'p3-1': 2,
      'p3-2': 2,
    });
  });

  it('a tube of six drawn shut: two by two the round inside the last is gone through once more as well', () => {
    const passes = (shut: number, row: number) => {
      const tube = tubularHerringbone.bind({ sequence: ['A'], extra: 0, around: 6, shut });
      return tube
        .weave(10, ends)
        .moves.filter(isTraversal)
        .filter(({ place, bead }) => place.pass === DRAW_SHUT && bead.place.row === row).length;
    };
    // Six beads of the outermost round, at either end; and six of the next to it.
    for (const row of [0, 9]) for (const shut of [1, 2]) expect(passes(shut, row)).toBe(6);
    for (const row of [1, 8]) {
      expect(passes(1, row)).toBe(0);
      expect(passes(2, row)).toBe(6);
    }
  });

  it('larger beads in one round of a tube take as many a unit as a round has', () => {
    const sections = tubularHerringbone.bind({ sequence: ['A', 'A', 'B'], extra: 1, around: 4 });
    expect(counted(sections, 6)).toEqual({ A: 6 * 8 + 4, B: 6 * 4 });
  });
});

describe('peyote with an odd number, and round, by hand', () => {
  const odd = flatPeyote.bind({ sequence: ['A', 'B'], wide: 7 });

  it('seven across: long rows of four and short rows of three', () => {
    expect(counted(odd, 5)).toEqual({ A: 5 * 4, B: 5 * 3 });
    // Colours of one row only: the unit takes two rows, a long and a short one.
    expect(counted(flatPeyote.bind({ sequence: ['A'], wide: 7 }), 5)).toEqual({ A: 35 });
  });

  it('the last bead of a long row is gone through three times, and once more by the next but one', () => {
    expect(through(odd, 9, 8)).toEqual({ 'b1-1': 2, 'b2-1': 2, 'b3-1': 2, 'b4-1': 4 });
    expect(through(odd, 9, 9)).toEqual({ 'b1-1': 2, 'b2-1': 2, 'b3-1': 2 });
  });

  it('a tube of eight: a round is four beads, each strung and gone through once, the first once more', () => {
    const tube = tubularPeyote.bind({ sequence: ['A', 'A', 'B'], around: 8 });
    expect(counted(tube, 4)).toEqual({ A: 32, B: 16 });
    expect(through(tube, 8, 12)).toEqual({ 'b1-1': 3, 'b2-1': 2, 'b3-1': 2, 'b4-1': 2 });
  });

  it('closed form: a tube is as far round as its beads are long, somewhere between its inside and their middles', () => {
    const cylinder = byId(BEADS, 'cylinder-11');
    const { widthMm } = tubularPeyote.bind({ sequence: ['A'], around: 16 }).form(() => cylinder, all);
    expect(Math.PI * (widthMm - 2 * cylinder.diameterMm)).toBeLessThan(16 * cylinder.lengthMm);
    expect(Math.PI * (widthMm - cylinder.diameterMm)).toBeGreaterThan(16 * cylinder.lengthMm);
  });
});

describe('rows of right-angle weave and cross-weave, by hand', () => {
  it('three rows of seven: four lines of seven sides, eight rungs a row', () => {
    const cloth = rightAngleWeave.bind({ side: ['A'], rung: ['B'], rows: 3 });
    expect(counted(cloth, 7)).toEqual({ A: 28, B: 24 });
    expect(counted(cloth, 8)).toEqual({ A: 32, B: 27 });
  });

  it('thread never cuts a corner: what it leaves and what it enters meet at a right angle', () => {
    for (const rows of [1, 2, 3, 4]) {
      const cloth = rightAngleWeave.bind({ side: ['A'], rung: ['A'], rows });
      const { path, layout } = layOut(cloth, 6, () => byId(BEADS, 'pressed-4'));
      const moves = path.moves.filter((m) => isTraversal(m) && m.needle === 'working').filter(isTraversal);
      let corners = 0;
      moves.forEach((move, i) => {
        const before = moves[i - 1];
        if (!before || before.bead === move.bead || !woven(before.bead) || !woven(move.bead)) return;
        const [a, b] = [layout.poses[before.bead.id], layout.poses[move.bead.id]];
        if (!a || !b) throw new Error('a bead has no place');
        corners++;
        expect(Math.abs(a.axis[0] * b.axis[0] + a.axis[1] * b.axis[1])).toBeLessThan(1e-6);
      });
      // Every unit of every row is turned through at least four times.
      expect(corners).toBeGreaterThan(4 * 6 * rows);
    }
  });

  it('two needles: two rows of seven share a line of sides', () => {
    expect(counted(crossWeave.bind({ side: ['A'], other: ['A'], rung: ['B'], rows: 1 }), 7)).toEqual({
      A: 14,
      B: 8,
    });
    expect(counted(crossWeave.bind({ side: ['A'], other: ['A'], rung: ['B'], rows: 2 }), 7)).toEqual({
      A: 21,
      B: 16,
    });
  });

  it('both ends of the cord go through every rung, and each takes one side of every unit', () => {
    const path = crossWeave.bind({ side: ['A'], other: ['C'], rung: ['B'], rows: 1 }).weave(9, ends);
    expect(path.threads).toEqual([{ needles: ['left', 'right'], folded: true, doubled: false }]);
    const inUnit = path.moves
      .filter(isTraversal)
      .filter(({ place }) => place.unit === 4 && place.section === WOVEN);
    expect(inUnit.map(({ needle, bead }) => `${needle} ${bead.role}`).sort()).toEqual([
      'left B',
      'left C',
      'right A',
      'right B',
    ]);
  });

  it('sides of unequal length are told', () => {
    const bent = crossWeave.bind({ side: ['A', 'A'], other: ['A'], rung: ['B'], rows: 1 });
    expect(bent.advise?.(body).join()).toMatch(/bends/);
  });
});

describe('two-hole line by hand', () => {
  const line = twoHoleLine.bind(twoHoleLine.defaults);

  it('five units: six beads of two holes, ten seeds between, six that turn the ends, five crosses', () => {
    // A cross is five beads: two and a middle, and two more.
    expect(counted(line, 5)).toEqual({ A: 6, B: 10 + 6, C: 20, D: 5 });
    expect(counted(line, 5, { without: new Set(['crosses']) })).toEqual({ A: 6, B: 16 });
  });

  it('each hole is gone through once by the line and once by the crosses', () => {
    expect(through(line, 9, 4)).toMatchObject({ lens: 2, 'lens/1': 2, over2: 2, near1: 1, far1: 1 });
  });

  it('a diagonal too short to reach is told', () => {
    const short = twoHoleLine.bind({ ...twoHoleLine.defaults, over: ['C'] });
    expect(short.advise?.(bodies(short)).join()).toMatch(/too few/);
  });
});

describe('strung line by hand', () => {
  it('memory: 11/0 strung run about 18.1 to the inch', () => {
    const form = strungLine.bind({ sequence: ['A'], extra: 0, trips: 1 }).form(body, all);
    expect(25.4 / form.pitchMm).toBeCloseTo(18.1, 1);
  });

  it('arithmetic of a 16-inch strand: about 100 rounds of 4 mm, 50 of 8 mm, 135 of 3 mm', () => {
    const strand = (id: string) => Math.floor((16 * 25.4) / byId(BEADS, id).lengthMm);
    expect(strand('pressed-4')).toBe(101);
    expect(strand('pressed-8')).toBe(50);
    expect(Math.abs((16 * 25.4) / 3 - 135)).toBeLessThan(1);
  });

  it('one trip takes as much thread as the line is long; there and back twice as much', () => {
    const inBody = (trips: 1 | 2) => {
      const { thread } = layOut(strungLine.bind({ sequence: ['A', 'B'], extra: 0, trips }), 10);
      return threadMm(thread, (m) => m.place.section === WOVEN);
    };
    const line = 10 * (eleven.lengthMm + eight.lengthMm);
    expect(inBody(1)).toBeCloseTo(line);
    // The last bead is gone back through as its loop is sewn on, which counts to the loop.
    expect(inBody(2)).toBeCloseTo(2 * line - eight.lengthMm);
  });

  it('the loop’s seeds touch: out to the ring, and back beside it', () => {
    const { path, layout } = layOut(strungLine.bind({ sequence: ['A'], extra: 0, trips: 1 }), 10);
    const seeds = path.beads.filter((b) => b.place.section === loopSection('end'));
    const [first, second] = seeds;
    if (!first || !second) throw new Error('no loop');
    expect(distance(holeEnd(layout, first, 1), holeEnd(layout, second, 0))).toBeCloseTo(0);
  });
});

it('practice: what a weaver calls what repeats', () => {
  const words = (weaveable: Weaveable) => weaveable.rowWord;
  expect(words(flatPeyote.bind(flatPeyote.defaults))).toBe('row');
  expect(words(ladder.bind(ladder.defaults))).toBe('rung');
  expect(words(tubularPeyote.bind(tubularPeyote.defaults))).toBe('round');
  const net = (motif: string[][]) =>
    words(rightAngleWeave.bind({ side: ['A'], rung: ['A'], rows: 1, edge: 'none', motif } as never));
  expect(net([])).toBe('unit');
  expect(net([['A', 'A', 'A', 'A']])).toBe('unit');
  expect(
    net([
      ['A', 'A', 'A', 'A'],
      ['B', 'A', 'A', 'A'],
    ]),
  ).toBe('circle');
});
