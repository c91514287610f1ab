'use client';

import { Button } from 'antd';
import { range } from 'd3';
import { useState } from 'react';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import { beadOf } from '@/core/piece/part';
import {
  MOST_BACK,
  pathFaults,
  strokesSchema,
  type Spot,
  type Stroke,
  type StrokeKind,
} from '@/core/structures/ownPath';
import type { RoleLetter } from '@/core/structures/roles';
import { spotWords, strokeWords } from '@/core/words/strokes';
import { Choice } from '../../fields/Choice';
import { CountInput } from '../../fields/CountInput';
import { Pick } from '../../fields/Pick';
import styles from './choices.module.css';

interface Props {
  readonly label: string;
  readonly help: string;
  readonly piece: PartOfPiece;
  readonly value: unknown;
  readonly sequence: readonly RoleLetter[];
  readonly onChange: (strokes: readonly Stroke[]) => void;
}

/** How a unit of one's own stitch is worked: step by step, each checked as it is told. */
export function PathField({ label, help, piece, value, sequence, onChange }: Props) {
  const strokes = strokesSchema.safeParse(value).data ?? [];
  /** One that has just been added is open, to be told what it is. */
  const [added, setAdded] = useState<number | null>(null);
  const faults = pathFaults(sequence, strokes);
  const add = () => {
    setAdded(strokes.length);
    const first: Stroke = { does: 'pick', beads: sequence.length };
    onChange([...strokes, strokes.length === 0 ? first : begun('through')]);
  };
  return (
    <fieldset className={styles.role}>
      <legend>{label}</legend>
      {strokes.length > 0 && (
        <ol className={styles.sections}>
          {strokes.map((stroke, i) => (
            <li key={i} className={styles.section}>
              <details className={styles.own} open={i === added}>
                <summary>
                  <strong>Step {i + 1}</strong>: {strokeWords(stroke, sequence)}
                </summary>
                <StrokeFields
                  number={i + 1}
                  stroke={stroke}
                  piece={piece}
                  sequence={sequence}
                  onChange={(next) => onChange(strokes.with(i, next))}
                />
              </details>
              <div className={styles.buttons}>
                <Button
                  disabled={i === 0}
                  aria-label={`Earlier: step ${i + 1}`}
                  onClick={() => onChange(strokes.toSpliced(i - 1, 2, stroke, strokes[i - 1] ?? stroke))}
                >
                  Earlier
                </Button>
                <Button
                  aria-label={`Take it out: step ${i + 1}`}
                  onClick={() => onChange(strokes.toSpliced(i, 1))}
                >
                  Take it out
                </Button>
              </div>
            </li>
          ))}
        </ol>
      )}
      <div aria-live="polite">
        {faults.map((fault) => (
          <p key={fault} className={styles.problem}>
            {fault}
          </p>
        ))}
        {strokes.length > 0 && faults.length === 0 && (
          <p className="soft">It can be worked so, unit after unit: the steps follow it.</p>
        )}
      </div>
      <div className={styles.buttons}>
        <Button disabled={sequence.length === 0} onClick={add}>
          {strokes.length === 0 ? 'Tell how a unit is worked' : 'Add a step'}
        </Button>
      </div>
      <p className="soft">{help}</p>
    </fieldset>
  );
}

const BEFORE: Spot = { bead: 1, back: 1 };

/** A step of a kind, to be written over. */
function begun(does: StrokeKind): Stroke {
  switch (does) {
    case 'pick':
      return { does, beads: 1 };
    case 'through':
      return { does, spot: BEFORE, against: false, hole: 1 };
    case 'under':
      return { does, spot: BEFORE, other: { bead: 2, back: 1 } };
    case 'round':
      return { does, spot: BEFORE };
    case 'turn':
      return { does, how: 'over' };
  }
}

const KINDS: readonly { readonly value: StrokeKind; readonly label: string }[] = [
  { value: 'pick', label: 'pick up' },
  { value: 'through', label: 'through a bead' },
  { value: 'under', label: 'under thread' },
  { value: 'round', label: 'round a bead' },
  { value: 'turn', label: 'turn the work' },
];

interface StrokeProps {
  readonly number: number;
  readonly stroke: Stroke;
  readonly piece: PartOfPiece;
  readonly sequence: readonly RoleLetter[];
  readonly onChange: (stroke: Stroke) => void;
}

/** What one step does. */
function StrokeFields({ number, stroke, piece, sequence, onChange }: StrokeProps) {
  const spot = (label: string, at: Spot, take: (spot: Spot) => void) => (
    <SpotPick label={`${label}, step ${number}`} value={at} sequence={sequence} onChange={take} />
  );
  const role = stroke.does === 'through' ? sequence[stroke.spot.bead - 1] : undefined;
  return (
    <>
      <Choice
        label={`Step ${number}: the needle goes`}
        value={stroke.does}
        options={KINDS}
        onChange={(does) => onChange(begun(does))}
      />
      {stroke.does === 'pick' && (
        <CountInput
          label={`Beads, step ${number}`}
          value={stroke.beads}
          least={1}
          most={Math.max(1, sequence.length)}
          onChange={(beads) => onChange({ ...stroke, beads })}
        />
      )}
      {stroke.does === 'through' && (
        <>
          {spot('Through', stroke.spot, (next) => onChange({ ...stroke, spot: next }))}
          <Choice
            label={`Which way, step ${number}`}
            value={stroke.against ? 'against' : 'along'}
            options={[
              { value: 'along', label: 'as it was strung' },
              { value: 'against', label: 'the other way' },
            ]}
            onChange={(way) => onChange({ ...stroke, against: way === 'against' })}
          />
          {role && beadOf(piece, role).holes > 1 && (
            <Choice
              label={`Hole, step ${number}`}
              value={stroke.hole}
              options={[
                { value: 1, label: 'first' },
                { value: 2, label: 'second' },
              ]}
              onChange={(hole) => onChange({ ...stroke, hole })}
            />
          )}
        </>
      )}
      {stroke.does === 'under' && (
        <>
          {spot('Thread from', stroke.spot, (next) => onChange({ ...stroke, spot: next }))}
          {spot('Thread to', stroke.other, (next) => onChange({ ...stroke, other: next }))}
        </>
      )}
      {stroke.does === 'round' && spot('Round', stroke.spot, (next) => onChange({ ...stroke, spot: next }))}
      {stroke.does === 'turn' && (
        <Choice
          label={`How it is turned, step ${number}`}
          value={stroke.how}
          options={[
            { value: 'over', label: 'over' },
            { value: 'end for end', label: 'end for end' },
          ]}
          onChange={(how) => onChange({ ...stroke, how })}
        />
      )}
    </>
  );
}

/** Which bead, of this unit or of those before. */
function SpotPick({
  label,
  value,
  sequence,
  onChange,
}: {
  readonly label: string;
  readonly value: Spot;
  readonly sequence: readonly RoleLetter[];
  readonly onChange: (spot: Spot) => void;
}) {
  const spots = range(MOST_BACK + 1).flatMap((back) => sequence.map((_, i): Spot => ({ bead: i + 1, back })));
  const at = spots.findIndex(({ bead, back }) => bead === value.bead && back === value.back);
  return (
    <Pick
      label={label}
      value={at < 0 ? null : `${at}`}
      placeholder={spotWords(value, sequence)}
      options={spots.map((spot, i) => ({ value: `${i}`, label: spotWords(spot, sequence) }))}
      onChange={(next) => onChange(spots[Number(next)] ?? value)}
    />
  );
}
