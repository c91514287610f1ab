import { describe, expect, it } from 'vitest';
import { match } from './goTo';

describe('what the first letters of a name lead to', () => {
  it.each([
    ['Clasp', 'cl', 0],
    ['Target length, finished', 'LENGTH', 1],
    ['Target length, finished', 'target l', 0],
    ['Clasp and ends', 'nds', null],
    ['Across, mm', 'mm', 1],
    ['', 'a', null],
  ] as const)('%s: “%s”', (name, letters, how) => expect(match(name, letters)).toBe(how));
});
