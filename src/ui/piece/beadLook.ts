import type { Flat } from '@/core/layout/outline';
import type { BeadMaterial, Finish } from '@/core/materials/material';

export const INK = '#1e2b24';
export const THREAD_COLOUR = '#b4533a';

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
