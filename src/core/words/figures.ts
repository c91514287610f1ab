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

/** A part of a whole: "35 %". */
export const percent = (part: number): string => `${Math.round(100 * part)} %`;
