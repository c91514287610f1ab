'use client';

import { App, Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { EASE_MM, FINISHED_RANGE, FITS, FLAT_RULE_MM, WRIST_RANGE } from '@/core/body/wear';
import type { Piece } from '@/core/piece';
import type { Plan } from '@/core/plan';
import { addWristAction } from '@/server/actions';
import type { Person } from '@/server/screens';
import { Choice } from '../../fields/Choice';
import { LengthInput } from '../../fields/LengthInput';
import { Pick } from '../../fields/Pick';
import { Toggle } from '../../fields/Toggle';
import { AddPerson } from '../../people/AddPerson';
import { useLengths } from '../../shell/lengths';
import styles from './choices.module.css';

interface Props {
  readonly piece: Piece;
  readonly plan: Plan | null;
  readonly people: readonly Person[];
  readonly onChange: (change: Partial<Piece>) => void;
}

const SOMEONE_NEW = 'new';

/** Who wears it, and how close it sits. */
export function WornChoice({ piece, plan, people, onChange }: Props) {
  const { show, change } = useLengths();
  const [adding, setAdding] = useState(false);
  const { wear, wearer } = piece;
  const fitTo = (person: Person) => {
    const wristMm = person.girths.wrist;
    if (wristMm !== undefined) onChange({ wearer: { personId: person.id, name: person.name, wristMm } });
  };
  const options = people
    .filter((p) => p.girths.wrist !== undefined)
    .map((p) => ({ value: p.id, label: `${p.name}, ${show(p.girths.wrist ?? 0)}` }));

  return (
    <>
      <Pick
        label="For whom"
        value={wearer?.personId ?? null}
        placeholder={wearer?.name ?? 'Choose somebody'}
        options={[...options, { value: SOMEONE_NEW, label: 'Somebody new …' }]}
        onChange={(id) => {
          setAdding(id === SOMEONE_NEW);
          const person = people.find((p) => p.id === id);
          if (person) fitTo(person);
        }}
      />
      {adding && (
        <AddPerson
          onAdded={(person) => {
            setAdding(false);
            fitTo(person);
          }}
          onCancel={() => setAdding(false)}
        />
      )}
      {wearer && (
        <LengthInput
          label="Wrist, snug round the bone"
          mm={wearer.wristMm}
          range={WRIST_RANGE}
          onChange={(wristMm) => onChange({ wearer: { ...wearer, wristMm } })}
        />
      )}
      <KeepWrist
        wearer={wearer}
        people={people}
        onUse={(wristMm) => wearer && onChange({ wearer: { ...wearer, wristMm } })}
      />
      <Choice
        label="Length by"
        value={wear.school}
        options={[
          { value: 'ease', label: 'wrist and ease' },
          { value: 'flat', label: 'flat rule' },
        ]}
        onChange={(school) =>
          onChange({
            wear:
              school === 'ease'
                ? { school, fit: 'comfortable', thicknessEffect: true }
                : { school, finishedMm: FLAT_RULE_MM.wishMm },
          })
        }
        help={
          wear.school === 'flat'
            ? `One finished length for the average wrist, ${show(FLAT_RULE_MM.minMm)} to ${show(FLAT_RULE_MM.maxMm)} with the clasp.`
            : undefined
        }
      />
      {wear.school === 'flat' ? (
        <LengthInput
          label="Finished length, clasp closed"
          mm={wear.finishedMm}
          range={FINISHED_RANGE}
          onChange={(finishedMm) => onChange({ wear: { school: 'flat', finishedMm } })}
        />
      ) : (
        <>
          <Choice
            label="Sits"
            value={wear.fit}
            options={FITS.map((fit) => ({ value: fit, label: `${fit} ${change(EASE_MM[fit])}` }))}
            onChange={(fit) => onChange({ wear: { ...wear, fit } })}
          />
          <Toggle
            label={`Allow for thickness${plan ? `, ${change(Math.PI * plan.thicknessMm)}` : ''}`}
            help="A closed ring of beads is smaller inside than along its middle. Off, the ease must take it up."
            checked={wear.thicknessEffect}
            onChange={(thicknessEffect) => onChange({ wear: { ...wear, thicknessEffect } })}
          />
        </>
      )}
    </>
  );
}

/** Where the piece's wrist and the person's differ: which of the two is to count. */
function KeepWrist({
  wearer,
  people,
  onUse,
}: {
  wearer: Piece['wearer'];
  people: readonly Person[];
  onUse: (mm: number) => void;
}) {
  const { show } = useLengths();
  const { message } = App.useApp();
  const router = useRouter();
  const [busy, start] = useTransition();
  const person = people.find((p) => p.id === wearer?.personId);
  const kept = person?.girths.wrist;
  if (!wearer || !person || kept === undefined || Math.abs(kept - wearer.wristMm) < 0.5) return null;
  const keep = () =>
    start(async () => {
      const answer = await addWristAction({ personId: person.id, mm: wearer.wristMm });
      if (answer.ok) router.refresh();
      else void message.error(answer.message);
    });
  return (
    <div className={styles.buttons}>
      <Button loading={busy} onClick={keep}>
        Keep {show(wearer.wristMm)} as {person.name}’s wrist
      </Button>
      <Button onClick={() => onUse(kept)}>Back to {show(kept)}</Button>
    </div>
  );
}
