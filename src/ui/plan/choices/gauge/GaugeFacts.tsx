'use client';

import type { Plan } from '@/core/plan/plan';
import { counted, percent } from '@/core/words/figures';
import { Fact } from '../../../fields/Fact';
import type { LayingOut } from '../../../layouts/layoutStore';
import { useLengths } from '../../../shell/lengths';
import { sourceWords, trustWords } from './gaugeWords';
import styles from '../choices.module.css';

/** A step in height less than this is not felt, mm (from memory). */
const FELT_MM = 0.2;

/** Which beads stand out from the others on the face, and by how much; null where none do. */
function standsOut({ gauge: { faces } }: Plan, tenth: (mm: number) => string): string | null {
  const order = [...faces].sort((a, b) => b.frontMm - a.frontMm);
  const [first, next] = order;
  if (!first || !next || first.frontMm - next.frontMm < FELT_MM) return null;
  return `${first.role}, by ${tenth(first.frontMm - next.frontMm)}`;
}

/** How long one unit is, and how sure that is. */
export function GaugeFacts({ plan, layingOut }: { readonly plan: Plan; readonly layingOut: LayingOut }) {
  const { unit, show, fine, fineNumber, tenth, figure } = useLengths();
  const { gauge, chosen } = plan;
  const perLength = unit === 'in' ? gauge.perInch : gauge.perInch / 2.54;
  const { shortening } = gauge;
  return (
    <>
      <dl className={styles.facts}>
        <Fact
          name={plan.arrangement ? 'the whole line' : shortening ? 'one unit, all passes worked' : 'one unit'}
        >
          {fine(gauge.pitchMm)}
        </Fact>
        {shortening && gauge.basePitchMm !== gauge.pitchMm && (
          <Fact name={`before ${shortening.passes.join(' and ')}`}>
            {fine(gauge.basePitchMm)}
            {shortening.pieces > 0 &&
              `; drawn in by ${percent((shortening.least + shortening.most) / 2)}, as ${counted(shortening.pieces, 'piece of yours was', 'pieces of yours were')}`}
          </Fact>
        )}
        <Fact name="between">
          {fineNumber(gauge.lowMm)} and {fine(gauge.highMm)}
        </Fact>
        <Fact name={`units to the ${unit === 'in' ? 'inch' : 'centimetre'}`}>{figure(perLength, 1)}</Fact>
        <Fact name="known">{sourceWords(plan, layingOut)}</Fact>
        <Fact name="wide, thick">
          {tenth(plan.widthMm)}, {tenth(plan.thicknessMm)}
        </Fact>
        {gauge.drape && <Fact name="feel">{gauge.drape}</Fact>}
        {gauge.insideMm !== null && gauge.insideMm > 0.2 && (
          <Fact name="open inside">{tenth(gauge.insideMm)}</Fact>
        )}
        {standsOut(plan, tenth) && <Fact name="stands out on the face">{standsOut(plan, tenth)}</Fact>}
        <Fact name="finished, nearly always">
          {show(chosen.lowMm)} to {show(chosen.highMm)}
        </Fact>
      </dl>
      {typeof layingOut === 'number' && (
        <progress className={styles.progress} value={layingOut} aria-label="Laying out the stitch" />
      )}
      <p className="soft">{trustWords(plan, fine)}</p>
    </>
  );
}
