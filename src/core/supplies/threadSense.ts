import { difference } from '../colour/difference';
import type { Shade } from '../colour/shades';
import { knotBody } from '../materials/knot';
import { makeOf, needsNeedle, type BeadMaterial, type BeadShape } from '../materials/material';
import type { PartOfPiece } from '../piece/partOfPiece';
import type { RoleQuantity } from '../plan/quantities';
import type { ExposedThread } from '../read/thread';
import type { Structure } from '../structures/structure';
import type { HoleReading, HoleState } from './holeFill';
import type { ThreadPlan } from './threadPlan';
import { beadOf } from '../piece/part';

/** What an old hand would say of a thread in these beads and this stitch. */
export type ThreadDoubt =
  | { readonly code: 'will-not-go'; readonly role: string; readonly bead: string; readonly state: HoleState }
  | { readonly code: 'two-cords'; readonly role: string; readonly bead: string; readonly state: HoleState }
  | { readonly code: 'goes-hard'; readonly role: string; readonly bead: string; readonly state: HoleState }
  | { readonly code: 'sharp-and-soft'; readonly beads: readonly string[] }
  | { readonly code: 'stiff-for-supple'; readonly feel: string }
  | { readonly code: 'elastic-knots' }
  | { readonly code: 'crimp-and-soft' }
  | {
      readonly code: 'knot-slips';
      readonly bead: string;
      readonly holeMm: number;
      readonly knotMm: number;
      /** Whether the same thread doubled would hold, and the thinnest single one that would. */
      readonly doubledHolds: boolean;
      readonly holdsMm: number;
    }
  | { readonly code: 'change-in-full-hole'; readonly unit: number }
  | { readonly code: 'length-too-long'; readonly longestMm: number; readonly joins: boolean }
  | {
      readonly code: 'thread-shows';
      readonly colour: string;
      readonly like: string;
      readonly longestMm: number;
    };

/** Beads with edges that cut soft thread (craft: crystal and bugle edges are sharp). */
const SHARP: readonly BeadShape[] = ['bugle', 'twisted bugle', 'bicone'];
/** Stitches that are to hang or drape. */
const SUPPLE: readonly Structure['handles'][] = ['hangs like a chain', 'soft like cloth'];
/** Gel-spun thread from here on is felt as stiff in a supple stitch, mm (from memory: 10 lb). */
const STIFF_MM = 0.2;

interface ThreadFindings {
  readonly piece: PartOfPiece;
  readonly structure: Structure;
  readonly knotted: boolean;
  readonly roles: readonly string[];
  readonly holes: HoleReading;
  readonly thread: ThreadPlan;
  readonly quantities: readonly RoleQuantity[];
  readonly exposed: ExposedThread;
}

/** Doubts about thread, needle and holes, the weightiest first. */
export function threadDoubts({
  piece,
  structure,
  knotted,
  roles,
  holes,
  thread,
  ...seen
}: ThreadFindings): ThreadDoubt[] {
  const make = makeOf(piece.thread);
  const bead = (role: string): BeadMaterial => beadOf(piece, role);
  return [
    ...holeDoubts(piece, structure, holes, bead),
    ...(knotted ? knotDoubts(piece, roles.map(bead)) : []),
    ...(make === 'waxed nylon' || make === 'elastic' ? sharpDoubts(roles.map(bead)) : []),
    ...(piece.ends.closing === 'clasp' && piece.ends.clasp.fastening === 'crimped' && make !== 'monofilament'
      ? [{ code: 'crimp-and-soft' } as const]
      : []),
    ...(isStiff(piece) && SUPPLE.includes(structure.handles)
      ? [{ code: 'stiff-for-supple', feel: structure.feel } as const]
      : []),
    ...(make === 'elastic' ? [{ code: 'elastic-knots' } as const] : []),
    ...cutDoubts(thread, make !== 'elastic'),
    ...colourDoubts(piece, seen),
  ];
}

function holeDoubts(
  piece: PartOfPiece,
  { needles }: Structure,
  { bottleneck: state }: HoleReading,
  beadOf: (role: string) => BeadMaterial,
): ThreadDoubt[] {
  if (!state || state.going === 'easy') return [];
  const { role } = state.bead;
  const tightest = { role, bead: beadOf(role).name, state };
  if (state.going === 'hard') return [{ code: 'goes-hard', ...tightest }];
  const cords = needles === 2 && !needsNeedle(piece.thread) && state.at.trip === 2;
  return [{ code: cords ? 'two-cords' : 'will-not-go', ...tightest }];
}

/** A knot between beads that is no thicker than the widest of their holes slips into it, and the beads meet. */
function knotDoubts({ thread, doubled }: PartOfPiece, beads: readonly BeadMaterial[]): ThreadDoubt[] {
  const [widest] = beads.toSorted((a, b) => b.holeMm - a.holeMm);
  const knotMm = knotBody(thread, doubled).diameterMm;
  if (!widest || knotMm > widest.holeMm) return [];
  const { name, holeMm } = widest;
  const perMm = knotBody({ diameterMm: 1 }, false).diameterMm;
  return [
    {
      code: 'knot-slips',
      bead: name,
      holeMm,
      knotMm,
      doubledHolds: !doubled && knotBody(thread, true).diameterMm > holeMm,
      holdsMm: holeMm / perMm,
    },
  ];
}

function sharpDoubts(beads: readonly BeadMaterial[]): ThreadDoubt[] {
  const sharp = [...new Set(beads.filter(({ shape }) => SHARP.includes(shape)).map(({ name }) => name))];
  return sharp.length > 0 ? [{ code: 'sharp-and-soft', beads: sharp }] : [];
}

function isStiff({ thread, doubled }: PartOfPiece): boolean {
  const make = makeOf(thread);
  return make === 'monofilament' || (make === 'gel-spun' && doubled && thread.diameterMm >= STIFF_MM);
}

function cutDoubts({ divisions, longestMm }: ThreadPlan, joins: boolean): ThreadDoubt[] {
  const crowded = divisions.flatMap(({ changes }) => changes).find((change) => change.crowded);
  const tooLong = divisions.some((division) => division.tooLong);
  return [
    ...(crowded ? [{ code: 'change-in-full-hole', unit: crowded.after.unit } as const] : []),
    ...(tooLong ? [{ code: 'length-too-long', longestMm, joins } as const] : []),
  ];
}

/** Beside a bead that differs no more than this, thread is not noticed at arm’s length, ΔE*ab (from memory). */
const UNNOTICED = 30;

/** The colour that most beads have: thread in it shows least. Null where there are no beads. */
export function leastSeen(quantities: readonly RoleQuantity[]): Shade | null {
  const colours = quantities.flatMap(({ bead, shades, total }) =>
    shades.length > 0 ? shades : [{ name: bead.colourName, hex: bead.colour, total }],
  );
  const totals = new Map<string, { name: string; hex: string; total: number }>();
  for (const { name, hex, total } of colours)
    totals.set(name, { name, hex, total: (totals.get(name)?.total ?? 0) + total });
  const [most] = [...totals.values()].sort((a, b) => b.total - a.total);
  return most ? { name: most.name, hex: most.hex } : null;
}

function colourDoubts(
  { threadColour }: PartOfPiece,
  { quantities, exposed }: Pick<ThreadFindings, 'quantities' | 'exposed'>,
): ThreadDoubt[] {
  const like = leastSeen(quantities);
  if (!threadColour || !like || exposed.spans.length === 0) return [];
  if (difference(threadColour.hex, like.hex) <= UNNOTICED) return [];
  const { longestMm } = exposed;
  return [{ code: 'thread-shows', colour: threadColour.name, like: like.name, longestMm }];
}
