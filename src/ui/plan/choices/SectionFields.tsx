'use client';

import { Button } from 'antd';
import { useState } from 'react';
import { beadsFor } from '@/core/piece/newPiece';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import {
  canMove,
  hasRoomFor,
  listed,
  SIDES,
  withoutSection,
  withSection,
  withSectionChanged,
  withSectionMoved,
  type Listed,
} from '@/core/piece/sectioning';
import type { Plan } from '@/core/plan/plan';
import { structureById } from '@/core/structures/registry';
import { hasSections, MOST_TIMES, NO_SECTIONS, type Sections } from '@/core/structures/sections';
import type { Field } from '@/core/structures/structure';
import { CountInput } from '../../fields/CountInput';
import { Toggle } from '../../fields/Toggle';
import { Sequence } from './StructureFields';
import styles from './choices.module.css';

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan | null;
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

type SequenceField = Extract<Field, { kind: 'sequence' }>;

/** What a stitch says of the sequence that its sections have; null where it has none. */
function sequenceField({ structure: { id } }: PartOfPiece): SequenceField | null {
  const structure = structureById(id);
  const field = structure?.fields.find(({ key }) => key === 'sequence');
  return structure?.unlike && field?.kind === 'sequence' ? field : null;
}

/** Sections of other beads along the piece, before and after its own units, which take up the rest. */
export function SectionFields({ piece, plan, onChange }: Props) {
  const { structure } = piece;
  const { sections = NO_SECTIONS } = structure;
  /** One that has just been added is open, to be told what it is. */
  const [added, setAdded] = useState<number | null>(null);
  const field = sequenceField(piece);
  if (!field && !hasSections(sections)) return null;
  const { unlike, defaults } = structureById(structure.id) ?? {};
  const not = unlike ? unlike.not({ ...defaults, ...structure.params }) : 'This stitch has no sections.';
  const take = (next: Sections) => {
    const beads = beadsFor(
      piece,
      [...next.before, ...next.after].flatMap(({ sequence }) => sequence),
    );
    onChange({
      structure: { ...structure, sections: hasSections(next) ? next : undefined },
      ...(beads !== piece.beads && { beads }),
    });
  };
  const all = listed(sections);
  const own = structure.params.sequence;
  const other = Array.isArray(own) && own.every((role) => role === 'A') ? 'B' : 'A';
  return (
    <fieldset className={styles.role}>
      <legend>Sections along the piece</legend>
      {not !== null && <p className={hasSections(sections) ? styles.problem : 'soft'}>{not}</p>}
      {hasSections(sections) && (
        <>
          <ol className={styles.sections}>
            {all.map((one, i) => (
              <li key={i} className={styles.section}>
                {one.own ? (
                  <p>
                    <strong>Section {i + 1}</strong>: the unit above, as often as the length leaves room for
                    {plan && `: ${timesWords(plan)}`}.
                  </p>
                ) : (
                  field && (
                    <OneSection
                      number={i + 1}
                      isNew={i === added}
                      one={one}
                      field={field}
                      piece={piece}
                      onChange={(change) => take(withSectionChanged(sections, i, change))}
                    />
                  )
                )}
                <div className={styles.buttons}>
                  {([-1, 1] as const).map((by) => (
                    <Button
                      key={by}
                      disabled={!canMove(sections, i, by)}
                      aria-label={`${by < 0 ? 'Earlier' : 'Later'}: section ${i + 1}`}
                      onClick={() => take(withSectionMoved(sections, i, by))}
                    >
                      {by < 0 ? 'Earlier' : 'Later'}
                    </Button>
                  ))}
                  {!one.own && (
                    <Button
                      aria-label={`Take it out: section ${i + 1}`}
                      onClick={() => take(withoutSection(sections, i))}
                    >
                      Take it out
                    </Button>
                  )}
                </div>
              </li>
            ))}
          </ol>
          <Toggle
            label="Mirrored about the middle"
            checked={sections.mirrored}
            onChange={(mirrored) => take({ ...sections, mirrored })}
            help={`Section ${sections.after.length > 0 ? all.length : sections.before.length + 1} stands in the middle, once; those before it come again behind it, back to front.`}
          />
        </>
      )}
      {not === null && (
        <>
          <div className={styles.buttons}>
            {SIDES.map((side) => (
              <Button
                key={side}
                disabled={!hasRoomFor(side, sections)}
                onClick={() => {
                  setAdded(sections.before.length + (side === 'before' ? 0 : 1));
                  take(withSection(side, other, sections));
                }}
              >
                A section {side} the unit above
              </Button>
            ))}
          </div>
          {!hasSections(sections) && (
            <p className="soft">
              So many units of other beads in the same stitch. The unit above takes up what is left of the
              length.
            </p>
          )}
        </>
      )}
    </fieldset>
  );
}

interface OneProps {
  readonly number: number;
  readonly isNew: boolean;
  readonly one: Extract<Listed, { own: false }>;
  readonly field: SequenceField;
  readonly piece: PartOfPiece;
  readonly onChange: (change: Partial<Pick<OneProps['one'], 'sequence' | 'times'>>) => void;
}

/** One section: its unit, and how often that is worked. */
function OneSection({ number, isNew, one, field, piece, onChange }: OneProps) {
  return (
    <details className={styles.own} open={isNew}>
      <summary>
        <strong>Section {number}</strong>: {one.times} × {one.sequence.join(' ') || 'no beads yet'}
      </summary>
      <Sequence
        field={{ ...field, label: 'One unit of it', help: '' }}
        piece={piece}
        value={one.sequence}
        onChange={(sequence) => onChange({ sequence })}
      />
      <CountInput
        label={`Times in section ${number}`}
        value={one.times}
        least={1}
        most={MOST_TIMES}
        onChange={(times) => onChange({ times })}
      />
    </details>
  );
}

/** How often the part's own unit is worked: `28 times, on either side`. */
const timesWords = ({ chosen, weaveable }: Plan): string =>
  `${chosen.units} times${(weaveable.sections?.copies ?? 1) > 1 ? ', on either side' : ''}`;
