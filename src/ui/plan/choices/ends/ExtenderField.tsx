'use client';

import { Button } from 'antd';
import { byId, FINDINGS } from '@/core/materials/catalogue';
import type { FindingMaterial } from '@/core/materials/material';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import { hasRoom, withDangle } from '@/core/piece/assembly';
import { partName } from '@/core/piece/part';
import { heldBy } from '@/core/structures/registry';
import type { Plan } from '@/core/plan/plan';
import type { PartId } from '@/core/weave/path';
import { Choice } from '../../../fields/Choice';
import { Pick } from '../../../fields/Pick';
import { useLengths } from '../../../shell/lengths';
import type { Rooms } from '../../parts/useOpenPart';
import styles from '../choices.module.css';

interface Props {
  readonly rooms: Rooms;
  readonly ends: PartOfPiece['ends'];
  readonly plan: Plan | null;
  readonly findings: readonly FindingMaterial[];
  readonly onChange: (change: Partial<PartOfPiece['ends']>) => void;
}

/** Usual extenders are 25 to 50 mm in all (memory): so many links of the usual length. */
const LINKS = [0, 3, 6, 9, 12] as const;

/** Links to let the piece out by, and the range of fits that they give. */
export function ExtenderField({ rooms, ends, plan, findings, onChange }: Props) {
  const { show } = useLengths();
  const { extender } = ends;
  const link = findings.find(({ kind }) => kind === 'extender link') ?? byId(FINDINGS, 'extender-link');
  const rings = findings.filter(({ kind }) => kind === 'jump ring');
  const linkMm = extender?.linkMm ?? link.lengthMm;
  return (
    <>
      <Choice
        label="Extender, links"
        value={extender?.links ?? 0}
        options={[...new Set([...LINKS, extender?.links ?? 0])].map((n) => ({
          value: n,
          label: n === 0 ? 'none' : `${n}`,
        }))}
        onChange={(links) =>
          onChange({ extender: links === 0 ? null : { linkMm, links, rings: extender?.rings ?? null } })
        }
        help={
          plan && extender
            ? `Closes from ${show(plan.chosen.finishedMm)} to ${show(plan.closure.longestMm)}, in steps of ${show(linkMm)}.`
            : `Lets it out in steps of ${show(linkMm)}.`
        }
      />
      {extender && (
        <Pick
          label="Its links"
          value={extender.rings?.id ?? ''}
          options={[
            { value: '', label: `a chain, ${show(link.lengthMm)} a link` },
            ...rings.map(({ id, name, lengthMm }) => ({
              value: id,
              label: `${name}, ${show(lengthMm)} each, one in the other`,
            })),
          ]}
          onChange={(id) => {
            const of = rings.find((ring) => ring.id === id) ?? null;
            onChange({ extender: { ...extender, rings: of, linkMm: (of ?? link).lengthMm } });
          }}
        />
      )}
      {extender && <Dangle rooms={rooms} dangle={ends.dangle} onChange={onChange} />}
    </>
  );
}

/** What hangs in its last link: a drop that the piece has, or one to be made. */
function Dangle({
  rooms: { piece, onTake, onOpen },
  dangle,
  onChange,
}: Pick<Props, 'rooms' | 'onChange'> & { readonly dangle: PartId | null }) {
  const drops = piece.parts.filter(
    ({ count, structure }) => count.by === 'fixed' && heldBy(structure.id) === 'its loop',
  );
  return (
    <>
      {drops.length > 0 && (
        <Pick
          label="Hangs in its last link"
          value={dangle ?? ''}
          options={[
            { value: '', label: 'nothing' },
            ...drops.map((part) => ({ value: part.id, label: partName(part) })),
          ]}
          onChange={(id) => onChange({ dangle: id === '' ? null : id })}
        />
      )}
      <div className={styles.buttons}>
        {dangle !== null && <Button onClick={() => onOpen(dangle)}>Open what hangs there</Button>}
        {dangle === null && hasRoom(piece) && (
          <Button
            onClick={() => {
              const made = withDangle(piece);
              onTake(made.piece);
              onOpen(made.id);
            }}
          >
            Make a drop that hangs there
          </Button>
        )}
      </div>
    </>
  );
}
