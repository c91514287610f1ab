// A square rope counted on paper: cubes of four walls, each a circle of a ring's bead, a post, a bead of the next ring, a post.
import { describe, expect, it } from 'vitest';
import { BEADS, byId } from '../materials/catalogue';
import { tally } from '../read/tally';
import { holeUses } from '../read/traversals';
import { body, ends, layOut } from '../testing/woven';
import { distance, holeEnd } from '../layout/layout';
import { follow, holeEndOf } from '../weave/follow';
import { isTraversal, WOVEN } from '../weave/path';
import { squareRope } from './squareRope';

const rope = (params: object) => squareRope.bind({ ...squareRope.defaults, ...params });
const counted = (params: object, units: number) =>
  Object.fromEntries(tally(rope(params).weave(units, ends), (b) => b.place.section === WOVEN));

describe('a square rope by hand', () => {
  it('ten cubes are eleven rings of four beads, and ten times four posts', () => {
    expect(counted({}, 10)).toEqual({ A: 44, B: 40 });
    expect(counted({ sequence: ['A', 'C'] }, 5)).toEqual({ A: 20, B: 40, C: 24 });
  });

  it('two wide a ring has seven sides, and there are six posts: the wall between is shared', () => {
    expect(counted({ wide: 2 }, 10)).toEqual({ A: 77, B: 60 });
    expect(counted({ wide: 2, post: 'A' }, 7)).toEqual({ A: 56 + 42 });
  });

  it('picks up four beads, and then for each cube three, two, two and one', () => {
    const path = rope({}).weave(6, ends);
    const picks = path.moves
      .filter((move) => move.kind === 'pick' && move.place.section === WOVEN)
      .map(({ place: { row, step } }) => (row < 0 ? 'start' : `${row} ${step ?? ''}`));
    expect(picks.filter((at) => at === 'start')).toHaveLength(4);
    for (let cube = 0; cube < 6; cube++)
      expect([0, 1, 2, 3].map((wall) => picks.filter((at) => at === `${cube} ${wall}`).length)).toEqual([
        3, 2, 2, 1,
      ]);
  });

  it('thread goes four times through each bead of a ring, and through posts as the drawing shows', () => {
    const uses = holeUses(rope({}).weave(8, ends)).filter(({ bead }) => bead.place.row === 4);
    const of = (word: string) =>
      uses.filter(({ bead }) => bead.slot.of === word).map(({ traversals }) => traversals);
    expect(of('ring')).toEqual([4, 4, 4, 4]);
    // Strung and gone down; the first corner is gone up twice besides, before the last wall and to the new ring.
    expect(of('post').sort()).toEqual([2, 2, 2, 3]);
  });

  it.each([1, 2])(
    'never cuts a corner, %i wide: what thread leaves and enters meet at a right angle',
    (wide) => {
      const { path, layout } = layOut(rope({ wide, post: 'A' }), 6, () => byId(BEADS, 'pressed-4'));
      const woven = [...follow(path)].flatMap(({ move, from, into }) => {
        const [a, b] = [holeEndOf(from), holeEndOf(into)];
        return a && b && a.bead !== b.bead && isTraversal(move) && move.place.section === WOVEN
          ? [[a, b] as const]
          : [];
      });
      expect(woven.length).toBeGreaterThan(6 * 20 * wide);
      for (const [a, b] of woven) {
        const [p, q] = [a, b].map(({ bead }) => layout.poses[bead.id]?.axis ?? [0, 0, 0]);
        const along = (p ?? []).reduce((sum, v, k) => sum + v * (q?.[k] ?? 0), 0);
        expect(Math.abs(along)).toBeLessThan(1e-6);
        // Beads of a square of √2·D stand (√2 − 1)·D apart along each side: √2 · ½ of that across a corner.
        const gap = distance(holeEnd(layout, a.bead, a.end, a.hole), holeEnd(layout, b.bead, b.end, b.hole));
        expect(gap).toBeLessThan(Math.SQRT1_2 * (Math.SQRT2 - 1) * 4 + 1e-6);
      }
    },
  );

  it('closed form: √2·D from ring to ring and from edge to edge for equal balls', () => {
    const ball = byId(BEADS, 'pressed-4');
    const { pitchMm, widthMm, thicknessMm, extraMm } = rope({ wide: 2 }).form(() => ball, new Set());
    expect(pitchMm).toBeCloseTo(Math.SQRT2 * 4, 9);
    expect(widthMm).toBeCloseTo(2 * Math.SQRT2 * 4 + 4, 9);
    expect(thicknessMm).toBeCloseTo(Math.SQRT2 * 4 + 4, 9);
    expect(extraMm).toBeCloseTo(4, 9);
  });

  it('posts shorter than the rings are thick are told of, and so are rings that differ by much', () => {
    const large = byId(BEADS, 'pressed-8');
    expect(
      rope({})
        .advise?.((role) => (role === 'A' ? large : body('A')))
        .join(),
    ).toMatch(/longer posts/);
    expect(
      rope({ sequence: ['A', 'C'], post: 'A' })
        .advise?.((role) => (role === 'A' ? large : body('A')))
        .join(),
    ).toMatch(/between them/);
    expect(rope({}).advise?.(() => large)).toEqual([]);
  });
});
