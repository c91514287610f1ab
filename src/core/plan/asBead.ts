import type { Inner } from '../layout/bent';
import type { BeadMaterial } from '../materials/material';
import type { PartId } from '../weave/path';

/** A part made apart, as it is seen by what strings it. */
export interface AsBead {
  readonly id: PartId;
  readonly name: string;
  /** What it is as a bead: how long it is along the thread that strings it, how wide, how wide its hole. */
  readonly bead: BeadMaterial;
  /** Between these lies what one takes of the thread's length, mm: the same where it was measured, or laid out. */
  readonly betweenMm: readonly [number, number];
  /** Its beads as they lie when it is closed, from its middle; x along the thread that strings it. */
  readonly inner: () => readonly Inner[];
}

/** A role of a part made apart, as whatever strings it knows it. */
export const innerRole = (id: PartId, role: string): string => `${id}/${role}`;
