'use client';

import { Button } from 'antd';
import { useMemo } from 'react';
import { LOOP_ROLE } from '@/core/closures/sewnLoop';
import { counted } from '@/core/words/figures';
import { beadOf } from '@/core/piece/part';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { EASY, factorFrom, HARD, type Going, type HoleState } from '@/core/supplies/holeFill';
import { remedies, type Remedy } from '@/core/supplies/remedies';
import { percent } from '@/core/words/figures';
import { tripWords } from '@/core/words/threadDoubts';
import type { Catalogue } from '@/server/screens';
import { useAtHand } from '../../../shell/atHand';
import { changeSettings } from '../../../shell/settingsSync';
import { useLookups } from '../../../shell/useLookups';
import { useAfterPaint } from '../../../shell/useAfterPaint';
import styles from './thread.module.css';

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan;
  readonly catalogue: Catalogue;
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

const GOING: Readonly<Record<Going, string>> = { easy: 'fits', hard: 'tight', no: 'does not fit' };

/** How full the hole of each kind of bead gets, what helps where it will not go, and what one's own hands say. */
export function Holes({ piece, plan, catalogue, onChange }: Props) {
  const { settings } = useAtHand();
  return (
    <section aria-labelledby="holes">
      <h3 id="holes" className={styles.heading}>
        Through the holes
      </h3>
      <ul className={styles.holes}>
        {[...plan.holes.byRole].map(([role, state]) => (
          <HoleRow
            key={role}
            name={role === LOOP_ROLE ? 'loop seeds' : role}
            bead={beadOf(plan.seen, role).name}
            state={state}
            factor={settings.holeFactor}
          />
        ))}
      </ul>
      <p className="soft">
        How full a hole is: so much of its opening is taken by thread, knots and needle on the fullest pass.
        Up to {percent(EASY * settings.holeFactor)} the needle goes easily, up to{' '}
        {percent(HARD * settings.holeFactor)} it is tight, beyond that it will not go.
      </p>
      <Remedies piece={piece} plan={plan} catalogue={catalogue} onChange={onChange} />
      <DidNotGo plan={plan} />
    </section>
  );
}

interface RowProps {
  readonly name: string;
  readonly bead: string;
  readonly state: HoleState;
  readonly factor: number;
}

const HoleRow = ({ name, bead, state, factor }: RowProps) => (
  <li>
    <span>
      <strong>{name}</strong> {bead}: {counted(state.trips, 'pass', 'passes')},{' '}
      <span className={state.going === 'no' ? styles.problem : undefined}>{GOING[state.going]}</span>
      {state.going !== 'easy' && `: ${tripWords(state)}`}
    </span>
    <svg className={styles.fill} viewBox="0 0 100 10" preserveAspectRatio="none" aria-hidden>
      <rect width="100" height="10" className={styles.room} />
      <rect width={Math.min(100, 100 * state.fill)} height="10" className={styles[state.going]} />
      {[EASY, HARD].map((limit) => (
        <rect key={limit} x={100 * limit * factor} width="0.8" height="10" className={styles.limit} />
      ))}
    </svg>
    <span className="figures">{percent(state.fill)}</span>
  </li>
);

/** Remedies, each of them tried before it is offered. */
function Remedies({ piece, plan, catalogue, onChange }: Props) {
  const lookups = useLookups();
  const now = useMemo(() => ({ piece, plan }), [piece, plan]);
  const later = useAfterPaint(now);
  const offered = useMemo(
    () => (later ? remedies(later.piece, later.plan, catalogue, lookups) : []),
    [later, catalogue, lookups],
  );
  if (plan.holes.bottleneck?.going !== 'no') return null;
  if (later !== now) return <p className="soft">Trying what helps …</p>;
  if (offered.length === 0)
    return <p>Nothing in the catalogue helps: choose a bead with a wider hole under Beads.</p>;
  return (
    <>
      <p>What helps, each tried with the whole piece:</p>
      <ul className={styles.remedies}>
        {offered.map((remedy) => (
          <li key={remedyWords(remedy)}>
            <button type="button" className={styles.remedy} onClick={() => onChange(remedy.change)}>
              {remedyWords(remedy)}
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}

function remedyWords({ what, going, units }: Remedy): string {
  const then = `${going === 'hard' ? ', tight' : ''}${units === null ? '' : `, then ${units} units`}`;
  switch (what.kind) {
    case 'needle':
    case 'thread':
      return `${what.name}${then}`;
    case 'bead':
      return `${what.role}: ${what.name}${then}`;
    case 'pass':
      return `${what.passes === 1 ? 'one pass only' : `${what.passes} passes`} at the ${what.end}${then}`;
    case 'leave out':
      return `without ${what.pass}${then}`;
    case 'single thread':
      return `single thread${then}`;
  }
}

/** "The needle would not pass": from then on the limits are those of the maker's own hands. */
function DidNotGo({ plan }: { readonly plan: Plan }) {
  const { settings } = useAtHand();
  const { bottleneck } = plan.holes;
  const keep = (holeFactor: number) => changeSettings({ settings: { holeFactor } });
  if (!bottleneck) return null;
  return (
    <div className={styles.hands}>
      {bottleneck.going !== 'no' && (
        <>
          <p className="soft">Did the needle not pass there for you? Say so, and every piece goes by it.</p>
          <Button onClick={() => keep(factorFrom(bottleneck.fill))}>The needle would not pass</Button>
        </>
      )}
      {settings.holeFactor < 1 && <Button onClick={() => keep(1)}>Forget that it would not pass</Button>}
    </div>
  );
}
