import * as z from 'zod';

/** Deeper than anything a weaver makes: a document of ours nests seven deep. Readers beyond this one may call themselves. */
const MOST_DEPTH = 64;

const CHARACTER = 'cannot be kept: take it out, or type the words anew.';

/** Why a text can be stored nowhere: PostgreSQL has no U+0000, and half a character is no Unicode. Null where it can. */
const whyNotText = (text: string): string | null => {
  if (text.includes('\0')) return `An invisible character (U+0000) ${CHARACTER}`;
  return text.isWellFormed() ? null : `Half of a character (a lone surrogate) ${CHARACTER}`;
};

/**
 * Why a value can never be stored, in words; null where it can. Looks at every text and key in it, however deep, without
 * calling itself.
 */
export function whyNotStorable(value: unknown): string | null {
  const waiting: { readonly value: unknown; readonly depth: number }[] = [{ value, depth: 0 }];
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const { value, depth } = next;
    if (typeof value === 'string') {
      const why = whyNotText(value);
      if (why) return why;
    } else if (typeof value === 'object' && value !== null) {
      if (depth >= MOST_DEPTH)
        return 'This is nested deeper than anything Ivy Loom makes. Nothing was changed.';
      for (const [key, inner] of Object.entries(value)) {
        const why = whyNotText(key);
        if (why) return why;
        waiting.push({ value: inner, depth: depth + 1 });
      }
    }
  }
  return null;
}

/** Anything that can be stored. Its one issue says in words why something cannot. */
export const storableSchema = z.unknown().superRefine((value, context) => {
  const why = whyNotStorable(value);
  if (why) context.addIssue({ code: 'custom', message: why });
});

/** The same without characters that can never be stored; what cannot be mended, a value nested too deep, is left out. */
export function mendedForStoring(value: unknown, depth = 0): unknown {
  if (typeof value === 'string') return value.replaceAll('\0', '').toWellFormed();
  if (typeof value !== 'object' || value === null) return value;
  if (depth >= MOST_DEPTH) return null;
  if (Array.isArray(value)) return value.map((inner) => mendedForStoring(inner, depth + 1));
  return Object.fromEntries(
    Object.entries(value).map(([key, inner]) => [
      String(mendedForStoring(key)),
      mendedForStoring(inner, depth + 1),
    ]),
  );
}

const characters = new Intl.Segmenter('en', { granularity: 'grapheme' });

/** A text of at most so many letters (UTF-16 code units), cut between whole characters as a reader sees them. */
export function cutTo(text: string, most: number): string {
  if (text.length <= most) return text;
  let end = 0;
  for (const { index, segment } of characters.segment(text)) {
    if (index + segment.length > most) break;
    end = index + segment.length;
  }
  return text.slice(0, end).trimEnd();
}
