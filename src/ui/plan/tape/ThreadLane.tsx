'use client';

import { useMemo, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import { lengthsInAll } from '@/core/plan/madeApart';
import type { Plan } from '@/core/plan/plan';
import { counted } from '@/core/words/figures';
import { changeWords } from '@/core/supplies/cutting';
import { lane, moved, type LaneChange } from '@/core/supplies/lane';
import { isSamePlace } from '@/core/supplies/threadPlan';
import { useLengths } from '../../shell/lengths';
import type { Scale } from './Rules';
import { useKeySteps } from './useKeySteps';
import styles from './Tape.module.css';

const LINE_HIGH = 9;
const BAR_HIGH = 7;
/** A grip that a finger finds, px. */
const GRIP_WIDE = 24;

/** What the lane takes of the tape’s height, px. */
export const laneHeight = (plan: Plan): number => Math.max(1, lane(plan).lines) * LINE_HIGH;

interface Props {
  readonly plan: Plan;
  readonly scale: Scale;
  readonly y: number;
  /** Null while the plan shown is no longer the piece’s own. */
  readonly onChange: ((change: Partial<PartOfPiece>) => void) | null;
}

/** Every length of thread along the passes it lays; where one ends and the next begins, a grip to move it. */
export function ThreadLane({ plan, scale, y, onChange }: Props) {
  const { bars, changes } = useMemo(() => lane(plan), [plan]);
  const { along, stations } = plan;
  const x = (unit: number) => scale(unit >= along.units ? stations.bodyEndMm : along.fromMm(unit));
  return (
    <g>
      {bars.map(({ line, length, fromUnit, toUnit }) => (
        <rect
          key={`${line} ${length}`}
          x={x(fromUnit) + 1}
          y={y + line * LINE_HIGH}
          width={Math.max(x(toUnit) - x(fromUnit) - 2, 1)}
          height={BAR_HIGH}
          rx={BAR_HIGH / 2}
          className={length % 2 === 0 ? styles.thread : styles.threadNext}
        />
      ))}
      {onChange &&
        changes.map((change, index) => (
          <Grip
            key={index}
            number={index + 1}
            change={change}
            plan={plan}
            x={x}
            y={y}
            onMove={(after) => onChange({ threadChanges: moved(changes, index, after) })}
          />
        ))}
    </g>
  );
}

interface GripProps {
  readonly number: number;
  readonly change: LaneChange;
  readonly plan: Plan;
  readonly x: (unit: number) => number;
  readonly y: number;
  readonly onMove: (after: LaneChange['after']) => void;
}

/** A change of thread: dragged, or moved unit by unit with the arrow keys. */
function Grip({ number, change, plan, x, y, onMove }: GripProps) {
  const { thread } = useLengths();
  const [held, setHeld] = useState(false);
  const { others, line, unit, after } = change;
  const now = others.findIndex((other) => isSamePlace(other.after, after));
  const steps = useKeySteps(now, 1, others.length - 1);
  const words = `${changeWords(after)}; the longest length ${thread(plan.thread.longestMm)}`;
  const onKeyDown = (event: KeyboardEvent) => {
    const to = others[steps(event) ?? -1];
    if (to) onMove(to.after);
  };
  const drag = (event: PointerEvent<SVGGElement>) => {
    if (!held) return;
    const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
    if (!box) return;
    const at = event.clientX - box.left;
    const near = others
      .filter((other) => other.line === line)
      .reduce<LaneChange['others'][number] | null>(
        (best, other) => (!best || Math.abs(x(other.unit) - at) < Math.abs(x(best.unit) - at) ? other : best),
        null,
      );
    if (near && near.unit !== unit) onMove(near.after);
  };
  const top = y + line * LINE_HIGH;
  return (
    <g
      role="slider"
      tabIndex={0}
      className={styles.change}
      aria-label={`Change of thread ${number}`}
      aria-valuemin={1}
      aria-valuemax={Math.max(others.length, 1)}
      aria-valuenow={now + 1}
      aria-valuetext={words}
      onKeyDown={onKeyDown}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setHeld(true);
      }}
      onPointerMove={drag}
      onPointerUp={() => setHeld(false)}
      onPointerCancel={() => setHeld(false)}
    >
      <title>Change thread {words}. Drag to change it elsewhere.</title>
      <rect
        x={x(unit) - GRIP_WIDE / 2}
        y={top - GRIP_WIDE / 2}
        width={GRIP_WIDE}
        height={GRIP_WIDE}
        fill="transparent"
      />
      <circle
        cx={x(unit)}
        cy={top + BAR_HIGH / 2}
        r={6}
        className={change.crowded ? styles.knobCrowded : styles.knob}
      />
    </g>
  );
}

/** The same in words. */
export function threadWords(plan: Plan, word: (mm: number) => string): string {
  const { thread, closure } = plan;
  const { lengths, longestMm, tailMm, tailSewsMm } = thread;
  const each = word(longestMm);
  const sews = tailSewsMm > 0 && closure.closing === 'clasp' ? ' sews the first end' : '';
  const more = lengthsInAll(plan) - lengths;
  const first = more > 0 ? ` · ${counted(more, 'length')} for what is made first` : '';
  return `${lengths === 1 ? `one length of ${each}` : `${lengths} lengths, up to ${each}`} · tail ${word(tailMm)}${sews}${first}`;
}
