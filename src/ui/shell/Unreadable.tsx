'use client';

import { App, Button } from 'antd';
import { useRouter } from 'next/navigation';
import { putAwayAction, type Shelf } from '@/server/actions/archive';
import { settleAction } from '@/server/actions/pieces';
import type { Unreadable } from '@/server/screens';
import { ask } from '../fields/ask';
import styles from './Unreadable.module.css';

type Kind = Unreadable['kind'];

const NOUNS: Readonly<Record<Kind, string>> = {
  piece: 'piece',
  version: 'version of this piece',
  variant: 'version set beside it',
  pattern: 'pattern',
  swatch: 'swatch',
  person: 'person',
  measure: 'measure',
  mat: 'work on the mat',
  event: 'note of the work',
  settings: 'settings',
  bead: 'bead',
  thread: 'thread',
  needle: 'needle',
  finding: 'finding',
  clasp: 'clasp',
};

const SHELVES: readonly Kind[] = [
  'piece',
  'variant',
  'pattern',
  'swatch',
  'person',
  'measure',
  'mat',
] satisfies Shelf[];
const isShelf = (kind: Kind): kind is Kind & Shelf => SHELVES.includes(kind);

/** Things that this version cannot read. They are shown all the same: nothing that was kept goes without a word. */
export function UnreadableThings({ things }: { readonly things: readonly Unreadable[] }) {
  if (things.length === 0) return null;
  return (
    <ul className={styles.things}>
      {things.map((thing) => (
        <li key={thing.id}>
          <UnreadableThing thing={thing} />
        </li>
      ))}
    </ul>
  );
}

/** One of them: what it is called, what is wrong, and what can be done with it. */
export function UnreadableThing({ thing: { kind, id, name, why } }: { readonly thing: Unreadable }) {
  const { message } = App.useApp();
  const router = useRouter();
  const noun = NOUNS[kind];
  const putAway = async () => {
    const answer = isShelf(kind)
      ? await ask(putAwayAction, { shelf: kind, id, away: true })
      : await ask(settleAction, { asideId: id, choice: 'keep current' as const });
    if (!answer.ok) return void message.error(answer.message);
    void message.success(`${name} is archived. It stays in the data, and in every backup.`);
    router.refresh();
  };
  return (
    <section className={`card ${styles.thing}`} aria-label={`${name}: cannot be read`}>
      <div>
        <h2>{name}</h2>
        <p>
          This {noun} cannot be read by this version of Ivy Loom. Nothing of it is lost. <small>{why}</small>
        </p>
      </div>
      <div className={styles.acts}>
        {kind !== 'settings' && (
          <a href={`/api/rows?${new URLSearchParams({ shelf: kind, id })}`} download>
            Save it as a file<span className="srOnly"> {name}</span>
          </a>
        )}
        {isPutAway(kind) && (
          <Button onClick={() => void putAway()}>
            Archive<span className="srOnly"> {name}</span>
          </Button>
        )}
      </div>
    </section>
  );
}

/** A material is corrected where it stands: measured, or brought in anew under its id. */
const isPutAway = (kind: Kind): boolean => isShelf(kind) || kind === 'version';
