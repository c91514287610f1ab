import { extenderIn, heldEnds, holdsOneEnd } from '@/core/closures/suits';
import { memo } from 'react';
import { extent } from '@/core/layout/sketch';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { hangsInRow } from '@/core/structures/seam';
import { Bar, ClaspEnd, ClaspStart, Links, overhangMm } from './ClaspShape';
import { THREAD_COLOUR } from './beadLook';
import styles from './piece.module.css';
import { SketchDrawing } from './SketchDrawing';
import type { SketchProps } from './sketchProps';

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan;
}

interface DrawingProps extends Props, Pick<SketchProps, 'lit' | 'within'> {
  /** From above where nothing is said. */
  readonly view?: 'above' | 'side';
}

/** The whole piece, in millimetres: x from the tip of the clasp, y across (or away from the skin), 0 its middle line. */
export const PieceDrawing = memo(function PieceDrawing({
  piece,
  plan,
  view = 'above',
  lit,
  within,
}: DrawingProps) {
  const sketch = plan.sketch(view);
  return (
    <g>
      <Ends piece={piece} plan={plan} />
      {view === 'above' && <Extender piece={piece} plan={plan} />}
      {plan.along.findings.map(({ what, count, fromMm }) => (
        <g key={fromMm} transform={`translate(${fromMm} 0)`}>
          {hangsInRow(what) ? (
            <Links count={count} linkMm={what.lengthMm} />
          ) : (
            <Bar loops={what.loops} lengthMm={what.lengthMm} widthMm={plan.widthMm} />
          )}
        </g>
      ))}
      <SketchDrawing piece={{ ...piece, ...plan.seen }} sketch={sketch} lit={lit} within={within} />
      {(plan.weaveable.byMeasure ? [] : sketch.routes).map((points, i) => (
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

/** What closes the piece: clasp halves with their rings and chains, or the line where a ring is joined. */
function Ends({ piece: { ends }, plan: { stations, closure, chosen, widthMm, clasp, closedBy } }: Props) {
  if (ends.closing === 'open') return null;
  if (ends.closing === 'joined') {
    const high = widthMm / 2 + 2;
    return [stations.bodyStartMm, stations.bodyEndMm].map((x) => (
      <path
        key={x}
        d={`M ${x} ${-high} V ${high}`}
        stroke="var(--terracotta)"
        strokeWidth={1.5}
        strokeDasharray="4 3"
        vectorEffect="non-scaling-stroke"
      />
    ));
  }
  const { start, end, chain } = ends;
  const { ringStartMm, ringEndMm, totalMm } = stations;
  return (
    <>
      {!closedBy && <ClaspStart clasp={clasp} />}
      <g transform={`translate(${clasp.startMm} 0)`}>
        {start.rings && <Links count={start.rings.count} linkMm={start.rings.finding.lengthMm} />}
      </g>
      {chain && (
        <>
          <g transform={`translate(${ringStartMm - closure.chainMm} 0)`}>
            <Links count={chosen.links} linkMm={chain.linkMm} />
          </g>
          <g transform={`translate(${ringEndMm} 0)`}>
            <Links count={chosen.links} linkMm={chain.linkMm} />
          </g>
        </>
      )}
      <g transform={`translate(${ringEndMm + closure.chainMm} 0)`}>
        {end.rings && heldEnds(clasp).includes('end') && (
          <Links count={end.rings.count} linkMm={end.rings.finding.lengthMm} />
        )}
      </g>
      <g className={styles.slides} style={{ transform: `translate(${totalMm - clasp.endMm}px, 0)` }}>
        {!closedBy && <ClaspEnd clasp={clasp} />}
      </g>
    </>
  );
}

/** How far what lets a piece out hangs on beyond its closed length: its links, and the drop in the last of them, mm. */
export function beyondMm(plan: Plan): number {
  const linksMm = plan.closure.longestMm - plan.chosen.finishedMm;
  return linksMm + (plan.dangle ? extent(plan.dangle.sketch('above')).to[0] : 0);
}

/** The links that let a piece out, on from its closed length, and the drop in the last of them. */
function Extender({ piece, plan }: Props) {
  const extender = extenderIn(piece.ends);
  const { dangle, stations } = plan;
  if (!extender) return null;
  const { links, linkMm } = extender;
  return (
    <>
      <g transform={`translate(${stations.totalMm} 0)`}>
        <Links count={links} linkMm={linkMm} />
      </g>
      {dangle && (
        <g transform={`translate(${stations.totalMm + links * linkMm} 0)`}>
          <SketchDrawing piece={{ ...piece, ...dangle.plan.seen }} sketch={dangle.sketch('above')} />
        </g>
      )}
    </>
  );
}

/** Height that the clasp needs, mm. */
function claspHeightMm({ ends: { closing } }: PartOfPiece, { clasp, closedBy }: Plan): number {
  if (closing !== 'clasp' || closedBy) return 7;
  if (clasp.shape === 'toggle') return clasp.barMm ?? 19;
  return Math.max(
    7,
    5 * clasp.loops + 1,
    overhangMm(clasp),
    clasp.shape === 'ring top' ? 0.7 * clasp.startMm : 0,
    holdsOneEnd(clasp) ? clasp.startMm : 0,
  );
}

/** How far the drawing reaches above its middle line, and below it: the piece, what hangs from it, its loops and its clasp, mm. */
export function drawingReach({ plan, piece }: Props): { readonly aboveMm: number; readonly belowMm: number } {
  const { from, to } = extent(plan.sketch('above'));
  const least = claspHeightMm(piece, plan) / 2;
  return { aboveMm: Math.max(-from[1], least) + 0.5, belowMm: Math.max(to[1], least) + 0.5 };
}

/** What the whole drawing takes: where it begins, how wide and how high it is, mm. */
export function drawingBox({ plan, piece }: Props): {
  readonly from: readonly [number, number];
  readonly wideMm: number;
  readonly highMm: number;
} {
  const { aboveMm, belowMm } = drawingReach({ piece, plan });
  const before = 1 + (piece.ends.closing === 'clasp' ? overhangMm(plan.clasp) : 0);
  return {
    from: [-before, -aboveMm],
    wideMm: plan.stations.totalMm + before + beyondMm(plan) + 1,
    highMm: aboveMm + belowMm,
  };
}

/** The piece alone, as wide as its place, for a card on the bench. */
export function PieceStrip({ piece, plan }: Props) {
  const { from, wideMm, highMm } = drawingBox({ piece, plan });
  return (
    <svg
      viewBox={`${from.join(' ')} ${wideMm} ${highMm}`}
      width="100%"
      style={{ display: 'block', maxHeight: 84 }}
      aria-hidden
      focusable="false"
    >
      <PieceDrawing piece={piece} plan={plan} />
    </svg>
  );
}
