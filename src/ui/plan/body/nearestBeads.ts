import { group, max, mean, rollup } from 'd3';
import type { Sketch } from '@/core/layout/sketch';
import type { Place } from '@/core/weave/path';

/**
 * More beads than this are not drawn one by one in so small a picture: of what lies in rows, the row nearest to the eye stands for
 * all. What is made apart lies in none.
 */
const MOST = 500;

/** A bead of a piece that is worn. */
export interface WornBead {
  readonly key: string;
  readonly shape: string;
  /** Where in the work it was strung. */
  readonly of: Place;
  /** How far along the piece it is bent there: of what is made apart, the middle, for that does not bend. */
  readonly x: number;
  /** How far beyond that it lies along, and how far from the middle line. */
  readonly on: number;
  readonly out: number;
  readonly angle: number;
}

/** The beads of a view, along the piece and away from its middle line. */
export function nearestBeads({ parts }: Sketch): WornBead[] {
  const own = parts.filter(({ apart }) => !apart);
  const count = own.reduce((sum, { beads, times }) => sum + beads.length * times, 0);
  // Of each row by itself: rows of larger beads come nearer than those of smaller ones.
  const nearest = rollup(
    own.flatMap(({ level, beads }) => beads.map(({ bead }) => ({ level, row: bead.place.row }))),
    (row) => max(row, ({ level }) => level),
    ({ row }) => row,
  );
  const rigid = group(
    parts.flatMap(({ beads }) => beads.filter(({ nth }) => nth !== undefined)),
    ({ bead }) => bead.id,
  );
  const middles = new Map([...rigid].map(([id, beads]) => [id, mean(beads, ({ at: [x] }) => x)]));
  return parts.flatMap(({ beads, level, apart, times, atMm, stepMm }, part) => {
    const seen =
      apart || count <= MOST || rigid.size > 0
        ? beads
        : beads.filter(({ bead }) => level === nearest.get(bead.place.row));
    return Array.from({ length: times }, (_, k) =>
      seen.map(({ bead, shape, at: [x, out], angle, nth }): WornBead => {
        const bends = (nth === undefined ? undefined : middles.get(bead.id)) ?? x;
        return {
          key: `${part}/${k}/${bead.id}/${nth ?? ''}`,
          shape,
          of: bead.place,
          x: bends + atMm + k * stepMm,
          on: x - bends,
          out,
          angle,
        };
      }),
    ).flat();
  });
}
