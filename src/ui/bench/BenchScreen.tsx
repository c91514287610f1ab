'use client';

import { PlusOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import { structureById } from '@/core/structures/registry';
import { countWords } from '@/core/choosing';
import { planPiece } from '@/core/plan';
import { wordProblem } from '@/core/words';
import { archivePieceAction } from '@/server/actions/pieces';
import type { Person, StoredPiece } from '@/server/screens';
import { useUndo } from '../fields/useUndo';
import { PieceStrip } from '../piece/PieceDrawing';
import { useKnown } from '../shell/atHand';
import { useLengths } from '../shell/lengths';
import { sitWords } from '../plan/Slip';
import { StartPiece } from './StartPiece';
import styles from './Bench.module.css';

/** The pieces planned, each with its little true picture. */
export function BenchScreen({
  pieces,
  people,
}: {
  pieces: readonly StoredPiece[];
  people: readonly Person[];
}) {
  const [starting, setStarting] = useState(pieces.length === 0);
  return (
    <div className={styles.bench}>
      <header className={styles.header}>
        <h1>Bench</h1>
        <p className="soft">
          {pieces.length === 0
            ? 'nothing on it yet'
            : `${pieces.length} ${pieces.length === 1 ? 'piece' : 'pieces'}`}
        </p>
        {!starting && (
          <Button
            type="primary"
            size="large"
            icon={<PlusOutlined />}
            className={styles.start}
            onClick={() => setStarting(true)}
          >
            Start a piece
          </Button>
        )}
      </header>
      {starting && (
        <StartPiece people={people} onCancel={pieces.length > 0 ? () => setStarting(false) : null} />
      )}
      {pieces.length === 0 ? (
        <section className={`card ${styles.empty}`}>
          <h2>What a plan tells you</h2>
          <p>
            How many units fit, how many of each bead, how much thread, and how it will sit, before you thread
            a needle. Start with whom it is for; everything else has a usual value that you can change.
          </p>
        </section>
      ) : (
        <ul className={styles.pieces}>
          {pieces.map((piece) => (
            <PieceCard key={piece.id} stored={piece} />
          ))}
        </ul>
      )}
    </div>
  );
}

function PieceCard({ stored }: { stored: StoredPiece }) {
  const { show, thread, style } = useLengths();
  const putAway = useUndo(archivePieceAction);
  const { doc } = stored;
  const plan = planPiece(doc, useKnown());

  return (
    <li className={`card ${styles.piece}`}>
      <div className={styles.words}>
        <h2>
          <Link href={`/plan/${stored.id}`} className={styles.open}>
            {doc.name}
          </Link>
        </h2>
        <p className="soft">
          {doc.kind}
          {doc.wearer ? ` for ${doc.wearer.name}` : ''} ·{' '}
          {structureById(doc.structure.id)?.name.toLowerCase()}
        </p>
      </div>
      <div className={styles.picture}>{plan.ok && <PieceStrip piece={doc} plan={plan} />}</div>
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
      <Button className={styles.away} onClick={() => void putAway(stored.id, doc.name)}>
        Put away <span className="srOnly">{doc.name}</span>
      </Button>
    </li>
  );
}
