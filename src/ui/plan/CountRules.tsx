'use client';

import type { PartOfPiece } from '@/core/piece/partOfPiece';
import { Choice } from '../fields/Choice';
import styles from './CountHills.module.css';

const SETS = [1, 2, 3, 4, 5, 6, 8, 10, 12] as const;

/** The maker's own rules on the count: even or odd, whole sets. */
export function CountRules({
  piece: { rules },
  onChange,
}: {
  readonly piece: PartOfPiece;
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}) {
  const set = (change: Partial<PartOfPiece['rules']>) =>
    onChange({ rules: { ...rules, ...change }, units: null });
  return (
    <details
      data-screen-only
      className={styles.rules}
      open={rules.parity !== 'any' || rules.multipleOf > 1 ? true : undefined}
    >
      <summary>A rule for the count</summary>
      <Choice
        label="The count is"
        value={rules.parity}
        options={[
          { value: 'any', label: 'any' },
          { value: 'even', label: 'even' },
          { value: 'odd', label: 'odd' },
        ]}
        onChange={(parity) => set({ parity })}
        help="Odd gives a unit in the very middle; even where colours change sides from unit to unit."
      />
      <Choice
        label="In whole sets of"
        value={rules.multipleOf}
        options={SETS.map((n) => ({ value: n, label: n === 1 ? 'no sets' : `${n}` }))}
        onChange={(multipleOf) => set({ multipleOf })}
        help="So that a run of colours is whole at the end."
      />
    </details>
  );
}
