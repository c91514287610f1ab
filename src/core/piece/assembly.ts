import { CORE_ROLE } from '../joints/setIn';
import { BEADS, byId } from '../materials/catalogue';
import { boundStitch } from '../structures/registry';
import { rolesOf } from '../structures/structure';
import type { RoleLetter } from '../structures/roles';
import type { PartId } from '../weave/path';
import { inColour, newPiece } from './newPiece';
import { beadOf, type Part } from './part';
import { carrying } from './partOfPiece';
import { MOST_PARTS, type Piece } from './piece';

/** Where a part made apart is strung: in which part, and in the place of which bead. */
export interface StrungAt {
  readonly part: PartId;
  readonly role: RoleLetter;
}

/** Every place at which a part is strung. */
export const strungAt = ({ parts }: Pick<Piece, 'parts'>, id: PartId): StrungAt[] =>
  parts.flatMap((part) =>
    Object.entries(part.strung).flatMap(([role, strung]) =>
      strung === id ? [{ part: part.id, role: role as RoleLetter }] : [],
    ),
  );

/** Roles of a part in whose place a ball can be strung: beads with one hole, whatever is to be done with them. */
export function ballRoles({ structure }: Pick<Part, 'structure'>): RoleLetter[] {
  const bound = boundStitch(structure);
  if (!bound.ok) return [];
  const { parts } = bound.weaveable;
  return rolesOf(bound.weaveable).filter((role) =>
    parts.every((part) => part.role !== role || part.holes === 1),
  );
}

/** Whether the part that carries the others joins motifs already. */
export const joinsMotifs = (piece: Pick<Piece, 'parts'>): boolean => {
  const { structure, strung } = carrying(piece);
  return structure.id === JOINED && strung.A !== undefined;
};

/** Whether a piece can have one part more. */
export const hasRoom = ({ parts }: Pick<Piece, 'parts'>): boolean => parts.length < MOST_PARTS;

/** A piece with one part more. */
export interface WithPart {
  readonly piece: Piece;
  readonly id: PartId;
}

/** Adds a part in a stitch, before the one that carries the others: what is taken up is made first. Throws where there is no room. */
function withMade(piece: Piece, stitch: string, made: (started: Part) => Part): WithPart {
  if (!hasRoom(piece)) throw new Error(`A piece has ${MOST_PARTS} parts at most.`);
  const carrier = carrying(piece);
  const id = freeId(piece);
  const [started] = newPiece(piece.name, stitch, null).parts as [Part];
  const before = piece.parts.filter((part) => part !== carrier);
  return { piece: { ...piece, parts: [...before, made({ ...started, id }), carrier] }, id };
}

/** What a frame starts with: herringbone of 11/0 about a ball of 8 mm, in the colour of the bead whose place it takes. */
const FRAME = 'flat-herringbone';
const BALL = 'pressed-8';
/** What a top starts with: three rows of circles, soft enough to lie on a finger; one seed out and one back holds it close. */
const TOP = { stitch: 'right-angle-weave', rows: 3, seeds: 1 } as const;
/** What a motif starts with, and what joins it. */
const MOTIF = 'round-motif';
const JOINED = 'joined-motifs';
/** What a bail starts with: a strip that lies flat and closes into a ring. */
const BAIL = 'flat-peyote';

/**
 * A piece with a ball in a frame, strung in the place of a bead of the part that carries the others. Throws where it has as
 * many parts as it can have.
 */
export function withFramedBall(piece: Piece, role: RoleLetter): WithPart {
  const carrier = carrying(piece);
  const { colourName: name, colour: hex } = beadOf(carrier, role);
  const { piece: next, id } = withMade(piece, FRAME, (started) => ({
    ...started,
    count: { by: 'around', way: 'between', measuredMm: null },
    beads: { ...started.beads, [CORE_ROLE]: inColour(byId(BEADS, BALL), { name, hex }) },
  }));
  return { piece: strungAs(next, id, { part: carrier.id, role }), id };
}

/** What is made whole and strung as it is, by its stitch. */
export type StrungWhole = 'beaded-ball' | 'hanging-drop';

/**
 * A piece with a ball of beads or a drop, strung in the place of a bead of the part that carries the others, and in its colour.
 * Throws where it has as many parts as it can have.
 */
export function withStrungWhole(piece: Piece, stitch: StrungWhole, role: RoleLetter): WithPart {
  const carrier = carrying(piece);
  const { colourName: name, colour: hex } = beadOf(carrier, role);
  const { piece: next, id } = withMade(piece, stitch, (started) => ({
    ...started,
    count: { by: 'fixed', measuredMm: null },
    beads: { ...started.beads, B: inColour(started.beads.B, { name, hex }) },
  }));
  return { piece: strungAs(next, id, { part: carrier.id, role }), id };
}

/** A piece that a woven top closes in the place of a clasp. Throws where it has as many parts as it can have. */
export function withWovenTop(piece: Piece): WithPart {
  const { piece: next, id } = withMade(piece, TOP.stitch, (started) => ({
    ...started,
    count: { by: 'fixed', measuredMm: null },
    structure: { ...started.structure, params: { ...started.structure.params, rows: TOP.rows } },
  }));
  const end = (one: Piece['ends']['start']) => ({ ...one, seedsEachSide: TOP.seeds, rings: null });
  const ends = { ...piece.ends, woven: id, start: end(piece.ends.start), end: end(piece.ends.end) };
  return { piece: { ...next, ends }, id };
}

/** A piece that closes by a loop over what is made whole, at its start. Throws where it has as many parts as it can have. */
export function withClosingWhole(piece: Piece, stitch: StrungWhole | typeof MOTIF): WithPart {
  const { piece: next, id } = withMade(piece, stitch, (started) => ({
    ...started,
    count: { by: 'fixed', measuredMm: null },
  }));
  const end = (one: Piece['ends']['start']) => ({ ...one, rings: null });
  const { start, end: far } = piece.ends;
  return {
    piece: { ...next, ends: { ...piece.ends, woven: id, loopSeeds: null, start: end(start), end: end(far) } },
    id,
  };
}

/** A piece with a drop that hangs from the end of its extender. Throws where it has as many parts as it can have. */
export function withDangle(piece: Piece): WithPart {
  const { piece: next, id } = withMade(piece, 'hanging-drop', (started) => ({
    ...started,
    count: { by: 'fixed', measuredMm: null },
  }));
  return { piece: { ...next, ends: { ...piece.ends, dangle: id } }, id };
}

/** A piece with a bail that runs on it. Throws where it has as many parts as it can have. */
export const withBail = (piece: Piece): WithPart =>
  withMade(piece, BAIL, (started) => ({ ...started, count: { by: 'over' } }));

/**
 * A piece of motifs, joined in a line: the part that carries the others joins them. Throws where it has as many parts as it
 * can have.
 */
export function withMotif(piece: Piece): WithPart {
  const { piece: next, id } = withMade(piece, MOTIF, (started) => ({
    ...started,
    count: { by: 'fixed', measuredMm: null },
  }));
  const carrier = carrying(next);
  if (carrier.structure.id === JOINED)
    return { piece: strungAs(next, id, { part: carrier.id, role: 'A' }), id };
  // Another stitch counts other units: what was chosen and measured of them means nothing here.
  const [joins] = newPiece(piece.name, JOINED, null).parts as [Part];
  const { structure } = joins;
  const parts = next.parts.map((part): Part =>
    part === carrier
      ? {
          ...part,
          structure,
          beads: { ...part.beads, A: joins.beads.A },
          units: null,
          gauge: null,
          without: [],
          threadChanges: null,
          strung: {},
        }
      : part,
  );
  return { piece: strungAs({ ...next, parts }, id, { part: carrier.id, role: 'A' }), id };
}

function freeId({ parts }: Piece): PartId {
  const taken = new Set(parts.map(({ id }) => id));
  for (let n = 1; ; n++) if (!taken.has(`part-${n}`)) return `part-${n}`;
}

/** The same piece with a part strung here, and here only. */
export const strungAs = (piece: Piece, id: PartId, at: StrungAt): Piece => ({
  ...piece,
  parts: unstrung(piece, id).map((part) =>
    part.id === at.part ? { ...part, strung: { ...part.strung, [at.role]: id } } : part,
  ),
});

/** The same piece without a part: where it was strung, the beads are strung again that it took the place of; what it closed, a clasp closes, and where it hung, nothing hangs. */
export const withoutPart = (piece: Piece, id: PartId): Piece => ({
  ...piece,
  ends: {
    ...piece.ends,
    woven: piece.ends.woven === id ? null : piece.ends.woven,
    dangle: piece.ends.dangle === id ? null : piece.ends.dangle,
  },
  parts: unstrung(piece, id).filter((part) => part.id !== id),
});

const unstrung = ({ parts }: Piece, id: PartId): Part[] =>
  parts.map((part) => ({
    ...part,
    strung: Object.fromEntries(Object.entries(part.strung).filter(([, strung]) => strung !== id)),
  }));
