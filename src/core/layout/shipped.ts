import kept from './shipped.json' with { type: 'json' };
import { cellLayoutSchema, type CellLayout } from './cellLayout';
import { z } from 'zod';

/** Finds the layout that is kept under a key; undefined where there is none yet. */
export type Layouts = (key: string) => CellLayout | undefined;

const shipped: Readonly<Record<string, CellLayout>> = z.record(z.string(), cellLayoutSchema).parse(kept);

/** Layouts of the usual materials, solved beforehand (`npm run layouts`). */
export const shippedLayouts: Layouts = (key) => shipped[key];
