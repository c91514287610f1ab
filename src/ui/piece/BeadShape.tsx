import type { BeadMaterial } from '@/core/materials/material';
import { bodyOf } from '@/core/materials/material';

/** One bead in outline, in millimetres, its hole along x, centred on the origin. */
export function BeadShape({ bead }: { bead: BeadMaterial }) {
  const { lengthMm: l, diameterMm } = bodyOf(bead);
  const d = bead.widthMm ?? diameterMm;
  const body = {
    fill: bead.colour,
    stroke: '#1e2b24',
    strokeOpacity: 0.62,
    strokeWidth: 1,
    vectorEffect: 'non-scaling-stroke' as const,
  };
  const glint = {
    fill: '#fff',
    fillOpacity: bead.finish === 'matte' ? 0.08 : bead.finish === 'plain' ? 0.28 : 0.42,
  };
  const box = (rounding: number) => (
    <>
      <rect x={-l / 2} y={-d / 2} width={l} height={d} rx={rounding} {...body} />
      <rect x={-l * 0.3} y={-d * 0.38} width={l * 0.6} height={d * 0.16} rx={d * 0.08} {...glint} />
    </>
  );
  switch (bead.shape) {
    case 'seed':
      return box(Math.min(l, d) * 0.36);
    case 'cylinder':
    case 'bugle':
    case 'twisted bugle':
    case 'tile':
    case 'half tile':
    case 'bar':
    case 'wedge':
    case 'triangle':
    case 'set stone':
      return box(Math.min(l, d) * 0.12);
    case 'cube':
      return box(d * 0.08);
    case 'ball':
    case 'rondelle':
    case 'drop':
    case 'oval':
    case 'lens':
    case 'stone':
      return (
        <>
          <ellipse rx={l / 2} ry={d / 2} {...body} />
          <ellipse cx={-l * 0.12} cy={-d * 0.2} rx={l * 0.16} ry={d * 0.11} {...glint} />
        </>
      );
    case 'bicone':
      return (
        <>
          <path d={bicone(l, d)} {...body} />
          <path d={`M ${-l * 0.22} ${-d * 0.14} L 0 ${-d * 0.42} L ${l * 0.22} ${-d * 0.14} Z`} {...glint} />
        </>
      );
  }
}

/** Two cones base to base, their tips cut off at the hole. */
const bicone = (l: number, d: number) =>
  `M ${-l / 2} ${-d * 0.14} L 0 ${-d / 2} L ${l / 2} ${-d * 0.14} L ${l / 2} ${d * 0.14} L 0 ${d / 2} L ${-l / 2} ${d * 0.14} Z`;

/** A single bead as a small picture beside its name. */
export function BeadIcon({ bead, size = 22 }: { bead: BeadMaterial; size?: number }) {
  const { lengthMm, diameterMm } = bodyOf(bead);
  const span = Math.max(lengthMm, diameterMm) * 1.12;
  return (
    <svg
      width={size}
      height={size}
      viewBox={`${-span / 2} ${-span / 2} ${span} ${span}`}
      aria-hidden
      focusable="false"
    >
      <BeadShape bead={bead} />
    </svg>
  );
}
