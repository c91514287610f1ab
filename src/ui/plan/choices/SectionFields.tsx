'use client';

import { Button } from 'antd';
import { useState } from 'react';
import type { FindingMaterial } from '@/core/materials/material';
import { beadsFor } from '@/core/piece/newPiece';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import {
  canMove,
  hasRoomFor,
  SIDES,
  withoutSection,
  withSection,
  withSectionChanged,
  withSectionMoved,
} from '@/core/piece/sectioning';
import type { Plan } from '@/core/plan/plan';
import { unfit } from '@/core/structures/bindSections';
import { boundStitch, ownUnits, structureById, STRUCTURES } from '@/core/structures/registry';
import { USUAL_SEAM } from '@/core/structures/seam';
import {
  listed,
  type Listed,
  FEW_UNITS,
  hasSections,
  MOST_TIMES,
  NO_SECTIONS,
  type SectionChoice,
  type Sections,
} from '@/core/structures/sections';
import { rolesOf, type Structure } from '@/core/structures/structure';
import type { Field } from '@/core/structures/field';
import { CountInput } from '../../fields/CountInput';
import { Pick } from '../../fields/Pick';
import { Toggle } from '../../fields/Toggle';
import { SeamFields } from './SeamFields';
import { Sequence, StructureFields } from './StructureFields';
import styles from './choices.module.css';

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan | null;
  /** Findings of the catalogue, of which some can join sections. */
  readonly findings: readonly FindingMaterial[];
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

type SequenceField = Extract<Field, { kind: 'sequence' }>;

/** What a stitch says of the sequence that sections in it have; null where there can be none. */
function sequenceField({ structure: { id } }: PartOfPiece): SequenceField | null {
  const structure = structureById(id);
  const field = structure?.fields.find(({ key }) => key === 'sequence');
  return structure?.unlike && field?.kind === 'sequence' ? field : null;
}

/** Sections of other beads along the piece, before and after its own units, which take up the rest. */
export function SectionFields({ piece, plan, findings, onChange }: Props) {
  const { structure } = piece;
  const { sections = NO_SECTIONS } = structure;
  /** One that has just been added is open, to be told what it is. */
  const [added, setAdded] = useState<number | null>(null);
  const field = sequenceField(piece);
  const bound = boundStitch(ownUnits(structure));
  if (bound.ok && unfit(bound.structure, bound.weaveable)) return null;
  const { unlike, defaults } = structureById(structure.id) ?? {};
  // What stands against sections in its own stitch; another stitch can always be joined.
  const not = unlike ? unlike.not({ ...defaults, ...structure.params }) : null;
  const grows = field !== null && not === null;
  const take = (next: Sections) => {
    const changed = { ...structure, sections: hasSections(next) ? next : undefined };
    const whole = boundStitch(changed);
    const inSections = [...next.before, ...next.after].flatMap(({ sequence }) => sequence);
    const beads = beadsFor(piece, whole.ok ? rolesOf(whole.weaveable) : inSections);
    onChange({
      structure: changed,
      ...(beads !== piece.beads && { beads }),
    });
  };
  const all = listed(sections);
  const own = structure.params.sequence;
  const other = Array.isArray(own) && own.every((role) => role === 'A') ? 'B' : 'A';
  return (
    <fieldset className={styles.role}>
      <legend>Sections along the piece</legend>
      {not !== null && hasSections(sections) && <p className={styles.problem}>{not}</p>}
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
                  <OneSection
                    number={i + 1}
                    nearer={i < sections.before.length ? i + 2 : i}
                    isNew={i === added}
                    one={one}
                    field={field}
                    piece={piece}
                    findings={findings}
                    onChange={(change) => take(withSectionChanged(sections, i, change))}
                  />
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
      <div className={styles.buttons}>
        {SIDES.map((side) => (
          <Button
            key={side}
            disabled={!hasRoomFor(side, sections)}
            onClick={() => {
              const at = sections.before.length + (side === 'before' ? 0 : 1);
              const next = withSection(side, other, sections);
              setAdded(at);
              take(grows ? next : withSectionChanged(next, at, like(structure)));
            }}
          >
            A section {side} the unit above
          </Button>
        ))}
      </div>
      {!hasSections(sections) && (
        <p className="soft">
          So many units of other beads, or another stitch, joined to it. The unit above takes up what is left
          of the length.
        </p>
      )}
    </fieldset>
  );
}

/** What a section becomes in another stitch: its usual parameters, as broad as its neighbour. */
function inOtherStitch({ id, defaults, bind }: Structure): Partial<SectionChoice> {
  return {
    times: Math.max(bind(defaults).minimumUnits, FEW_UNITS),
    other: { id, params: { ...defaults }, matched: true, seam: USUAL_SEAM },
  };
}

/** A section in the stitch of the piece itself, made apart: it has the same breadth. */
const like = ({ id, params }: PartOfPiece['structure']): Partial<SectionChoice> => ({
  times: FEW_UNITS,
  other: { id, params, matched: true, seam: USUAL_SEAM },
});

/** Stitches that a section can be in. */
const JOINABLE = STRUCTURES.filter((stitch) => unfit(stitch, stitch.bind(stitch.defaults)) === null);
const SAME = 'same';

interface OneProps {
  readonly number: number;
  /** The section that it is joined to. */
  readonly nearer: number;
  readonly isNew: boolean;
  readonly one: Extract<Listed, { own: false }>;
  /** Of a section in the same stitch; null where there can be none. */
  readonly field: SequenceField | null;
  readonly piece: PartOfPiece;
  readonly findings: readonly FindingMaterial[];
  readonly onChange: (change: Partial<SectionChoice>) => void;
}

/** One section: its unit, and how often that is worked; in another stitch, how it is joined. */
function OneSection({ number, nearer, isNew, one, field, piece, findings, onChange }: OneProps) {
  const { other, sequence, times } = one;
  const stitch = other && structureById(other.id);
  return (
    <details className={styles.own} open={isNew}>
      <summary>
        <strong>Section {number}</strong>: {times} ×{' '}
        {stitch ? stitch.name.toLowerCase() : sequence.join(' ') || 'no beads yet'}
      </summary>
      <Pick
        label={`Stitch of section ${number}`}
        value={other?.id ?? SAME}
        options={[
          ...(field ? [{ value: SAME, label: 'the same, worked on' }] : []),
          ...JOINABLE.map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onChange={(id) => {
          const next = structureById(id);
          onChange(next ? inOtherStitch(next) : { other: undefined });
        }}
      />
      {other && stitch ? (
        <StructureFields
          piece={{ ...piece, structure: other }}
          onChange={({ structure }) =>
            structure && onChange({ other: { ...other, params: structure.params } })
          }
        />
      ) : (
        field && (
          <Sequence
            field={{ ...field, label: 'One unit of it', help: '' }}
            piece={piece}
            value={sequence}
            onChange={(next) => onChange({ sequence: next })}
          />
        )
      )}
      <CountInput
        label={`Times in section ${number}`}
        value={times}
        least={1}
        most={MOST_TIMES}
        onChange={(next) => onChange({ times: next })}
      />
      {other && (
        <SeamFields
          number={nearer}
          other={other}
          findings={findings}
          onChange={(next) => onChange({ other: next })}
        />
      )}
    </details>
  );
}

/** How often the part's own unit is worked: `28 times, on either side`. */
const timesWords = ({ chosen, weaveable }: Plan): string =>
  `${chosen.units} times${(weaveable.sections?.copies ?? 1) > 1 ? ', on either side' : ''}`;
