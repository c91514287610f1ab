'use client';

import { Button } from 'antd';
import type { BeadKind } from '@/core/materials/material';
import { MOST_LETTERS_OF_A_PART, partName } from '@/core/piece/part';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import { withoutPart } from '@/core/piece/assembly';
import type { Plan } from '@/core/plan/plan';
import { madeApart } from '@/core/plan/madeApart';
import { heldBy } from '@/core/structures/registry';
import { TypedInput } from '../../fields/TypedInput';
import type { Reading } from '../../fields/useTyped';
import { AroundFields } from './AroundFields';
import { ComponentPicture } from './ComponentPicture';
import type { Rooms } from './useOpenPart';
import { WholeFields } from './WholeFields';
import styles from '../choices/choices.module.css';

/** A name, or none: then it goes by what it is. */
const readName = (text: string): Reading<string> =>
  text.trim().length <= MOST_LETTERS_OF_A_PART
    ? { ok: true, value: text.trim() }
    : { ok: false, problem: `A part’s name has at most ${MOST_LETTERS_OF_A_PART} letters.` };

interface Props {
  readonly part: PartOfPiece;
  readonly rooms: Rooms;
  /** Of the whole piece; null where there is none. */
  readonly whole: Plan | null;
  readonly kinds: readonly BeadKind[];
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

/** A part made apart: what it is called, what it goes round or closes, and the way to take it out. */
export function PartChoice({ part, rooms, whole, kinds, onChange }: Props) {
  const made = whole && madeApart(whole).find(({ component }) => component.id === part.id)?.component;
  const strung = whole && [...whole.components.values()].find(({ id }) => id === part.id);
  return (
    <>
      {made && <ComponentPicture part={part} component={made} />}
      {part.count.by === 'around' && (
        <AroundFields
          part={part}
          rooms={rooms}
          component={strung ?? null}
          kinds={kinds}
          onChange={onChange}
        />
      )}
      {part.count.by === 'over' && (
        <p className="soft">
          It runs on the piece: it goes round it with the usual room, and takes nothing of its length. What
          hangs from it is sewn to it when it is done.
        </p>
      )}
      {heldBy(part.structure.id) ? (
        <WholeFields part={part} rooms={rooms} component={strung ?? null} onChange={onChange} />
      ) : part.count.by === 'fixed' ? (
        <p className="soft">
          Made first; the ends of the piece are sewn to its edges, as to a clasp. How many units it has is
          chosen beside, and the piece makes up the rest.
        </p>
      ) : null}
      <TypedInput
        label="What you call it"
        shown={part.partName}
        read={readName}
        onTake={(partName) => onChange({ partName })}
        placeholder={partName({ ...part, name: '' })}
      />
      <div className={styles.buttons}>
        <Button onClick={() => rooms.onTake(withoutPart(rooms.piece, part.id))}>Take the part out</Button>
      </div>
    </>
  );
}
