'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { Piece } from '@/core/piece';
import { nameWindow } from '../outbox/outbox';
import { PieceSync, type SyncState } from '../outbox/pieceSync';

interface Held {
  readonly piece: Piece;
  readonly state: SyncState;
  readonly change: (change: Partial<Piece>) => void;
  /** Goes on from another version, after the weaver chose. */
  readonly restart: (piece: Piece, revision: number) => void;
}

/** The piece being planned: changed at once on screen, saved as it goes. */
export function usePiece(id: string, initial: Piece, revision: number, onStale: () => void): Held {
  const [piece, setPiece] = useState(initial);
  const [state, setState] = useState<SyncState>({ kind: 'saved' });
  const latest = useRef(initial);
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
      if (closed) return;
      sync.current = new PieceSync(id, revision, window, (next) => {
        setState(next);
        if (next.kind === 'stale') stale.current();
      });
      if (early.current) void sync.current.change(latest.current);
    });
    const hurry = () => sync.current?.hurry();
    const warn = (event: BeforeUnloadEvent) => {
      hurry();
      if (sync.current?.owing) event.preventDefault();
    };
    addEventListener('online', hurry);
    addEventListener('pagehide', hurry);
    addEventListener('beforeunload', warn);
    return () => {
      closed = true;
      removeEventListener('online', hurry);
      removeEventListener('pagehide', hurry);
      removeEventListener('beforeunload', warn);
      sync.current?.close();
      sync.current = null;
    };
    // The revision is the one this window starts from; later ones come through the sync itself.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id]);

  const change = useCallback((part: Partial<Piece>) => {
    latest.current = { ...latest.current, ...part };
    setPiece(latest.current);
    if (sync.current) void sync.current.change(latest.current);
    else early.current = true;
  }, []);

  const restart = useCallback((next: Piece, from: number) => {
    latest.current = next;
    setPiece(next);
    sync.current?.restart(from);
  }, []);

  return { piece, state, change, restart };
}
