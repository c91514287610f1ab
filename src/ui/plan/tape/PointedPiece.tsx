'use client';

import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type RefObject } from 'react';
import { beadAt, standing, type Stretch } from '@/core/layout/sketch';
import type { Flat } from '@/core/layout/outline';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { holeMarks } from '@/core/supplies/holeMarks';
import { outlinePath } from '../../piece/beadLook';
import { PieceDrawing } from '../../piece/PieceDrawing';
import type { Dyeable } from '../palette/PaletteDrag';
import { useAfterPaint } from '../../shell/useAfterPaint';
import { usePointed, usePointer } from '../pointed';
import { beadWords, READ_OUT } from './ReadOut';
import { pointedAt, usePointedBead } from './usePointedBead';
import styles from './Tape.module.css';

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan;
  readonly view: 'above' | 'side';
  readonly pxPerMm: number;
  readonly zeroPx: number;
  readonly middlePx: number;
  /** Is told how to find the bead under a point of the screen. */
  readonly finderRef: RefObject<(x: number, y: number) => Dyeable | null>;
  /** What of it is in view, or nearly. */
  readonly within: Stretch;
  /** Where the units that are pointed at are marked. */
  readonly unitsY: number;
}

/** A finger is not as fine as a bead: so far off it still counts, px. */
const NEAR_PX = 6;

/** The piece on the tape. A bead that is pointed at, or gone to with the arrow keys, lights up with all of its kind. */
export function PointedPiece({
  piece,
  plan,
  view,
  pxPerMm,
  zeroPx,
  middlePx,
  finderRef,
  within,
  unitsY,
}: Props) {
  const pointed = usePointed();
  const pointer = usePointer();
  const roles = pointed?.roles.join() ?? null;
  const lit = useMemo(() => (roles === null ? null : roles.split(',')), [roles]);
  const sketch = plan.sketch(view);

  const picture = useRef<SVGGElement>(null);
  const under = (clientX: number, clientY: number) => {
    const box = picture.current?.ownerSVGElement?.getBoundingClientRect();
    if (!box) return null;
    const at: Flat = [(clientX - box.left - zeroPx) / pxPerMm, (clientY - box.top - middlePx) / pxPerMm];
    const near = NEAR_PX / pxPerMm;
    const around: Flat[] = [
      at,
      [at[0] - near, at[1]],
      [at[0] + near, at[1]],
      [at[0], at[1] - near],
      [at[0], at[1] + near],
    ];
    for (const point of around) {
      const found = beadAt(sketch, point);
      if (found) return found;
    }
    return null;
  };
  useEffect(() => {
    finderRef.current = (x, y) => {
      const bead = under(x, y)?.drawn.bead;
      return bead ? { role: bead.role, shade: plan.shades().get(bead.id) ?? 0 } : null;
    };
  });
  return (
    <g transform={`translate(${zeroPx} ${middlePx})`}>
      <g
        ref={picture}
        onPointerMove={(event) => {
          const bead = under(event.clientX, event.clientY);
          pointer.over(bead && pointedAt(bead));
        }}
        onPointerLeave={() => pointer.over(null)}
        onClick={(event) => {
          const bead = under(event.clientX, event.clientY);
          pointer.hold(bead && pointedAt(bead));
        }}
      >
        <rect
          x={plan.stations.ringStartMm * pxPerMm}
          width={(plan.stations.ringEndMm - plan.stations.ringStartMm) * pxPerMm}
          y={(-plan.widthMm / 2 - 2) * pxPerMm}
          height={(plan.widthMm + 4) * pxPerMm}
          fill="transparent"
        />
        <g transform={`scale(${pxPerMm})`}>
          <PieceDrawing piece={piece} plan={plan} view={view} lit={lit} within={within} />
        </g>
      </g>
      <Marks plan={plan} view={view} pxPerMm={pxPerMm} />
      <SectionMarks plan={plan} pxPerMm={pxPerMm} />
      <UnitsPointedAt plan={plan} pxPerMm={pxPerMm} y={unitsY - middlePx} />
      <BeadCursor plan={plan} view={view} pxPerMm={pxPerMm} />
    </g>
  );
}

/** A dot on every bead that a trip goes hard through, a ring on those it will not go through. */
function Marks({ plan, view, pxPerMm }: Pick<Props, 'plan' | 'view' | 'pxPerMm'>) {
  const now = useMemo(() => ({ plan, view }), [plan, view]);
  const later = useAfterPaint(now);
  const marks = useMemo(() => later && holeMarks(later.plan, later.view), [later]);
  if (!marks || later !== now) return null;
  const dots = (points: readonly Flat[]) =>
    points.map(([x, y]) => `M ${(x * pxPerMm).toFixed(1)} ${(y * pxPerMm).toFixed(1)} h 0`).join(' ');
  return (
    <>
      <path d={dots(marks.hard)} className={styles.goesHard} />
      <path d={dots(marks.no)} className={styles.goesNot} />
      <path d={dots(marks.no)} className={styles.goesNotCore} />
    </>
  );
}

/** Where one section ends and the next begins, and the number of each. */
function SectionMarks({ plan: { along, widthMm }, pxPerMm }: Pick<Props, 'plan' | 'pxPerMm'>) {
  const edge = (widthMm / 2 + 1) * pxPerMm;
  return along.sections.map(({ of, fromMm, toMm, fromUnit }, i) => (
    <g key={fromUnit} className={styles.section}>
      {i > 0 && <path d={`M ${fromMm * pxPerMm} ${-edge} V ${edge}`} />}
      <text x={((fromMm + toMm) / 2) * pxPerMm} y={edge + 12}>
        {of + 1}
      </text>
    </g>
  ));
}

/** A bracket over the units that are pointed at. */
function UnitsPointedAt({ plan, pxPerMm, y }: { plan: Plan; pxPerMm: number; y: number }) {
  const units = usePointed()?.units;
  if (!units || plan.arrangement) return null;
  const x = (unit: number) => plan.along.fromMm(unit) * pxPerMm;
  const [from, to] = [x(Math.max(units[0], 0)), x(Math.min(units[1], plan.along.units - 1) + 1)];
  return <path d={`M ${from} ${y + 5} v -5 H ${to} v 5`} className={styles.units} />;
}

/** The bead that is pointed at, ringed; with the keyboard one goes from bead to bead. */
function BeadCursor({ plan, view, pxPerMm }: Pick<Props, 'plan' | 'view' | 'pxPerMm'>) {
  const pointer = usePointer();
  const bead = usePointedBead(plan, view);
  const [index, setIndex] = useState(0);
  const [focused, setFocused] = useState(false);
  const beads = useMemo(() => (focused ? standing(plan.sketch(view)) : []), [focused, plan, view]);
  const most = plan.quantities.reduce((sum, { total }) => sum + total, 0) - 1;
  const now = Math.min(index, most);
  const go = (to: number, all = beads) => {
    const next = Math.min(Math.max(to, 0), Math.max(all.length - 1, 0));
    setIndex(next);
    const there = all[next];
    if (there) pointer.hold(pointedAt(there));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const last = beads.length - 1;
    const perUnit = Math.max(1, Math.round(plan.quantities.reduce((sum, q) => sum + q.perUnit, 0)));
    const target: Readonly<Record<string, number>> = {
      ArrowRight: now + 1,
      ArrowLeft: now - 1,
      PageDown: now + perUnit,
      PageUp: now - perUnit,
      Home: 0,
      End: last,
    };
    const to = target[event.key];
    if (to === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    go(to);
  };
  const shape = bead && plan.sketch(view).shapes.get(bead.drawn.shape);
  const ring = useRef<SVGPathElement>(null);
  const which = bead && `${bead.drawn.bead.id}/${bead.time}`;
  useEffect(() => {
    if (focused && which) ring.current?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [focused, which]);
  return (
    <g
      role="slider"
      tabIndex={0}
      className={styles.cursor}
      aria-label="Bead by bead"
      aria-valuemin={1}
      aria-valuemax={most + 1}
      aria-valuenow={now + 1}
      aria-valuetext={bead ? beadWords(plan, bead) : 'Arrow keys go from bead to bead.'}
      onFocus={() => {
        setFocused(true);
        go(now, standing(plan.sketch(view)));
      }}
      onBlur={({ relatedTarget }) => {
        setFocused(false);
        // What is said of the bead stays while its button is gone to.
        if (!relatedTarget?.closest(`[${READ_OUT}]`)) pointer.hold(null);
      }}
      onKeyDown={onKeyDown}
    >
      {bead && shape && (
        <path
          ref={ring}
          d={outlinePath(shape.edge)}
          transform={`scale(${pxPerMm}) translate(${bead.at[0]} ${bead.at[1]}) rotate(${bead.drawn.angle}) scale(1.12)`}
          className={styles.ringed}
          vectorEffect="non-scaling-stroke"
        />
      )}
      <line
        x1={plan.stations.bodyStartMm * pxPerMm}
        x2={plan.stations.bodyEndMm * pxPerMm}
        y1={(plan.widthMm / 2 + 2.4) * pxPerMm}
        y2={(plan.widthMm / 2 + 2.4) * pxPerMm}
        className={styles.cursorLine}
      />
    </g>
  );
}
