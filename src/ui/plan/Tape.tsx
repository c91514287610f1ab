'use client';

import { range, scaleLinear } from 'd3';
import { useLayoutEffect, useRef, useState } from 'react';
import { countWords } from '@/core/choosing';
import type { Candidate } from '@/core/fit/candidates';
import { MM_PER_INCH } from '@/core/length/length';
import type { Piece } from '@/core/piece';
import type { Plan } from '@/core/plan';
import { overhangMm } from '../piece/ClaspShape';
import { drawingHeightMm, PieceDrawing } from '../piece/PieceDrawing';
import { useLengths } from '../shell/lengths';
import styles from './Tape.module.css';

const HEIGHT = 236;
const SIDE = 18;
const INCH_RULE = 30;
const CM_RULE = 182;
const LANE = 208;
const MIDDLE = 106;
/** The piece may take this much height between the rules, px. */
const ROOM = 92;

interface Props {
  readonly piece: Piece;
  readonly plan: Plan;
}

/** The piece to scale between an inch rule and a centimetre rule, the wish marked on it, thread beneath. */
export function Tape({ piece, plan }: Props) {
  const { show, thread } = useLengths();
  const [frame, width] = useWidth(1120);
  const { wear, chosen, stations } = plan;
  const lastMm = Math.max(stations.totalMm, wear.band.maxMm) + 6;
  const beforeMm = piece.ends.closing === 'clasp' ? overhangMm(piece.ends.clasp) : 0;
  const wide = (width - 2 * SIDE) / (lastMm + beforeMm);
  const perMm = Math.min(wide, ROOM / drawingHeightMm({ piece, plan }));
  const zero = SIDE + beforeMm * perMm;
  const scale = scaleLinear([0, lastMm], [zero, zero + lastMm * perMm]);
  const ends = plan.closure.closing === 'open' ? 'tip to tip' : 'closed';
  const label = `The piece drawn to scale: ${countWords(plan, chosen.units)}, ${show(chosen.finishedMm)} ${ends}; the wish is ${show(wear.wishMm)}.`;

  return (
    <div ref={frame} className={`card ${styles.tape}`}>
      <svg width={width} height={HEIGHT} role="img" aria-label={label} className="figures">
        <rect
          x={scale(wear.band.minMm)}
          y={INCH_RULE - 8}
          width={scale(wear.band.maxMm) - scale(wear.band.minMm)}
          height={CM_RULE - INCH_RULE + 16}
          className={styles.band}
        />
        <InchRule scale={scale} lastMm={lastMm} />
        <CmRule scale={scale} lastMm={lastMm} />
        <g transform={`translate(${zero} ${MIDDLE}) scale(${perMm})`} className={styles.piece}>
          <PieceDrawing piece={piece} plan={plan} />
        </g>
        <Interval candidate={chosen} scale={scale} />
        <line
          x1={scale(wear.wishMm)}
          x2={scale(wear.wishMm)}
          y1={18}
          y2={CM_RULE + 8}
          className={styles.wish}
        />
        <text
          x={Math.min(scale(wear.wishMm), width - 52)}
          y={13}
          textAnchor="middle"
          className={styles.wishText}
        >
          wish {show(wear.wishMm)}
        </text>
        <ThreadLane plan={plan} scale={scale} word={thread} />
      </svg>
    </div>
  );
}

type Scale = (mm: number) => number;

/** Where the end of nineteen pieces in twenty comes to lie. */
function Interval({ candidate: { lowMm, highMm }, scale }: { candidate: Candidate; scale: Scale }) {
  const y = CM_RULE + 4;
  return (
    <path
      d={`M ${scale(lowMm)} ${y - 5} v 10 M ${scale(lowMm)} ${y} H ${scale(highMm)} M ${scale(highMm)} ${y - 5} v 10`}
      className={styles.interval}
    >
      <title>Nineteen pieces in twenty end here.</title>
    </path>
  );
}

function InchRule({ scale, lastMm }: { scale: Scale; lastMm: number }) {
  const eighths = range(0, Math.floor((lastMm / MM_PER_INCH) * 8) + 1);
  const tall = (i: number) => (i % 8 === 0 ? 14 : i % 4 === 0 ? 9 : 5);
  const inchPx = scale(MM_PER_INCH) - scale(0);
  const told = 8 * (inchPx < 26 ? 5 : inchPx < 40 ? 2 : 1);
  const shown = eighths.filter((i) => inchPx > 60 || i % (inchPx > 26 ? 4 : 8) === 0);
  return (
    <g className={styles.rule}>
      <path d={shown.map((i) => `M${scale((i * MM_PER_INCH) / 8)} ${INCH_RULE}v${tall(i)}`).join('')} />
      {eighths
        .filter((i) => i % told === 0)
        .map((i) => (
          <text key={i} x={scale((i * MM_PER_INCH) / 8) + 3} y={INCH_RULE + 27} className={styles.ruleText}>
            {i === 0 ? '0 in' : i / 8}
          </text>
        ))}
    </g>
  );
}

function CmRule({ scale, lastMm }: { scale: Scale; lastMm: number }) {
  const millimetres = range(0, Math.floor(lastMm) + 1);
  const close = scale(1) - scale(0) < 3.2;
  const tall = (i: number) => (i % 10 === 0 ? 12 : i % 5 === 0 ? 8 : 4);
  return (
    <g className={styles.rule}>
      <path
        d={millimetres
          .filter((i) => !close || i % 5 === 0)
          .map((i) => `M${scale(i)} ${CM_RULE}v${-tall(i)}`)
          .join('')}
      />
      {millimetres
        .filter((i) => i % (close ? 50 : 10) === 0)
        .map((i) => (
          <text key={i} x={scale(i) + 3} y={CM_RULE - 14} className={styles.ruleText}>
            {i === 0 ? '0 cm' : i / 10}
          </text>
        ))}
    </g>
  );
}

/** Thread in equal lengths along the work; where each length ends, a new one is joined on. */
function ThreadLane({ plan, scale, word }: { plan: Plan; scale: Scale; word: (mm: number) => string }) {
  const { lengths, eachMm, tailMm, tailSewsMm } = plan.thread;
  const { bodyStartMm, bodyEndMm } = plan.stations;
  const step = (bodyEndMm - bodyStartMm) / lengths;
  const first = word(eachMm);
  const tail = `tail ${word(tailMm)}${tailSewsMm > 0 && plan.closure.closing === 'clasp' ? ' sews this end' : ''}`;
  return (
    <g>
      {range(lengths).map((i) => (
        <rect
          key={i}
          x={scale(bodyStartMm + i * step) + (i === 0 ? 0 : 2)}
          y={LANE - 10}
          width={Math.max(scale(step) - scale(0) - 2, 1)}
          height={7}
          rx={3.5}
          className={i % 2 === 0 ? styles.thread : styles.threadNext}
        />
      ))}
      <text x={scale(bodyStartMm)} y={LANE + 14} className={styles.laneText}>
        {lengths === 1 ? `one length of ${first}` : `${lengths} lengths of ${first}`} · {tail}
      </text>
    </g>
  );
}

/** Width of an element as it is laid out; a guess until then. */
function useWidth(guess: number) {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(guess);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const measure = () => setWidth(Math.max(element.clientWidth, 300));
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, width] as const;
}
