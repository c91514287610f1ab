'use client';

import { Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { structureById } from '@/core/structures/registry';
import { choosing, countWords, hasChosen } from '@/core/choosing';
import { planPiece, type Plan } from '@/core/plan';
import { wordProblem } from '@/core/words';
import type { PlanScreenData } from '@/server/screens';
import type { SyncState } from '../outbox/pieceSync';
import { layingOut, layoutStore } from '../layouts/layoutStore';
import { useLayouts } from '../layouts/useLayouts';
import { useKnown } from '../shell/atHand';
import { useLengths } from '../shell/lengths';
import { Absorbers } from './Absorbers';
import { Choices } from './choices/Choices';
import { CountHills } from './CountHills';
import { CountRules } from './CountRules';
import { Slip } from './Slip';
import { Steps } from './Steps';
import { Tape } from './Tape';
import { TwoVersions } from './TwoVersions';
import { usePiece } from './usePiece';
import { BodySection } from './BodySection';
import styles from './PlanScreen.module.css';

/** The main screen: the piece to scale, the choices in the order of the work, the answers always in view. */
export function PlanScreen({ piece: stored, aside, people, catalogue }: PlanScreenData) {
  const router = useRouter();
  const refresh = useCallback(() => router.refresh(), [router]);
  const { piece, state, change, restart } = usePiece(stored.id, stored.doc, stored.revision, refresh);
  const { style, show } = useLengths();
  const progress = useLayouts();
  const known = useKnown();
  const plan = useMemo(() => planPiece(piece, known), [piece, known]);
  const toLayOut = plan.ok ? plan.toLayOut : null;
  useEffect(() => layoutStore.want(toLayOut), [toLayOut]);
  useEffect(() => () => layoutStore.want(null), []);
  /** The last plan that stood: it stays in view, greyed, while a choice is being mended. */
  const [last, setLast] = useState<Plan | null>(plan.ok ? plan : null);
  if (plan.ok && last !== plan) setLast(plan);
  const shown = plan.ok ? plan : last;
  const [late] = aside;

  return (
    <div className={styles.plan}>
      <header className={styles.header}>
        <NameField name={piece.name} onChange={(name) => change({ name })} />
        <p className={styles.about}>
          {piece.kind}
          {piece.wearer ? ` for ${piece.wearer.name}` : ''} ·{' '}
          {structureById(piece.structure.id)?.name.toLowerCase()}
        </p>
        <SaveState state={state} />
      </header>
      {late && (
        <TwoVersions
          current={stored}
          aside={late}
          onSettled={(now) => (restart(now.doc, now.revision), refresh())}
        />
      )}
      {!plan.ok && (
        <p role="alert" className={styles.problem}>
          <strong>No plan yet.</strong> {wordProblem(plan.problem, style)}
          {shown && ' What you see below is the last plan that worked.'}
        </p>
      )}
      {shown && (
        <div className={plan.ok ? styles.live : styles.stale}>
          <Tape piece={piece} plan={shown} />
        </div>
      )}
      <div className={styles.columns}>
        <Choices
          piece={piece}
          plan={plan.ok ? plan : null}
          layingOut={layingOut(progress, toLayOut)}
          people={people}
          catalogue={catalogue}
          onChange={change}
        />
        {shown ? (
          <>
            <section
              className={`card ${styles.count} ${plan.ok ? '' : styles.stale}`}
              aria-labelledby="how-many"
            >
              <div className={styles.countHead}>
                <h2 id="how-many">{shown.arrangement ? 'How many of each?' : 'How many units?'}</h2>
                {hasChosen(piece, shown) && (
                  <button type="button" className="linkButton" onClick={() => change(choosing(piece, null))}>
                    back to what fits best: {shown.best.units}
                  </button>
                )}
              </div>
              <CountHills plan={shown} onChoose={(chosen) => change(choosing(piece, chosen))} />
              {plan.ok && <Absorbers piece={piece} plan={plan} catalogue={catalogue} onChange={change} />}
              {!shown.arrangement && <CountRules piece={piece} onChange={change} />}
              <div className={styles.closed}>
                <BodySection piece={piece} plan={shown} />
                <p>
                  <strong>{countWords(shown, shown.chosen.units)}</strong>,{' '}
                  {shown.closure.closing === 'open' ? 'tip to tip' : 'closed'} {show(shown.chosen.finishedMm)}
                  , give or take {show(2 * shown.chosen.sdMm)}.
                  <br />
                  {chanceWords(shown.chosen.chance)} to sit as wished.
                </p>
              </div>
              {!shown.weaveable.pathless && (
                <details className={styles.steps}>
                  <summary>How it is worked, step by step</summary>
                  <Steps plan={shown} />
                </details>
              )}
            </section>
            <div className={plan.ok ? '' : styles.stale}>
              <Slip plan={shown} />
            </div>
          </>
        ) : (
          <section className={`card ${styles.count}`}>
            <h2>Nothing to count yet</h2>
            <p>
              Choose at the left, from the top down. The piece and its numbers appear as soon as they can be
              known.
            </p>
          </section>
        )}
      </div>
    </div>
  );
}

/** A chance in words that do not pretend to more than is known. */
function chanceWords(chance: number): string {
  const tenths = Math.round(chance * 10);
  if (tenths >= 10) return 'Nearly certain';
  return tenths === 0 ? 'Hardly a chance' : `${tenths} in 10 chances`;
}

function NameField({ name, onChange }: { name: string; onChange: (name: string) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const empty = typed !== null && typed.trim() === '';
  return (
    <div>
      <h1 className="srOnly">{name}</h1>
      <Input
        className={styles.name}
        variant="borderless"
        aria-label="Name of the piece"
        value={typed ?? name}
        maxLength={80}
        status={empty ? 'error' : ''}
        onChange={(event) => {
          setTyped(event.target.value);
          if (event.target.value.trim() !== '') onChange(event.target.value.trim());
        }}
        onBlur={() => setTyped(null)}
      />
    </div>
  );
}

function SaveState({ state }: { state: SyncState }) {
  const words: Readonly<Record<SyncState['kind'], string>> = {
    saved: 'saved',
    saving: 'saving …',
    waiting: 'kept in this browser; the program does not answer, trying again …',
    stale: 'changed in two windows',
    refused: state.kind === 'refused' ? state.message : '',
  };
  return (
    <p
      role="status"
      className={state.kind === 'saved' || state.kind === 'saving' ? styles.saved : styles.unsaved}
    >
      {words[state.kind]}
    </p>
  );
}
