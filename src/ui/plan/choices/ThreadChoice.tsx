'use client';

import type { Piece } from '@/core/piece';
import type { Plan } from '@/core/plan';
import type { Needle, ThreadMaterial } from '@/core/materials/material';
import { Fact } from '../../fields/Fact';
import { Pick } from '../../fields/Pick';
import { useLengths } from '../../shell/lengths';
import styles from './choices.module.css';

/** Whether bare thread shows, and what that means for its colour. */
const exposedWords = ({ exposed: { spans, longestMm } }: Plan, fine: (mm: number) => string): string =>
  spans.length === 0
    ? 'No bare thread shows.'
    : `Bare thread shows between beads, ${fine(longestMm)} at the longest: take a colour that matches or vanishes.`;

/** Which thread, and what it is cut for. */
export function ThreadChoice({
  piece,
  plan,
  threads,
  needles,
  onChange,
}: {
  piece: Piece;
  plan: Plan | null;
  threads: readonly ThreadMaterial[];
  needles: readonly Needle[];
  onChange: (change: Partial<Piece>) => void;
}) {
  const { thread, fine } = useLengths();
  return (
    <>
      <Pick
        label="Thread"
        value={piece.thread.id}
        options={threads.map((t) => ({ value: t.id, label: `${t.name}, ${t.diameterMm} mm` }))}
        onChange={(id) => {
          const chosen = threads.find((t) => t.id === id);
          if (chosen) onChange({ thread: chosen });
        }}
      />
      <Pick
        label="Needle"
        value={piece.needle.id}
        options={needles.map((n) => ({ value: n.id, label: `${n.name}, ${n.diameterMm} mm` }))}
        onChange={(id) => {
          const chosen = needles.find((n) => n.id === id);
          if (chosen) onChange({ needle: chosen });
        }}
      />
      {plan && <p className="soft">{exposedWords(plan, fine)}</p>}
      {plan && (
        <dl className={styles.facts}>
          <Fact name="in the work">{thread(plan.thread.inWorkMm)}</Fact>
          <Fact name="ends to weave in">{thread(plan.thread.endsMm)}</Fact>
          <Fact name="to spare">{thread(plan.thread.marginMm)}</Fact>
          <Fact name="to cut">
            <strong>{thread(plan.thread.totalMm)}</strong>
          </Fact>
          <Fact name="of it, tail to leave at the start">{thread(plan.thread.tailMm)}</Fact>
        </dl>
      )}
    </>
  );
}
