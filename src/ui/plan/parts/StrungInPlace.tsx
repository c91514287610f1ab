'use client';

import { ballRoles, strungAs, strungAt } from '@/core/piece/assembly';
import { carrying, type PartOfPiece } from '@/core/piece/partOfPiece';
import { Choice } from '../../fields/Choice';
import type { Rooms } from './useOpenPart';

/** In the place of which bead a part is strung, of the part that carries the others. */
export function StrungInPlace({ part, rooms }: { readonly part: PartOfPiece; readonly rooms: Rooms }) {
  const carrier = carrying(rooms.piece);
  const at = strungAt(rooms.piece, part.id).find((one) => one.part === carrier.id);
  return (
    <Choice
      label="Strung in the place of bead"
      value={at?.role ?? ''}
      options={ballRoles(carrier).map((role) => ({ value: role, label: role }))}
      onChange={(role) =>
        role !== '' && rooms.onTake(strungAs(rooms.piece, part.id, { part: carrier.id, role }))
      }
    />
  );
}
