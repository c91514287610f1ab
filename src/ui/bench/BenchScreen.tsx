'use client';

import { App, Button } from 'antd';
import { useRouter, useSearchParams } from 'next/navigation';
import { useState } from 'react';
import { counted } from '@/core/words/figures';
import { structureById } from '@/core/structures/registry';
import { putAwayAction, type Shelf } from '@/server/actions/archive';
import type { BenchData, PieceLabel, StoredPattern } from '@/server/screens';
import { ask } from '../fields/ask';
import { hasWords } from '../fields/sought';
import { useUndo } from '../fields/useUndo';
import { Term } from '../glossary/Term';
import { Begin, Find, ScreenHeader } from '../shell/ScreenHeader';
import { UnreadableThings } from '../shell/Unreadable';
import { AboutPattern } from './AboutPattern';
import { KeptHere } from './KeptHere';
import { aboutPiece, PieceCard } from './PieceCard';
import { StartPiece } from './StartPiece';
import { useCards } from './useCards';
import styles from './Bench.module.css';
import { partOf } from '@/core/piece/partOfPiece';

/** The pieces planned, each with its little true picture; patterns to make again; what was put away. */
export function BenchScreen({ labels, done, first, away, patterns, people, beads }: BenchData) {
  const asked = useSearchParams().has('start');
  const router = useRouter();
  const [begun, setBegun] = useState(labels.length === 0);
  const starting = begun || asked;
  const leave = () => {
    setBegun(false);
    if (asked) router.replace('/');
  };
  const [sought, setSought] = useState('');
  const { cards, want } = useCards(first);
  const found = labels.filter((label) => hasWords(sought, label.name, aboutPiece(label)));
  return (
    <div className={styles.bench}>
      <ScreenHeader
        title="Bench"
        told={labels.length === 0 ? 'nothing on it yet' : counted(labels.length, 'piece')}
      >
        {labels.length > 1 && (
          <Find label="Find a piece" hint="Find by name, wearer, stitch" sought={sought} onSeek={setSought} />
        )}
        {labels.length > 0 && (
          <Begin begun={starting} onBegin={() => (starting ? leave() : setBegun(true))}>
            Start a piece
          </Begin>
        )}
      </ScreenHeader>
      <KeptHere />
      {starting && (
        <StartPiece
          people={people}
          beads={beads}
          patterns={patterns.found}
          onCancel={labels.length > 0 ? leave : null}
        />
      )}
      {labels.length === 0 ? (
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
          {found.map((label) => (
            <PieceCard
              key={label.id}
              label={label}
              done={done[label.id]}
              people={people}
              shown={cards.get(label.id)}
              onWant={want}
              bench={labels}
              onTop={first.cards[label.id] !== undefined}
            />
          ))}
        </ul>
      )}
      <UnreadableThings things={patterns.unreadable} />
      <Patterns patterns={patterns.found} />
      <PutAway away={away} />
    </div>
  );
}

function Patterns({ patterns }: { readonly patterns: readonly StoredPattern[] }) {
  const putAway = useUndo('pattern');
  if (patterns.length === 0) return null;
  return (
    <section className={`card ${styles.shelf}`} aria-labelledby="patterns">
      <h2 id="patterns">Patterns</h2>
      <p className="soft">Pieces without their wearer. “Start a piece” makes one of them for anybody.</p>
      <ul>
        {patterns.map(({ id, doc: { piece: doc, about } }) => (
          <li key={id}>
            <span>
              <strong>{doc.name}</strong> · {doc.kind} ·{' '}
              {structureById(partOf(doc).structure.id)?.name.toLowerCase()}
            </span>
            <a href={`/api/files/pattern?id=${id}`}>
              Take along<span className="srOnly">: the pattern {doc.name}</span>
            </a>
            <Button onClick={() => void putAway(id, doc.name)}>
              Archive<span className="srOnly"> the pattern {doc.name}</span>
            </Button>
            <AboutPattern id={id} name={doc.name} about={about} />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What is off the bench, to be brought back. */
function PutAway({ away }: { readonly away: readonly PieceLabel[] }) {
  const { message } = App.useApp();
  const router = useRouter();
  if (away.length === 0) return null;
  const bringBack = async (shelf: Shelf, id: string) => {
    const answer = await ask(putAwayAction, { shelf, id, away: false });
    if (!answer.ok) return void message.error(answer.message);
    router.refresh();
  };
  return (
    <details className={`card ${styles.shelf}`}>
      <summary>Archived: {counted(away.length, 'piece')}</summary>
      <ul>
        {away.map((label) => (
          <li key={label.id}>
            <span>
              <strong>{label.name}</strong> · {aboutPiece(label)}
            </span>
            <Button onClick={() => void bringBack('piece', label.id)}>
              Restore<span className="srOnly">: {label.name}</span>
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}
