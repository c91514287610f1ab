import { layOutPiece } from '../layout/pieceLayout';
import { BEADS, byId } from '../materials/catalogue';
import { threadMoves } from '../read/thread';
import type { Weaveable } from '../structures/structure';

export const loop = { seedsEachSide: 3, passes: 2 };
export const ends = { start: loop, end: loop };
export const eleven = byId(BEADS, 'seed-11');
export const eight = byId(BEADS, 'seed-8');
/** No optional pass is left out. */
export const all: ReadonlySet<string> = new Set();
export const body = (role: string) => (role === 'B' ? eight : eleven);

export const lens = byId(BEADS, 'lens');
/** A bead for each part: of two holes where it needs them; else 8/0 for B and 11/0. */
export const bodies = (weaveable: Weaveable) => (role: string) =>
  weaveable.parts.some((part) => part.role === role && part.holes === 2) ? lens : body(role);

export const layOut = (weaveable: Weaveable, units: number, body = bodies(weaveable)) => {
  const path = weaveable.weave(units, ends);
  const layout = layOutPiece(path, {
    form: weaveable.form(body, all),
    units,
    ends,
    clasp: { startMm: 10, endMm: 4 },
    body,
  });
  return { path, layout, thread: threadMoves(path, layout) };
};

export const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);
