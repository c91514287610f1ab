'use client';

import { useState } from 'react';
import { counted } from '@/core/words/figures';
import type { Person, Readings } from '@/server/screens';
import { Begin, ScreenHeader } from '../shell/ScreenHeader';
import { UnreadableThings } from '../shell/Unreadable';
import { AddPerson } from './AddPerson';
import { PersonCard } from './PersonCard';
import { TypicalTable } from './TypicalTable';
import styles from './people.module.css';

/** Everyone one makes for, with what was measured and when. */
export function PeopleScreen({
  people: { found: people, unreadable },
}: {
  readonly people: Readings<Person>;
}) {
  const [adding, setAdding] = useState(people.length === 0);
  return (
    <div className={styles.screen}>
      <ScreenHeader
        title="People"
        told={people.length === 0 ? 'nobody yet' : counted(people.length, 'person', 'people')}
      >
        <Begin begun={adding} onBegin={() => setAdding(!adding)}>
          Add somebody
        </Begin>
      </ScreenHeader>
      {people.length === 0 && (
        <p>
          Somebody’s wrist, neck or finger is measured once and serves every piece. Bodies change: a newer
          measure counts, and the older ones stay as a record.
        </p>
      )}
      {adding && <AddPerson onAdded={() => setAdding(false)} onCancel={() => setAdding(false)} />}
      <ul className={styles.people}>
        {people.map((person) => (
          <PersonCard key={person.id} person={person} />
        ))}
      </ul>
      <UnreadableThings things={unreadable} />
      <TypicalTable />
    </div>
  );
}
