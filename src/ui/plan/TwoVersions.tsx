'use client';

import { partOf } from '@/core/piece/partOfPiece';
import { App, Button } from 'antd';
import { useTransition } from 'react';
import { planPiece } from '@/core/plan/plan';
import type { Piece } from '@/core/piece/piece';
import { settleAction } from '@/server/actions/pieces';
import type { AsideVersion, StoredPiece } from '@/server/screens';
import { ask } from '../fields/ask';
import { PieceStrip } from '../piece/PieceDrawing';
import { useLookups } from '../shell/useLookups';
import { useLengths } from '../shell/lengths';
import styles from './TwoVersions.module.css';

interface Props {
  readonly current: StoredPiece;
  readonly aside: AsideVersion;
  readonly onSettled: (piece: StoredPiece) => void;
}

/** The piece was changed in two places at once: both versions, side by side, to choose from. */
export function TwoVersions({ current, aside, onSettled }: Props) {
  const { message } = App.useApp();
  const [busy, start] = useTransition();
  const choose = (choice: 'keep current' | 'use aside' | 'keep both') =>
    start(async () => {
      const answer = await ask(settleAction, { asideId: aside.id, choice });
      if (!answer.ok) return void message.error(answer.message);
      if (answer.value.other)
        void message.success(`Both are on the bench; the other is “${answer.value.other.doc.name}”.`);
      onSettled(answer.value.piece);
    });
  return (
    <section className={styles.two} aria-labelledby="two-versions" role="alert">
      <h2 id="two-versions">This piece was changed in two windows</h2>
      <p>Nothing is lost: both versions are kept. Which one is to go on?</p>
      <div className={styles.pair}>
        <Version title="Changed elsewhere, saved first" piece={current.doc}>
          <Button loading={busy} onClick={() => choose('keep current')}>
            Go on with this one
          </Button>
        </Version>
        <Version title="Changed here, came later" piece={aside.doc}>
          <Button loading={busy} onClick={() => choose('use aside')}>
            Go on with this one
          </Button>
        </Version>
      </div>
      <Button type="primary" loading={busy} onClick={() => choose('keep both')}>
        Keep both, as two pieces
      </Button>
    </section>
  );
}

function Version({ title, piece, children }: { title: string; piece: Piece; children: React.ReactNode }) {
  const { show } = useLengths();
  const lookups = useLookups();
  const plan = planPiece(piece, lookups);
  return (
    <div className={`card ${styles.version}`}>
      <h3>{title}</h3>
      <p>
        {piece.name}
        {plan.ok && `: ${plan.chosen.units} units, ${show(plan.chosen.finishedMm)}`}
      </p>
      {plan.ok && <PieceStrip piece={partOf(piece)} plan={plan} />}
      {children}
    </div>
  );
}
