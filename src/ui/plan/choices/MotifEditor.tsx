'use client';

import { Button } from 'antd';
import { useState } from 'react';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import { MOST_MOTIF_ROWS, motifSchema, rowOf, startingMotif, type MotifField } from '@/core/structures/motif';
import { offeredRoles } from '@/core/structures/offeredRoles';
import type { RoleLetter } from '@/core/structures/roles';
import { BeadIcon } from '../../piece/BeadShape';
import { useLooks } from '../../piece/looks';
import { roleName } from '../roleName';
import styles from './motif.module.css';
import { beadOf } from '@/core/piece/part';
import { beadsFor } from '@/core/piece/newPiece';

interface Props {
  readonly field: MotifField;
  readonly piece: PartOfPiece;
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

/** A small motif on paper: take a bead, and put it where it belongs. Its rows run along the piece, as they are woven. */
export function MotifEditor({ field, piece, onChange }: Props) {
  const { params } = piece.structure;
  const chart = field.chart(params);
  const motif = motifSchema.safeParse(params[field.key]).data ?? [];
  const [role, setRole] = useState<RoleLetter>('B');
  const offered = offeredRoles(Object.keys(piece.beads));
  const beads = beadsFor(piece, offered);
  const looks = useLooks({ ...piece, beads });
  const set = (next: readonly (readonly RoleLetter[])[], now = piece.beads) =>
    onChange({
      structure: { ...piece.structure, params: { ...params, [field.key]: next } },
      ...(now !== piece.beads && { beads: now }),
    });
  if (motif.length === 0)
    return (
      <div className={styles.motif}>
        <p>
          <strong>{field.label}</strong> <span className="soft">{field.help}</span>
        </p>
        <div>
          <Button onClick={() => set(startingMotif(chart))}>Draw a motif</Button>
        </div>
      </div>
    );

  const put = (row: number, column: number) => {
    const next = motif.map((cells, r) => cells.map((cell, c) => (r === row && c === column ? role : cell)));
    set(next, inOneSize(beadsFor(piece, [role]), chart.from[0] ?? 'A', role));
  };
  const longer = () =>
    set([
      ...motif,
      ...Array.from({ length: chart.step }, (_, i) => rowOf(chart, motif.length + i, chart.from[0] ?? 'A')),
    ]);
  const shorter = () => set(motif.slice(0, -chart.step));
  return (
    <fieldset className={styles.motif}>
      <legend>{field.label}</legend>
      <div className={styles.beads} role="radiogroup" aria-label="Bead to put">
        {offered.map((letter) => (
          <label key={letter} className={letter === role ? styles.taken : styles.bead}>
            <input
              type="radio"
              name="motif-bead"
              aria-label={`${letter}, ${roleName(beadOf({ beads }, letter))}`}
              checked={letter === role}
              onChange={() => setRole(letter)}
            />
            <Icon seen={looks(letter)} />
            {letter}
          </label>
        ))}
      </div>
      <div className={styles.paper}>
        <ol className={styles.rows}>
          {motif.map((cells, row) => (
            <li key={row} className={styles.row} style={{ paddingTop: chart.inset(row) * 14 }}>
              <span className={styles.number} aria-hidden>
                {row + 1}
              </span>
              {cells.map((cell, column) => (
                <button
                  key={column}
                  type="button"
                  className={styles.cell}
                  aria-label={`${chart.word} ${row + 1}, bead ${column + 1}: ${cell}, put ${role}`}
                  onClick={() => put(row, column)}
                >
                  <Icon seen={looks(cell)} />
                </button>
              ))}
            </li>
          ))}
        </ol>
      </div>
      <div className={styles.acts}>
        <Button disabled={motif.length + chart.step > MOST_MOTIF_ROWS} onClick={longer}>
          {chart.step === 1 ? `A ${chart.word} more` : `${chart.step} ${chart.word}s more`}
        </Button>
        <Button disabled={motif.length <= chart.step} onClick={shorter}>
          {chart.step === 1 ? `A ${chart.word} less` : `${chart.step} ${chart.word}s less`}
        </Button>
        <Button onClick={() => set([])}>Without a motif</Button>
      </div>
      <p className="soft">{field.help}</p>
    </fieldset>
  );
}

const Icon = ({ seen }: { readonly seen: ReturnType<ReturnType<typeof useLooks>> }) => (
  <BeadIcon {...seen} size={22} />
);

/** A motif is of beads of one size: one that is put in takes the size of those that are there, in its own colour. */
function inOneSize(beads: PartOfPiece['beads'], like: RoleLetter, role: RoleLetter): PartOfPiece['beads'] {
  const [its, theirs] = [beadOf({ beads }, role), beadOf({ beads }, like)];
  const { colour, colourName, finish } = its;
  return its.id === theirs.id ? beads : { ...beads, [role]: { ...theirs, colour, colourName, finish } };
}
