'use client';

import { App, Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useTransition } from 'react';
import { KIND_FACTS } from '@/core/body/kinds';
import { PLACE_FACTS, type Place } from '@/core/body/places';
import { parseGirth } from '@/core/body/girth';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Wearer } from '@/core/piece/piece';
import { addMeasureAction } from '@/server/actions/people';
import type { Person } from '@/server/screens';
import { ask } from '../../../fields/ask';
import { LengthInput } from '../../../fields/LengthInput';
import { RingSizeInput } from '../../../fields/RingSizeInput';
import { useLengths } from '../../../shell/lengths';
import styles from '../choices.module.css';

interface Props {
  readonly piece: PartOfPiece;
  readonly people: readonly Person[];
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);

/** The girths that this kind of piece goes by, of whoever wears it. */
export function GirthFields({ piece, people, onChange }: Props) {
  const { place } = KIND_FACTS[piece.kind];
  const { wearer } = piece;
  if (!place || !wearer) return null;
  const places: readonly Place[] = piece.kind === 'ring' ? ['finger', 'knuckle'] : [place];
  return places.map((one) => {
    const set = (mm: number) =>
      onChange({ wearer: { ...wearer, typical: null, girths: { ...wearer.girths, [one]: mm } } });
    return (
      <div key={one} className={styles.group}>
        <LengthInput
          label={one === 'knuckle' ? 'Knuckle, where it must pass' : capital(one)}
          mm={wearer.girths[one] ?? null}
          range={PLACE_FACTS[one].range}
          parse={(text, unit) => parseGirth(one, text, unit)}
          onChange={set}
          help={PLACE_FACTS[one].how}
        />
        {one === 'finger' && <RingSizeInput mm={wearer.girths.finger ?? null} onChange={set} />}
        <KeepGirth place={one} wearer={wearer} people={people} onUse={set} />
      </div>
    );
  });
}

/** Where the piece's girth and the person's differ: which of the two is to count. */
function KeepGirth({
  place,
  wearer,
  people,
  onUse,
}: {
  readonly place: Place;
  readonly wearer: Wearer;
  readonly people: readonly Person[];
  readonly onUse: (mm: number) => void;
}) {
  const { show, unit } = useLengths();
  const { message } = App.useApp();
  const router = useRouter();
  const [busy, start] = useTransition();
  const person = people.find((p) => p.id === wearer.personId);
  const kept = person?.girths[place];
  const here = wearer.girths[place];
  if (!person || here === undefined || (kept !== undefined && Math.abs(kept - here) < 0.5)) return null;
  const keep = () =>
    start(async () => {
      const answer = await ask(addMeasureAction, { personId: person.id, place, length: here, unit });
      if (answer.ok) router.refresh();
      else void message.error(answer.message);
    });
  return (
    <div className={styles.buttons}>
      <p className="soft">
        {kept === undefined
          ? `Only this piece knows it: ${person.name}’s ${place} is not kept.`
          : `This piece goes by ${show(here)}; ${person.name}’s own is ${show(kept)}.`}
      </p>
      <Button loading={busy} onClick={keep}>
        Keep {show(here)} as {person.name}’s {place}
      </Button>
      {kept !== undefined && <Button onClick={() => onUse(kept)}>Back to {show(kept)}</Button>}
    </div>
  );
}
