import * as z from 'zod';

/** Deeper than anything a weaver makes: a document of ours nests seven deep. Readers beyond this one may call themselves. */
const MOST_DEPTH = 64;

const CHARACTER = 'cannot be kept: take it out, or type the words anew.';

/** Why a text can be stored nowhere: PostgreSQL has no U+0000, and half a character is no Unicode. Null where it can. */
const whyNotText = (text: string): string | null => {
  if (text.includes('\0')) return `An invisible character (U+0000) ${CHARACTER}`;
  return text.isWellFormed() ? null : `Half of a character (a lone surrogate) ${CHARACTER}`;
};

const isWithin = (value: unknown): value is object => typeof value === 'object' && value !== null;

/**
 * Why a value can never be stored, in words; null where it can. Looks at every text and key in it, however deep; it calls itself no deeper
 * than anything may be nested.
 */
export function whyNotStorable(value: unknown, depth = 0): string | null {
  if (typeof value === 'string') return whyNotText(value);
  if (!isWithin(value)) return null;
  if (depth >= MOST_DEPTH) return 'This is nested deeper than anything Ivy Loom makes. Nothing was changed.';
  if (Array.isArray(value)) {
    // One after another: a list of millions is not told over again to look through it.
    for (const inner of value) {
      const why = whyNotStorable(inner, depth + 1);
      if (why) return why;
    }
    return null;
  }
  for (const [key, inner] of Object.entries(value)) {
    const why = whyNotText(key) ?? whyNotStorable(inner, depth + 1);
    if (why) return why;
  }
  return null;
}

/** Anything that can be stored. Its one issue says in words why something cannot. */
export const storableSchema = z.unknown().superRefine((value, context) => {
  const why = whyNotStorable(value);
  if (why) context.addIssue({ code: 'custom', message: why });
});

/** As long as one document may be as text: a piece, a pattern, a swatch, habits. */
export const MOST_DOCUMENT = 512 * 1024;

/** A document that can be stored, and that is no larger than any that anybody makes. */
export const storableDocument = storableSchema.refine(
  (value) => (JSON.stringify(value) ?? '').length <= MOST_DOCUMENT,
  'That is larger than anything Ivy Loom keeps. Nothing was changed.',
);

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

/** A text of at most so many letters (UTF-16 code units), cut between whole characters as a reader sees them. */
export function cutTo(text: string, most: number): string {
  if (text.length <= most) return text;
  // Made where it is needed: a browser takes tens of milliseconds for it, and few texts are too long.
  const characters = new Intl.Segmenter('en', { granularity: 'grapheme' });
  let end = 0;
  for (const { index, segment } of characters.segment(text)) {
    if (index + segment.length > most) break;
    end = index + segment.length;
  }
  return text.slice(0, end).trimEnd();
}
