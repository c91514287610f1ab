import { differenceMm, formatLength, type LengthStyle } from '../length/length';

/** How far a finished length lies from its target, as both are shown: "1/8 in short", "0.3 cm long". */
export function offTarget(
  { finishedMm, offMm }: { readonly finishedMm: number; readonly offMm: number },
  style: LengthStyle,
): string {
  const off = differenceMm(finishedMm, finishedMm - offMm, style);
  if (Math.abs(off) < 1e-6) return 'on target';
  return `${formatLength(Math.abs(off), style)} ${off < 0 ? 'short' : 'long'}`;
}

/** So many of a thing, in words: "1 piece", "6 pieces". */
export const counted = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

/** A vowel, but not the "u" of unit; eight and eighty, eleven, eighteen. */
const SPOKEN_WITH_A_VOWEL = /^([aeio]|8|1[18](?!\d)|u(?!ni[^m]))/i;

/** A thing with its article, by how it is spoken: "an 8 mm ball", "an 11/0", "a 6 mm ball". */
export const withArticle = (thing: string): string =>
  `${SPOKEN_WITH_A_VOWEL.test(thing) ? 'an' : 'a'} ${thing}`;

/** The same at the head of a sentence. */
export const withCapital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** A part of a whole: "35 %". */
export const percent = (part: number): string => `${Math.round(100 * part)} %`;

/** Time in hours and minutes: `2 h 10 min`. */
export function timeWords(ms: number): string {
  const minutes = Math.max(1, Math.round(ms / 60_000));
  const [h, min] = [Math.floor(minutes / 60), minutes % 60];
  return [h > 0 && `${h} h`, (min > 0 || h === 0) && `${min} min`].filter(Boolean).join(' ');
}
