'use client';

import { wordCaution } from '@/core/words';
import { claspClosedMm, type Clasp } from '@/core/materials/material';
import type { Piece } from '@/core/piece';
import type { Plan } from '@/core/plan';
import { Choice } from '../../fields/Choice';
import { Pick } from '../../fields/Pick';
import { useLengths } from '../../shell/lengths';
import { Note } from '../Slip';
import styles from './choices.module.css';

interface Props {
  readonly piece: Piece;
  readonly plan: Plan | null;
  readonly clasps: readonly Clasp[];
  readonly onChange: (change: Partial<Piece>) => void;
}

const LOOP_SEEDS = [2, 3, 4, 5, 6] as const;

/** The clasp and how it is sewn on. */
export function EndsChoice({ piece, plan, clasps, onChange }: Props) {
  const { show } = useLengths();
  const { ends } = piece;
  const set = (change: Partial<Piece['ends']>) => onChange({ ends: { ...ends, ...change } });
  return (
    <>
      <Pick
        label="Clasp"
        value={ends.clasp.id}
        options={clasps.map((clasp) => ({
          value: clasp.id,
          label: `${clasp.name}, ${show(claspClosedMm(clasp))} closed`,
        }))}
        onChange={(id) => {
          const clasp = clasps.find((c) => c.id === id);
          if (clasp) set({ clasp });
        }}
      />
      <Choice
        label="Sewn on with a loop: seeds, ring, seeds"
        value={ends.seedsEachSide}
        options={LOOP_SEEDS.map((n) => ({ value: n, label: `${n}, ring, ${n}` }))}
        onChange={(seedsEachSide) => set({ seedsEachSide })}
      />
      <Choice
        label="Threads through the clasp"
        value={ends.passes}
        options={[1, 2, 3].map((n) => ({ value: n, label: `${n}` }))}
        onChange={(passes) => set({ passes })}
        help="Two or more; three for a heavy piece."
      />
      {plan && (
        <p className="soft">
          The clasp takes {show(plan.closure.claspMm)} and its two loops {show(plan.closure.loopsMm)}.
        </p>
      )}
      {plan && plan.cautions.length > 0 && (
        <ul className={styles.notes}>
          {plan.cautions
            .filter((caution) => caution !== 'sharp-edges')
            .map((caution) => (
              <Note key={caution} {...wordCaution(caution)} />
            ))}
        </ul>
      )}
    </>
  );
}
