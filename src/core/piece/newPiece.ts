import { KIND_FACTS, type Kind } from '../body/kinds';
import type { WearChoice } from '../body/wear';
import { LOOP_ROLE } from '../closures/sewnLoop';
import { BEADS, CLASPS, NEEDLES, PALETTE, THREADS, byId } from '../materials/catalogue';
import type { BeadKind, BeadMaterial } from '../materials/material';
import { easeOf, USUAL_SETTINGS, type Settings } from '../records/settings';
import { structureById } from '../structures/registry';
import type { RoleLetter, Structure } from '../structures/structure';
import { BEAD_ROLES } from './part';
import type { Piece } from './piece';
import { asPiece, type PartOfPiece } from './partOfPiece';

/** A bead of the catalogue in a colour. */
export const inColour = (kind: BeadKind, colour: { name: string; hex: string }): BeadMaterial => ({
  ...kind,
  colourName: colour.name,
  colour: colour.hex,
  finish: 'plain',
});

const colourOf = (role: string, i: number) => {
  const colour = role === LOOP_ROLE ? PALETTE.find((c) => c.name === 'cream') : PALETTE[i];
  if (!colour) throw new Error('The palette has fewer colours than there are roles.');
  return colour;
};

/** The bead of the catalogue that a stitch starts with in a role. */
export const usualKind = ({ usual }: Structure, role: string): BeadKind =>
  byId(BEADS, usual[role as RoleLetter] ?? 'seed-11');

/** A bead for every role, so that a role that comes into use already has one. */
function startingBeads(structure: Structure): PartOfPiece['beads'] {
  const entries = BEAD_ROLES.map(
    (role, i) => [role, inColour(usualKind(structure, role), colourOf(role, i))] as const,
  );
  return Object.fromEntries(entries) as PartOfPiece['beads'];
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
    name,
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
    without: [],
    ends: {
      closing,
      clasp: byId(CLASPS, 'lobster-12'),
      start: USUAL_END,
      end: USUAL_END,
      loopSeeds: null,
      extender: null,
      chain: null,
    },
    rules: { parity: 'any', multipleOf: 1 },
    gauge: null,
    units: null,
  };
}
