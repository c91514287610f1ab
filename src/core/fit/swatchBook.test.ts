import { describe, expect, it } from 'vitest';
import { NO_SWATCHES, swatchBook, type SwatchEntry } from './swatchBook';

const entry = (change: Partial<SwatchEntry> = {}): SwatchEntry => ({
  key: 'stitch',
  threadId: 'six pound',
  rows: 20,
  lengthMm: 50,
  ...change,
});

describe('a book of swatches', () => {
  it('finds those of a stitch in these beads, told in its own units', () => {
    const book = swatchBook([entry(), entry({ rows: 30, lengthMm: 76 }), entry({ key: 'another' })]);
    expect(book({ key: 'stitch', rowsOfUnit: 2 }, 'six pound')).toEqual({
      readings: [
        { units: 10, lengthMm: 50 },
        { units: 15, lengthMm: 76 },
      ],
      sameThread: true,
    });
    expect(book({ key: 'none', rowsOfUnit: 2 }, 'six pound')).toBeNull();
    expect(NO_SWATCHES({ key: 'stitch', rowsOfUnit: 1 }, 'six pound')).toBeNull();
  });

  it('those in the same thread count alone; where there is none, all of them do', () => {
    const book = swatchBook([entry(), entry({ threadId: 'nylon', lengthMm: 52 })]);
    const found = (thread: string) => book({ key: 'stitch', rowsOfUnit: 20 }, thread);
    expect(found('nylon')).toEqual({ readings: [{ units: 1, lengthMm: 52 }], sameThread: true });
    expect(found('cord')?.readings.map(({ lengthMm }) => lengthMm)).toEqual([50, 52]);
    expect(found('cord')?.sameThread).toBe(false);
  });
});
