'use client';

import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { migratePiece, type Piece } from '@/core/piece/piece';
import { mendedForStoring } from '@/core/records/storable';
import { KeptEditActs } from '../outbox/KeptEdit';
import type { Owed } from '../outbox/outbox';
import { undelivered, useUndelivered } from '../outbox/undelivered';
import { useWayBack } from '../fields/useWayBack';
import { PlannedFacts } from './PieceFacts';
import kept from '../outbox/kept.module.css';
import styles from './Bench.module.css';

/** Edits that the program would not take. They are nowhere else, so they are shown until the maker decides. */
export function KeptHere() {
  const all = useUndelivered();
  if (all.length === 0) return null;
  return (
    <section className={`card ${kept.kept}`} aria-labelledby="kept-here">
      <h2 id="kept-here">Kept in this browser only</h2>
      <p>
        These edits did not reach Ivy Loom’s own data. Nothing is lost: make each a piece of its own, save it,
        or let it go. They are sent again at every start.
      </p>
      <ul>
        {all.map((owed) => owed.change && <Kept key={owed.window} owed={owed} doc={owed.change.doc} />)}
      </ul>
    </section>
  );
}

function Kept({ owed, doc }: { readonly owed: Owed; readonly doc: Piece }) {
  const wayBack = useWayBack();
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const letGo = async () => {
    await undelivered.letGo(owed);
    wayBack({
      key: `${owed.pieceId}/${owed.window}`,
      done: `${doc.name} is let go.`,
      back: 'Take it back',
      run: () => undelivered.takeBack(owed),
    });
  };
  return (
    <li className={kept.one}>
      <p>
        <strong>{doc.name}</strong>: {owed.refused ?? 'Ivy Loom did not answer.'}
      </p>
      <div>
        <Button aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'Close' : 'Open'}
          <span className="srOnly"> {doc.name}</span>
        </Button>
      </div>
      {open && <Opened doc={doc} />}
      <KeptEditActs
        doc={doc}
        onOwn={(mended) => undelivered.makeOwn(owed, mended)}
        onOwned={() => router.refresh()}
        onLetGo={() => void letGo()}
      />
    </li>
  );
}

/** What is in it: the piece as it would be planned, or its words where it cannot be. */
function Opened({ doc }: { readonly doc: Piece }) {
  let piece: Piece;
  try {
    piece = migratePiece(mendedForStoring(doc));
  } catch {
    return <pre className={styles.raw}>{JSON.stringify(doc, null, 2)}</pre>;
  }
  return (
    <div className={styles.opened}>
      <PlannedFacts piece={piece} />
    </div>
  );
}
