import { outline } from '@/core/layout/outline';
import type { Shape } from '@/core/layout/drawing';
import { solidOf } from '@/core/layout/solver/solid';
import { sizeOf, type BeadMaterial } from '@/core/materials/material';
import {
  ABOUT_ORIGIN,
  beadPaths,
  glintOf,
  INK,
  markColour,
  markPath,
  markReach,
  type Lies,
} from './beadLook';
import type { SeenAs } from './looks';

type SeenProps = Pick<SeenAs, 'bead'> &
  Partial<Pick<SeenAs, 'mark'>> & {
    readonly shape: Shape;
    /** Where it lies and how it is turned; about the origin where nothing is said. */
    readonly lies?: Lies;
  };

/**
 * A bead as it is seen: its outline in its colour, light from above, the mouths of its holes, and its mark. Where it lies
 * is worked into the outlines: thousands of beads with a transformation each keep a browser busy.
 */
export function SeenBead({ bead, mark = null, shape, lies = ABOUT_ORIGIN }: SeenProps) {
  const { edge } = shape;
  const { outline: whole, shade, glint, mouths } = beadPaths(bead, shape, lies);
  return (
    <>
      <path
        d={whole}
        fill={bead.colour}
        stroke={INK}
        strokeOpacity={0.62}
        strokeWidth={1}
        vectorEffect="non-scaling-stroke"
        strokeLinejoin="round"
      />
      <path d={shade} fill="#000" fillOpacity={0.1} />
      <path d={glint} fill="#fff" fillOpacity={glintOf(bead)} />
      {mouths && <path d={mouths} fill={INK} fillOpacity={0.75} />}
      {mark && (
        <path
          d={markPath(mark, markReach(edge))}
          transform={`translate(${lies.at.join(' ')}) rotate(${lies.angle})`}
          fill={markColour(bead.colour)}
        />
      )}
    </>
  );
}

const LYING = [1, 0, 0, 0, 1, 0, 0, 0, 1] as const;

/** A single bead as a small picture beside its name. */
export function BeadIcon({
  bead,
  mark = null,
  size = 22,
}: {
  readonly bead: BeadMaterial;
  readonly mark?: SeenAs['mark'];
  readonly size?: number;
}) {
  const solid = solidOf(sizeOf(bead));
  const edge = outline(solid, LYING);
  const span = 2.24 * Math.max(...edge.flat());
  return (
    <svg
      width={size}
      height={size}
      viewBox={`${-span / 2} ${-span / 2} ${span} ${span}`}
      aria-hidden
      focusable="false"
    >
      <SeenBead bead={bead} mark={mark} shape={{ role: '', edge, mouths: [] }} />
    </svg>
  );
}
