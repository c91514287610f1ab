'use client';

import { useState } from 'react';
import { PLACE_FACTS, SIZES, typicalGirths, type Place, type TypicalSize } from '@/core/body/places';
import type { Person } from '@/server/screens';
import { Choice } from '../fields/Choice';
import { AddPerson } from '../people/AddPerson';
import { useLengths } from '../shell/lengths';

/** For whom a piece is: somebody, a typical size, nobody yet, or somebody who is still to be added. */
export type Who =
  | { readonly kind: 'person'; readonly id: string }
  | { readonly kind: 'typical'; readonly size: TypicalSize }
  | { readonly kind: 'nobody' }
  | { readonly kind: 'new' };

export const NOBODY: Who = { kind: 'nobody' };
export const SOMEBODY_NEW: Who = { kind: 'new' };

/** What the server is told of it. */
export const whoAsked = (who: Who): { personId: string | null; typical: TypicalSize | null } => ({
  personId: who.kind === 'person' ? who.id : null,
  typical: who.kind === 'typical' ? who.size : null,
});

const keyOf = (who: Who): string =>
  who.kind === 'person' ? who.id : who.kind === 'typical' ? `typical ${who.size}` : who.kind;

interface Props {
  readonly people: readonly Person[];
  /** What the piece is fitted to; null where it is fitted to nothing. */
  readonly place: Place | null;
  readonly who: Who;
  readonly onChange: (who: Who) => void;
  /** Whether somebody is written down who is not added yet. */
  readonly onWriting?: (writing: boolean) => void;
  /** Somebody was added just now, and is chosen. */
  readonly onAdded?: () => void;
}

/** Asks for whom it is. */
export function WhoChoice({ people, place, who, onChange, onWriting, onAdded }: Props) {
  const { show } = useLengths();
  const [pressed, setPressed] = useState(true);
  const girth = (mm: number | undefined) =>
    place === null ? '' : mm === undefined ? `, ${place} not measured` : `, ${show(mm)}`;
  const sizes = SIZES.filter(() => place && PLACE_FACTS[place].typical);
  const all: { readonly who: Who; readonly label: string }[] = [
    ...people.map(({ id, name, girths }) => ({
      who: { kind: 'person', id } as const,
      label: `${name}${girth(place ? girths[place] : undefined)}`,
    })),
    { who: NOBODY, label: 'nobody yet' },
    ...sizes.map((size) => ({
      who: { kind: 'typical', size } as const,
      label: `typical ${size}${girth(place ? typicalGirths(size)[place] : undefined)}`,
    })),
    { who: SOMEBODY_NEW, label: 'somebody new …' },
  ];
  return (
    <>
      <Choice
        label="For whom is it?"
        value={keyOf(who)}
        options={all.map((one) => ({ value: keyOf(one.who), label: one.label }))}
        onChange={(key, byHand) => {
          const found = all.find((one) => keyOf(one.who) === key);
          setPressed(byHand);
          if (found) onChange(found.who);
        }}
      />
      {who.kind === 'new' && (
        <AddPerson
          place={place ?? 'neck'}
          // Whoever goes through the names by arrow keys is not thrown into a field.
          autoFocus={pressed}
          onAdded={({ id }) => {
            onChange({ kind: 'person', id });
            onAdded?.();
          }}
          onWriting={onWriting}
          onCancel={() => {
            onWriting?.(false);
            onChange(NOBODY);
          }}
        />
      )}
    </>
  );
}
