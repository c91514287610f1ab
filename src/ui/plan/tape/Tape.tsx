'use client';

import { holdsOneEnd } from '@/core/closures/suits';
import { finishedWords } from '@/core/words/closings';
import dynamic from 'next/dynamic';
import { useDroppable } from '@dnd-kit/core';
import { useMemo, useRef, useState, type ReactNode, type RefObject } from 'react';
import { KIND_FACTS } from '@/core/body/kinds';
import { countWords } from '@/core/piece/choosing';
import type { Candidate } from '@/core/fit/candidates';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { wishing } from '@/core/piece/wishing';
import { overhangMm } from '../../piece/ClaspShape';
import { beyondMm, drawingReach } from '../../piece/PieceDrawing';
import { useLengths } from '../../shell/lengths';
import { useShortcut } from '../../shortcuts/useShortcut';
import type { DropTarget, Dyeable } from '../palette/PaletteDrag';
import { CutAcross } from './CutAcross';
import { Overview } from './Overview';
import { PointedPiece } from './PointedPiece';
import { ReadOut } from './ReadOut';
import { CmRule, InchRule, type Scale } from './Rules';
import { SIDE_PX, stepped, tapeScale, type Zoom } from './tapeScale';
import { laneHeight, ThreadLane, threadWords } from './ThreadLane';
import { usePointedBead } from './usePointedBead';
import { useWidth } from './useWidth';
import type { View } from './useView';
import { ViewBar, type TapeView } from './ViewBar';
import { WishMarker } from './WishMarker';
import styles from './Tape.module.css';

const TrueSize = dynamic(() => import('./TrueSize').then((m) => m.TrueSize));

/** Heights of what lies above and below the piece, px. */
const WISH_HIGH = 34;
const RULE_HIGH = 30;
/** From the rule to the lane, and below it. */
const LANE_ROOM = 20;

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan;
  readonly view: View;
  readonly onView: (change: Partial<View>) => void;
  readonly from: TapeView;
  readonly onFrom: (from: TapeView) => void;
  readonly zoom: Zoom;
  readonly onZoom: (zoom: Zoom) => void;
  /** Null while the plan shown is no longer the piece's own. */
  readonly onChange: ((change: Partial<PartOfPiece>) => void) | null;
  readonly onChooseBead: (role: string) => void;
}

/** The piece to scale between an inch rule and a centimetre rule, the wish marked on it, thread beneath. */
export function Tape({
  piece,
  plan,
  view,
  onView,
  from,
  onFrom,
  zoom,
  onZoom,
  onChange,
  onChooseBead,
}: Props) {
  const { show, thread } = useLengths();
  const [frame, frameWidthPx] = useWidth(1120);
  const [measuring, setMeasuring] = useState(false);
  const pointed = usePointedBead(plan, from);
  const finderRef = useRef<(x: number, y: number) => Dyeable | null>(() => null);
  const { wear, chosen, stations } = plan;
  const endMm = stations.totalMm + beyondMm(plan);
  const lastMm = Math.max(endMm, wear.band.maxMm, chosen.highMm) + 6;
  const beforeMm = piece.ends.closing === 'clasp' ? overhangMm(plan.clasp) : 0;
  const { aboveMm, belowMm } = drawingReach({ piece, plan });
  const scale = tapeScale({
    lengthMm: lastMm + beforeMm,
    heightMm: aboveMm + belowMm,
    frameWidthPx,
    zoom,
    truePxPerMm: view.pxPerMm,
  });
  useShortcut('closer', () => onZoom(stepped(scale, 1)));
  useShortcut('further', () => onZoom(stepped(scale, -1)));
  const ends = finishedWords(plan.closure.closing, holdsOneEnd(plan.clasp));
  const label = `The piece drawn to scale: ${countWords(plan, chosen.units)}, ${show(chosen.finishedMm)} ${ends}; the target is ${show(wear.wishMm)}.`;

  return (
    <div ref={frame} className={`card ${styles.tape}`} role="group" aria-label={label}>
      {from === 'end' ? (
        <CutAcross
          piece={piece}
          plan={plan}
          heightPx={WISH_HIGH + 2 * RULE_HIGH + scale.roomPx + LANE_ROOM + laneHeight(plan)}
        />
      ) : (
        <Moving
          piece={piece}
          plan={plan}
          scale={scale}
          frameWidthPx={frameWidthPx}
          beforeMm={beforeMm}
          beadAt={(x, y) => finderRef.current(x, y)}
        >
          {(near) => (
            <Drawn
              piece={piece}
              plan={plan}
              from={from}
              scale={scale}
              near={near}
              lastMm={lastMm}
              beforeMm={beforeMm}
              finderRef={finderRef}
              onChange={onChange}
            />
          )}
        </Moving>
      )}
      <ViewBar
        view={from}
        zoom={zoom}
        scale={scale}
        looking={view}
        onView={onFrom}
        onZoom={onZoom}
        onLooking={onView}
        onMeasureScreen={() => setMeasuring(true)}
      >
        {pointed ? (
          <ReadOut plan={plan} bead={pointed} onChoose={onChange && onChooseBead} />
        ) : (
          <p>
            <strong className="figures">
              {countWords(plan, chosen.units)}, {show(chosen.finishedMm)}
            </strong>{' '}
            · {threadWords(plan, thread)}
          </p>
        )}
      </ViewBar>
      {measuring && (
        <TrueSize
          pxPerMm={view.pxPerMm}
          onChange={(pxPerMm) => onView({ pxPerMm })}
          onClose={() => setMeasuring(false)}
        />
      )}
    </div>
  );
}

/** The part of the tape that is in view, or will be when it is moved a little, px. */
interface Near {
  readonly fromPx: number;
  readonly toPx: number;
}

interface MovingProps {
  readonly piece: PartOfPiece;
  readonly plan: Plan;
  readonly scale: ReturnType<typeof tapeScale>;
  readonly frameWidthPx: number;
  readonly beforeMm: number;
  /** The bead under a point of the screen, for a colour that is dropped there. */
  readonly beadAt: (x: number, y: number) => Dyeable | null;
  /** What is on the tape, of which so much has to be drawn. */
  readonly children: (near: Near) => ReactNode;
}

/** Where the tape is longer than its frame: it is moved along, and seen whole above. */
function Moving({ piece, plan, scale, frameWidthPx, beforeMm, beadAt, children }: MovingProps) {
  const scroller = useRef<HTMLDivElement>(null);
  const { setNodeRef } = useDroppable({ id: 'piece', data: { beadAt } satisfies DropTarget });
  const [leftPx, setLeftPx] = useState(0);
  const { widthPx, pxPerMm, moves } = scale;
  const goTo = (middle: number) => {
    if (scroller.current) scroller.current.scrollLeft = middle * widthPx - frameWidthPx / 2;
  };
  return (
    <>
      {moves && (
        <Overview
          piece={piece}
          plan={plan}
          widthPx={frameWidthPx}
          from={leftPx / widthPx}
          to={(leftPx + frameWidthPx) / widthPx}
          onMove={goTo}
          part={(mm) => (SIDE_PX + (beforeMm + mm) * pxPerMm) / widthPx}
        />
      )}
      <div
        ref={(node) => {
          scroller.current = node;
          setNodeRef(node);
        }}
        className={styles.scroller}
        onScroll={(event) => setLeftPx(event.currentTarget.scrollLeft)}
      >
        {children(nearTo(leftPx, frameWidthPx))}
      </div>
    </>
  );
}

/** Half a frame to either side of what is in view, in steps of as much: so moving draws anew only now and then. */
function nearTo(leftPx: number, frameWidthPx: number): Near {
  const step = frameWidthPx / 2;
  const first = Math.floor(leftPx / step);
  return { fromPx: (first - 1) * step, toPx: (first + 4) * step };
}

interface DrawnProps extends Pick<Props, 'piece' | 'plan' | 'onChange'> {
  readonly from: 'above' | 'side';
  readonly scale: ReturnType<typeof tapeScale>;
  readonly near: Near;
  readonly lastMm: number;
  readonly beforeMm: number;
  readonly finderRef: RefObject<(x: number, y: number) => Dyeable | null>;
}

function Drawn({
  piece,
  plan,
  from,
  scale: size,
  near: { fromPx, toPx },
  lastMm,
  beforeMm,
  finderRef,
  onChange,
}: DrawnProps) {
  const { pxPerMm, roomPx, widthPx } = size;
  const { wear, chosen } = plan;
  const zero = SIDE_PX + beforeMm * pxPerMm;
  // To a hundredth of a pixel: what does not move for the eye is not drawn anew.
  const scale = (mm: number) => Math.round((zero + mm * pxPerMm) * 100) / 100;
  const within = useMemo(
    () => ({ fromMm: (fromPx - zero) / pxPerMm, toMm: (toPx - zero) / pxPerMm }),
    [fromPx, toPx, zero, pxPerMm],
  );
  const inchRule = WISH_HIGH;
  // What hangs from a piece leaves its middle line nearer to the upper rule.
  const { aboveMm, belowMm } = drawingReach({ piece, plan });
  const middle = inchRule + RULE_HIGH + (roomPx * aboveMm) / (aboveMm + belowMm);
  const cmRule = inchRule + 2 * RULE_HIGH + roomPx;
  const height = cmRule + LANE_ROOM + laneHeight(plan);
  const rule = { scale, lastMm, widthPx };
  const onWish = onChange && ((mm: number) => onChange(wishing(piece, mm)));
  return (
    <svg width={widthPx} height={height} className="figures">
      <g className={styles.slides} style={{ transform: `translate(${scale(wear.band.minMm)}px, 0)` }}>
        <rect
          y={inchRule - 4}
          width={scale(wear.band.maxMm) - scale(wear.band.minMm)}
          height={cmRule - inchRule + 10}
          className={styles.band}
        />
      </g>
      <InchRule {...rule} y={inchRule} />
      <CmRule {...rule} y={cmRule} />
      <WishMarker
        wishMm={wear.wishMm}
        range={KIND_FACTS[piece.kind].finished}
        scale={scale}
        pxPerMm={pxPerMm}
        widthPx={widthPx}
        downTo={cmRule + 6}
        onWish={onWish}
      />
      <PointedPiece
        piece={piece}
        plan={plan}
        view={from}
        pxPerMm={pxPerMm}
        zeroPx={zero}
        middlePx={middle}
        finderRef={finderRef}
        within={within}
        unitsY={inchRule + RULE_HIGH - 2}
      />
      <Interval candidate={chosen} scale={scale} y={cmRule + 4} />
      <ThreadLane plan={plan} scale={scale} y={cmRule + 14} onChange={onChange} />
    </svg>
  );
}

/** Where the end of nineteen pieces in twenty comes to lie. */
function Interval({
  candidate: { lowMm, highMm },
  scale,
  y,
}: {
  candidate: Candidate;
  scale: Scale;
  y: number;
}) {
  const wide = scale(highMm) - scale(lowMm);
  return (
    <g className={styles.slides} style={{ transform: `translate(${scale(lowMm)}px, 0)` }}>
      <path d={`M 0 ${y - 5} v 10 M 0 ${y} h ${wide} m 0 -5 v 10`} className={styles.interval}>
        <title>Nineteen pieces in twenty end here.</title>
      </path>
    </g>
  );
}
