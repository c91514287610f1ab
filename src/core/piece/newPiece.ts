import { KIND_FACTS, type Kind } from '../body/kinds';
import type { WearChoice } from '../body/wear';
import { usualClasp } from '../closures/suits';
import { LOOP_ROLE } from '../closures/sewnLoop';
import { BEADS, NEEDLES, PALETTE, THREADS, byId } from '../materials/catalogue';
import type { BeadKind, BeadMaterial } from '../materials/material';
import { easeOf, USUAL_SETTINGS, type Settings } from '../records/settings';
import { structureById } from '../structures/registry';
import { at, type Structure } from '../structures/structure';
import { FIRST_ROLES, ROLE_LETTERS, type RoleLetter } from '../structures/roles';
import { given } from '../tools/given';
import { MAIN } from '../weave/path';
import type { Piece } from './piece';
import { asPiece, type PartOfPiece } from './partOfPiece';

/** A bead of the catalogue in a colour. */
export const inColour = (kind: BeadKind, colour: { name: string; hex: string }): BeadMaterial => ({
  ...kind,
  colourName: colour.name,
  colour: colour.hex,
  finish: 'plain',
});

/** The colour that a role starts in: each of the palette in turn. */
function colourOf(role: string) {
  const nth = ROLE_LETTERS.indexOf(role as RoleLetter) % PALETTE.length;
  return role === LOOP_ROLE
    ? given(
        PALETTE.find(({ name }) => name === 'cream'),
        'cream in the palette',
      )
    : at(PALETTE, nth);
}

/** The bead of the catalogue that a stitch starts with in a role. */
export const usualKind = ({ usual }: Structure, role: string): BeadKind =>
  byId(BEADS, usual[role as RoleLetter] ?? 'seed-11');

const startingBead = (structure: Structure, role: string): BeadMaterial =>
  inColour(usualKind(structure, role), colourOf(role));

/** A bead for each of the first roles, so that one that comes into use already has it. */
function startingBeads(structure: Structure): PartOfPiece['beads'] {
  const entries = [...FIRST_ROLES, LOOP_ROLE].map((role) => [role, startingBead(structure, role)]);
  return Object.fromEntries(entries) as PartOfPiece['beads'];
}

/** The beads of a part with one for each of these roles: what has none yet starts with its stitch's usual one. */
export function beadsFor(
  { beads, structure: { id } }: Pick<PartOfPiece, 'beads' | 'structure'>,
  roles: readonly string[],
): PartOfPiece['beads'] {
  const structure = structureById(id);
  const lacking = roles.filter((role) => structure && !(role in beads));
  if (!structure || lacking.length === 0) return beads;
  return { ...beads, ...Object.fromEntries(lacking.map((role) => [role, startingBead(structure, role)])) };
}

/** To start from, and to be written over: the thickness of a beaded rope, and how far a V falls (from memory), mm. */
const ROPE_MM = 6;
const DROP_MM = 60;

/** A wear choice of a school, with the usual amounts of a kind. */
export function usualWear(
  kind: Kind,
  school: WearChoice['school'],
  settings: Settings = USUAL_SETTINGS,
): WearChoice {
  const { flat } = KIND_FACTS[kind];
  const easeMm = easeOf(settings, kind);
  const { thicknessEffect } = settings;
  switch (school) {
    case 'ease':
      return { school, fit: 'comfortable', easeMm, thicknessEffect };
    case 'over':
      return {
        school,
        fit: 'comfortable',
        easeMm,
        thicknessEffect,
        overMm: kind === 'bail' ? Math.PI * ROPE_MM : null,
      };
    case 'flat':
      return { school, finishedMm: flat.wishMm };
    case 'like':
      return { school, finishedMm: flat.wishMm, thicknessMm: null };
    case 'drop':
      return { school, dropMm: DROP_MM };
    case 'elastic':
      return { school };
  }
}

/** The school to start from: the kind's usual one that asks for nothing nobody has measured. */
export function startingWear(
  kind: Kind,
  wearer: Piece['wearer'],
  settings: Settings = USUAL_SETTINGS,
): WearChoice {
  const { place, schools } = KIND_FACTS[kind];
  const measured = place === null || wearer?.girths[place] !== undefined;
  const free = schools.find((school) => school === 'flat' || school === 'like');
  const first = kind === 'bracelet' ? settings.school : schools[0];
  return usualWear(kind, (measured ? first : (free ?? first)) ?? 'flat', settings);
}

const USUAL_END = { seedsEachSide: 3, passes: 2, rings: null } as const;

/** A piece of one part with everything at its usual value, ready to be changed. Throws for an unknown structure. */
export const newPiece = (...as: Parameters<typeof newPart>): Piece => asPiece(newPart(...as));

/** The part of such a piece. Throws for an unknown structure. */
export function newPart(
  name: string,
  structureId: string,
  wearer: Piece['wearer'],
  kind: Kind = 'bracelet',
  settings: Settings = USUAL_SETTINGS,
): PartOfPiece {
  const structure = structureById(structureId);
  if (!structure) throw new Error(`There is no structure "${structureId}".`);
  const [closing = 'clasp'] = KIND_FACTS[kind].closings;
  return {
    id: MAIN,
    name,
    partName: '',
    others: [],
    count: { by: 'fit' },
    strung: {},
    kind,
    wearer,
    wear: startingWear(kind, wearer, settings),
    targetMm: null,
    structure: { id: structureId, params: { ...structure.defaults } },
    beads: startingBeads(structure),
    colourings: {},
    thread: byId(THREADS, 'gel-6'),
    threadColour: null,
    needle: byId(NEEDLES, 'needle-11'),
    doubled: false,
    threadChanges: null,
    hand: 'right',
    stop: 'foreign',
    turning: false,
    without: [],
    ends: {
      closing,
      clasp: usualClasp(kind),
      start: USUAL_END,
      end: USUAL_END,
      loopSeeds: null,
      woven: null,
      dangle: null,
      extender: null,
      chain: null,
    },
    rules: { parity: 'any', multipleOf: 1 },
    gauge: null,
    units: null,
  };
}
