'use client';

import { useState } from 'react';
import { KIND_FACTS } from '@/core/body/kinds';
import { PLACE_FACTS, SIZES, typicalGirths, type TypicalSize } from '@/core/body/places';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Person } from '@/server/screens';
import { Pick } from '../../../fields/Pick';
import { AddPerson } from '../../../people/AddPerson';
import { useLengths } from '../../../shell/lengths';

const SOMEONE_NEW = 'new';
const typicalId = (size: TypicalSize) => `typical ${size}`;

/** Who wears it: one of one's people, somebody new, or a usual size where nobody can be measured. */
export function WearerField({
  piece,
  people,
  onChange,
}: {
  readonly piece: PartOfPiece;
  readonly people: readonly Person[];
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}) {
  const { show } = useLengths();
  const [adding, setAdding] = useState(false);
  const { wearer } = piece;
  const place = KIND_FACTS[piece.kind].place ?? 'wrist';
  const fitTo = ({ id, name, girths }: Person) =>
    onChange({ wearer: { personId: id, name, girths, typical: null }, targetMm: null });
  const girth = (mm: number | undefined) => (mm === undefined ? `${place} not measured` : show(mm));
  const options = [
    ...people.map(({ id, name, girths }) => ({ value: id, label: `${name}, ${girth(girths[place])}` })),
    ...SIZES.filter(() => PLACE_FACTS[place].typical !== null).map((size) => ({
      value: typicalId(size),
      label: `a ${size} adult, typical, ${girth(typicalGirths(size)[place])}`,
    })),
    { value: SOMEONE_NEW, label: 'Somebody new …' },
  ];
  const choose = (id: string) => {
    setAdding(id === SOMEONE_NEW);
    const person = people.find((p) => p.id === id);
    if (person) return fitTo(person);
    const size = SIZES.find((one) => typicalId(one) === id);
    if (size)
      onChange({
        wearer: { personId: null, name: `a ${size} adult`, girths: typicalGirths(size), typical: size },
        // A target of one's own was for whoever wore it before.
        targetMm: null,
      });
  };
  return (
    <>
      <Pick
        label="For whom"
        value={wearer?.typical ? typicalId(wearer.typical) : (wearer?.personId ?? null)}
        placeholder={wearer?.name ?? 'Choose somebody'}
        options={options}
        onChange={choose}
      />
      {adding && (
        <AddPerson
          place={place}
          onAdded={(person) => {
            setAdding(false);
            fitTo(person);
          }}
          onCancel={() => setAdding(false)}
        />
      )}
    </>
  );
}
