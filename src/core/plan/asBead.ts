import type { Shading } from '../colour/shades';
import type { Inner } from '../layout/bent';
import type { Pose } from '../layout/layout';
import type { BeadMaterial, BeadSize } from '../materials/material';
import type { StrungBy } from '../structures/structure';
import { given } from '../tools/given';
import { WOVEN, type PartId } from '../weave/path';
import type { Work } from './work';

/** A part made apart, as it is seen by what strings it. */
export interface AsBead {
  readonly id: PartId;
  readonly name: string;
  /** What it is as a bead: how long it is along the thread that strings it, how wide, how wide its hole. */
  readonly bead: BeadMaterial;
  /** What one takes of the length, mm. */
  readonly alongMm: number;
  /** Between these lies what one takes of the thread's length, mm: the same where it was measured, or laid out. */
  readonly betweenMm: readonly [number, number];
  /** By what it is held. */
  readonly by: StrungBy;
  /** Its hole, or its loop, is wider than a bead beside it, which goes into it: null where none does. */
  readonly slips: 'hole' | 'loop' | null;
  /** Strands of its own that lie in each hole by which it is strung; none where it is not strung by beads of its own. */
  readonly lies: readonly number[];
  /** Roles of its beads that are too full for the thread that goes through it on its way. */
  readonly full: readonly string[];
  /** Its beads as they lie when it is closed, from its middle; x along the thread that strings it. */
  readonly inner: () => readonly Inner[];
}

/** What lies beside a part on the thread that strings it. */
export interface Neighbour {
  readonly size: BeadSize;
  /** It is one like it, or another that is not planned yet, of which the size is that of the bead in whose place it is. */
  readonly madeApart: boolean;
}

/** What lies on either side of a part on the thread. */
export type Neighbours = readonly [before: Neighbour, behind: Neighbour];

/** The bead that a part stands for, after one of its own. It is weighed by what it is made of. */
export const standIn = (
  { id, name }: Pick<AsBead, 'id' | 'name'>,
  like: BeadMaterial,
  measures: Partial<BeadMaterial>,
): BeadMaterial => ({
  ...like,
  id: `part ${id}`,
  name,
  perGram: null,
  sold: null,
  finish: 'plain',
  ...measures,
});

/** A part that is planned by itself, as far as its picture asks. */
interface Pictured {
  readonly work: () => Work;
  readonly shades: () => Shading;
}

/** What is woven of a part, each bead as it lies in the axes of the bead that the part stands for. */
export function wovenInner(part: Pictured, told: (pose: Pose) => Pose): Inner[] {
  const { path, layout } = part.work();
  const shades = part.shades();
  return path.beads.flatMap((bead): Inner[] =>
    bead.place.section === WOVEN
      ? [
          {
            role: bead.role,
            shade: shades.get(bead.id),
            pose: told(given(layout.poses[bead.id], 'place of a bead')),
          },
        ]
      : [],
  );
}

/** A role of a part made apart, as whatever strings it knows it. */
export const innerRole = (id: PartId, role: string): string => `${id}/${role}`;
