'use client';

import type { Sketch } from '@/core/layout/sketch';
import type { Looks } from '../../piece/looks';
import { fromAfar, type Stretch } from './fromAfar';
import { nearestBeads, type WornBead } from './nearestBeads';

interface Props {
  readonly sketch: Sketch;
  readonly looks: Looks;
  /** What the shapes are called in the picture, before their own names. */
  readonly id: string;
  /** How broad the piece looks, mm. */
  readonly broadMm: number;
  /** How a bead is put into its place. */
  readonly place: (bead: WornBead) => string;
  /** Where a point of the middle line lies, by its distance from the tip of the piece. */
  readonly at: (mm: number) => { readonly x: number; readonly y: number };
}

/** The beads of a piece that is worn: each in its place, or, where they are too many, as they look from afar. */
export function WornBeads({ sketch, looks, id, broadMm, place, at }: Props) {
  const beads = nearestBeads(sketch);
  const stretches = fromAfar(beads, (shape) => sketch.shapes.get(shape), looks);
  if (!stretches)
    return beads.map((bead) => <use key={bead.key} href={`#${id}${bead.shape}`} transform={place(bead)} />);
  return stretches.map((stretch) => (
    <polyline
      key={stretch.fromMm}
      points={pointsOf(stretch, at)}
      fill="none"
      stroke={stretch.colour}
      strokeWidth={broadMm}
    />
  ));
}

/** Ends that touch would let the ground shine through between them. */
const OVER = 0.05;

function pointsOf({ fromMm, toMm }: Stretch, at: Props['at']): string {
  const over = (toMm - fromMm) * OVER;
  return [fromMm - over, (fromMm + toMm) / 2, toMm + over]
    .map(at)
    .map(({ x, y }) => `${x.toFixed(2)},${y.toFixed(2)}`)
    .join(' ');
}
