import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NO_LOOP } from '../closures/sewnLoop';
import { solveClosed } from '../layout/solver/closed';
import { solidOf } from '../layout/solver/solid';
import { distance } from '../layout/layout';
import { BEADS, byId } from '../materials/catalogue';
import { sizeOf, type BeadSize } from '../materials/material';
import { inColour } from '../piece/newPiece';
import { runs } from '../testing/thorough';
import { checkPath } from '../weave/check';
import { isTraversal, type Path } from '../weave/path';
import { hangingDrop } from './hangingDrop';

const OPEN = { start: NO_LOOP, end: NO_LOOP };
const size = (id: string): BeadSize => sizeOf(inColour(byId(BEADS, id), { name: 'grey', hex: '#888888' }));
const drop = (params: Record<string, unknown> = {}) =>
  hangingDrop.bind({ ...hangingDrop.defaults, ...params });
const woven = (params: Record<string, unknown> = {}): Path => drop(params).weave(1, OPEN);
const ONE_HOLE = BEADS.filter(({ holes }) => holes === 1).map(({ id }) => id);
const some = (role: string, min: number, max: number) =>
  fc.integer({ min, max }).map((n) => Array<string>(n).fill(role));
const anyDrop = fc.record({ loop: some('A', 3, 15), stem: some('B', 1, 12), tip: some('C', 1, 5) });

describe('a drop', () => {
  it('by hand: nine, three and one bead; the tip is left out on the way up, and all is gone through again', () => {
    const path = woven();
    expect(path.beads).toHaveLength(13);
    const times = path.beads.map(
      ({ id }) => path.moves.filter((move) => isTraversal(move) && move.bead.id === id).length,
    );
    // As strung: down the stem, up, down for the loop, up again; fastened off in it. The tip twice, the loop twice.
    expect(times.slice(3)).toEqual([2, ...Array<number>(9).fill(2)]);
    times.slice(0, 3).forEach((n) => expect(n).toBeGreaterThanOrEqual(4));
    expect(path.moves.filter(({ kind }) => kind === 'skip')).toHaveLength(1);
    expect(woven({ tip: ['A', 'A', 'A'] }).moves.filter(({ kind }) => kind === 'skip')).toEqual([]);
  });

  it('is a sound path whatever hangs', () =>
    fc.assert(
      fc.property(anyDrop, (params) => {
        expect(checkPath(woven(params))).toEqual([]);
      }),
      { numRuns: runs(40) },
    ));

  it('is as long as its stem, its tip, and a loop whose beads are the sides of a polygon in its circle', () => {
    const body = (role: string) => size(role === 'B' ? 'pressed-4' : 'seed-8');
    const { lengthMm, diameterMm } = size('seed-8');
    // A regular polygon of n sides s (geometry books): corners at s / (2 sin(π/n)) from its middle, sides at s / (2 tan(π/n)). From
    // the corner over the stem up, its topmost two sides meet in a corner, and their middles lie π/n aside of it.
    const n = 8;
    const corner = lengthMm / (2 * Math.sin(Math.PI / n));
    const sides = (lengthMm / (2 * Math.tan(Math.PI / n))) * Math.cos(Math.PI / n);
    const loop = corner + sides + diameterMm / 2;
    const { pitchMm } = drop({ loop: Array<string>(n).fill('A'), stem: ['A', 'B', 'A'], tip: ['A'] }).form(
      body,
      new Set(),
    );
    // The stem begins below the flanks of the loop's beads; its ball is 4 mm.
    expect(pitchMm).toBeCloseTo(loop + diameterMm / 2 + 3 * lengthMm + 4, 6);
  });

  // A longer loop lies in any shape when nothing hangs in it.
  it(
    'with a short loop hangs as the closed solver lays it, which knows of no drop, to half a bead',
    () =>
      fc.assert(
        fc.property(
          fc.record({ loop: some('A', 4, 6), stem: some('B', 2, 6), tip: some('C', 1, 1) }),
          fc.constantFrom('seed-11', 'seed-8'),
          fc.constantFrom('seed-11', 'pressed-4', 'seed-8'),
          (params, a, b) => {
            const body = (role: string) => size(role === 'A' ? a : b);
            const path = woven(params);
            const { beads } = solveClosed(path, (role) => solidOf(body(role)), { starts: 2 });
            const tip = path.beads.findIndex(({ role }) => role === 'C');
            const centres = beads.map(({ centre }) => centre);
            const far = Math.max(...centres.map((p) => distance(p, centres[tip] ?? p)));
            const { pose } = drop(params).form(body, new Set());
            const own = path.beads.map((bead) => pose(bead).centre);
            const ownFar = Math.max(...own.map((p) => distance(p, own[tip] ?? p)));
            expect(Math.abs(far - ownFar)).toBeLessThan(size(a).diameterMm / 2);
          },
        ),
        { numRuns: runs(3) },
      ),
    60_000,
  );

  it('says when its loop has no opening, and what would open it', () =>
    fc.assert(
      fc.property(some('A', 3, 15), fc.constantFrom(...ONE_HOLE), (loop, id) => {
        const body = () => size(id);
        const bound = drop({ loop });
        const open = (bound.loopClearMm?.(body) ?? 0) > 0;
        expect(bound.advise?.(body)).toHaveLength(open ? 0 : 1);
        const better = bound.suited?.(body);
        if (open) expect(better).toBeNull();
        else if (better) {
          const again = hangingDrop.bind(better);
          expect(again.advise?.(body)).toEqual([]);
        }
      }),
      { numRuns: runs(60) },
    ));
});
