'use client';

import { useState } from 'react';
import { mending, strungIn } from '@/core/making/mending';
import { counted } from '@/core/words/figures';
import { Choice } from '../fields/Choice';
import { CountInput } from '../fields/CountInput';
import type { MatProps } from './matProps';
import { useLooks } from '../piece/looks';
import { partOf } from '@/core/piece/partOfPiece';
import { mendingWords } from '@/core/words/mending';
import styles from './make.module.css';

interface Props extends MatProps {
  readonly role: string;
}

/** A broken bead: whether another can be sewn into its place, or what is to be ripped. */
export function Broken({ mat, here: { part, made, at }, pictures, role, happens }: Props) {
  const [unit, setUnit] = useState<number | null>(null);
  const [nth, setNth] = useState('0');
  const looks = useLooks(partOf(mat.piece, part.id));
  const moves = pictures?.movesOf(part.id);
  if (!moves)
    return (
      <p className="soft">
        Where its neighbours hold together without it, another can be sewn into its place. A bead that alone
        joins what comes after it can only be mended by ripping back to it.
      </p>
    );
  const beads = unit === null ? [] : strungIn(moves, at, { unit: unit - 1, role });
  const broken = beads[Number(nth)] ?? beads[0];
  const found = broken && mending(moves, at, broken);
  const strung = found && part.steps[found.strungAt];
  return (
    <>
      <CountInput label="In which unit it is" value={unit} least={1} most={part.units} onChange={setUnit} />
      {beads.length > 1 && (
        <Choice
          label="Which, as they were strung"
          value={beads[Number(nth)] ? nth : '0'}
          options={beads.map((_, i) => ({ value: `${i}`, label: `${i + 1}` }))}
          onChange={setNth}
        />
      )}
      {unit !== null && !found && (
        <p role="status">
          No {role} of unit {unit} is strung yet.
        </p>
      )}
      {found && (
        <div role="status" className={styles.form}>
          <p>
            <strong>
              {found.holds
                ? 'It can be mended without ripping.'
                : 'It can only be mended by ripping back to it.'}
            </strong>{' '}
            {mendingWords(found, (one) => `${one} ${looks(one).bead.colourName}`)}
          </p>
          <p>
            Ripped back to {strung?.title.toLowerCase()}: {counted(found.beadsOut, 'bead')} out,{' '}
            {counted(at - found.strungAt, 'step')} to do again.{' '}
            <button
              type="button"
              className={styles.link}
              onClick={() => happens({ did: 'rip', to: { part: part.id, made, at: found.strungAt } })}
            >
              Rip back to there
            </button>
          </p>
        </div>
      )}
    </>
  );
}
