import { describe, expect, it } from 'vitest';
import { NO_SWATCHES, swatchBook, type SwatchEntry } from './swatchBook';

const entry = (change: Partial<SwatchEntry> = {}): SwatchEntry => ({
  key: 'stitch',
  threadId: 'six pound',
  rows: 20,
  lengthMm: 50,
  piece: false,
  mat: null,
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
      pieces: 0,
    });
    expect(book({ key: 'none', rowsOfUnit: 2 }, 'six pound')).toBeNull();
    expect(NO_SWATCHES({ key: 'stitch', rowsOfUnit: 1 }, 'six pound')).toBeNull();
  });

  it('those in the same thread count alone; where there is none, all of them do', () => {
    const book = swatchBook([entry(), entry({ threadId: 'nylon', lengthMm: 52 })]);
    const found = (thread: string) => book({ key: 'stitch', rowsOfUnit: 20 }, thread);
    expect(found('nylon')).toEqual({ readings: [{ units: 1, lengthMm: 52 }], sameThread: true, pieces: 0 });
    expect(found('cord')?.readings.map(({ lengthMm }) => lengthMm)).toEqual([50, 52]);
    expect(found('cord')?.sameThread).toBe(false);
  });

  it('work that was measured on the mat, and then finished, counts once', () => {
    const underway = entry({ mat: 'one', rows: 5, lengthMm: 13 });
    const finished = entry({ mat: 'one', rows: 40, lengthMm: 101, piece: true });
    const elsewhere = entry({ mat: 'two', rows: 6, lengthMm: 15 });
    const rows = (...entries: SwatchEntry[]) =>
      swatchBook(entries)({ key: 'stitch', rowsOfUnit: 1 }, 'six pound')?.readings.map(({ units }) => units);
    expect(rows(underway, elsewhere)).toEqual([5, 6]);
    expect(rows(underway, finished, elsewhere)).toEqual([40, 6]);
    // What was measured in other passes is another stitch, and stands beside it.
    expect(rows({ ...underway, key: 'without' }, finished)).toEqual([40]);
  });
});
