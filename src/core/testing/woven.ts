import { layOutPiece } from '../layout/pieceLayout';
import { BEADS, byId } from '../materials/catalogue';
import { tally } from '../read/tally';
import { threadMoves } from '../read/thread';
import { holeUses } from '../read/traversals';
import type { WeaveRequest, Weaveable } from '../structures/structure';
import type { Section } from '../weave/path';

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
  const form = weaveable.form(body, all);
  const layout = layOutPiece(path, {
    form: form.along?.({ path, units }) ?? form,
    units,
    ends,
    clasp: { startMm: 10, endMm: 4 },
    body,
  });
  return { path, layout, thread: threadMoves(path, layout) };
};

/** Strands of a stitch that are each sewn on by themselves; one where nothing is said. */
export const strandsOf = ({ strands }: Weaveable): number => strands?.(1).length ?? 1;

export const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);

/** Whether a bead is of what is woven, and not of what is sewn on. */
export const woven = (b: { place: { section: Section } }) => b.place.section.zone !== 'joint';
/** Beads of what is woven, by their roles. */
export const counted = (weaveable: Weaveable, n: number, request: Partial<WeaveRequest> = {}) =>
  Object.fromEntries(tally(weaveable.weave(n, { ...ends, ...request }), woven));
/** How often the holes of the beads of one row are gone through, by bead and hole. */
export const through = (weaveable: Weaveable, n: number, row: number) =>
  Object.fromEntries(
    holeUses(weaveable.weave(n, ends))
      .filter(({ bead }) => woven(bead) && bead.place.row === row)
      .map(({ bead, hole, traversals }) => [hole === 0 ? bead.name : `${bead.name}/${hole}`, traversals]),
  );
