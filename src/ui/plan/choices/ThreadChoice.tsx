'use client';

import type { ReactNode } from 'react';
import type { Piece } from '@/core/piece';
import type { Plan } from '@/core/plan';
import type { Needle, ThreadMaterial } from '@/core/materials/material';
import { Pick } from '../../fields/Pick';
import type { LayingOut } from '../../layouts/layoutStore';
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

/** Where the length of a unit comes from, in words. */
export function sourceWords({ gauge }: Plan, layingOut: LayingOut): string {
  if (gauge.source === 'solver') return 'laid out from thread path and beads';
  if (layingOut === 'failed') return 'by rule of thumb; it could not be laid out';
  return layingOut === null
    ? 'by rule of thumb'
    : `by rule of thumb; laying it out, ${Math.round(100 * layingOut)} %`;
}

/** A step in height less than this is not felt, mm (from memory). */
const FELT_MM = 0.2;

/** Which beads stand out from the others on the face, and by how much; null where none do. */
function standsOut({ gauge: { faces } }: Plan): string | null {
  const order = [...faces].sort((a, b) => b.frontMm - a.frontMm);
  const [first, next] = order;
  if (!first || !next || first.frontMm - next.frontMm < FELT_MM) return null;
  return `${first.role}, by ${fine(first.frontMm - next.frontMm)}`;
}

/** How long one unit is, and how sure that is. */
export function GaugeFacts({ plan, layingOut }: { plan: Plan; layingOut: LayingOut }) {
  const { unit, show } = useLengths();
  const { gauge, chosen } = plan;
  const perLength = unit === 'in' ? gauge.perInch : gauge.perInch / 2.54;
  return (
    <>
      <dl className={styles.facts}>
        <Fact name="one unit">{fine(gauge.pitchMm)}</Fact>
        <Fact name="between">
          {gauge.lowMm.toFixed(2)} and {fine(gauge.highMm)}
        </Fact>
        <Fact name={`units to the ${unit === 'in' ? 'inch' : 'centimetre'}`}>{perLength.toFixed(1)}</Fact>
        <Fact name="wide, thick">
          {fine(plan.widthMm)}, {fine(plan.thicknessMm)}
        </Fact>
        {gauge.drape && <Fact name="drape">{gauge.drape}</Fact>}
        {gauge.insideMm !== null && gauge.insideMm > 0.2 && (
          <Fact name="open inside">{fine(gauge.insideMm)}</Fact>
        )}
        {standsOut(plan) && <Fact name="stands out on the face">{standsOut(plan)}</Fact>}
        <Fact name="finished, give or take">{show(2 * chosen.sdMm)}</Fact>
      </dl>
      {typeof layingOut === 'number' && (
        <progress className={styles.progress} value={layingOut} aria-label="Laying out the stitch" />
      )}
      <p className="soft">
        {gauge.source === 'solver'
          ? 'Found by drawing the thread taut on beads of these sizes. The range covers bead lots and how round their edges are. '
          : 'A rule of thumb from the beads’ own sizes. '}
        The sizes are usual values, not yours: a measured piece of your own work is surer than either.
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
