'use client';

import { Button } from 'antd';
import { carrying } from '@/core/piece/partOfPiece';
import {
  ballRoles,
  hasRoom,
  joinsMotifs,
  withBail,
  withFramedBall,
  withMotif,
  withStrungWhole,
  type WithPart,
} from '@/core/piece/assembly';
import { partName, type Part } from '@/core/piece/part';
import { structureById } from '@/core/structures/registry';
import { Choice } from '../../fields/Choice';
import type { Rooms } from './useOpenPart';
import styles from '../choices/choices.module.css';

/** The parts of a piece, of which one is open; of a piece of one part only the way to make another. */
export function PartRooms({ rooms: { piece, open, onOpen, onTake } }: { readonly rooms: Rooms }) {
  const carrier = carrying(piece);
  const role = ballRoles(carrier).find((one) => !carrier.strung[one]);
  const take = (made: WithPart) => {
    onTake(made.piece);
    onOpen(made.id);
  };
  return (
    <>
      {piece.parts.length > 1 && (
        <Choice
          label="Which part?"
          value={open}
          options={piece.parts.map((part) => ({ value: part.id, label: roomName(part) }))}
          onChange={onOpen}
          help="Stitch, beads and gauge below are those of this part. What is strung is made first."
        />
      )}
      {open === carrier.id && hasRoom(piece) && (
        <div className={styles.buttons}>
          {role && (
            <>
              <Button onClick={() => take(withFramedBall(piece, role))}>
                Frame a ball, and string it for bead {role}
              </Button>
              <Button onClick={() => take(withStrungWhole(piece, 'beaded-ball', role))}>
                Weave a hollow ball for bead {role}
              </Button>
              <Button onClick={() => take(withStrungWhole(piece, 'hanging-drop', role))}>
                Hang a drop for bead {role}
              </Button>
            </>
          )}
          {!joinsMotifs(piece) && (
            <Button onClick={() => take(withMotif(piece))}>Make motifs, and join them in a line</Button>
          )}
          <Button onClick={() => take(withBail(piece))}>Make a bail that runs on it</Button>
        </div>
      )}
    </>
  );
}

/** A part by its name; the one that carries the others by its stitch. */
function roomName(part: Part): string {
  if (part.count.by !== 'fit') return partName(part);
  return part.name || (structureById(part.structure.id)?.name.toLowerCase() ?? 'the piece');
}
