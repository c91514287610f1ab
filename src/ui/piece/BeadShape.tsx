import { outline } from '@/core/layout/outline';
import type { Shape } from '@/core/layout/drawing';
import { solidOf } from '@/core/layout/solver/solid';
import { sizeOf, type BeadMaterial, type BeadShape as BodyShape } from '@/core/materials/material';
import { glintOf, INK, markColour, markPath, markReach, outlinePath, shadeOf } from './beadLook';
import type { SeenAs } from './looks';

/** Bodies with facets catch the light in planes; others softly. */
const FACETED: ReadonlySet<BodyShape> = new Set(['bicone', 'cube', 'set stone', 'triangle']);

type SeenProps = Pick<SeenAs, 'bead'> & Partial<Pick<SeenAs, 'mark'>> & { readonly shape: Shape };

/** A bead as it is seen: its outline in its colour, light from above, the mouths of its holes, and its mark. */
export function SeenBead({ bead, mark = null, shape: { edge, mouths } }: SeenProps) {
  const top = Math.min(...edge.map(([, y]) => y));
  const wide = Math.max(...edge.map(([x]) => x));
  const glint = glintOf(bead);
  return (
    <>
      <path
        d={outlinePath(edge)}
        fill={bead.colour}
        stroke={INK}
        strokeOpacity={0.62}
        strokeWidth={1}
        vectorEffect="non-scaling-stroke"
        strokeLinejoin="round"
      />
      <path d={shadeOf(edge)} fill="#000" fillOpacity={0.1} />
      {FACETED.has(bead.shape) ? (
        <path
          d={outlinePath([
            [-wide * 0.5, top * 0.3],
            [-wide * 0.28, top * 0.74],
            [wide * 0.28, top * 0.74],
            [wide * 0.5, top * 0.3],
          ])}
          fill="#fff"
          fillOpacity={glint}
        />
      ) : (
        <ellipse
          cx={-wide * 0.12}
          cy={top * 0.52}
          rx={wide * 0.5}
          ry={-top * 0.15}
          fill="#fff"
          fillOpacity={glint}
        />
      )}
      {mouths.map(({ at: [x, y], open }, i) => (
        <ellipse
          key={i}
          cx={x}
          cy={y}
          rx={(bead.holeMm / 2) * open}
          ry={bead.holeMm / 2}
          fill={INK}
          fillOpacity={0.75}
        />
      ))}
      {mark && <path d={markPath(mark, markReach(edge))} fill={markColour(bead.colour)} />}
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
