'use client';

import { useEffect, useState } from 'react';
import * as z from 'zod';

/** What a browser takes for a millimetre until it has been measured: 96 px to the inch (CSS Values 4). */
export const USUAL_PX_PER_MM = 96 / 25.4;

/** How this weaver likes to look at a piece on this screen. It belongs to the screen, not to the piece. */
const viewSchema = z.object({
  teaching: z.boolean().catch(false),
  marks: z.boolean().catch(false),
  pxPerMm: z.number().min(1).max(20).catch(USUAL_PX_PER_MM),
});
export type View = z.infer<typeof viewSchema>;

const KEY = 'ivyloom-view';
const USUAL: View = { teaching: false, marks: false, pxPerMm: USUAL_PX_PER_MM };

/** What this browser keeps; the usual where it keeps nothing that can be read. */
function kept(): View {
  try {
    return viewSchema.catch(USUAL).parse(JSON.parse(localStorage.getItem(KEY) ?? '{}'));
  } catch {
    return USUAL;
  }
}

/** The view, and what changes a part of it. */
export function useView(): readonly [View, (change: Partial<View>) => void] {
  const [view, setView] = useState(USUAL);
  useEffect(() => {
    // The server does not know this screen: what is kept here comes after the first paint.
    const timer = setTimeout(() => setView(kept()));
    return () => clearTimeout(timer);
  }, []);
  const change = (part: Partial<View>) => {
    const next = { ...view, ...part };
    setView(next);
    try {
      localStorage.setItem(KEY, JSON.stringify(next));
    } catch {
      // A browser that keeps nothing still shows it, for as long as the page is open.
    }
  };
  return [view, change];
}
