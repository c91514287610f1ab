'use client';

import { PlusOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import type { Person } from '@/server/screens';
import { AddPerson } from './AddPerson';
import { PersonCard } from './PersonCard';
import { TypicalTable } from './TypicalTable';
import styles from './people.module.css';

/** Everyone one makes for, with what was measured and when. */
export function PeopleScreen({ people }: { readonly people: readonly Person[] }) {
  const [adding, setAdding] = useState(people.length === 0);
  return (
    <div className={styles.screen}>
      <header className={styles.header}>
        <h1>People</h1>
        <p className="soft">
          {people.length === 0
            ? 'nobody yet'
            : `${people.length} ${people.length === 1 ? 'person' : 'people'}`}
        </p>
        {!adding && (
          <Button
            type="primary"
            size="large"
            icon={<PlusOutlined aria-hidden />}
            className={styles.start}
            onClick={() => setAdding(true)}
          >
            Add somebody
          </Button>
        )}
      </header>
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
      <TypicalTable />
    </div>
  );
}
