import type { Mark } from '@/core/colour/teaching';
import type { Flat } from '@/core/layout/outline';
import type { BeadMaterial, Finish } from '@/core/materials/material';
import type { Piece } from '@/core/piece';

export const INK = '#1e2b24';
export const THREAD_COLOUR = '#b4533a';
/** The colour that bare thread is drawn in; one that shows while its own is left open. */
export const threadLook = ({ threadColour }: Pick<Piece, 'threadColour'>): string =>
  threadColour?.hex ?? THREAD_COLOUR;
/** How much of a bead is left that steps back behind others. */
export const STEPPED_BACK = 0.35;

/** The path of a closed outline, mm. */
export const outlinePath = (edge: readonly Flat[]): string =>
  `M${edge.map(([x, y]) => `${x.toFixed(2)} ${y.toFixed(2)}`).join('L')}Z`;

/** The lower part of an outline, where a bead lies in its own shade. */
export function shadeOf(edge: readonly Flat[]): string {
  const top = Math.min(...edge.map(([, y]) => y));
  return outlinePath(edge.map(([x, y]): Flat => [x * 0.96, y > 0 ? y * 0.96 : y * 0.1 - 0.55 * top]));
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
