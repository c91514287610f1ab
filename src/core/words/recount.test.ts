import { describe, expect, it } from 'vitest';
import { questionWords, verdictWords } from './recount';

describe('the recount in words', () => {
  it('asks without saying what it should be', () => {
    expect(questionWords({ ask: 'rows' }, 'round')).toBe(
      'How many rounds are there, from the first to where you are?',
    );
    expect(questionWords({ ask: 'rows to', beads: ['A', 'B', 'B'], nth: 3 }, 'row')).toBe(
      'Find the third row of 1 A and 2 B. Which row is it, counted from the first?',
    );
    expect(questionWords({ ask: 'beads', bead: 'B', from: 4, to: 9 }, 'row')).toBe(
      'How many B are in rows 4 to 9?',
    );
    expect(questionWords({ ask: 'beads', bead: 'B', from: 4, to: 4 }, 'row')).toBe(
      'How many B are in row 4?',
    );
  });

  it('says where it most likely is, and what can be done', () => {
    const found = { kind: 'row left out', rows: [8, 8], units: [2, 2], chance: 0.93, alike: false } as const;
    expect(verdictWords(found, 'row')).toMatchObject({
      title: 'A row was left out, most likely in row 9.',
      text: expect.stringContaining('That is unit 3; 93 in 100') as string,
    });
    expect(verdictWords({ ...found, rows: [0, 20], units: [0, 5], alike: true }, 'row').text).toMatch(
      /makes no difference which/,
    );
    const right = { kind: 'none', rows: null, units: null, chance: 0.99, alike: false } as const;
    expect(verdictWords(right, 'row').title).toBe('All is as it should be.');
  });
});
