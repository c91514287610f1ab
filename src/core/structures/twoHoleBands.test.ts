// Bands of beads of two holes, counted on paper.
import { describe, expect, it } from 'vitest';
import { BEADS, byId, NEEDLES, THREADS } from '../materials/catalogue';
import type { BeadSize } from '../materials/material';
import { newPart } from '../piece/newPiece';
import { holeUses } from '../read/traversals';
import { planned } from '../testing/planned';
import { counted, eight, eleven, ends, through, woven } from '../testing/woven';
import { isTraversal } from '../weave/path';
import { ballBand } from './ballBand';
import { stoneLattice } from './stoneLattice';
import { tileLadder } from './tileLadder';
import { twoDecks } from './twoDecks';
import { twoHoleLine } from './twoHoleLine';

describe('two decks by hand', () => {
  it('seven units: two sides each, and eight rungs on either deck', () => {
    const one = twoDecks.bind({ rung: ['B'], upper: ['C'], rows: 1 });
    expect(counted(one, 7)).toEqual({ A: 14, B: 8, C: 8 });
    expect(counted(twoDecks.bind({ rung: ['B', 'B'], upper: ['C'], rows: 1 }), 7)).toEqual({
      A: 14,
      B: 16,
      C: 8,
    });
  });

  it('where rungs stand too there is one for both decks, gone through by either of its holes', () => {
    const standing = twoDecks.bind({ ...twoDecks.defaults, rungs: 'standing' });
    expect(counted(standing, 7)).toEqual({ A: 14, E: 8 });
    expect(counted(twoDecks.bind({ ...twoDecks.defaults, rungs: 'standing', rows: 2 }), 7)).toEqual({
      A: 21,
      E: 16,
    });
    // In either deck it ends one circle and begins the next: strung or entered, gone through again, and on.
    const uses = holeUses(standing.weave(12, ends)).filter(
      ({ bead }) => bead.role === 'E' && bead.place.row === 6,
    );
    expect(uses.map(({ hole, traversals }) => [hole, traversals])).toEqual([
      [0, 3],
      [1, 3],
    ]);
  });

  it('two wide there are three lines of sides, and rungs in both rows of both decks', () => {
    expect(counted(twoDecks.bind({ rung: ['B'], upper: ['C'], rows: 2 }), 7)).toEqual({
      A: 21,
      B: 16,
      C: 16,
    });
  });

  it('in the middle each hole of a side is gone through twice by its circle, or once less', () => {
    // A circle leads through the side that it goes on by twice, and through the other once; circles take turns.
    const path = twoDecks.bind({ rung: ['B'], upper: ['B'], rows: 1 }).weave(12, ends);
    const through = holeUses(path).filter(({ bead }) => bead.slot.of === 'side' && bead.place.row === 6);
    expect(through.map(({ hole, traversals }) => `${hole}: ${traversals}`).sort()).toEqual([
      '0: 1',
      '0: 2',
      '1: 1',
      '1: 2',
    ]);
  });

  it('closed form: end to end along, a rung between two sides across, and as thick as its sides are broad', () => {
    const tile = byId(BEADS, 'tile');
    const band = twoDecks.bind({ rung: ['B'], upper: ['B'], rows: 2 });
    const form = band.form((role) => (role === 'A' ? tile : eleven), new Set());
    expect(form.pitchMm).toBe(tile.lengthMm);
    expect(form.widthMm).toBeCloseTo(3 * tile.diameterMm + 2 * eleven.lengthMm, 9);
    expect(form.thicknessMm).toBe(tile.widthMm);
  });

  it('thick sides, rungs without room and decks that differ are told', () => {
    const band = twoDecks.bind({ rung: ['B'], upper: ['C', 'C', 'C'], rows: 1 });
    const told = (rung: BeadSize) =>
      band.advise?.((role) => (role === 'A' ? byId(BEADS, 'lens') : rung)).join() ?? '';
    expect(told(eight)).toMatch(/no room above each other.*arches/s);
    expect(told(byId(BEADS, 'seed-15'))).toMatch(/thread shows/);
  });
});

describe('tiles with picots by hand', () => {
  const edged = tileLadder.bind({ ...tileLadder.defaults, edges: 'picots' });

  it('ten tiles: a picot of three on either end of each, and a bead over nine seams on either edge', () => {
    expect(counted(edged, 10)).toEqual({ A: 10, C: 60, D: 18 });
    expect(counted(edged, 10, { without: new Set(['picots']) })).toEqual({ A: 10 });
    const plain = tileLadder.bind({ ...tileLadder.defaults, edges: 'picots', gap: 'none', picot: ['C'] });
    expect(counted(plain, 10)).toEqual({ A: 10, C: 20 });
  });

  it('every hole of a middle tile is gone through four times: twice by the ladder, and once by either trip', () => {
    expect(through(edged, 12, 6)).toMatchObject({ tile: 4, 'tile/1': 4 });
  });

  it('letters of the tiles cannot be picots, and short picots are told', () => {
    expect(tileLadder.check({ ...tileLadder.defaults, edges: 'picots', picot: ['A'] }).join()).toMatch(
      /other letters/,
    );
    const short = tileLadder.bind({ ...tileLadder.defaults, edges: 'picots', picot: ['C'] });
    const sizes = (role: string) => (role === 'A' ? byId(BEADS, 'tile') : eleven);
    expect(short.advise?.(sizes).join()).toMatch(/Add a seed/);
  });
});

describe('a turn with a ring by hand', () => {
  it('the middle bead of each turn is another, and the clasp hangs on it', () => {
    const line = twoHoleLine.bind({ ...twoHoleLine.defaults, ring: 'E' });
    expect(counted(line, 5)).toEqual({ A: 6, B: 10 + 4, C: 20, D: 5, E: 2 });
    // Both loops of the clasp begin and end in it.
    const path = line.weave(5, ends);
    const loops = path.moves.filter(isTraversal).filter(({ place }) => place.section.zone === 'joint');
    expect(
      new Set(loops.flatMap(({ bead }) => (woven(bead) || bead.role !== 'loop' ? [bead.role] : []))),
    ).toEqual(new Set(['E']));
  });
});

describe('a lattice of stones by hand', () => {
  const lattice = stoneLattice.bind(stoneLattice.defaults);

  it('five stones stand between six beads: four seeds to a stone, six in the turns, and seven round it on either edge', () => {
    expect(counted(lattice, 5)).toEqual({ A: 6, B: 5, C: 20 + 6 + 60, D: 10 });
    expect(counted(lattice, 5, { without: new Set(['edges']) })).toEqual({ A: 6, B: 5, C: 26 });
  });

  it('thread goes once through each channel of a stone, and twice through each hole of a bead', () => {
    expect(through(lattice, 9, 5)).toMatchObject({ stone: 1, 'stone/1': 1, bead: 2, 'bead/1': 2 });
  });

  it('closed form: a unit is a bead, a stone and two gaps of seeds, and each end stands out by its turn', () => {
    const sizes = (role: string) =>
      role === 'A' ? byId(BEADS, 'tile') : role === 'B' ? byId(BEADS, 'set-stone') : eleven;
    const { pitchMm, endWidthMm } = lattice.form(sizes, new Set());
    expect(pitchMm).toBeCloseTo(5 + 6 + 2 * eleven.lengthMm, 9);
    expect(endWidthMm).toBe(5);
  });

  it('needle and thread are tried against the channels of the stones, which are the narrowest', () => {
    const piece = newPart('x', 'stone-lattice', null);
    const narrow = { ...piece, units: 12, beads: { ...piece.beads, B: { ...piece.beads.B, holeMm: 0.6 } } };
    const told = (thread: string, needle: string) =>
      planned({ ...narrow, thread: byId(THREADS, thread), needle: byId(NEEDLES, needle) }).warnings.flatMap(
        (warning) => (warning.code === 'thread' && 'role' in warning.doubt ? [warning.doubt.role] : []),
      );
    expect(told('gel-8', 'needle-10')).toEqual(['B']);
    expect(told('gel-4', 'needle-13')).toEqual([]);
  });

  it('stones too large for their edge are told, and an edge that is too long', () => {
    const told = (edge: readonly string[]) =>
      stoneLattice
        .bind({ ...stoneLattice.defaults, edge })
        .advise?.((role) =>
          role === 'A' ? byId(BEADS, 'tile') : role === 'B' ? byId(BEADS, 'set-stone') : eleven,
        )
        .join();
    expect(told(['C', 'C', 'C'])).toMatch(/too large for the edge.*Add a seed/);
    expect(told(Array<string>(9).fill('C'))).toMatch(/Take a seed out/);
    expect(told(Array<string>(7).fill('C'))).toBe('');
  });
});

describe('cross-weave over balls by hand', () => {
  const band = ballBand.bind(ballBand.defaults);

  it('seven units: eight balls, a bead of two holes on either side with two seeds each, seven beads on top', () => {
    // Seeds: four a unit beside the beads of two holes, two in six gaps of either edge, and two in each of four turns.
    expect(counted(band, 7)).toEqual({ A: 14, B: 8, C: 28 + 24 + 8, D: 7 });
    expect(counted(band, 7, { without: new Set(['top']) })).toEqual({ A: 14, B: 8, C: 60 });
    expect(counted(ballBand.bind({ ...ballBand.defaults, sides: 'unlike', top: 'none' }), 7)).toEqual({
      A: 7,
      B: 8,
      C: 60,
      E: 7,
    });
  });

  it('a ball is gone through by both needles and by the pass on top; each hole of a side once', () => {
    const uses = holeUses(band.weave(9, ends)).filter(({ bead }) => woven(bead) && bead.place.row === 4);
    const of = (role: string) => uses.filter(({ bead }) => bead.role === role).map((use) => use.traversals);
    expect(of('B')).toEqual([3]);
    expect(of('A')).toEqual([1, 1, 1, 1]);
  });

  it('closed form: a ball’s girth a unit where the sides are shorter, else the side', () => {
    const sizes = (ball: string) => (role: string) =>
      role === 'B' ? byId(BEADS, ball) : role === 'A' ? byId(BEADS, 'tile') : eleven;
    expect(band.form(sizes('pressed-8'), new Set()).pitchMm).toBe(8);
    expect(band.form(sizes('pressed-6'), new Set()).pitchMm).toBeCloseTo(5 + 2 * eleven.lengthMm, 9);
  });

  it('sides too short for the balls are told, and an outer edge that is not as long as the inner one', () => {
    const told = (ball: string, outer: readonly string[]) =>
      ballBand
        .bind({ ...ballBand.defaults, outer })
        .advise?.((role) => byId(BEADS, role === 'B' ? ball : role === 'A' ? 'half-tile' : 'seed-11'))
        .join();
    expect(told('pressed-8', ['C', 'C'])).toMatch(/shorter than a ball/);
    expect(told('pressed-4', ['C', 'C', 'C', 'C'])).toMatch(/band bends/);
    expect(told('pressed-4', ['C', 'C'])).toBe('');
  });
});
