import { memo, useId } from 'react';
import type { Piece } from '@/core/piece';
import type { Plan } from '@/core/plan';
import { routeLines } from '@/core/read/routes';
import { HIDDEN_MM } from '@/core/read/thread';
import { BeadShape } from './BeadShape';
import { ClaspEnd, ClaspStart } from './ClaspShape';

interface Props {
  readonly piece: Piece;
  readonly plan: Plan;
}

/** The whole piece from above, in millimetres: x from the tip of the clasp, y across, 0 its middle line. */
export const PieceDrawing = memo(function PieceDrawing({ piece, plan }: Props) {
  const id = useId();
  const { layout, path, thread } = plan.work();
  const roles = [...new Set(path.beads.map((bead) => bead.role))];
  const spans = thread.filter((m) => m.gapMm > HIDDEN_MM && m.span);
  return (
    <g>
      <defs>
        {roles.map((role) => {
          const bead = piece.beads[role as keyof Piece['beads']];
          return (
            <g key={role} id={`${id}${role}`}>
              {bead && <BeadShape bead={bead} />}
            </g>
          );
        })}
      </defs>
      <ClaspStart clasp={piece.ends.clasp} />
      <g transform={`translate(${plan.stations.ringEndMm} 0)`}>
        <ClaspEnd clasp={piece.ends.clasp} />
      </g>
      <path
        d={spans
          .map(({ span }) => (span ? `M${span[0][0]} ${span[0][1]}L${span[1][0]} ${span[1][1]}` : ''))
          .join('')}
        fill="none"
        stroke="#b4533a"
        strokeWidth={Math.max(piece.thread.diameterMm, 0.12)}
      />
      {path.beads.map((bead) => {
        const pose = layout.poses[bead.id];
        return (
          pose && (
            <use
              key={bead.id}
              href={`#${id}${bead.role}`}
              transform={`translate(${pose.centre[0]} ${pose.centre[1]}) rotate(${upright(pose.axis[0], pose.axis[1])})`}
            />
          )
        );
      })}
      {routeLines(path, layout).map((points, i) => (
        <polyline
          key={i}
          points={points.map(([x, y]) => `${x},${y}`).join(' ')}
          fill="none"
          stroke="#b4533a"
          strokeWidth={1.5}
          strokeDasharray="3 3"
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </g>
  );
});

/** Angle of a bead's hole, turned so that its light stays above: a hole has no up side. */
function upright(x: number, y: number): number {
  const angle = (Math.atan2(y, x) * 180) / Math.PI;
  return angle > 90 ? angle - 180 : angle <= -90 ? angle + 180 : angle;
}

/** Height that the drawing needs, mm: the piece, its loops and its clasp. */
export const drawingHeightMm = ({ plan, piece }: Props): number =>
  Math.max(plan.widthMm, piece.ends.clasp.shape === 'toggle' ? 19 : 7) + 1;

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
