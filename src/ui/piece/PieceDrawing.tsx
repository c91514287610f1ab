import { memo } from 'react';
import { extent } from '@/core/layout/sketch';
import type { Piece } from '@/core/piece';
import type { Plan } from '@/core/plan';
import { ClaspEnd, ClaspStart } from './ClaspShape';
import { THREAD_COLOUR } from './beadLook';
import { SketchDrawing } from './SketchDrawing';

interface Props {
  readonly piece: Piece;
  readonly plan: Plan;
}

/** The whole piece from above, in millimetres: x from the tip of the clasp, y across, 0 its middle line. */
export const PieceDrawing = memo(function PieceDrawing({ piece, plan }: Props) {
  const sketch = plan.sketch('above');
  return (
    <g>
      <ClaspStart clasp={piece.ends.clasp} />
      <g transform={`translate(${plan.stations.ringEndMm} 0)`}>
        <ClaspEnd clasp={piece.ends.clasp} />
      </g>
      <SketchDrawing piece={piece} sketch={sketch} />
      {sketch.routes.map((points, i) => (
        <polyline
          key={i}
          points={points.map(([x, y]) => `${x.toFixed(2)},${y.toFixed(2)}`).join(' ')}
          fill="none"
          stroke={THREAD_COLOUR}
          strokeWidth={1.5}
          strokeDasharray="3 3"
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </g>
  );
});

/** Height that the drawing needs, mm: the piece, what hangs from it, its loops and its clasp. */
export function drawingHeightMm({ plan, piece }: Props): number {
  const { from, to } = extent(plan.sketch('above'));
  return Math.max(2 * Math.max(-from[1], to[1]), piece.ends.clasp.shape === 'toggle' ? 19 : 7) + 1;
}

/** The piece alone, as wide as its place, for a card on the bench. */
export function PieceStrip({ piece, plan }: Props) {
  const height = drawingHeightMm({ piece, plan });
  const { totalMm } = plan.stations;
  return (
    <svg
      viewBox={`-1 ${-height / 2} ${totalMm + 2} ${height}`}
      width="100%"
      style={{ display: 'block', maxHeight: 84 }}
      aria-hidden
      focusable="false"
    >
      <PieceDrawing piece={piece} plan={plan} />
    </svg>
  );
}
