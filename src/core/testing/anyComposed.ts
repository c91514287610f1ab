// Pieces made of parts that nobody would make.
import fc from 'fast-check';
import { CORE_ROLE } from '../joints/setIn';
import { BEADS, FINDINGS } from '../materials/catalogue';
import {
  hasRoom,
  withBail,
  withFramedBall,
  withMotif,
  withStrungWhole,
  withClosingWhole,
  withWovenTop,
} from '../piece/assembly';
import { inStructure } from '../piece/variants';
import { WAYS } from '../piece/part';
import { asPiece, carrying, partOf, withPart } from '../piece/partOfPiece';
import type { Piece } from '../piece/piece';
import { ownUnit } from '../structures/ownUnit';
import { boundStitch, heldBy, STRUCTURES } from '../structures/registry';
import { isBetween, SEAMS } from '../structures/seam';
import type { SectionChoice, Sections } from '../structures/sections';
import { rolesOf } from '../structures/structure';
import type { RoleLetter } from '../structures/roles';
import { given } from '../tools/given';
import { anyPiece } from './anyPiece';

/** One part more, and how it is to be. */
const anyPart = fc.record({
  as: fc.constantFrom(
    'frame' as const,
    'top' as const,
    'bail' as const,
    'motif' as const,
    'ball' as const,
    'drop' as const,
    'closing ball' as const,
    'closing motif' as const,
  ),
  structure: fc.constantFrom(...STRUCTURES, ownUnit),
  nth: fc.nat(),
  way: fc.constantFrom(...WAYS),
  measuredMm: fc.option(fc.integer({ min: 1, max: 40 })),
  core: fc.constantFrom(...BEADS),
  bead: fc.option(fc.constantFrom(...BEADS)),
  units: fc.option(fc.integer({ min: 1, max: 40 })),
});

const anySection: fc.Arbitrary<SectionChoice> = fc
  .record({
    sequence: fc.array(fc.constantFrom<RoleLetter>('A', 'B', 'C'), { minLength: 1, maxLength: 4 }),
    times: fc.integer({ min: 1, max: 8 }),
    other: fc.option(
      fc.record({
        structure: fc.constantFrom(...STRUCTURES, ownUnit),
        matched: fc.boolean(),
        seam: fc.record({
          by: fc.constantFrom(...SEAMS),
          across: fc.integer({ min: 1, max: 4 }),
          back: fc.integer({ min: 1, max: 4 }),
          rounds: fc.integer({ min: 1, max: 3 }),
          finding: fc.record({
            what: fc.constantFrom(...FINDINGS.filter(isBetween)),
            count: fc.integer({ min: 1, max: 12 }),
          }),
        }),
      }),
      { freq: 1 },
    ),
  })
  .map(({ other, ...one }) => {
    if (!other) return one;
    const { structure, ...rest } = other;
    return { ...one, other: { ...rest, id: structure.id, params: structure.defaults } };
  });
/** Sections along the part that carries the others, whether its stitch can have them or not. */
const anySections: fc.Arbitrary<Sections> = fc.record({
  before: fc.array(anySection, { maxLength: 2 }),
  after: fc.array(anySection, { maxLength: 2 }),
  mirrored: fc.boolean(),
});

/** Any piece with one to three parts made apart: framed bodies strung in it, a woven part that closes it, bails on it. */
export const anyComposed: fc.Arbitrary<Piece> = fc
  .tuple(
    anyPiece([...STRUCTURES, ownUnit]),
    fc.constantFrom('right' as const, 'left' as const),
    fc.array(anyPart, { minLength: 1, maxLength: 3 }),
    fc.option(anySections, { freq: 1 }),
  )
  .map(([carrier, hand, parts, sections]) =>
    parts.reduce(
      (piece, part) => {
        const bound = boundStitch(carrying(piece).structure);
        const roles = bound.ok ? rolesOf(bound.weaveable) : [];
        if (!hasRoom(piece) || roles.length === 0) return piece;
        const role = given(roles[part.nth % roles.length], 'role');
        const made =
          part.as === 'top'
            ? withWovenTop(piece)
            : part.as === 'closing ball' || part.as === 'closing motif'
              ? withClosingWhole(piece, part.as === 'closing ball' ? 'beaded-ball' : 'round-motif')
              : part.as === 'bail'
                ? withBail(piece)
                : part.as === 'motif'
                  ? withMotif(piece)
                  : part.as === 'ball' || part.as === 'drop'
                    ? withStrungWhole(piece, part.as === 'ball' ? 'beaded-ball' : 'hanging-drop', role)
                    : withFramedBall(piece, role);
        const { id } = made;
        const kept = partOf(made.piece, id);
        const own = heldBy(kept.structure.id) ? kept : inStructure(kept, part.structure.id);
        const beads = part.bead ? { ...own.beads, A: { ...own.beads.A, ...part.bead } } : own.beads;
        const core = beads[CORE_ROLE];
        return withPart(
          made.piece,
          {
            structure: own.structure,
            units: part.units,
            count:
              part.as === 'frame' ? { by: 'around', way: part.way, measuredMm: part.measuredMm } : own.count,
            beads: core ? { ...beads, [CORE_ROLE]: { ...core, ...part.core } } : beads,
          },
          id,
        );
      },
      asPiece({
        ...carrier,
        hand,
        structure: { ...carrier.structure, ...(sections && { sections }) },
      }),
    ),
  );
