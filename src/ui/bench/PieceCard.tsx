'use client';

import { App, Button, Dropdown } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { useInView } from 'react-intersection-observer';
import { KIND_FACTS } from '@/core/body/kinds';
import { countWords } from '@/core/choosing';
import { planPiece } from '@/core/plan';
import { structureById } from '@/core/structures/registry';
import { wordProblem } from '@/core/words/problems';
import { duplicateAction, keepPatternAction, makeAgainAction } from '@/server/actions/pieces';
import type { Piece } from '@/core/piece';
import type { Person, StoredPiece } from '@/server/screens';
import { useUndo } from '../fields/useUndo';
import { PieceStrip } from '../piece/PieceDrawing';
import { sitWords } from '../plan/SlipHead';
import { useKnown } from '../shell/useKnown';
import { useLengths } from '../shell/lengths';
import { NOBODY, whoAsked, WhoChoice, type Who } from './WhoChoice';
import styles from './Bench.module.css';

interface Props {
  readonly stored: StoredPiece;
  readonly people: readonly Person[];
}

interface CardProps extends Props {
  /** Whether it stands so high on the bench that it is seen at once. */
  readonly onTop: boolean;
}

/** A piece on the bench with its little true picture, and what can be done with it. */
export function PieceCard({ stored, people, onTop }: CardProps) {
  const { message } = App.useApp();
  const router = useRouter();
  const putAway = useUndo('piece');
  const [again, setAgain] = useState(false);
  const { doc, id } = stored;
  // A long bench is planned as far as it is looked at.
  const { ref, inView } = useInView({ rootMargin: '400px', triggerOnce: true, initialInView: onTop });
  const duplicate = async () => {
    const answer = await duplicateAction(id);
    if (!answer.ok) return void message.error(answer.message);
    void message.success(`${doc.name} is on the bench twice.`);
    router.refresh();
  };
  const keepPattern = async () => {
    const answer = await keepPatternAction(id);
    if (!answer.ok) return void message.error(answer.message);
    void message.success(`${doc.name} is kept as a pattern, without its wearer.`);
    router.refresh();
  };

  return (
    <li ref={ref} className={`card ${styles.piece}`}>
      <div className={styles.words}>
        <h2>
          <Link href={`/plan/${id}`} className={styles.open}>
            {doc.name}
          </Link>
        </h2>
        <p className="soft">
          {doc.kind}
          {doc.wearer ? ` for ${doc.wearer.name}` : ''} ·{' '}
          {structureById(doc.structure.id)?.name.toLowerCase()}
        </p>
      </div>
      {inView ? <PieceFacts piece={doc} /> : <div className={styles.unseen} />}
      <Dropdown
        className={styles.away}
        trigger={['click']}
        menu={{
          items: [
            { key: 'again', label: 'Make it for somebody else', onClick: () => setAgain(true) },
            { key: 'copy', label: 'Duplicate', onClick: () => void duplicate() },
            { key: 'pattern', label: 'Keep as a pattern', onClick: () => void keepPattern() },
            { key: 'away', label: 'Put away', onClick: () => void putAway(id, doc.name) },
          ],
        }}
      >
        <Button>
          More<span className="srOnly"> for {doc.name}</span>
        </Button>
      </Dropdown>
      {again && <MakeAgain stored={stored} people={people} onLeave={() => setAgain(false)} />}
    </li>
  );
}

/** Its little true picture, count, length, beads and thread; or what stands in the way of them. */
function PieceFacts({ piece }: { readonly piece: Piece }) {
  const { show, thread, style } = useLengths();
  const plan = planPiece(piece, useKnown());
  return (
    <>
      <div className={styles.picture}>{plan.ok && <PieceStrip piece={piece} plan={plan} />}</div>
      <div className={styles.facts}>
        {plan.ok ? (
          <>
            <p>
              <strong className={styles.count}>{plan.chosen.units}</strong>{' '}
              {countWords(plan, plan.chosen.units).replace(/^\d+ /, '')}
            </p>
            <p className="figures">
              {show(plan.chosen.finishedMm)} {plan.closure.closing === 'open' ? 'tip to tip' : 'closed'}
              {plan.sit && `, ${sitWords(plan.sit)}`}
              <br />
              {plan.quantities.reduce((sum, q) => sum + q.total, 0)} beads, {thread(plan.thread.totalMm)} of
              thread
            </p>
          </>
        ) : (
          <p className={styles.problem}>{wordProblem(plan.problem, style)}</p>
        )}
      </div>
    </>
  );
}

interface AgainProps extends Props {
  readonly onLeave: () => void;
}

/** The same piece for somebody else: counted anew for her. */
function MakeAgain({ stored: { id, doc }, people, onLeave }: AgainProps) {
  const router = useRouter();
  const [who, setWho] = useState<Who>(NOBODY);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const make = () =>
    start(async () => {
      const answer = await makeAgainAction({ from: 'piece', id, ...whoAsked(who) });
      if (answer.ok) router.push(`/plan/${answer.value}`);
      else setProblem(answer.message);
    });
  return (
    <section className={styles.again} aria-label={`${doc.name} for somebody else`}>
      <WhoChoice people={people} place={KIND_FACTS[doc.kind].place} who={who} onChange={setWho} />
      {problem && (
        <p role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
      <div className={styles.againActs}>
        <Button type="primary" loading={busy} disabled={who.kind === 'new'} onClick={make}>
          Make it again
        </Button>
        <Button onClick={onLeave}>Leave it</Button>
      </div>
    </section>
  );
}
