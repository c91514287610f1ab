'use client';

import { useMemo, useState } from 'react';
import type { Colouring } from '@/core/colour/shades';
import { LOOP_ROLE } from '@/core/closures/sewnLoop';
import { CORE_ROLE } from '@/core/joints/setIn';
import { FINISHES, FINISH_FACTOR, type BeadKind, type BeadMaterial } from '@/core/materials/material';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { misfit } from '@/core/structures/parts';
import type { Part } from '@/core/structures/structure';
import type { RoleLetter } from '@/core/structures/roles';
import { Choice } from '../../fields/Choice';
import { Pick } from '../../fields/Pick';
import { BeadIcon } from '../../piece/BeadShape';
import { ColourChoice } from './ColourChoice';
import { ColourPattern } from './ColourPattern';
import { useSubstitutions } from './useSubstitutions';
import styles from './choices.module.css';
import { beadOf } from '@/core/piece/part';

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan | null;
  /** What each role's bead is to do. */
  readonly parts: readonly Part[];
  /** Roles that the piece strings beads of. */
  readonly roles: readonly string[];
  readonly kinds: readonly BeadKind[];
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

/** The bead of each role that the structure uses, and of the loops that hold the clasp. */
export function BeadsChoice({ piece, plan, parts, roles, kinds, onChange }: Props) {
  // What is closed without a clasp has no loops.
  return [...roles, ...(piece.count.by === 'fit' ? [LOOP_ROLE] : [])].map((role) => {
    const bead = beadOf(piece, role);
    const set = (change: Partial<BeadMaterial>) =>
      onChange({ beads: { ...piece.beads, [role]: { ...bead, ...change } } });
    const own = parts.filter((part) => part.role === role);
    return (
      <RoleBead
        key={role}
        piece={piece}
        plan={plan}
        role={role}
        parts={own}
        bead={bead}
        kinds={kinds}
        onChange={set}
        colouring={piece.colourings[role as RoleLetter] ?? null}
        onColouring={
          role === LOOP_ROLE || role === CORE_ROLE
            ? null
            : (colouring) => onChange(coloured(piece, role as RoleLetter, colouring))
        }
      />
    );
  });
}

/** The piece with the colours of a role shared out so; null takes them all but its own away. */
function coloured(
  { colourings }: PartOfPiece,
  role: RoleLetter,
  colouring: Colouring | null,
): Partial<PartOfPiece> {
  const { [role]: _, ...others } = colourings;
  return { colourings: colouring ? { ...others, [role]: colouring } : others };
}

/** Whether a bead can be woven in all its parts; a clasp loop is of beads with one hole. */
const suits = (kind: BeadKind, parts: readonly Part[]) =>
  parts.length === 0 ? kind.holes === 1 : parts.every((part) => misfit(part, kind) !== 'holes');

interface RoleProps {
  readonly piece: PartOfPiece;
  readonly plan: Plan | null;
  readonly role: string;
  readonly parts: readonly Part[];
  readonly bead: BeadMaterial;
  readonly kinds: readonly BeadKind[];
  readonly onChange: (change: Partial<BeadMaterial>) => void;
  readonly colouring: Colouring | null;
  /** Null where all its beads are of one colour. */
  readonly onColouring: ((colouring: Colouring | null) => void) | null;
}

function RoleBead({ piece, plan, role, parts, bead, kinds, onChange, colouring, onColouring }: RoleProps) {
  const [open, setOpen] = useState(false);
  const suited = useMemo(() => kinds.filter((kind) => suits(kind, parts)), [kinds, parts]);
  const says = useSubstitutions(open, { piece, plan, role, kinds: suited });
  const does = [...new Set(parts.map(({ part }) => part))].join(', ');
  const name =
    role === LOOP_ROLE ? 'Clasp loops' : role === CORE_ROLE ? 'What it goes round' : `Bead ${role}`;
  const percent = Math.round((FINISH_FACTOR[bead.finish] - 1) * 1000) / 10;
  return (
    <fieldset className={styles.role}>
      <legend>
        <BeadIcon bead={bead} size={26} /> {name}
        {does && <span className={styles.does}> · {does}</span>}
      </legend>
      <Pick
        label={`${name}: size and shape`}
        quiet
        value={bead.id}
        options={suited.map((kind) => ({ value: kind.id, label: kind.name }))}
        says={says}
        onOpen={setOpen}
        onChange={(id) => {
          const kind = kinds.find((k) => k.id === id);
          if (kind) onChange(kind);
        }}
      />
      <ColourChoice
        label={`${name}, colour`}
        name={`colour-${role}`}
        chosen={bead.colourName}
        onChange={({ name: colourName, hex }) => onChange({ colourName, colour: hex })}
      />
      {onColouring && (
        <ColourPattern
          role={role}
          own={{ name: bead.colourName, hex: bead.colour }}
          colouring={colouring}
          onChange={onColouring}
        />
      )}
      <Choice
        label="Finish"
        value={bead.finish}
        options={FINISHES.map((finish) => ({ value: finish, label: finish }))}
        onChange={(finish) => onChange({ finish })}
        help={
          percent === 0
            ? undefined
            : `Taken as ${Math.abs(percent)} % ${percent > 0 ? 'larger' : 'smaller'} than plain.`
        }
      />
    </fieldset>
  );
}
