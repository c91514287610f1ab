'use client';

import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { STRUCTURES } from '@/core/structures/registry';
import { startBraceletAction } from '@/server/actions';
import type { Person } from '@/server/screens';
import { Choice } from '../fields/Choice';
import { AddPerson } from '../people/AddPerson';
import { StitchSample, useOneByOne } from '../gallery/StitchSample';
import { useLengths } from '../shell/lengths';
import styles from './Bench.module.css';

interface Props {
  readonly people: readonly Person[];
  readonly onCancel: (() => void) | null;
}

const NOBODY = 'nobody';
const NEW = 'new';

/** Two questions, and a bracelet is on the bench: for whom, and in which stitch. */
export function StartBracelet({ people, onCancel }: Props) {
  const { show } = useLengths();
  const router = useRouter();
  const [who, setWho] = useState(people.length === 0 ? NEW : NOBODY);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, startIt] = useTransition();
  const drawn = useOneByOne(STRUCTURES.length);

  const begin = (structureId: string) =>
    startIt(async () => {
      const answer = await startBraceletAction({
        structureId,
        personId: who === NOBODY || who === NEW ? null : who,
      });
      if (answer.ok) router.push(`/plan/${answer.value}`);
      else setProblem(answer.message);
    });

  const measured = people.filter((p) => p.girths.wrist !== undefined);
  return (
    <section className={`card ${styles.starting}`} aria-label="Start a bracelet">
      <Choice
        label="For whom is it?"
        value={who}
        options={[
          ...measured.map((p) => ({ value: p.id, label: `${p.name}, ${show(p.girths.wrist ?? 0)}` })),
          { value: NOBODY, label: 'nobody yet' },
          { value: NEW, label: 'somebody new …' },
        ]}
        onChange={setWho}
      />
      {who === NEW && <AddPerson onAdded={(person) => setWho(person.id)} onCancel={() => setWho(NOBODY)} />}
      <fieldset className={styles.stitches} disabled={busy}>
        <legend>In which stitch? It opens at once.</legend>
        {STRUCTURES.map((structure, i) => (
          <button
            key={structure.id}
            type="button"
            className={styles.stitch}
            onClick={() => begin(structure.id)}
          >
            {i < drawn && <StitchSample structureId={structure.id} />}
            <strong>{structure.name}</strong>
            <span>{structure.about}</span>
          </button>
        ))}
      </fieldset>
      {problem && (
        <p role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
      {onCancel && (
        <div>
          <Button onClick={onCancel}>Leave it</Button>
        </div>
      )}
    </section>
  );
}
