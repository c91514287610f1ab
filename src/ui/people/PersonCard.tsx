'use client';

import { App, Button, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { PLACES } from '@/core/body/places';
import { RING_SCALES, ringSize, SCALES } from '@/core/body/ringSize';
import { changePersonAction } from '@/server/actions/people';
import type { Person } from '@/server/screens';
import { ask } from '../fields/ask';
import { useUndo } from '../fields/useUndo';
import { useWarnOfLeaving } from '../fields/useWarnOfLeaving';
import { useLengths } from '../shell/lengths';
import { AddMeasure } from './AddMeasure';
import { MeasureHistory } from './MeasureHistory';
import styles from './people.module.css';

/** One person: the newest measures, ring sizes, and the record beneath. */
export function PersonCard({ person }: { readonly person: Person }) {
  const { show, style } = useLengths();
  const putAway = useUndo('person');
  const { girths, measures, name } = person;
  const known = PLACES.filter((place) => girths[place] !== undefined);
  return (
    <li className={`card ${styles.person}`}>
      <div className={styles.top}>
        <EditableText
          label={`Name of ${name}`}
          value={name}
          className={styles.name}
          field="name"
          id={person.id}
        />
        <EditableText
          label={`Note on ${name}`}
          value={person.note}
          placeholder="a note"
          className={styles.note}
          field="note"
          id={person.id}
        />
        <Button onClick={() => void putAway(person.id, name)}>
          Archive <span className="srOnly">{name}</span>
        </Button>
      </div>
      {known.length === 0 ? (
        <p className="soft">Nothing measured yet.</p>
      ) : (
        <dl className={styles.girths}>
          {known.map((place) => (
            <div key={place}>
              <dt>{place}</dt>
              <dd className="figures">{show(girths[place] ?? 0)}</dd>
            </div>
          ))}
        </dl>
      )}
      {girths.finger !== undefined && (
        <p className="soft">
          Ring size:{' '}
          {RING_SCALES.map(
            (scale) =>
              `${SCALES[scale].name} ${ringSize(scale, girths.finger ?? 0).replace('.', style.decimal ?? '.')}`,
          ).join(' · ')}
        </p>
      )}
      <AddMeasure person={person} />
      {measures.length > 0 && <MeasureHistory measures={measures} who={name} />}
    </li>
  );
}

/** A line of text that is changed where it stands; empty names are refused and stay as typed. */
function EditableText({
  label,
  value,
  placeholder,
  className,
  field,
  id,
}: {
  readonly label: string;
  readonly value: string;
  readonly placeholder?: string;
  readonly className?: string;
  readonly field: 'name' | 'note';
  readonly id: string;
}) {
  const { message } = App.useApp();
  const router = useRouter();
  const [typed, setTyped] = useState<string | null>(null);
  useWarnOfLeaving(typed !== null && typed.trim() !== value);
  const keep = async () => {
    if (typed === null || typed.trim() === value) return setTyped(null);
    const answer = await ask(changePersonAction, { id, [field]: typed });
    if (!answer.ok) return void message.error(answer.message);
    router.refresh();
    setTyped(null);
  };
  return (
    <Input
      aria-label={label}
      className={className}
      variant="borderless"
      value={typed ?? value}
      placeholder={placeholder}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={() => void keep()}
      onPressEnter={(event) => event.currentTarget.blur()}
    />
  );
}
