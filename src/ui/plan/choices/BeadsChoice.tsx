'use client';

import { LOOP_ROLE } from '@/core/closures/sewnLoop';
import { PALETTE } from '@/core/materials/catalogue';
import { FINISHES, FINISH_FACTOR, type BeadKind, type BeadMaterial } from '@/core/materials/material';
import type { Piece } from '@/core/piece';
import { Choice } from '../../fields/Choice';
import { Pick } from '../../fields/Pick';
import { BeadIcon } from '../../piece/BeadShape';
import styles from './choices.module.css';

interface Props {
  readonly piece: Piece;
  readonly roles: readonly string[];
  readonly kinds: readonly BeadKind[];
  readonly onChange: (change: Partial<Piece>) => void;
}

/** The bead of each role that the structure uses, and of the loops that hold the clasp. */
export function BeadsChoice({ piece, roles, kinds, onChange }: Props) {
  return [...roles, LOOP_ROLE].map((role) => {
    const bead = piece.beads[role as keyof Piece['beads']];
    const set = (change: Partial<BeadMaterial>) =>
      onChange({ beads: { ...piece.beads, [role]: { ...bead, ...change } } });
    return <RoleBead key={role} role={role} bead={bead} kinds={kinds} onChange={set} />;
  });
}

interface RoleProps {
  readonly role: string;
  readonly bead: BeadMaterial;
  readonly kinds: readonly BeadKind[];
  readonly onChange: (change: Partial<BeadMaterial>) => void;
}

function RoleBead({ role, bead, kinds, onChange }: RoleProps) {
  const name = role === LOOP_ROLE ? 'Clasp loops' : `Bead ${role}`;
  const percent = Math.round((FINISH_FACTOR[bead.finish] - 1) * 1000) / 10;
  return (
    <fieldset className={styles.role}>
      <legend>
        <BeadIcon bead={bead} size={26} /> {name}
      </legend>
      <Pick
        label={`${name}: size and shape`}
        quiet
        value={bead.id}
        options={kinds
          .filter((kind) => kind.holes === 1)
          .map((kind) => ({ value: kind.id, label: kind.name }))}
        onChange={(id) => {
          const kind = kinds.find((k) => k.id === id);
          if (kind) onChange(kind);
        }}
      />
      <div className={styles.swatches} role="radiogroup" aria-label={`${name}: colour`}>
        {PALETTE.map((colour) => (
          <label
            key={colour.name}
            className={styles.swatch}
            style={{ background: colour.hex }}
            title={colour.name}
          >
            <input
              type="radio"
              name={`colour-${role}`}
              aria-label={colour.name}
              checked={bead.colourName === colour.name}
              onChange={() => onChange({ colourName: colour.name, colour: colour.hex })}
            />
          </label>
        ))}
      </div>
      <p className="soft">Colour: {bead.colourName}</p>
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
