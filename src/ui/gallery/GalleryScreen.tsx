'use client';

import Link from 'next/link';
import { useState } from 'react';
import { STRUCTURES } from '@/core/structures/registry';
import { HANDLES, THREAD_KINDS, USES, type Structure } from '@/core/structures/structure';
import { ScreenHeader } from '../shell/ScreenHeader';
import { BEADS_AT_HAND, matches, type Wanted } from './filters';
import { StitchSample, useOneByOne } from './StitchSample';
import styles from './gallery.module.css';

const NOTHING: Wanted = { use: null, handle: null, needles: null, thread: null, beads: [] };

/** Every stitch, drawn by the engine; narrowed down by what it is for and what lies on the mat. */
export function GalleryScreen() {
  const [wanted, setWanted] = useState<Wanted>(NOTHING);
  const found = STRUCTURES.filter((structure) => matches(structure, wanted));
  const drawn = useOneByOne(STRUCTURES.length);
  return (
    <div className={styles.gallery}>
      <ScreenHeader
        title="Gallery"
        told={
          found.length === STRUCTURES.length
            ? `${found.length} stitches, drawn to scale`
            : `${found.length} of ${STRUCTURES.length} stitches`
        }
      />
      <section className={`card ${styles.filters}`} aria-label="Narrow down">
        <Filter
          label="For"
          options={USES}
          value={wanted.use}
          onChange={(use) => setWanted({ ...wanted, use })}
        />
        <Filter
          label="Feel"
          options={HANDLES}
          value={wanted.handle}
          onChange={(handle) => setWanted({ ...wanted, handle })}
        />
        <Filter
          label="Needles"
          options={['one', 'two']}
          value={wanted.needles}
          onChange={(needles) => setWanted({ ...wanted, needles })}
        />
        <Filter
          label="Thread"
          options={THREAD_KINDS}
          value={wanted.thread}
          onChange={(thread) => setWanted({ ...wanted, thread })}
        />
        <fieldset className={styles.filter}>
          <legend>Beads at hand</legend>
          {BEADS_AT_HAND.map(({ name }) => (
            <Chip
              key={name}
              label={name}
              on={wanted.beads.includes(name)}
              onToggle={(on) =>
                setWanted({
                  ...wanted,
                  beads: on ? [...wanted.beads, name] : wanted.beads.filter((other) => other !== name),
                })
              }
            />
          ))}
        </fieldset>
      </section>
      {found.length === 0 && (
        <section className={`card ${styles.none}`}>
          <h2>No stitch is all of that</h2>
          <p>
            Take one of the marks above off again.{' '}
            <button type="button" className="linkButton" onClick={() => setWanted(NOTHING)}>
              Show all stitches
            </button>
          </p>
        </section>
      )}
      <ul className={styles.cards}>
        {found.map((structure) => (
          <StitchCard
            key={structure.id}
            structure={structure}
            drawn={STRUCTURES.indexOf(structure) < drawn}
          />
        ))}
      </ul>
    </div>
  );
}

function StitchCard({ structure, drawn }: { structure: Structure; drawn: boolean }) {
  return (
    <li className={`card ${styles.card}`}>
      <div className={styles.picture}>{drawn && <StitchSample structureId={structure.id} />}</div>
      <h2>
        <Link href={`/gallery/${structure.id}`} className={styles.open}>
          {structure.name}
        </Link>
      </h2>
      <p>{structure.about}</p>
      <p className="soft">
        {structure.family} · {structure.feel} · {structure.needles === 2 ? 'two needles' : 'one needle'}
      </p>
    </li>
  );
}

interface FilterProps<T extends string> {
  readonly label: string;
  readonly options: readonly T[];
  readonly value: T | null;
  readonly onChange: (value: T | null) => void;
}

/** Marks of which one at most is on. */
function Filter<T extends string>({ label, options, value, onChange }: FilterProps<T>) {
  return (
    <fieldset className={styles.filter}>
      <legend>{label}</legend>
      {options.map((option) => (
        <Chip
          key={option}
          label={option}
          on={option === value}
          onToggle={(on) => onChange(on ? option : null)}
        />
      ))}
    </fieldset>
  );
}

function Chip({
  label,
  on,
  onToggle,
}: {
  readonly label: string;
  readonly on: boolean;
  readonly onToggle: (on: boolean) => void;
}) {
  return (
    <button type="button" className={styles.chip} aria-pressed={on} onClick={() => onToggle(!on)}>
      {on && <span aria-hidden>✓ </span>}
      {label}
    </button>
  );
}
