'use client';

import { App, Button, Dropdown } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState, useTransition } from 'react';
import { useInView } from 'react-intersection-observer';
import { KIND_FACTS, KINDS } from '@/core/body/kinds';
import { structureById } from '@/core/structures/registry';
import { duplicateAction, keepPatternAction, makeAgainAction } from '@/server/actions/pieces';
import type { Person, PieceLabel } from '@/server/screens';
import { ask } from '../fields/ask';
import { useUndo } from '../fields/useUndo';
import { takeFile } from '../paper/saveFile';
import { GivenLayouts } from '../layouts/useLayouts';
import { UnreadableThing } from '../shell/Unreadable';
import { CardFacts, CardPicture } from './PieceFacts';
import type { ShownCard } from './useCards';
import { NOBODY, whoAsked, WhoChoice, type Who } from './WhoChoice';
import styles from './Bench.module.css';

interface Props {
  readonly label: PieceLabel;
  /** How much of it is done on the mat, from 0 to 1; undefined where it is not there. */
  readonly done?: number | undefined;
  readonly people: readonly Person[];
}

interface CardProps extends Props {
  /** What it shows; undefined until it is wanted and has come. */
  readonly shown: ShownCard | undefined;
  readonly onWant: (id: string) => void;
  /** Changes when the bench does: then the card is asked for anew. */
  readonly bench: object;
  /** It came with the page. */
  readonly onTop: boolean;
}

/** "bracelet for Maren · flat peyote" */
export const aboutPiece = ({ kind, wearer, structureId }: PieceLabel): string =>
  `${kind}${wearer ? ` for ${wearer}` : ''} · ${structureById(structureId)?.name.toLowerCase() ?? structureId}`;

/** A piece on the bench with its little true picture, and what can be done with it. */
export function PieceCard({ label, done, people, shown, onWant, bench, onTop }: CardProps) {
  const { id, name } = label;
  // A long bench is fetched and drawn as far as it is looked at.
  const { ref, inView } = useInView({ rootMargin: '400px', triggerOnce: true, initialInView: onTop });
  useEffect(() => {
    if (inView && !onTop) onWant(id);
  }, [inView, onTop, onWant, id, bench]);
  if (shown && shown !== 'not fetched' && shown.card.kind === 'unreadable')
    return (
      <li>
        <UnreadableThing thing={shown.card.unreadable} />
      </li>
    );
  return (
    <li ref={ref} className={`card ${styles.piece}`}>
      <div className={styles.words}>
        <h2>
          <Link href={`/plan/${id}`} className={styles.open}>
            {name}
          </Link>
        </h2>
        <p className="soft">{aboutPiece(label)}</p>
        {label.onMat && (
          <p>
            <Link href={`/make/${id}`}>
              {done === 1
                ? 'Made: look at how it came out'
                : `On the mat, ${Math.floor(100 * (done ?? 0))} % done: go on making`}
            </Link>
          </p>
        )}
      </div>
      <Inside shown={inView ? shown : undefined} onAgain={() => onWant(id)} />
      {inView && <Acts label={label} people={people} />}
    </li>
  );
}

function Inside({ shown, onAgain }: { readonly shown: CardProps['shown']; readonly onAgain: () => void }) {
  if (!shown) return <div className={styles.unseen} aria-busy />;
  if (shown === 'not fetched')
    return (
      <p className={styles.unseen}>
        Ivy Loom did not answer.{' '}
        <Button className={styles.away} onClick={onAgain}>
          Ask again
        </Button>
      </p>
    );
  const { card, laidOut } = shown;
  if (card.kind === 'unreadable') return null;
  if (card.kind === 'broken')
    return (
      <p className={`${styles.unseen} ${styles.problem}`}>
        This could not be planned, by a fault of the program. Its choices are all kept; open it to change one.
      </p>
    );
  return (
    <GivenLayouts laidOut={laidOut}>
      <CardPicture piece={card.stored.doc} />
      <CardFacts card={card.card} />
    </GivenLayouts>
  );
}

/** What can be done with a piece without opening it. */
function Acts({ label, people }: Props) {
  const { id, name } = label;
  const { message } = App.useApp();
  const router = useRouter();
  const putAway = useUndo('piece');
  const [again, setAgain] = useState(false);
  const duplicate = async () => {
    const answer = await ask(duplicateAction, id);
    if (!answer.ok) return void message.error(answer.message);
    void message.success(`${name} is on the bench twice.`);
    router.refresh();
  };
  const keepPattern = async () => {
    const answer = await ask(keepPatternAction, id);
    if (!answer.ok) return void message.error(answer.message);
    void message.success(`${name} is kept as a pattern, without its wearer.`);
    router.refresh();
  };
  return (
    <>
      <Dropdown
        className={styles.away}
        trigger={['click']}
        menu={{
          items: [
            { key: 'again', label: 'Make it for somebody else', onClick: () => setAgain(true) },
            { key: 'copy', label: 'Duplicate', onClick: () => void duplicate() },
            { key: 'pattern', label: 'Keep as a pattern', onClick: () => void keepPattern() },
            {
              key: 'file',
              label: 'Take along as a file',
              onClick: () => takeFile(`/api/files/piece?id=${id}`),
            },
            { key: 'away', label: 'Archive', onClick: () => void putAway(id, name) },
          ],
        }}
      >
        <Button>
          More<span className="srOnly"> for {name}</span>
        </Button>
      </Dropdown>
      {again && <MakeAgain label={label} people={people} onLeave={() => setAgain(false)} />}
    </>
  );
}

interface AgainProps extends Props {
  readonly onLeave: () => void;
}

/** The same piece for somebody else: counted anew for her. */
function MakeAgain({ label: { id, name, kind }, people, onLeave }: AgainProps) {
  const router = useRouter();
  const [who, setWho] = useState<Who>(NOBODY);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const known = KINDS.find((one) => one === kind);
  const make = () =>
    start(async () => {
      const answer = await ask(makeAgainAction, { from: 'piece' as const, id, ...whoAsked(who) });
      if (answer.ok) router.push(`/plan/${answer.value}`);
      else setProblem(answer.message);
    });
  return (
    <section className={styles.again} aria-label={`${name} for somebody else`}>
      <WhoChoice people={people} place={known ? KIND_FACTS[known].place : null} who={who} onChange={setWho} />
      {problem && (
        <p role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
      <div className={styles.againActs}>
        <Button type="primary" loading={busy} disabled={who.kind === 'new'} onClick={make}>
          Make it again
        </Button>
        <Button onClick={onLeave}>Cancel</Button>
      </div>
    </section>
  );
}
