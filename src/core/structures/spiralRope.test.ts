// A spiral rope counted on paper: a core, and with each loop a step of it more.
import { describe, expect, it } from 'vitest';
import { NO_LOOP } from '../closures/sewnLoop';
import { BEADS, byId } from '../materials/catalogue';
import type { BeadSize } from '../materials/material';
import { threadMm } from '../read/thread';
import { holeUses } from '../read/traversals';
import { laid } from '../testing/layoutCells';
import { all, counted, eleven, ends, layOut, woven } from '../testing/woven';
import { holeEnd } from '../layout/layout';
import { spiralRope } from './spiralRope';

const rope = (params: object = {}) => spiralRope.bind({ ...spiralRope.defaults, ...params });

const usual = (role: string) => byId(BEADS, spiralRope.usual[role as 'A'] ?? 'seed-11');

describe('a spiral rope by hand', () => {
  it('ten loops of five beads, and a core of ten beads and the three that it begins with', () => {
    expect(counted(rope(), 10)).toEqual({ A: 13, B: 40, C: 10 });
    expect(counted(rope({ core: ['A', 'B'], span: 3, loop: ['B', 'C'] }), 10)).toEqual({
      A: 12,
      B: 12 + 10,
      C: 10,
    });
  });

  it('each bead of the core is gone through when it is strung, and by each loop beside it', () => {
    // The tail's end and the working end are woven in four beads from theirs; between them five times.
    const core = holeUses(rope().weave(20, ends)).filter(
      ({ bead }) => woven(bead) && bead.slot.of === 'core' && bead.place.row >= 6 && bead.place.row < 14,
    );
    expect(core.map(({ traversals }) => traversals)).toEqual(Array(8).fill(1 + 4));
    const loops = holeUses(rope().weave(20, ends)).filter(({ bead }) => bead.slot.of === 'loop');
    expect(new Set(loops.map(({ traversals }) => traversals))).toEqual(new Set([1]));
  });

  it('practice: joined, thirteen loops beside a core of thirteen: the last ones add no core', () => {
    const joined = { start: NO_LOOP, end: NO_LOOP, joined: true };
    expect(counted(rope(), 13, joined)).toEqual({ A: 13, B: 52, C: 13 });
  });

  it('practice: 0.9 to 1.83 m of thread for thirteen loops round a core 8 mm across, joined', () => {
    const large: typeof eleven = { ...eleven, shape: 'rondelle', lengthMm: 6, diameterMm: 8 };
    const ball = byId(BEADS, 'fire-polished-3');
    const body = (role: string) => (role === 'A' ? large : role === 'C' ? ball : eleven);
    const six = Array<'B'>(6).fill('B');
    const weaveable = rope({ core: ['A', 'B'], span: 3, loop: [...six, 'C', ...six] });
    const { thread } = layOut(weaveable, 13, body);
    const tailsMm = 2 * 100;
    const metres = (threadMm(thread) + tailsMm) / 1000;
    expect(metres).toBeGreaterThan(0.9);
    expect(metres).toBeLessThan(1.83);
  });

  it('closed form: a bead of the core a loop; four and three 11/0 come to about 1.45 mm by hand (geometry)', () => {
    const weaveable = rope({ loop: ['B', 'B', 'B'] });
    expect(weaveable.form(() => eleven, all).pitchMm).toBeCloseTo(eleven.lengthMm, 9);
    const { pitchMm, rests, settled } = laid({
      stitch: 'spiral-rope',
      params: { loop: ['B', 'B', 'B'] },
      beads: { A: 'seed-11', B: 'seed-11' },
    });
    expect(rests).toBe(true);
    expect(Math.abs(pitchMm / 1.45 - 1)).toBeLessThan(0.03);
    // It turns by some 60 to 70° from loop to loop.
    expect((Math.abs(settled.twist) * 180) / Math.PI).toBeGreaterThan(50);
    expect((Math.abs(settled.twist) * 180) / Math.PI).toBeLessThan(80);
  });

  it('no bead of a loop stands out over the core’s ends', () => {
    const { path, layout } = layOut(rope(), 12, usual);
    const xs = (of: string) =>
      path.beads
        .filter((bead) => woven(bead) && bead.slot.of === of)
        .flatMap((bead) => [holeEnd(layout, bead, 0)[0], holeEnd(layout, bead, 1)[0]]);
    expect(Math.min(...xs('loop'))).toBeGreaterThan(Math.min(...xs('core')));
    expect(Math.max(...xs('loop'))).toBeLessThan(Math.max(...xs('core')));
  });

  it('says what does not suit, and what helps: each was tried', () => {
    const inBeads =
      (changed: Readonly<Record<string, string>>) =>
      (role: string): BeadSize =>
        byId(BEADS, changed[role] ?? usual(role).id);
    const advice = (params: object, changed = {}) => rope(params).advise?.(inBeads(changed)) ?? [];
    expect(advice({})).toEqual([]);
    const short = { loop: ['B', 'B', 'B'] };
    expect(advice(short).join()).toMatch(/shorter than the core/);
    expect(advice({ loop: ['B', 'B', 'B', 'B', 'B', 'B'] })).toEqual([]);
    expect(advice({ ...short, span: 2 })).toEqual([]);
    const long = { loop: ['B', 'B', 'B', 'B', 'B', 'C', 'B', 'B', 'B', 'B', 'B'] };
    expect(advice(long).join()).toMatch(/stand off/);
    expect(advice({ ...long, span: 6 })).toEqual([]);
    const crowded = { loop: ['C', 'C'], span: 6 };
    expect(advice(crowded, { A: 'seed-11', C: 'pressed-4' }).join()).toMatch(/crowd/);
    expect(advice({ ...crowded, span: 4 }, { A: 'seed-11', C: 'pressed-4' })).toEqual([]);
    expect(advice({ ...crowded, span: 5 }, { A: 'seed-6', C: 'pressed-4' }).join()).not.toMatch(/crowd/);
  });
});
