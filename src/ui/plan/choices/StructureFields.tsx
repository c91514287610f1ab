'use client';

import { Button } from 'antd';
import { beadsFor } from '@/core/piece/newPiece';
import { beadOf } from '@/core/piece/part';
import { boundStitch, structureById } from '@/core/structures/registry';
import { offeredRoles } from '@/core/structures/offeredRoles';
import { rolesOf } from '@/core/structures/structure';
import { fieldsThatCount, optionsOf, type CountField, type Field } from '@/core/structures/field';
import { ROLE_LETTERS, type RoleLetter } from '@/core/structures/roles';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import { Choice } from '../../fields/Choice';
import { CountInput } from '../../fields/CountInput';
import { LengthInput } from '../../fields/LengthInput';
import { Toggle } from '../../fields/Toggle';
import { fittedTo, motifSchema } from '@/core/structures/motif';
import { MotifEditor } from './MotifEditor';
import { PathField } from './PathField';
import { WithTerms } from '../../glossary/WithTerms';
import { BeadIcon } from '../../piece/BeadShape';
import { roleName } from '../roleName';
import styles from './choices.module.css';

/** The parameters of a piece's stitch, as the stitch itself lists them. */
export function StructureFields({
  piece,
  onChange,
}: {
  readonly piece: PartOfPiece;
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}) {
  const { id, params } = piece.structure;
  const structure = structureById(id);
  if (!structure) return null;
  const fields = fieldsThatCount(structure, params);
  return fields.map((field) => (
    <StructureField
      key={field.key}
      field={field}
      piece={piece}
      value={params[field.key] ?? structure.defaults[field.key]}
      onChange={(value) => onChange(withParam(piece, fields, field.key, value))}
      onPiece={onChange}
    />
  ));
}

/** A parameter changed; a motif that hangs on it is fitted to it. */
function withParam(
  { beads, structure }: PartOfPiece,
  fields: readonly Field[],
  key: string,
  value: unknown,
): Partial<PartOfPiece> {
  const next: Record<string, unknown> = { ...structure.params, [key]: value };
  const field = fields.find((one) => one.kind === 'motif');
  const motif = motifSchema.safeParse(next.motif).data ?? [];
  if (field && key !== field.key && motif.length > 0) next.motif = fittedTo(motif, field.chart(next));
  const changed = { structure: { ...structure, params: next } };
  return { ...changed, ...providing({ beads, ...changed }) };
}

/** Beads for the roles that a changed stitch strings and that have none yet. */
function providing(part: Pick<PartOfPiece, 'beads' | 'structure'>): Partial<PartOfPiece> {
  const bound = boundStitch(part.structure);
  const beads = bound.ok ? beadsFor(part, rolesOf(bound.weaveable)) : part.beads;
  return beads === part.beads ? {} : { beads };
}

interface FieldProps {
  readonly field: Field;
  readonly piece: PartOfPiece;
  readonly value: unknown;
  readonly onChange: (value: unknown) => void;
  /** For what changes more than this one parameter. */
  readonly onPiece: (change: Partial<PartOfPiece>) => void;
}

function StructureField({ field, piece, value, onChange, onPiece }: FieldProps) {
  switch (field.kind) {
    case 'switch':
      return (
        <Toggle
          label={field.label}
          help={field.help && <WithTerms text={field.help} />}
          checked={value === true}
          onChange={onChange}
        />
      );
    case 'choice':
      return (
        <Choice
          label={field.label}
          help={field.help && <WithTerms text={field.help} />}
          value={typeof value === 'number' ? value : String(value)}
          options={optionsOf(field, Object.keys(piece.beads))}
          onChange={onChange}
        />
      );
    case 'count':
      return <CountOrElse field={field} value={value} onChange={onChange} />;
    case 'length':
      return (
        <LengthInput
          label={field.label}
          help={field.help}
          mm={typeof value === 'number' ? value : null}
          range={field.range}
          fine={field.fine}
          onChange={onChange}
        />
      );
    case 'path':
      return (
        <PathField
          label={field.label}
          help={field.help}
          piece={piece}
          value={value}
          sequence={sequenceOf(piece)}
          onChange={onChange}
        />
      );
    case 'motif':
      return <MotifEditor field={field} piece={piece} onChange={onPiece} />;
    case 'sequence':
      return (
        <Sequence
          field={field}
          piece={piece}
          value={Array.isArray(value) ? value.filter(isRole) : []}
          onChange={onChange}
        />
      );
  }
}

/** A number, and where it can go by itself a switch for that before it. */
function CountOrElse({
  field: { label, help, least, most, or },
  value,
  onChange,
}: Pick<FieldProps, 'value' | 'onChange'> & { readonly field: CountField }) {
  const byItself = or !== undefined && value === or.value;
  return (
    <>
      {or && (
        <Toggle
          label={or.label}
          help={or.help}
          checked={byItself}
          onChange={(on) => onChange(on ? or.value : least)}
        />
      )}
      {!byItself && (
        <CountInput
          label={label}
          help={help}
          value={typeof value === 'number' ? value : null}
          least={least}
          most={most}
          onChange={onChange}
        />
      )}
    </>
  );
}

/** The beads of one unit. */
const sequenceOf = ({ structure: { params } }: PartOfPiece): RoleLetter[] =>
  Array.isArray(params.sequence) ? params.sequence.filter(isRole) : [];

const isRole = (value: unknown): value is RoleLetter => ROLE_LETTERS.some((role) => role === value);

/** A run of beads: letters below add one at the end, a bead in the run is taken out by pressing it. */
export function Sequence({
  field,
  piece,
  value,
  onChange,
}: Pick<FieldProps, 'field' | 'piece'> & {
  readonly value: readonly RoleLetter[];
  readonly onChange: (value: RoleLetter[]) => void;
}) {
  const bead = (role: string) => beadOf({ beads: beadsFor(piece, [role]) }, role);
  const { most, roles = ROLE_LETTERS } = field.kind === 'sequence' ? field : { most: 0 };
  const offered = offeredRoles(Object.keys(piece.beads)).filter((role) => roles.includes(role));
  return (
    <fieldset className={styles.role}>
      <legend>{field.label}</legend>
      <div className={styles.strand}>
        {value.length === 0 && <span className="soft">No beads yet: add one below.</span>}
        {value.map((role, i) => (
          <button
            key={i}
            type="button"
            className={styles.bead}
            aria-label={`${role}, ${i + 1} of ${value.length}: take it out`}
            title="Take it out"
            onClick={() => onChange(value.filter((_, k) => k !== i))}
          >
            <BeadIcon bead={bead(role)} size={20} />
            {role}
          </button>
        ))}
      </div>
      <div className={styles.buttons}>
        {offered.map((role) => (
          <Button
            key={role}
            disabled={value.length >= most}
            aria-label={`Add ${role}, ${roleName(bead(role))}`}
            icon={<BeadIcon bead={bead(role)} size={18} />}
            onClick={() => onChange([...value, role])}
          >
            {role}
          </Button>
        ))}
      </div>
      <p className="soft">{field.help} Press a bead in the row to take it out.</p>
    </fieldset>
  );
}
