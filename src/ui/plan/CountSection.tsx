'use client';

import { holdsOneEnd } from '@/core/closures/suits';
import { finishedWords } from '@/core/words/closings';
import { useMemo } from 'react';
import { choosing, countWords, hasChosen } from '@/core/piece/choosing';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { MadeWhole, StrungBy } from '@/core/structures/structure';
import { madeApart } from '@/core/plan/madeApart';
import { counted } from '@/core/words/figures';
import type { Plan } from '@/core/plan/plan';
import type { Catalogue } from '@/server/screens';
import { Term } from '../glossary/Term';
import { useAfterPaint } from '../shell/useAfterPaint';
import { useLengths } from '../shell/lengths';
import { Absorbers } from './Absorbers';
import { BodySection } from './body/BodySection';
import { CountHills } from './CountHills';
import { CountRules } from './CountRules';
import { RowLists } from './RowLists';
import { HowTold } from '../settings/HowTold';
import { Steps } from './Steps';
import styles from './PlanScreen.module.css';

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan;
  /** False while the plan shown is the last one that stood. */
  readonly stands: boolean;
  readonly catalogue: Catalogue;
  readonly stepsOpen: boolean;
  readonly onStepsOpen: (open: boolean) => void;
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

/** How large one is that is made whole, by what it is held by. */
const SIZE_WORDS: Readonly<Record<StrungBy, string>> = {
  'two points':
    'from point to point, as its beads lie: what it has of points and rounds is chosen under Stitch, and how many are made, by the part that joins them.',
  'its middle':
    'from hole to hole, as its beads lie, before anything rests in them: how many beads it has is chosen under Stitch, and how many are made, by the part that strings them.',
  'its loop':
    'from the top of its loop to its tip: what hangs is chosen under Stitch, and how many are made, by the part that strings them.',
};

/** What is made whole is one, whatever the piece takes: how large it is, and how it is worked. */
function OneWhole({ plan, made }: { readonly plan: Plan; readonly made: MadeWhole }) {
  const { fine } = useLengths();
  return (
    <>
      <div className={styles.countHead}>
        <h2 id="how-many">One {made.called}</h2>
      </div>
      <p>
        <strong>{fine(plan.chosen.finishedMm)}</strong> {SIZE_WORDS[made.by]}
      </p>
    </>
  );
}

/** How many units: the counts to choose from, what would absorb the rest, the piece as it is worn, and its steps. */
export function CountSection({ piece, plan, stands, catalogue, stepsOpen, onStepsOpen, onChange }: Props) {
  const { show } = useLengths();
  const now = useMemo(() => ({ piece, plan }), [piece, plan]);
  const later = useAfterPaint(now);
  return (
    <section className={`card ${styles.count} ${stands ? '' : styles.stale}`} aria-labelledby="how-many">
      {plan.structure.madeWhole ? (
        <OneWhole plan={plan} made={plan.structure.madeWhole} />
      ) : (
        <>
          <div className={styles.countHead}>
            <h2 id="how-many">
              {plan.arrangement ? (
                'How many of each?'
              ) : (
                <>
                  How many <Term word="unit">units</Term>?
                </>
              )}
            </h2>
            {hasChosen(piece) && (
              <button
                data-screen-only
                type="button"
                className="linkButton"
                onClick={() => onChange(choosing(piece, null))}
              >
                back to {plan.best.units}, the best fit
              </button>
            )}
          </div>
          <CountHills answers={plan} onChoose={(chosen) => onChange(choosing(piece, chosen))} />
          {stands && <Absorbers piece={piece} plan={plan} catalogue={catalogue} onChange={onChange} />}
          {!plan.arrangement && <CountRules piece={piece} onChange={onChange} />}
          <div className={styles.closed}>
            {later ? <BodySection {...later} /> : <div className={styles.bodyToCome} />}
            <p>
              <strong>{countWords(plan, plan.chosen.units)}</strong>,{' '}
              {finishedWords(plan.closure.closing, holdsOneEnd(plan.clasp))} {show(plan.chosen.finishedMm)};
              nearly always {show(plan.chosen.lowMm)} to {show(plan.chosen.highMm)}.
              <br />
              {chanceWords(plan.chosen.chance)}
            </p>
          </div>
        </>
      )}
      {!plan.weaveable.pathless && (
        <details
          className={styles.steps}
          open={stepsOpen}
          onToggle={(event) => onStepsOpen(event.currentTarget.open)}
        >
          <summary>How it is worked, step by step</summary>
          {stepsOpen && later && (
            <>
              <HowTold />
              <StepsOfAll plan={later.plan} />
            </>
          )}
        </details>
      )}
      {!plan.weaveable.pathless && later && <RowLists plan={later.plan} />}
    </section>
  );
}

/** What is made first, one of each in words of its own; then what strings it. */
function StepsOfAll({ plan }: { readonly plan: Plan }) {
  const made = madeApart(plan);
  if (made.length === 0) return <Steps plan={plan} />;
  return (
    <>
      {made.map(({ component, times }) => (
        <section key={component.id}>
          <h3>
            First make {counted(times, component.name)}
            {times > 1 && ', each like this'}
          </h3>
          <Steps plan={component.plan} />
        </section>
      ))}
      <h3>Then</h3>
      <Steps plan={plan} />
    </>
  );
}

/** A chance in words that do not pretend to more than is known. */
function chanceWords(chance: number): string {
  const tenths = Math.round(chance * 10);
  if (tenths >= 10) return 'It is nearly certain to fit.';
  return tenths === 0 ? 'It will hardly fit.' : `It fits ${tenths} times in 10.`;
}
