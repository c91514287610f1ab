'use client';

import { useMemo, useState } from 'react';
import type { ListedRow } from '@/core/colour/rowList';
import type { Plan } from '@/core/plan/plan';
import { planRows } from '@/core/plan/steps';
import { BASE } from '@/core/weave/path';
import { plural } from '@/core/words/numbers';
import styles from './Steps.module.css';

/** Row by row which beads are strung: to read off while beading. */
export function RowLists({ plan }: { readonly plan: Plan }) {
  const [open, setOpen] = useState(false);
  return (
    <details
      data-screen-only
      className={styles.rowLists}
      open={open}
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary>Row by row, which beads</summary>
      {open && <Lists plan={plan} />}
    </details>
  );
}

function Lists({ plan }: { readonly plan: Plan }) {
  const lists = useMemo(() => planRows(plan), [plan]);
  const word = plan.weaveable.rowWord;
  return lists.map(({ pass, rows, again }) => (
    <section key={pass}>
      {pass !== BASE && <h3>{pass}</h3>}
      <ol className={styles.rows}>
        {rows.map((row, i) => (
          <li key={i}>
            <span className={styles.rowName}>{rowName(row, word)}</span> {row.words}
          </li>
        ))}
      </ol>
      {again && (
        <p className="soft">
          Then again from {word} {again.from}, on to {word} {again.last}.
        </p>
      )}
    </section>
  ));
}

const rowName = ({ from, to }: ListedRow, word: string): string =>
  from === to ? `${word} ${from}:` : `${plural(word)} ${from} ${to - from === 1 ? 'and' : 'to'} ${to}:`;
