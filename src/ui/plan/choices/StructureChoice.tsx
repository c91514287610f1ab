'use client';

import { Button } from 'antd';
import type { OptionalPass, Plan } from '@/core/plan';
import { structureById, STRUCTURES } from '@/core/structures/registry';
import { ROLE_LETTERS, type Field } from '@/core/structures/structure';
import type { Piece } from '@/core/piece';
import { Choice } from '../../fields/Choice';
import { Toggle } from '../../fields/Toggle';
import { BeadIcon } from '../../piece/BeadShape';
import { roleName } from '../roleName';
import styles from './choices.module.css';

interface Props {
  readonly piece: Piece;
  readonly plan: Plan | null;
  readonly onChange: (change: Partial<Piece>) => void;
}

/** Which stitch, and what repeats. The fields come from the structure itself. */
export function StructureChoice({ piece, plan, onChange }: Props) {
  const structure = structureById(piece.structure.id);
  const setParam = (key: string, value: unknown) =>
    onChange({ structure: { ...piece.structure, params: { ...piece.structure.params, [key]: value } } });
  return (
    <>
      <Choice
        label="Stitch"
        value={piece.structure.id}
        options={STRUCTURES.map((s) => ({ value: s.id, label: s.name }))}
        onChange={(id) =>
          onChange({ structure: { id, params: keepSequence(id, piece.structure.params) }, units: null })
        }
        help={structure && `${structure.about} Feel: ${structure.feel}.`}
      />
      {structure?.fields.map((field) => (
        <StructureField
          key={field.key}
          field={field}
          piece={piece}
          value={piece.structure.params[field.key]}
          onChange={(value) => setParam(field.key, value)}
        />
      ))}
      {plan?.optionalPasses.map((pass) => (
        <PassToggle key={pass.name} pass={pass} piece={piece} onChange={onChange} />
      ))}
      <Choice
        label="Needle in the"
        value={piece.hand}
        options={[
          { value: 'right', label: 'right hand' },
          { value: 'left', label: 'left hand' },
        ]}
        onChange={(hand) => onChange({ hand })}
        help="For the left hand, steps and picture are mirrored."
      />
      {structure && (
        <ul className={styles.watch}>
          {structure.watch.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
    </>
  );
}

/** A later pass that can be left out; everything follows. */
function PassToggle({
  pass: { name, info },
  piece: { without },
  onChange,
}: Pick<Props, 'piece' | 'onChange'> & { readonly pass: OptionalPass }) {
  return (
    <Toggle
      label={`With ${name}`}
      help={`A later pass, ${info.tension} tension. ${info.why ?? ''}`}
      checked={!without.includes(name)}
      onChange={(on) =>
        onChange({ without: on ? without.filter((other) => other !== name) : [...without, name] })
      }
    />
  );
}

/** Another stitch starts from its own usual values, but keeps the sequence already laid out, if it can. */
function keepSequence(id: string, before: Piece['structure']['params']): Piece['structure']['params'] {
  const structure = structureById(id);
  if (!structure) return {};
  const params = { ...structure.defaults, sequence: before.sequence };
  return structure.check(params).length === 0 ? params : { ...structure.defaults };
}

interface FieldProps {
  readonly field: Field;
  readonly piece: Piece;
  readonly value: unknown;
  readonly onChange: (value: unknown) => void;
}

function StructureField({ field, piece, value, onChange }: FieldProps) {
  switch (field.kind) {
    case 'switch':
      return <Toggle label={field.label} help={field.help} checked={value === true} onChange={onChange} />;
    case 'choice':
      return (
        <Choice
          label={field.label}
          help={field.help}
          value={Number(value)}
          options={field.options}
          onChange={onChange}
        />
      );
    case 'sequence':
      return (
        <Sequence
          field={field}
          piece={piece}
          value={Array.isArray(value) ? value.map(String) : []}
          onChange={onChange}
        />
      );
  }
}

/** A run of beads: letters below add one at the end, a bead in the run is taken out by pressing it. */
function Sequence({ field, piece, value, onChange }: Omit<FieldProps, 'value'> & { value: string[] }) {
  const bead = (role: string) => piece.beads[role as keyof Piece['beads']];
  const most = field.kind === 'sequence' ? field.most : 0;
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
        {ROLE_LETTERS.map((role) => (
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
