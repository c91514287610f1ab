import type { Mark } from '@/core/colour/teaching';
import type { Shape } from '@/core/layout/drawing';
import type { Flat } from '@/core/layout/outline';
import type { BeadMaterial, Finish } from '@/core/materials/material';
import type { PartOfPiece } from '@/core/piece/partOfPiece';

export const INK = '#1e2b24';
export const THREAD_COLOUR = '#b4533a';
/** The colour that bare thread is drawn in; one that shows while its own is left open. */
export const threadLook = ({ threadColour }: Pick<PartOfPiece, 'threadColour'>): string =>
  threadColour?.hex ?? THREAD_COLOUR;
/** How much of a bead is left that steps back behind others. */
export const STEPPED_BACK = 0.35;

/** The path of a closed outline, mm. */
export const outlinePath = (edge: readonly Flat[]): string => `M${edge.map(point).join('L')}Z`;

const point = ([x, y]: Flat): string => `${x.toFixed(2)} ${y.toFixed(2)}`;

/** Where a bead lies in a picture, mm, and how it is turned there, degrees. */
export interface Lies {
  readonly at: Flat;
  readonly angle: number;
}
export const ABOUT_ORIGIN: Lies = { at: [0, 0], angle: 0 };

/** What a bead is drawn by, where it lies. */
export interface BeadPaths {
  readonly outline: string;
  /** Its lower part, in its own shade. */
  readonly shade: string;
  readonly glint: string;
  /** Mouths of its holes that can be seen. */
  readonly mouths: string;
}

/** Bodies with facets catch the light in planes; others softly. */
const FACETED: ReadonlySet<BeadMaterial['shape']> = new Set(['bicone', 'cube', 'set stone', 'triangle']);

/** The outlines of a bead, its light and shade and the mouths of its holes. */
export function beadPaths(
  { shape: body, holeMm }: Pick<BeadMaterial, 'shape' | 'holeMm'>,
  { edge, mouths }: Pick<Shape, 'edge' | 'mouths'>,
  lies: Lies,
): BeadPaths {
  const put = placing(lies);
  const closed = (points: readonly Flat[]) => outlinePath(points.map(put));
  const ellipse = (middle: Flat, rx: number, ry: number) => {
    const [from, to] = [put([middle[0] - rx, middle[1]]), put([middle[0] + rx, middle[1]])];
    const arc = `A${rx.toFixed(2)} ${ry.toFixed(2)} ${lies.angle.toFixed(1)} 1 0 `;
    return `M${point(from)}${arc}${point(to)}${arc}${point(from)}Z`;
  };
  const top = Math.min(...edge.map(([, y]) => y));
  const wide = Math.max(...edge.map(([x]) => x));
  return {
    outline: closed(edge),
    shade: closed(edge.map(([x, y]): Flat => [x * 0.96, y > 0 ? y * 0.96 : y * 0.1 - 0.55 * top])),
    glint: FACETED.has(body)
      ? closed([
          [-wide * 0.5, top * 0.3],
          [-wide * 0.28, top * 0.74],
          [wide * 0.28, top * 0.74],
          [wide * 0.5, top * 0.3],
        ])
      : ellipse([-wide * 0.12, top * 0.52], wide * 0.5, -top * 0.15),
    mouths: mouths.map(({ at, open }) => ellipse(at, (holeMm / 2) * open, holeMm / 2)).join(''),
  };
}

/** From a bead's own axes to those of the picture. */
function placing({ at, angle }: Lies): (p: Flat) => Flat {
  const [c, s] = [Math.cos((angle * Math.PI) / 180), Math.sin((angle * Math.PI) / 180)];
  return ([x, y]) => [at[0] + c * x - s * y, at[1] + s * x + c * y];
}

/** How much light a finish gives back. */
const GLINT: Readonly<Record<Finish, number>> = { plain: 0.3, lustre: 0.42, plated: 0.5, matte: 0.1 };
export const glintOf = ({ finish }: Pick<BeadMaterial, 'finish'>): number => GLINT[finish];

/** A mark as a path about the middle of a bead, `r` its reach in mm. */
export function markPath(mark: Mark, r: number): string {
  const n = (value: number) => (value * r).toFixed(3);
  const box = (x: number, y: number, w: number, h: number) => `M${n(x)} ${n(y)}h${n(w)}v${n(h)}h${n(-w)}Z`;
  const disc = (x: number, of: number) =>
    `M${n(x - of)} 0a${n(of)} ${n(of)} 0 1 0 ${n(2 * of)} 0a${n(of)} ${n(of)} 0 1 0 ${n(-2 * of)} 0Z`;
  switch (mark) {
    case 'dot':
      return disc(0, 0.7);
    case 'two dots':
      return disc(-0.62, 0.42) + disc(0.62, 0.42);
    case 'bar':
      return box(-1, -0.28, 2, 0.56);
    case 'stripe':
      return box(-0.28, -1.3, 0.56, 2.6);
    case 'cross':
      return `${box(-1, -0.24, 2, 0.48)}${box(-0.24, -1, 0.48, 2)}`;
    case 'square':
      return box(-0.7, -0.7, 1.4, 1.4);
    case 'triangle':
      return `M0 ${n(-0.9)}L${n(0.95)} ${n(0.75)}H${n(-0.95)}Z`;
    case 'diamond':
      return `M0 ${n(-1)}L${n(1)} 0L0 ${n(1)}L${n(-1)} 0Z`;
  }
}

/** How far a mark reaches on a bead with this outline, mm. */
export const markReach = (edge: readonly Flat[]): number =>
  0.42 * Math.min(Math.max(...edge.map(([x]) => x)), Math.max(...edge.map(([, y]) => y)));

/** Dark on light beads, light on dark ones: relative luminance as WCAG 2.2 has it, turned where both contrast alike. */
export function markColour(hex: string): string {
  const channel = (at: number) => {
    const c = Number.parseInt(hex.slice(at, at + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  };
  const luminance = 0.2126 * channel(1) + 0.7152 * channel(3) + 0.0722 * channel(5);
  return luminance > 0.179 ? INK : '#ffffff';
}
