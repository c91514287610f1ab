/**
 * Thread paths of stitches that are hard on the model, written for tests: of the path, its read-outs, its
 * checker and the solver. None is a structure of the gallery.
 */
import { Weave, type WeaveOptions } from '../weave/builder';
import { forth } from '../weave/edge';
import { hole, outOf } from '../weave/needle';
import { jointOf, wovenAt, wovenOf, type Bead, type Path } from '../weave/path';

export interface Fixture {
  readonly name: string;
  readonly build: (n: number) => Path;
  readonly fewest: number;
}

const at = <T>(items: readonly T[], index: number): T => {
  const item = items.at(index);
  if (item === undefined) throw new Error(`no item ${index}`);
  return item;
};

/** Beads one after another. */
export function strung(n: number, roles: readonly string[] = ['A']): Path {
  const w = new Weave();
  const t = w.needle('working').begin('with a stop bead');
  w.repeat(0, n, null, () => {
    t.string(roles);
    return null;
  });
  return w.path();
}

/** Beads side by side, each sewn to the one before; picots on both edges are a later pass that can be left out. */
export function ladder(n: number, role = 'A', options: WeaveOptions = {}): Path {
  const w = new Weave(options);
  const t = w.needle('working').begin('none');
  const { rung: first } = t.pick({ rung: role });
  const rungs = w.repeat(1, n, first, (previous) => {
    const { rung } = t.pick({ rung: role });
    t.through(previous, rung);
    return rung;
  });
  const picot = ['S', 'S', 'S'];
  w.pass('picots', { optional: true, tension: 'medium', why: 'Edges only.' }, () => {
    w.along(rungs, { backwards: true, to: rungs.items.length - 1 }, (rung) => {
      t.string(picot, 'back');
      t.through(rung);
    });
    w.in({ row: 0 }, () => {
      t.string(picot, 'back');
      t.through(first);
    });
    w.along(rungs, {}, (rung) => {
      t.string(picot, 'forth');
      t.through(rung);
    });
  });
  return w.path();
}

/** Two-hole beads worked as a ladder: each bead's second hole is the next one's first rung. */
export function tileLadder(n: number): Path {
  const w = new Weave({ holes: { T: 2 } });
  const t = w.needle('working').begin('none');
  const { tile: first } = t.pick({ tile: 'T' });
  w.repeat(1, n, first, (previous) => {
    t.turnInto({ bead: previous, hole: 1, enter: 1 });
    const { tile } = t.pick({ tile: 'T' });
    t.back(hole(previous, 1)).through(tile);
    return tile;
  });
  return w.path();
}

/** Flat herringbone on two columns; each row may hold other beads. */
export function herringbone(n: number, rows: readonly string[] = ['A']): Path {
  const w = new Weave({ rowsPerUnit: rows.length });
  const t = w.needle('working').begin('none');
  const role = (row: number) => at(rows, row % rows.length);
  const { left, right } = t.pick({ left: role(0), right: role(0) });
  t.through(left);
  w.repeat(1, n * rows.length, { left, right }, (previous, number) => {
    const row = t.pick({ left: role(number), right: role(number) });
    t.through(previous.right, previous.left, row.left);
    return row;
  });
  return w.path();
}

/** Tubular herringbone of so many pairs, with a step-up. */
export function herringboneTube(n: number, pairs = 2): Path {
  const w = new Weave();
  const t = w.needle('working').begin('none');
  type Pair = { left: Bead; right: Bead };
  const first: Pair[] = [];
  for (let i = 0; i < pairs; i++) {
    const one = t.string(['A', 'A'], `${i}/`);
    first.push({ left: at(one, 0), right: at(one, 1) });
  }
  t.close(at(first, 0).left);
  w.repeat(1, n, first, (previous) => {
    const round = previous.map((_, i): Pair => {
      const one = t.string(['A', 'A'], `${i}/`);
      t.through(at(previous, i).right, at(previous, (i + 1) % pairs).left);
      return { left: at(one, 0), right: at(one, 1) };
    });
    t.stepUp(at(round, 0).left);
    return round;
  });
  return w.path();
}

/** Flat even-count peyote, `wide` beads across two neighbouring rows. */
export function peyote(n: number, wide = 6): Path {
  const half = wide / 2;
  const w = new Weave();
  const t = w.needle('working').begin('with a stop bead');
  const rowOver = (previous: readonly Bead[]) =>
    previous.map((_, i) => {
      const bead = at(t.string(['A'], `r${i}/`), 0);
      t.back(at(previous, half - 1 - i));
      return bead;
    });
  // The first two rows are strung together; the third goes over every second of their beads.
  const strip = t.string(Array<string>(wide).fill('A'));
  const row0 = rowOver(strip.filter((_, i) => i % 2 === 0));
  w.repeat(1, n, row0, rowOver);
  return w.path();
}

/** Tubular peyote, so many beads to the round, with a step-up. */
export function peyoteTube(n: number, round = 4): Path {
  const w = new Weave();
  const t = w.needle('working').begin('none');
  const ring = t.string(Array<string>(2 * round).fill('A'));
  t.close(at(ring, 0));
  const first = ring.filter((_, i) => i % 2 === 0);
  w.repeat(1, n, first, (previous) => {
    const made = previous.map((_, i) => {
      const bead = at(t.string(['A'], `${i}/`), 0);
      t.through(at(previous, (i + 1) % round));
      return bead;
    });
    t.stepUp(at(made, 0));
    return made;
  });
  return w.path();
}

/** Brick stitch: each bead hangs from the thread between two beads of the row before. */
export function brick(n: number, wide = 5): Path {
  const w = new Weave();
  const t = w.needle('working').begin('none');
  const first = t.string(['A'], '0/');
  for (let i = 1; i < wide; i++) {
    const next = at(t.string(['A'], `${i}/`), 0);
    t.through(at(first, i - 1), next);
    first.push(next);
  }
  w.repeat(1, n, first, (previous, rowNumber) => {
    t.turnWork('end for end');
    const row = t.string(['A', 'A'], `0/`);
    for (let i = 0; i < wide - 1; i++) {
      if (i > 0) row.push(at(t.string(['A'], `${i}/`), 0));
      const [a, b] = [at(previous, wide - 1 - i), at(previous, wide - 2 - i)];
      // In the ladder the thread runs along both edges: the far end is the one to hang from.
      t.under(a, b, rowNumber === 1 ? (i % 2 === 0 ? 1 : 0) : undefined);
      t.back(at(row, -1));
    }
    return row;
  });
  return w.path();
}

/** Right-angle weave with one needle, one row: `first` and `last` are the sides, `rung` what units share. */
export function rightAngle(n: number, side = 'A', rung = 'A'): Path {
  const w = new Weave();
  const t = w.needle('working').begin('none');
  rightAngleUnits(w, n, side, rung, t);
  return w.path();
}

function rightAngleUnits(w: Weave, n: number, side: string, rung: string, t = w.needle('working')) {
  const { rung: start } = t.pick({ rung });
  const rungs = w.repeat(0, n, start, (previous) => {
    const unit = t.pick({ first: side, rung, last: side });
    t.through(previous, unit.first, unit.rung);
    return unit.rung;
  });
  return { t, start, rungs };
}

/** The same closed to a ring of n units: the closing one reuses the first rung. */
export function rightAngleRing(n: number): Path {
  const w = new Weave();
  const { t, start, rungs } = rightAngleUnits(w, n - 1, 'A', 'A');
  w.in({ pass: 'close the ring', row: n - 1 }, () => {
    t.pick({ first: 'A' });
    if (n % 2 === 0) t.close(start);
    else t.back(start);
    t.pick({ last: 'A' });
    t.close(rungs.last);
  });
  return w.path();
}

/** Two ends of one cord that cross in every rung. */
export function crossWeave(n: number, side = 'A', rung = 'A'): Path {
  const w = new Weave();
  const [left, right] = w.cord('left', 'right');
  w.cross(left, right, 'rung', rung);
  w.repeat(0, n, null, () => {
    left.pick({ left: side });
    right.pick({ right: side });
    w.cross(left, right, 'rung', rung);
    return null;
  });
  return w.path();
}

/** Two-hole beads side by side with a seed between, down one row of holes and back through the other. */
export function twoHoleLine(n: number): Path {
  const w = new Weave({ holes: { L: 2 } });
  const t = w.needle('working').begin('with a stop bead');
  const line = w.repeat(0, n, null as { lens: Bead } | null, () => t.pick({ lens: 'L', seed: 'S' }));
  w.in({ pass: 'turn', section: wovenAt('end') }, () => t.string(['S', 'S', 'S']));
  w.pass('back along the other holes', {}, () =>
    w.along(line, { backwards: true }, (unit) => {
      if (!unit) return;
      t.back(hole(unit.lens, 1));
      t.pick({ between: 'S' });
    }),
  );
  return w.path();
}

/** Spiral rope: loops of `outer` seeds round a core, each new loop one core bead further. */
export function spiralRope(n: number, core = 4, outer = 3): Path {
  const w = new Weave();
  const t = w.needle('working').begin('with a stop bead');
  const loop = Array<string>(outer).fill('O');
  const first = t.string(Array<string>(core).fill('C'), 'core');
  t.string(loop, 'outer');
  t.through(...first);
  w.repeat(1, n, first, (previous) => {
    const { core: added } = t.pick({ core: 'C' });
    t.string(loop, 'outer');
    const under = [...previous.slice(1), added];
    t.through(...under);
    return under;
  });
  return w.path();
}

/** Rounds of a motif: a ring of two a fold, loops of three over every second, loops of five through their tips. */
export function rosette(folds: number): Path {
  const w = new Weave();
  const t = w.needle('working').begin('none');
  const ring = w.round('ring', folds, () => t.pick({ ring: 'A', gap: 'A' }).ring, { liesAlong: true });
  t.close(at(ring, 0));
  const loops = w.round('loops', folds, (fold) => {
    const loop = t.string(['B', 'C', 'B'], 'loop');
    t.through(at(ring, (fold + 1) % folds));
    return at(loop, 1);
  });
  t.travel(outOf(at(loops, 0)));
  w.round('points', folds, (fold) => {
    t.string(['B', 'B', 'C', 'B', 'B'], 'point');
    t.through(at(loops, (fold + 1) % folds));
  });
  return w.path();
}

/** A stone between two cups, their edges zipped. `lost` beads are missing from the second edge. */
export function capsule(edge: number, lost = 0): Path {
  const w = new Weave();
  const cup = (name: string, mirrored: boolean, count: number) =>
    w.component(
      name,
      () => {
        const t = w.needle(`${name} needle`).begin('none');
        const ring = t.string(Array<string>(count).fill('A'), 'ring');
        t.close(at(ring, 0));
        const rim = ring.map((_, i) => {
          const bead = at(t.string(['B'], `rim${i}/`), 0);
          t.through(at(ring, (i + 1) % count));
          return bead;
        });
        t.stepUp(at(rim, 0));
        return { t, rim };
      },
      { mirrored },
    );
  const front = cup('front', false, edge);
  const back = cup('back', true, edge - lost);
  w.in({ section: jointOf('join') }, () => {
    front.t.enclose('stone', 'Z');
    // Its first bead has just been gone through: the round of the zip begins at the next.
    const turned = (rim: readonly Bead[]) => [...rim.slice(1), ...rim.slice(0, 1)];
    w.zip(front.t, forth(...turned(front.rim)), forth(...turned(back.rim)));
  });
  return w.path();
}

/** A strip of n rows closed round a ball, the thread then led through the ball's hole and back. */
export function framedBall(rows: number): Path {
  const w = new Weave();
  const t = w.needle('working').begin('none');
  const first = t.pick({ left: 'A', right: 'A' });
  t.through(first.left);
  const strip = w.repeat(1, rows, first, (previous) => {
    const row = t.pick({ left: 'A', right: 'A' });
    t.through(previous.right, previous.left, row.left);
    return row;
  });
  w.in({ section: jointOf('close') }, () => {
    const { last } = strip;
    t.close(first.left).back(first.right);
    t.through(last.right, last.left);
    // Across through the ball to the other side of the frame, and back.
    const ball = t.enclose('ball', 'Z');
    const across = at(strip.items, Math.floor(rows / 2) - 1);
    t.through(ball, across.left);
    t.turnInto({ bead: ball, enter: 1 });
    t.through(first.left);
  });
  return w.path();
}

/** Growing beads to a centre, and the same in a mirror: a half used twice, as components. */
export function graduated(steps: readonly string[], each: number): Path {
  const w = new Weave();
  const t = w.needle('working').begin('with a stop bead');
  const half = (name: string, roles: readonly string[], mirrored: boolean) =>
    w.component(name, () => t.string(roles.flatMap((role) => Array<string>(each).fill(role))), { mirrored });
  half('left half', steps, false);
  w.in({ section: wovenOf('centre') }, () => t.pick({ centre: 'Z' }));
  half('right half', [...steps].reverse(), true);
  return w.path();
}

/** Rings made apart and joined, each to the next, by two beads across from where the one before holds it. */
export function joinedRings(count: number, size = 8): Path {
  const w = new Weave();
  const rings = Array.from({ length: count }, (_, i) =>
    w.component(`ring ${i + 1}`, () => {
      const t = w.needle(`thread ${i + 1}`).begin('none');
      const ring = t.string(Array<string>(size).fill('A'));
      t.close(at(ring, 0));
      return { t, ring };
    }),
  );
  w.in({ section: jointOf('join') }, () => {
    rings.slice(1).forEach(({ ring: next }, i) => {
      const { t, ring } = at(rings, i);
      if (i > 0) t.travel(outOf(at(ring, size / 2)));
      t.pick({ [`over ${i}`]: 'J' });
      t.through(at(next, 0));
      t.pick({ [`under ${i}`]: 'J' });
      t.through(at(ring, i > 0 ? size / 2 : 0));
    });
  });
  return w.path();
}

/** Every fixture of at least four equal cells or with a fold symmetry. */
export const REPEATING: readonly Fixture[] = [
  { name: 'strung with a pattern', build: (n) => strung(n, ['A', 'B', 'B']), fewest: 1 },
  { name: 'ladder with picots', build: (n) => ladder(n), fewest: 3 },
  { name: 'tile ladder', build: tileLadder, fewest: 2 },
  { name: 'herringbone', build: (n) => herringbone(n), fewest: 2 },
  { name: 'herringbone of two kinds of row', build: (n) => herringbone(n, ['A', 'B']), fewest: 2 },
  { name: 'tubular herringbone', build: (n) => herringboneTube(n), fewest: 2 },
  { name: 'flat peyote', build: (n) => peyote(n), fewest: 2 },
  { name: 'tubular peyote', build: (n) => peyoteTube(n), fewest: 2 },
  { name: 'brick', build: (n) => brick(n), fewest: 3 },
  { name: 'right-angle weave', build: (n) => rightAngle(n), fewest: 1 },
  { name: 'cross-weave', build: (n) => crossWeave(n), fewest: 1 },
  { name: 'two-hole line', build: twoHoleLine, fewest: 2 },
  { name: 'spiral rope', build: (n) => spiralRope(n), fewest: 2 },
  { name: 'rosette', build: rosette, fewest: 4 },
];
