const keyOf = (pieceId: string) => `ivyloom-saved/${pieceId}`;

/**
 * Notes what the server has of a piece, as a page of this window heard it. A page that is loaded anew may have been read
 * just before that, and would show the older state.
 */
export function noteSaved(pieceId: string, revision: number): void {
  try {
    sessionStorage.setItem(keyOf(pieceId), String(revision));
  } catch {
    // A browser that keeps nothing: the older state shows, and the newer one is asked for with the next change.
  }
}

/** The newest revision of a piece that a page of this window has heard of; 0 where none has. */
export function savedHere(pieceId: string): number {
  try {
    return Number(sessionStorage.getItem(keyOf(pieceId)) ?? 0);
  } catch {
    return 0;
  }
}
