import { describe, expect, it } from 'vitest';
import type { Flat } from '@/core/layout/outline';
import { ABOUT_ORIGIN, beadPaths } from './beadLook';

const edge: readonly Flat[] = [
  [-2, -1],
  [2, -1],
  [2, 1],
  [-2, 1],
];
const body = { shape: 'cylinder', holeMm: 0.8 } as const;
const shape = { edge, mouths: [{ at: [2, 0] as Flat, open: 0.5 }] };
const corners = (path: string) =>
  path.match(/-?\d+\.\d\d -?\d+\.\d\d/g)?.map((pair) => pair.split(' ').map(Number)) ?? [];

describe('a bead where it lies', () => {
  it('about the origin its outline is its edge', () => {
    expect(corners(beadPaths(body, shape, ABOUT_ORIGIN).outline)).toEqual(edge.map((p) => [...p]));
  });

  it('is moved, and turned as a picture turns: a quarter takes what lies to the right down (SVG 2, 8.5)', () => {
    const { outline } = beadPaths(body, shape, { at: [10, 5], angle: 90 });
    expect(corners(outline)).toEqual([
      [11, 3],
      [11, 7],
      [9, 7],
      [9, 3],
    ]);
  });

  it('arcs keep their radii and are turned with it', () => {
    const { mouths } = beadPaths(body, shape, { at: [10, 5], angle: 90 });
    // An ellipse of 0.2 by 0.4 about (10, 7), from end to end of its axis along the hole.
    expect(mouths).toBe('M10.00 6.80A0.20 0.40 90.0 1 0 10.00 7.20A0.20 0.40 90.0 1 0 10.00 6.80Z');
  });

  it('without a mouth that can be seen there is none to draw', () => {
    expect(beadPaths(body, { edge, mouths: [] }, ABOUT_ORIGIN).mouths).toBe('');
  });

  it('what has facets glints in a plane, what has none in an ellipse', () => {
    expect(beadPaths({ ...body, shape: 'bicone' }, shape, ABOUT_ORIGIN).glint).not.toContain('A');
    expect(beadPaths(body, shape, ABOUT_ORIGIN).glint).toContain('A');
  });
});
