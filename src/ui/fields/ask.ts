import { refused, type Answer } from '@/server/answer';

/**
 * Asks the server to do something. A program that does not answer is told in words like any refusal, so that what was
 * typed stays where it stands.
 */
export async function ask<I, T>(act: (input: I) => Promise<Answer<T>>, input: I): Promise<Answer<T>> {
  try {
    return await act(input);
  } catch {
    return refused(
      'Ivy Loom does not answer, so nothing was changed. See whether it still runs, and try again: what you typed stays here.',
    );
  }
}
