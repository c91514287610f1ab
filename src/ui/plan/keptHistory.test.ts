import { describe, expect, it } from 'vitest';
import { newPiece } from '@/core/piece/newPiece';
import { keepHistory, keptHistory } from './keptHistory';
import { historyWords, pieceHistory } from './pieceHistory';
import { withPart } from '@/core/piece/partOfPiece';

const INCHES = { unit: 'in', denominator: 16 } as const;
const piece = newPiece('Slack water', 'ladder', null);

/** A window's storage that holds so many letters. */
function storage(room = Infinity): Storage {
  const held = new Map<string, string>();
  return {
    get length() {
      return held.size;
    },
    clear: () => held.clear(),
    key: (at) => [...held.keys()][at] ?? null,
    getItem: (key) => held.get(key) ?? null,
    removeItem: (key) => void held.delete(key),
    setItem: (key, text) => {
      if (text.length > room) throw new DOMException('full', 'QuotaExceededError');
      held.set(key, text);
    },
  };
}

/** Count 20, then the left hand, and that taken back. */
function worked() {
  const history = pieceHistory(piece);
  history.go(withPart(piece, { units: 20 }));
  history.go(withPart(piece, { units: 20, hand: 'left' }));
  history.undo();
  return history;
}

describe('the way back outlives the page', () => {
  it('is there again with its words, both ways', () => {
    const window = storage();
    keepHistory('7', worked(), window);
    const again = pieceHistory(
      withPart(piece, { units: 20 }),
      keptHistory('7', withPart(piece, { units: 20 }), window),
    );
    expect(historyWords(again, INCHES)).toEqual({
      undo: 'count: what fits best → 20',
      redo: 'needle in the: right hand → left hand',
    });
    expect(again.redo()).toEqual(withPart(piece, { units: 20, hand: 'left' }));
    again.undo();
    expect(again.undo()).toEqual(piece);
  });

  it('is not taken up by another piece, nor by a state that somebody else made', () => {
    const window = storage();
    keepHistory('7', worked(), window);
    expect(keptHistory('8', withPart(piece, { units: 20 }), window)).toBeNull();
    expect(keptHistory('7', withPart(piece, { units: 21 }), window)).toBeNull();
  });

  it('what cannot be read is no way back', () => {
    const window = storage();
    for (const text of ['', '{', '{"piece":{}}', '[]']) {
      window.setItem('ivyloom-history/7', text);
      expect(keptHistory('7', piece, window)).toBeNull();
    }
  });

  it('without room nothing is kept, and nothing old stays', () => {
    const window = storage(20_000);
    const history = worked();
    keepHistory('7', history, window);
    expect(window.length).toBe(1);
    for (let units = 30; units < 60; units++) {
      history.go(withPart(history.store.getState().piece, { hand: 'right', units }));
      history.go({ ...history.store.getState().piece, hand: 'left' });
    }
    keepHistory('7', history, window);
    expect(window.length).toBe(0);
  });
});
