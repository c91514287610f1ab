import { temporal } from 'zundo';
import { createStore } from 'zustand/vanilla';
import { changeBetween, SECTIONS } from '@/core/piece/changes';
import type { LengthStyle } from '@/core/length/length';
import type { Piece } from '@/core/piece/piece';
import { MOTIF_FIELD } from '@/core/structures/motif';

/** The piece as it stands; its earlier and undone states are kept beside it. */
export interface PieceState {
  readonly piece: Piece;
}

/** More states than anybody goes back through. */
const MOST_STATES = 300;
/** Changes of the same thing that follow each other within this time are one, as letters of a word are, ms. */
const ONE_CHANGE_MS = 1200;
/** What is put, moved or taken out by a press is a change of its own each time, however quickly they follow. */
const ALWAYS_APART: ReadonlySet<string> = new Set([MOTIF_FIELD.label.toLowerCase(), SECTIONS]);
/** Only tells whether the same choice was changed: any unit will do. */
export const ANY_STYLE: LengthStyle = { unit: 'cm', denominator: 16 };

/** What went before a state, and what was taken back to come to it; the nearest last. */
export interface Trail {
  readonly past: readonly PieceState[];
  readonly future: readonly PieceState[];
}

/** A piece with undo and redo over everything; `trail` is how it came to its first state. */
export function pieceHistory(
  initial: Piece,
  trail: Trail | null = null,
  now: () => number = () => performance.now(),
) {
  const store = createStore<PieceState>()(
    temporal((): PieceState => ({ piece: initial }), { limit: MOST_STATES }),
  );
  if (trail) store.temporal.setState({ pastStates: [...trail.past], futureStates: [...trail.future] });
  let lastAt = -Infinity;
  let lastWhat = '';

  /** Goes on to another state, which can be taken back. */
  function go(piece: Piece): void {
    const before = store.getState().piece;
    // What goes along with a change, as a looser ease with a comfortable one, does not make it another.
    const what = changeBetween(before, piece, ANY_STYLE)?.what[0] ?? '';
    // What no one can see changed is no step to go back to.
    const joins =
      what === '' || (what === lastWhat && !ALWAYS_APART.has(what) && now() - lastAt < ONE_CHANGE_MS);
    if (joins) store.temporal.getState().pause();
    store.setState({ piece });
    if (joins) store.temporal.getState().resume();
    if (what === '') return;
    lastAt = now();
    lastWhat = what;
    if (joins) forgetStandstill(piece);
  }

  /** There and back again within one change: nothing is left to take back. */
  function forgetStandstill(piece: Piece): void {
    const { pastStates } = store.temporal.getState();
    const before = pastStates.at(-1)?.piece;
    if (!before || changeBetween(before, piece, ANY_STYLE)) return;
    store.temporal.setState({ pastStates: pastStates.slice(0, -1) });
    lastWhat = '';
  }

  /** Takes back, or does again; whatever follows is a step of its own. */
  function move(way: 'undo' | 'redo'): Piece {
    lastWhat = '';
    store.temporal.getState()[way]();
    return store.getState().piece;
  }

  return { store, go, undo: () => move('undo'), redo: () => move('redo') };
}

export type PieceHistory = ReturnType<typeof pieceHistory>;

/** What undo would take back, and redo would do again, in words; null where there is nothing. */
export function historyWords(
  { store }: PieceHistory,
  style: LengthStyle,
): { readonly undo: string | null; readonly redo: string | null } {
  const { piece } = store.getState();
  const { pastStates, futureStates } = store.temporal.getState();
  const [before, after] = [pastStates.at(-1)?.piece, futureStates.at(-1)?.piece];
  return {
    undo: before ? (changeBetween(before, piece, style)?.words ?? 'the last change') : null,
    redo: after ? (changeBetween(piece, after, style)?.words ?? 'the last change') : null,
  };
}
