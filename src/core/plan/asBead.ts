import type { Inner } from '../layout/bent';
import type { BeadMaterial } from '../materials/material';
import type { StrungBy } from '../structures/structure';
import type { PartId } from '../weave/path';

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

/** A role of a part made apart, as whatever strings it knows it. */
export const innerRole = (id: PartId, role: string): string => `${id}/${role}`;
