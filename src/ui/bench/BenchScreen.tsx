'use client';

import { App, Button } from 'antd';
import { useRouter, useSearchParams } from 'next/navigation';
import { useState } from 'react';
import { counted } from '@/core/words/figures';
import { structureById } from '@/core/structures/registry';
import { putAwayAction, type Shelf } from '@/server/actions/archive';
import type { BenchData, StoredPattern, StoredPiece } from '@/server/screens';
import { hasWords } from '../fields/sought';
import { useUndo } from '../fields/useUndo';
import { GivenLayouts } from '../layouts/useLayouts';
import { Term } from '../glossary/Term';
import { Begin, Find, ScreenHeader } from '../shell/ScreenHeader';
import { PieceCard } from './PieceCard';
import { StartPiece } from './StartPiece';
import styles from './Bench.module.css';

/** Cards that a usual screen shows before it is scrolled. */
const SEEN_AT_ONCE = 5;

/** The pieces planned, each with its little true picture; patterns to make again; what was put away. */
export function BenchScreen(data: BenchData) {
  return (
    <GivenLayouts laidOut={data.laidOut}>
      <Bench {...data} />
    </GivenLayouts>
  );
}

function Bench({ pieces, away, patterns, people }: BenchData) {
  const asked = useSearchParams().has('start');
  const router = useRouter();
  const [begun, setBegun] = useState(pieces.length === 0);
  const starting = begun || asked;
  const leave = () => {
    setBegun(false);
    if (asked) router.replace('/');
  };
  const [sought, setSought] = useState('');
  const found = pieces.filter((piece) => matches(piece, sought));
  return (
    <div className={styles.bench}>
      <ScreenHeader
        title="Bench"
        told={pieces.length === 0 ? 'nothing on it yet' : counted(pieces.length, 'piece')}
      >
        {pieces.length > 1 && (
          <Find label="Find a piece" hint="Find by name, wearer, stitch" sought={sought} onSeek={setSought} />
        )}
        {!starting && <Begin onBegin={() => setBegun(true)}>Start a piece</Begin>}
      </ScreenHeader>
      {starting && (
        <StartPiece people={people} patterns={patterns} onCancel={pieces.length > 0 ? leave : null} />
      )}
      {pieces.length === 0 ? (
        <section className={`card ${styles.empty}`}>
          <h2>What a plan tells you</h2>
          <p>
            How many units fit, how many of each bead, how much thread, and how it will sit, before you thread
            a needle. The work is <Term word="off-loom" />: with needle and thread in the hand. Start with
            whom it is for; everything else has a usual value that you can change.
          </p>
        </section>
      ) : found.length === 0 ? (
        <p className={`card ${styles.empty}`}>
          Nothing on the bench has “{sought}” in its name, its wearer or its stitch.
        </p>
      ) : (
        <ul className={styles.pieces}>
          {found.map((piece, at) => (
            <PieceCard key={piece.id} stored={piece} people={people} onTop={at < SEEN_AT_ONCE} />
          ))}
        </ul>
      )}
      <Patterns patterns={patterns} />
      <PutAway away={away} />
    </div>
  );
}

const matches = ({ doc }: StoredPiece, sought: string): boolean =>
  hasWords(sought, doc.name, doc.kind, doc.wearer?.name, structureById(doc.structure.id)?.name);

function Patterns({ patterns }: { readonly patterns: readonly StoredPattern[] }) {
  const putAway = useUndo('pattern');
  if (patterns.length === 0) return null;
  return (
    <section className={`card ${styles.shelf}`} aria-labelledby="patterns">
      <h2 id="patterns">Patterns</h2>
      <p className="soft">Pieces without their wearer. “Start a piece” makes one of them for anybody.</p>
      <ul>
        {patterns.map(({ id, doc }) => (
          <li key={id}>
            <span>
              <strong>{doc.name}</strong> · {doc.kind} · {structureById(doc.structure.id)?.name.toLowerCase()}
            </span>
            <Button onClick={() => void putAway(id, doc.name)}>
              Put away<span className="srOnly"> the pattern {doc.name}</span>
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What is off the bench, to be brought back. */
function PutAway({ away }: { readonly away: readonly StoredPiece[] }) {
  const { message } = App.useApp();
  const router = useRouter();
  if (away.length === 0) return null;
  const bringBack = async (shelf: Shelf, id: string) => {
    const answer = await putAwayAction(shelf, id, false);
    if (!answer.ok) return void message.error(answer.message);
    router.refresh();
  };
  return (
    <details className={`card ${styles.shelf}`}>
      <summary>Put away: {counted(away.length, 'piece')}</summary>
      <ul>
        {away.map(({ id, doc }) => (
          <li key={id}>
            <span>
              <strong>{doc.name}</strong> · {doc.kind}
              {doc.wearer ? ` for ${doc.wearer.name}` : ''}
            </span>
            <Button onClick={() => void bringBack('piece', id)}>
              Back on the bench<span className="srOnly">: {doc.name}</span>
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}
