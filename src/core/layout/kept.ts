import * as z from 'zod';
import { cellLayoutSchema, type CellLayout, type LayoutRequest } from './cellLayout';
import { dressedLayoutSchema, type DressedLayout, type DressedRequest } from './dressed';

/** A layout as it is kept under its key: the repeat of a stitch, or a part made apart between its neighbours. */
export const keptLayoutSchema = z.union([cellLayoutSchema, dressedLayoutSchema]);
export type KeptLayout = CellLayout | DressedLayout;

/** What is to be solved, and the name under which its answer is kept. */
export type ToLayOut = LayoutRequest | DressedRequest;

/** Finds the layout that is kept under a key; undefined where there is none yet. */
export type Layouts = (key: string) => KeptLayout | undefined;

export const isDressed = (request: ToLayOut): request is DressedRequest => 'neighbours' in request;

/** The layout of a repeat under its key; null where there is none yet. */
export function cellLayoutAt(layouts: Layouts, key: string): CellLayout | null {
  const found = layouts(key);
  return found && 'pitchMm' in found ? found : null;
}

/** The layout of a dressed part under its key; null where there is none yet. */
export function dressedAt(layouts: Layouts, key: string): DressedLayout | null {
  const found = layouts(key);
  return found && 'alongMm' in found ? found : null;
}
