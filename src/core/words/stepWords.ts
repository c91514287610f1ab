import type { ThreadMake } from '../materials/material';

/** What the maker calls one row of the work. */
export type RowWord =
  'row' | 'round' | 'rung' | 'unit' | 'circle' | 'point' | 'drop' | 'flower' | 'loop' | 'daisy' | 'stitch';

/** A row as the maker counts it, from 0, and what it is of; null where that goes without saying. */
export type RowWithin = (row: number) => { readonly row: number; readonly of: string | null };

/** How a maker calls what steps tell of. */
export interface StepWords {
  /** What the maker calls a bead of this role. */
  readonly role: (role: string) => string;
  /** How one lies as it is picked up, where it has two faces that differ; nothing of others. */
  readonly lies?: (role: string) => string | undefined;
  /** What she calls a row. */
  readonly row: RowWord;
  /** A row as the maker counts it, from 0, and of what, where she begins anew on the way; as it is where nothing is said. */
  readonly rowWithin?: RowWithin | undefined;
  /** What she calls a bead of what is woven so many rows back, where there is a word for it. */
  readonly beadsBack?: Readonly<Record<number, string>>;
  /** What that is called that has two holes, where it is no bead but made apart and held at two of its points. */
  readonly motif?: string;
  /** What its thread is made of, where that is known: it says how it is carried, begun and finished. */
  readonly thread?: ThreadMake;
  /** How ways are said: on a motif up leads outwards; of a hollow ball, which is turned in the hand, none are. */
  readonly ways?: 'outwards' | 'none';
}
