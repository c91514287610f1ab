'use client';

import { useMemo } from 'react';
import { makeOf } from '@/core/materials/material';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import { planPart, type Plan } from '@/core/plan/plan';
import { madeApart } from '@/core/plan/madeApart';
import { counted } from '@/core/words/figures';
import { cutLines, cutWords } from '@/core/supplies/cutting';
import { useAtHand } from '../../../shell/atHand';
import { useLookups } from '../../../shell/useLookups';
import { useLengths } from '../../../shell/lengths';
import styles from './thread.module.css';

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan;
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

/** What to cut, length by length, and where each ends. */
export function CutList({ piece, plan, onChange }: Props) {
  const { style } = useLengths();
  const { settings } = useAtHand();
  const say = (mm: number) => cutWords(mm, settings, style);
  const lines = cutLines(plan.thread);
  return (
    <section aria-labelledby="to-cut">
      <h3 id="to-cut" className={styles.heading}>
        {lines.length === 1 ? 'Cut one length' : `Cut ${lines.length} lengths`}
        {piece.threadColour && ` in ${piece.threadColour.name}`}
      </h3>
      <ol className={styles.cuts}>
        {lines.map(({ mm, of, until, crowded, folded }, k) => (
          <li key={k}>
            <strong className="figures">{say(mm)}</strong>
            {of !== null && ` for ${of}`}
            {folded && ', folded in the middle'}
            {until
              ? `, to ${until.replace(/^after /, 'the end of ')}`
              : lines.length > 1
                ? ', to the end'
                : ''}
            {crowded && <span className={styles.problem}> Its ends go into full holes.</span>}
          </li>
        ))}
      </ol>
      {madeApart(plan).map(({ component, times }) => (
        <p key={component.id}>
          Before that, for {counted(times, component.name)}:{' '}
          <strong className="figures">
            {counted(times * component.plan.thread.lengths, 'length')}, {say(component.plan.thread.longestMm)}
          </strong>
          {component.plan.thread.lengths > 1 ? ' at the most' : ' each'}.
        </p>
      ))}
      {makeOf(piece.thread) === 'elastic' && (
        <p className="soft">
          One length, for elastic is not joined on the way. Pull it out once before you measure: new elastic
          gives a little. Hold an end on either side, and tie them while it is stretched.
        </p>
      )}
      {piece.threadChanges && <Own piece={piece} plan={plan} say={say} onChange={onChange} />}
    </section>
  );
}

/** What it costs to change thread elsewhere than is best, and the way back. */
function Own({ piece, plan, say, onChange }: Props & { readonly say: (mm: number) => string }) {
  const lookups = useLookups();
  const best = useMemo(() => planPart({ ...piece, threadChanges: null }, lookups), [piece, lookups]);
  if (!best.ok) return null;
  const more = plan.thread.totalMm - best.thread.totalMm;
  const longer = plan.thread.longestMm - best.thread.longestMm;
  const cost =
    more > 1 || longer > 1
      ? `Where you change it, ${[
          more > 1 ? `it takes ${say(more)} more` : '',
          longer > 1 ? `the longest length is ${say(longer)} longer` : '',
        ]
          .filter(Boolean)
          .join(' and ')}.`
      : 'Where you change it, it costs nothing.';
  return (
    <p>
      {cost}{' '}
      <button type="button" className="linkButton" onClick={() => onChange({ threadChanges: null })}>
        change it where it is best
      </button>
    </p>
  );
}
