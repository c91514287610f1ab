import { LOOP_ROLE } from '../closures/sewnLoop';
import { TEACHING_COLOURS } from '../colour/teaching';
import { CORE_ROLE } from '../joints/setIn';
import {
  MOST_LETTERS_OF_A_MATERIAL,
  MOST_LETTERS_OF_AN_ID,
  type BeadKind,
  type BeadMaterial,
} from '../materials/material';
import { startingWear } from '../piece/newPiece';
import type { Piece } from '../piece/piece';
import { partOf, withPart, withParts, type PartOfPiece } from '../piece/partOfPiece';
import { pieceName } from '../piece/variants';
import { cutTo } from '../records/storable';
import { ROLE_LETTERS, type RoleLetter } from '../structures/roles';
import { at } from '../structures/structure';
import type { Lookups } from './lookups';
import { planPiece } from './plan';
import type { NoPlan } from './problems';

/** A practice bead is about so many times as large; one of the catalogue within this part of that is taken (both from memory). */
const LARGER = 2;
const NEAR = 0.3;
/** Units that show how a stitch goes (from memory). */
const UNITS = 10;

const off = (one: BeadKind, length: number, diameter: number): number =>
  Math.max(Math.abs(one.lengthMm / length - 1), Math.abs(one.diameterMm / diameter - 1));

/** A bead as large as one practises with: one of the catalogue of its shape, or else itself drawn larger. */
function larger(bead: BeadMaterial, kinds: readonly BeadKind[]): BeadMaterial {
  const [length, diameter] = [bead.lengthMm * LARGER, bead.diameterMm * LARGER];
  const alike = kinds
    .filter(
      ({ shape, holes, crossing }) =>
        shape === bead.shape && holes === bead.holes && crossing === bead.crossing,
    )
    .toSorted((a, b) => off(a, length, diameter) - off(b, length, diameter));
  const [best] = alike;
  if (best && off(best, length, diameter) <= NEAR) return { ...bead, ...best };
  const mm = (value: number | null) => value && value * LARGER;
  return {
    ...bead,
    id: cutTo(`large-${bead.id}`, MOST_LETTERS_OF_AN_ID),
    name: cutTo(`large ${bead.name}`, MOST_LETTERS_OF_A_MATERIAL),
    lengthMm: length,
    diameterMm: diameter,
    widthMm: mm(bead.widthMm),
    apartMm: mm(bead.apartMm),
    holeMm: bead.holeMm * LARGER,
    // Nobody has weighed it.
    perGram: null,
    sold: null,
  };
}

/** Two colours for a role that no other role has while there are enough of them, unit by unit in turn: so one sees what was just made. */
function contrasting(role: RoleLetter): {
  readonly own: Pick<BeadMaterial, 'colourName' | 'colour'>;
  readonly next: { name: string; hex: string };
} {
  const nth = 2 * ROLE_LETTERS.indexOf(role);
  const colour = (i: number) => at(TEACHING_COLOURS, i % TEACHING_COLOURS.length);
  const { name: colourName, hex } = colour(nth);
  return { own: { colourName, colour: hex }, next: { ...colour(nth + 1) } };
}

const isLetter = (role: string): role is RoleLetter => ROLE_LETTERS.some((letter) => letter === role);

/** The beads of a part, larger and in contrasting colours. */
function toPractise(part: PartOfPiece, kinds: readonly BeadKind[]): Partial<PartOfPiece> {
  const beads = Object.fromEntries(
    Object.entries(part.beads).map(([role, bead]) => {
      const large = larger(bead, kinds);
      if (role === LOOP_ROLE) return [role, { ...large, colourName: 'white', colour: '#ffffff' }];
      if (role === CORE_ROLE || !isLetter(role)) return [role, large];
      return [role, { ...large, ...contrasting(role).own, finish: 'plain' }];
    }),
  ) as PartOfPiece['beads'];
  const colourings = Object.fromEntries(
    Object.keys(part.beads)
      .filter(isLetter)
      .filter((role) => !(role in part.strung))
      .map((role) => [role, { pattern: 'turns', every: 1, more: [contrasting(role).next] }]),
  ) as PartOfPiece['colourings'];
  return { beads, colourings, gauge: null, threadChanges: null };
}

/**
 * The same plan to be practised first: in larger beads and contrasting colours, a few units long, for nobody to wear.
 * @param kinds the beads that there are
 */
export function practiceOf(
  piece: Piece,
  kinds: readonly BeadKind[],
  lookups: Partial<Lookups>,
): { readonly ok: true; readonly piece: Piece } | NoPlan {
  const before = planPiece(piece, lookups);
  if (!before.ok) return before;
  const practice = withParts(
    {
      ...piece,
      name: pieceName(`Practice: ${piece.name}`),
      wearer: null,
      wear: startingWear(piece.kind, null),
    },
    (part) => toPractise(part, kinds),
  );
  const whole = before.arrangement !== null || before.weaveable.sections !== undefined;
  const units = whole ? partOf(practice).units : Math.min(UNITS, before.chosen.units);
  const after = planPiece(
    withPart(practice, { units, targetMm: LARGER * before.chosen.finishedMm }),
    lookups,
  );
  if (!after.ok) return after;
  // The count that comes nearest keeps to the rules of the stitch.
  return {
    ok: true,
    piece: withPart(practice, { units: whole ? units : null, targetMm: after.chosen.finishedMm }),
  };
}
