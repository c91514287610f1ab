'use client';

import type { ReactNode } from 'react';
import type { Piece } from '@/core/piece';
import type { Plan } from '@/core/plan';
import type { Needle, ThreadMaterial } from '@/core/materials/material';
import { Pick } from '../../fields/Pick';
import { useLengths } from '../../shell/lengths';
import styles from './choices.module.css';

const Fact = ({ name, children }: { name: string; children: ReactNode }) => (
  <div>
    <dt>{name}</dt>
    <dd className="figures">{children}</dd>
  </div>
);

/** Millimetres to a hundredth: gauges are read finer than lengths. */
export const fine = (mm: number): string => `${mm.toFixed(2)} mm`;

/** How long one unit is, and how sure that is. */
export function GaugeFacts({ plan }: { plan: Plan }) {
  const { unit, show } = useLengths();
  const { gauge, chosen } = plan;
  const perLength = unit === 'in' ? gauge.perInch : gauge.perInch / 2.54;
  return (
    <>
      <dl className={styles.facts}>
        <Fact name="one unit">{fine(gauge.pitchMm)}</Fact>
        <Fact name={`units to the ${unit === 'in' ? 'inch' : 'centimetre'}`}>{perLength.toFixed(1)}</Fact>
        <Fact name="wide, thick">
          {fine(plan.widthMm)}, {fine(plan.thicknessMm)}
        </Fact>
        <Fact name="finished, give or take">{show(2 * chosen.sdMm)}</Fact>
      </dl>
      <p className="soft">
        Worked out from the beads’ own sizes, which are usual values, not yours. A measured piece of your own
        work would be surer than any table.
      </p>
    </>
  );
}

/** Whether bare thread shows, and what that means for its colour. */
const exposedWords = ({ exposed: { spans, longestMm } }: Plan): string =>
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
  const { thread } = useLengths();
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
      {plan && <p className="soft">{exposedWords(plan)}</p>}
      {plan && (
        <dl className={styles.facts}>
          <Fact name="in the work">{thread(plan.thread.inWorkMm)}</Fact>
          <Fact name="ends to weave in">{thread(plan.thread.endsMm)}</Fact>
          <Fact name="to spare, a tenth">{thread(plan.thread.marginMm)}</Fact>
          <Fact name="to cut">
            <strong>{thread(plan.thread.totalMm)}</strong>
          </Fact>
          <Fact name="of it, tail to leave at the start">{thread(plan.thread.tailMm)}</Fact>
        </dl>
      )}
    </>
  );
}
