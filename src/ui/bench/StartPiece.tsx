'use client';

import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { KIND_FACTS, KINDS, type Kind } from '@/core/body/kinds';
import { PLACE_FACTS, SIZES, typicalGirths, type TypicalSize } from '@/core/body/places';
import { ownUnit } from '@/core/structures/ownUnit';
import { STRUCTURES } from '@/core/structures/registry';
import { startPieceAction } from '@/server/actions/pieces';
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
const typicalId = (size: TypicalSize) => `typical ${size}`;

/** Three questions, and a piece is on the bench: what, for whom, and in which stitch. */
export function StartPiece({ people, onCancel }: Props) {
  const { show } = useLengths();
  const router = useRouter();
  const [kind, setKind] = useState<Kind>('bracelet');
  const [who, setWho] = useState(people.length === 0 ? NEW : NOBODY);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, startIt] = useTransition();
  const drawn = useOneByOne(STRUCTURES.length);
  const { place, closings } = KIND_FACTS[kind];
  const stitches = STRUCTURES.filter(({ bind, defaults }) =>
    (bind(defaults).closings ?? ['clasp']).some((closing) => closings.includes(closing)),
  );

  const begin = (structureId: string) =>
    startIt(async () => {
      const answer = await startPieceAction({
        structureId,
        kind,
        personId: people.some(({ id }) => id === who) ? who : null,
        typical: SIZES.find((size) => typicalId(size) === who) ?? null,
      });
      if (answer.ok) router.push(`/plan/${answer.value}`);
      else setProblem(answer.message);
    });

  const girth = (mm: number | undefined) =>
    place === null ? '' : mm === undefined ? `, ${place} not measured` : `, ${show(mm)}`;
  return (
    <section className={`card ${styles.starting}`} aria-label="Start a piece">
      <Choice
        label="What is it to be?"
        value={kind}
        options={KINDS.map((one) => ({ value: one, label: one }))}
        onChange={setKind}
        help={`A ${kind}: ${KIND_FACTS[kind].about}.`}
      />
      <Choice
        label="For whom is it?"
        value={who}
        options={[
          ...people.map(({ id, name, girths }) => ({
            value: id,
            label: `${name}${girth(place ? girths[place] : undefined)}`,
          })),
          { value: NOBODY, label: 'nobody yet' },
          ...SIZES.filter(() => place && PLACE_FACTS[place].typical).map((size) => ({
            value: typicalId(size),
            label: `typical ${size}${girth(place ? typicalGirths(size)[place] : undefined)}`,
          })),
          { value: NEW, label: 'somebody new …' },
        ]}
        onChange={setWho}
      />
      {who === NEW && (
        <AddPerson
          place={place ?? 'neck'}
          onAdded={(person) => setWho(person.id)}
          onCancel={() => setWho(NOBODY)}
        />
      )}
      <fieldset className={styles.stitches} disabled={busy}>
        <legend>In which stitch? It opens at once.</legend>
        {stitches.map((structure, i) => (
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
        <button type="button" className={styles.stitch} onClick={() => begin(ownUnit.id)}>
          <strong>{ownUnit.name}</strong>
          <span>{ownUnit.about}</span>
        </button>
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
