import * as z from 'zod';

const wordsSchema = z.object({ message: z.string() });

/** The words of an answer that says no; null where it has none. */
export const refusalIn = (answer: unknown): string | null =>
  wordsSchema.safeParse(answer).data?.message ?? null;
