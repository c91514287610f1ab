'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useStore } from 'zustand';
import { partOf, withPart, type PartOfPiece } from '@/core/piece/partOfPiece';
import type { Piece } from '@/core/piece/piece';
import type { PartId } from '@/core/weave/path';
import { nameWindow } from '../outbox/outbox';
import { savedHere } from '../outbox/savedHere';
import { undelivered } from '../outbox/undelivered';
import { leftUnderWay, newestHere, openSync, type PieceSync, type SyncState } from '../outbox/pieceSync';
import { useLengths } from '../shell/lengths';
import { keepHistory, keptHistory } from './keptHistory';
import { historyWords, pieceHistory } from './pieceHistory';

/** What can be taken back or done again: its words, and the press that does it. */
export interface Retrace {
  readonly words: string;
  /** Answers with the piece as it then is. */
  readonly run: () => Piece;
}

interface Held {
  readonly piece: Piece;
  /** The part that carries the others, and what changes it, or another by its id, or what all parts have. */
  readonly part: PartOfPiece;
  readonly change: (change: Partial<PartOfPiece>, id?: PartId) => void;
  readonly state: SyncState;
  /** Goes on with another piece in its place, as a step that can be taken back. */
  readonly take: (piece: Piece) => void;
  readonly undo: Retrace | null;
  readonly redo: Retrace | null;
  /** Goes on from another version, after the weaver chose. */
  readonly restart: (piece: Piece, revision: number) => void;
  /** Lets go of an edit that the server will not take: it is kept elsewhere, or no longer wanted. */
  readonly letGo: () => void;
}

/** The piece being planned: changed at once on screen, saved as it goes. */
export function usePiece(id: string, initial: Piece, revision: number, onStale: () => void): Held {
  const [history] = useState(() => {
    // Left before all had arrived, and come back to: the server's state is the older one.
    const now = leftUnderWay(id)?.doc ?? newestHere(id, { doc: initial, revision }).doc;
    return pieceHistory(now, keptHistory(id, now));
  });
  const { piece } = useStore(history.store);
  const { pastStates, futureStates } = useStore(history.store.temporal);
  const { style } = useLengths();
  const [state, setState] = useState<SyncState>({ kind: 'saved' });
  const sync = useRef<PieceSync | null>(null);
  /** Edits made before this window has its name. */
  const early = useRef(false);
  const stale = useRef(onStale);

  useEffect(() => {
    stale.current = onStale;
  }, [onStale]);

  useEffect(() => {
    let closed = false;
    void nameWindow().then((window) => {
      if (closed && !early.current) return;
      const opened = openSync(id, { doc: initial, revision }, window);
      if (closed) {
        // Changed and left at once: it goes on its way without the screen.
        void opened.change(history.store.getState().piece).then(() => opened.hurry());
        return;
      }
      sync.current = opened;
      opened.listen((next) => {
        setState(next);
        if (next.kind === 'stale') stale.current();
      });
      if (early.current) void opened.change(history.store.getState().piece);
      // What the page before this one still sent arrived after this one was read.
      if (savedHere(id) > revision) stale.current();
    });
    const hurry = () => sync.current?.hurry();
    const warn = (event: BeforeUnloadEvent) => {
      hurry();
      if (sync.current?.owing) event.preventDefault();
    };
    const leave = () => keepHistory(id, history);
    addEventListener('online', hurry);
    addEventListener('pagehide', hurry);
    addEventListener('pagehide', leave);
    addEventListener('beforeunload', warn);
    return () => {
      closed = true;
      removeEventListener('online', hurry);
      removeEventListener('pagehide', hurry);
      removeEventListener('pagehide', leave);
      leave();
      removeEventListener('beforeunload', warn);
      const refused = sync.current?.close();
      // Its screen is left: it is shown on the bench, until the maker decides.
      if (refused) void undelivered.takeBack(refused).catch(() => undefined);
      sync.current = null;
    };
    // The revision is the one this window starts from; later ones come through the sync itself.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id]);

  useEffect(() => {
    // The page has a newer state: what was left behind by this window has arrived meanwhile, or another window made it.
    if (!sync.current?.isBehind(revision)) return;
    history.go(initial);
    sync.current.restart(revision, initial);
    // Only a page that comes anew brings one.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [revision]);

  const keep = useCallback((next: Piece) => {
    if (sync.current) void sync.current.change(next);
    else early.current = true;
  }, []);

  const take = useCallback(
    (next: Piece) => {
      history.go(next);
      keep(next);
    },
    [history, keep],
  );
  const change = useCallback(
    (part: Partial<PartOfPiece>, id?: PartId) => take(withPart(history.store.getState().piece, part, id)),
    [history, take],
  );

  const restart = useCallback(
    (next: Piece, from: number) => {
      history.go(next);
      sync.current?.restart(from, next);
    },
    [history],
  );

  const letGo = useCallback(() => sync.current?.letGo(), []);

  const [undo, redo] = useMemo((): [Retrace | null, Retrace | null] => {
    // The words follow from the states: they are read anew when one of those has changed.
    const kept = (now: Piece) => {
      keep(now);
      return now;
    };
    const words = pastStates.length + futureStates.length > 0 ? historyWords(history, style) : null;
    return [
      words?.undo ? { words: words.undo, run: () => kept(history.undo()) } : null,
      words?.redo ? { words: words.redo, run: () => kept(history.redo()) } : null,
    ];
    // The piece is read through the history.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [history, keep, style, piece, pastStates, futureStates]);

  const part = useMemo(() => partOf(piece), [piece]);
  return { piece, part, state, change, take, undo, redo, restart, letGo };
}
