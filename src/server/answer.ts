import type * as z from 'zod';

/** Every action answers with a value or with words that say what to do; none throws at the weaver. */
export type Answer<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly message: string };

export const done = <T>(value: T): Answer<T> => ({ ok: true, value });
export const refused = (message: string): Answer<never> => ({ ok: false, message });

export const firstMessage = (error: z.ZodError): string =>
  error.issues[0]?.message ?? 'That could not be read.';
