import { describe, expect, it } from 'vitest';
import type { Bead } from '../weave/path';
import { distance, findingPoint, holeEnd, type Layout, type Point, type Pose } from './layout';

const bead = { id: 0, role: 'A', name: 'a' } as Bead;
const layout = (pose: Pose, body: object): Layout => ({
  poses: [pose],
  findings: [[1, 2, 3]],
  body: () => ({ lengthMm: 4, diameterMm: 2, ...body }),
});
const along: Pose = { centre: [10, 20, 30], axis: [1, 0, 0] };

describe('where the ends of holes lie, by hand', () => {
  it('of one hole: half a length to either side of the middle, end 0 first', () => {
    const one = layout(along, {});
    expect(holeEnd(one, bead, 0)).toEqual([8, 20, 30]);
    expect(holeEnd(one, bead, 1)).toEqual([12, 20, 30]);
    const up = layout({ centre: [0, 0, 0], axis: [0, 0.6, 0.8] }, {});
    expect(holeEnd(up, bead, 1)).toEqual([0, 1.2, 1.6]);
  });

  it('of two holes: each off the middle by half of what lies between them, beside the hole', () => {
    const two = layout(along, { holes: 2, apartMm: 3 });
    expect([0, 1].map((hole) => holeEnd(two, bead, 0, hole))).toEqual([
      [8, 18.5, 30],
      [8, 21.5, 30],
    ]);
    expect([0, 1].map((hole) => holeEnd(two, bead, 1, hole))).toEqual([
      [12, 18.5, 30],
      [12, 21.5, 30],
    ]);
  });

  it('of three holes the middle one lies in the middle', () => {
    const three = layout(along, { holes: 3, apartMm: 3 });
    expect([0, 1, 2].map((hole) => holeEnd(three, bead, 0, hole)[1])).toEqual([17, 20, 23]);
  });

  it('across, where the layout says which way; else in the plane of the work, for an upright hole too', () => {
    const told = layout({ ...along, across: [0, 0, 1] }, { holes: 2, apartMm: 3 });
    expect(holeEnd(told, bead, 0, 1)).toEqual([8, 20, 31.5]);
    const upright = layout({ centre: [0, 0, 0], axis: [0, 0, 1] }, { holes: 2, apartMm: 3 });
    expect(holeEnd(upright, bead, 1, 1)).toEqual([0, 1.5, 2]);
    const slant = layout({ centre: [0, 0, 0], axis: [0.6, 0.8, 0] }, { holes: 2, apartMm: 5 });
    const [first, second] = [0, 1].map((hole) => holeEnd(slant, bead, 0, hole)) as [Point, Point];
    expect(distance(first, second)).toBeCloseTo(5, 9);
  });

  it('of what the layout does not know there is none', () => {
    const one = layout(along, {});
    expect(() => holeEnd(one, { ...bead, id: 7 }, 0)).toThrow(/no place for bead 7/);
    expect(findingPoint(one, { findings: [{ name: 'clasp' }] } as never, 0)).toEqual([1, 2, 3]);
    expect(() => findingPoint(one, { findings: [] } as never, 5)).toThrow(/finding 5/);
  });
});
