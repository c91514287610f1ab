import type { BeadSize } from '../materials/material';
import { EDGES_MEET } from '../closures/buttonLoop';
import type { Kind } from './kinds';
import type { Point } from '../layout/layout';
import type { Sit, Wear } from './wear';

/** A strip about a body gives by so much, as a part of its length: 19 to 21 rows about an 8 mm ball, 20 the usual (practice). */
const GIVES = 0.05;

/** A strip that is to be closed about a body. */
export interface AboutQuestion {
  readonly kind: Kind;
  readonly core: Pick<BeadSize, 'shape' | 'diameterMm'>;
  readonly thicknessMm: number;
  /** How far from the middle line of the strip its innermost beads lie, mm: they are what rests on the body. */
  readonly asideMm: number;
}

type Resting = Omit<AboutQuestion, 'kind'>;

const ROUND: readonly BeadSize['shape'][] = ['ball', 'rondelle', 'oval', 'bicone', 'drop'];

/**
 * The circle about the body's middle on which the innermost beads of the strip lie, and the smaller one in which they touch
 * the body, as radii in mm. On a ball two columns straddle its girth: a bead of thickness t touches where the line between
 * their middles meets it (Pythagoras). On a cylinder the strip lies flat.
 */
export function restingMm({ core, thicknessMm, asideMm }: Resting): {
  readonly lies: number;
  readonly touches: number;
} {
  const radius = core.diameterMm / 2;
  const apart = radius + thicknessMm / 2;
  const part = ROUND.includes(core.shape) ? Math.sqrt(1 - Math.min(1, asideMm / apart) ** 2) : 1;
  return { lies: apart * part, touches: radius * part };
}

/** How far from the middle line of a strip the nearest of its beads lie, mm. */
export const asideMm = (places: Iterable<Point>): number =>
  Math.min(...[...places].map(([, y]) => Math.abs(y)));

/**
 * How long a strip is, along its middle line, that closes about a body: the girth on which it rests, and what a ring of so
 * thick beads is shorter inside (as of a loop over a ball: `closures/buttonLoop.ts`).
 */
export function about(q: AboutQuestion): Wear {
  const girthMm = 2 * Math.PI * restingMm(q).touches;
  const thickness = EDGES_MEET * Math.PI * q.thicknessMm;
  const wishMm = girthMm + thickness;
  return {
    kind: q.kind,
    bodyMm: girthMm,
    parts: [
      { what: 'body', mm: girthMm },
      { what: 'thickness', mm: thickness },
    ],
    thicknessEffectMm: thickness,
    wishMm,
    band: { minMm: wishMm * (1 - GIVES), maxMm: wishMm * (1 + GIVES) },
    between: false,
  };
}

/** How a strip sits on what it is closed about. */
export const sitAbout = ({ finishedMm }: { readonly finishedMm: number }, { band }: Wear): Sit =>
  finishedMm < band.minMm ? 'too tight' : finishedMm > band.maxMm ? 'too loose' : 'right length';
