import { MM_PER_INCH } from '../length/length';
import { THREADS } from './catalogue';
import { makeOf, type ThreadMake } from './material';

/** A thread as somebody named it: by test weight, by letter, by inch or by millimetre. */
export interface NamedThread {
  readonly diameterMm: number;
  /** Null where the name does not tell. */
  readonly make: ThreadMake | null;
}

/** Thinner or thicker is no beading thread, mm. */
const RANGE = { least: 0.04, most: 2 };

/** What weights and letters stand for, read off the catalogue: the names contradict each other, the diameter does not. */
const named = (pattern: RegExp): ReadonlyMap<string, NamedThread> =>
  new Map(
    THREADS.flatMap((thread) => {
      const found = pattern.exec(thread.name)?.[1];
      return found
        ? [[found.toUpperCase(), { diameterMm: thread.diameterMm, make: makeOf(thread) }] as const]
        : [];
    }),
  );
const BY_WEIGHT = named(/(\d+) lb/i);
const BY_LETTER = named(/size ([A-Z])\b/i);

/**
 * Reads what a thread is called: `6 lb`, `size D`, `0.006 in`, `0.15 mm`. Null where it is none of these, or no
 * thickness that a beading thread has.
 */
export function readThread(text: string): NamedThread | null {
  const label = text.trim().replace(',', '.');
  const weight = /^(\d+) ?(?:lb|lbs|pounds?)\.?$/i.exec(label)?.[1];
  if (weight) return BY_WEIGHT.get(weight) ?? null;
  const letter = /^(?:size )?([a-z])$/i.exec(label)?.[1];
  if (letter) return BY_LETTER.get(letter.toUpperCase()) ?? null;
  const length = /^(\d*\.?\d+) ?(mm|in|inch|inches|")$/i.exec(label);
  if (!length) return null;
  const diameterMm = Number(length[1]) * (/^mm$/i.test(length[2] ?? '') ? 1 : MM_PER_INCH);
  return diameterMm >= RANGE.least && diameterMm <= RANGE.most ? { diameterMm, make: null } : null;
}
