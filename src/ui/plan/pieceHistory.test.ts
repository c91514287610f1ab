import { describe, expect, it } from 'vitest';
import { newPiece, usualWear } from '@/core/piece/newPiece';
import { structureById } from '@/core/structures/registry';
import { historyWords, pieceHistory } from './pieceHistory';
import { partOf, withPart, type PartOfPiece } from '@/core/piece/partOfPiece';

const INCHES = { unit: 'in', denominator: 16 } as const;
const piece = newPiece('Breakwater', 'ladder', null);

function started() {
  let ms = 0;
  const history = pieceHistory(piece, null, () => ms);
  const change = (part: Partial<PartOfPiece>, afterMs = 5000) => {
    ms += afterMs;
    history.go(withPart(history.store.getState().piece, part));
  };
  return { history, change, words: () => historyWords(history, INCHES) };
}

describe('going back and forth', () => {
  it('takes changes back one by one, by name, and does them again', () => {
    const { history, change, words } = started();
    expect(words()).toEqual({ undo: null, redo: null });
    change({ units: 20 });
    change({ hand: 'left' });
    expect(words().undo).toBe('needle in the: right hand → left hand');
    expect(history.undo().hand).toBe('right');
    expect(words()).toEqual({
      undo: 'count: what fits best → 20',
      redo: 'needle in the: right hand → left hand',
    });
    expect(history.undo()).toEqual(piece);
    expect(partOf(history.redo()).units).toBe(20);
    expect(history.redo()).toEqual(withPart(piece, { units: 20, hand: 'left' }));
    expect(words().redo).toBeNull();
  });

  it('takes letters typed one after another back as one word', () => {
    const { history, change, words } = started();
    for (const name of ['S', 'Sl', 'Sla', 'Slack']) change({ name }, 200);
    expect(words().undo).toBe('name: Breakwater → Slack');
    expect(history.undo().name).toBe('Breakwater');
  });

  it('keeps two changes apart where there was a pause, or another thing between', () => {
    const { history, change } = started();
    change({ units: 20 });
    change({ units: 21 });
    expect(partOf(history.undo()).units).toBe(20);
    change({ units: 22 }, 100);
    change({ hand: 'left' }, 100);
    change({ units: 23 }, 100);
    expect(partOf(history.undo()).units).toBe(22);
  });

  it('takes the beads of a motif back one by one, and what goes along with a change together with it', () => {
    const { history, change } = started();
    const withMotif = (motif: string[][]) => ({
      structure: { id: 'flat-peyote', params: { ...structureById('flat-peyote')?.defaults, motif } },
    });
    change(withMotif([['A', 'A', 'A']]));
    change(withMotif([['A', 'B', 'A']]), 100);
    change(withMotif([['A', 'B', 'B']]), 100);
    expect(partOf(history.undo()).structure.params.motif).toEqual([['A', 'B', 'A']]);

    const ease = (comfortable: number, loose: number) => ({
      wear: {
        ...usualWear('bracelet', 'ease'),
        easeMm: { snug: 6, comfortable, loose },
      } as typeof piece.wear,
    });
    change(ease(13, 25));
    change(ease(24, 25));
    change(ease(26, 26), 100);
    expect(history.undo().wear).toEqual(ease(13, 25).wear);
  });

  it('forgets what was undone once something else is done', () => {
    const { history, change, words } = started();
    change({ units: 20 });
    history.undo();
    change({ hand: 'left' });
    expect(words().redo).toBeNull();
  });

  it('leaves nothing to take back where a quick change went there and back', () => {
    const { change, words } = started();
    change({ hand: 'left' });
    change({ hand: 'right' }, 300);
    expect(words().undo).toBeNull();
  });
});
