'use client';

import dynamic from 'next/dynamic';
import { useEffect } from 'react';

/**
 * What a choice shows when it is opened. None is needed for the first look at a piece: they come right after it, so
 * that they are there when somebody opens one, even if the program has stopped answering by then.
 */
const worn = () => import('./WornChoice').then((m) => m.WornChoice);
const structure = () => import('./StructureChoice').then((m) => m.StructureChoice);
const beads = () => import('./BeadsChoice').then((m) => m.BeadsChoice);
const ends = () => import('./EndsChoice').then((m) => m.EndsChoice);
const gauge = () => import('./gauge/GaugeChoice').then((m) => m.GaugeChoice);
const thread = () => import('./thread/ThreadChoice').then((m) => m.ThreadChoice);

export const WornChoice = dynamic(worn);
export const StructureChoice = dynamic(structure);
export const BeadsChoice = dynamic(beads);
export const EndsChoice = dynamic(ends);
export const GaugeChoice = dynamic(gauge);
export const ThreadChoice = dynamic(thread);

/** How long after the first paint, ms. */
const AFTER_MS = 400;

/** Fetches them once the page is at rest. */
export function useBodiesAtHand(): void {
  useEffect(() => {
    const timer = setTimeout(() => {
      for (const fetched of [worn, structure, beads, ends, gauge, thread])
        void fetched().catch(() => undefined); // It is asked for again when it is opened.
    }, AFTER_MS);
    return () => clearTimeout(timer);
  }, []);
}
