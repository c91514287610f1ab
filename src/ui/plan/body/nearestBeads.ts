import type { Sketch } from '@/core/layout/sketch';

/** More beads than this are not drawn one by one in so small a picture: the row nearest to the eye stands for all. */
const MOST = 500;

/** The beads of a view, along the piece and away from its middle line. */
export function nearestBeads({ parts }: Sketch) {
  const count = parts.reduce((sum, { beads, times }) => sum + beads.length * times, 0);
  const nearest = Math.max(...parts.map(({ level }) => level));
  return parts
    .filter(({ level }) => count <= MOST || level === nearest)
    .flatMap(({ beads, times, atMm, stepMm }, part) =>
      Array.from({ length: times }, (_, k) =>
        beads.map(({ bead, shape, at: [x, out], angle }) => ({
          key: `${part}/${k}/${bead.id}`,
          shape,
          x: x + atMm + k * stepMm,
          out,
          angle,
        })),
      ).flat(),
    );
}
