'use client';

import { MinusOutlined, PlusOutlined } from '@ant-design/icons';
import type { ReactNode } from 'react';
import type { Looking } from '../../piece/looks';
import { stepped, type TapeScale, type Zoom } from './tapeScale';
import styles from './Tape.module.css';

export const VIEWS = [
  { value: 'above', label: 'from above' },
  { value: 'side', label: 'from the side' },
  { value: 'end', label: 'cut across' },
] as const;
export type TapeView = (typeof VIEWS)[number]['value'];

interface Props {
  readonly view: TapeView;
  readonly zoom: Zoom;
  readonly scale: TapeScale;
  readonly looking: Looking;
  readonly onView: (view: TapeView) => void;
  readonly onZoom: (zoom: Zoom) => void;
  readonly onLooking: (looking: Looking) => void;
  readonly onMeasureScreen: () => void;
  /** What is said of the piece, or of the bead pointed at. */
  readonly children: ReactNode;
}

/** How the piece is looked at: from where, how close, in which colours. */
export function ViewBar({
  view,
  zoom,
  scale,
  looking,
  onView,
  onZoom,
  onLooking,
  onMeasureScreen,
  children,
}: Props) {
  const trueSize = zoom.kind === 'true';
  return (
    <div className={styles.bar}>
      <div className={styles.said}>{children}</div>
      <fieldset data-screen-only className={styles.tools}>
        <legend className="srOnly">Seen</legend>
        {VIEWS.map(({ value, label }) => (
          <label key={value} className={styles.tool}>
            <input type="radio" name="tape-view" checked={view === value} onChange={() => onView(value)} />
            {label}
          </label>
        ))}
      </fieldset>
      {view !== 'end' && (
        <div data-screen-only className={styles.tools} role="group" aria-label="How close">
          <Tool
            on={zoom.kind === 'whole'}
            onPress={() => onZoom(zoom.kind === 'whole' ? SUITED : { kind: 'whole' })}
          >
            whole
          </Tool>
          <button
            type="button"
            className={styles.tool}
            aria-label="Further off"
            disabled={scale.closer <= 1 + 1e-6}
            onClick={() => onZoom(stepped(scale, -1))}
          >
            <MinusOutlined aria-hidden />
          </button>
          <button
            type="button"
            className={styles.tool}
            aria-label="Closer"
            onClick={() => onZoom(stepped(scale, 1))}
          >
            <PlusOutlined aria-hidden />
          </button>
          <Tool on={trueSize} onPress={() => onZoom(trueSize ? SUITED : { kind: 'true' })}>
            true size
          </Tool>
          {trueSize && (
            <button type="button" className={styles.tool} onClick={onMeasureScreen}>
              measure the screen
            </button>
          )}
        </div>
      )}
      <div data-screen-only className={styles.tools} role="group" aria-label="Beads shown">
        <Tool on={looking.marks} onPress={() => onLooking({ ...looking, marks: !looking.marks })}>
          marks
        </Tool>
        <Tool on={looking.teaching} onPress={() => onLooking({ ...looking, teaching: !looking.teaching })}>
          teaching colours
        </Tool>
      </div>
    </div>
  );
}

const SUITED: Zoom = { kind: 'suited' };

const Tool = ({ on, onPress, children }: { on: boolean; onPress: () => void; children: ReactNode }) => (
  <button type="button" className={styles.tool} aria-pressed={on} onClick={onPress}>
    {children}
  </button>
);
