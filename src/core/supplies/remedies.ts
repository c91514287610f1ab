import { makeOf, type BeadKind, type Needle, type ThreadMaterial } from '../materials/material';
import type { PartOfPiece } from '../piece/partOfPiece';
import { planPart, type Lookups, type Plan } from '../plan/plan';
import type { Going } from './holeFill';
import { beadOf } from '../piece/part';

/** Something that makes a trip go that would not, tried before it is offered. */
export interface Remedy {
  readonly what:
    | { readonly kind: 'needle' | 'thread'; readonly name: string }
    | { readonly kind: 'bead'; readonly role: string; readonly name: string }
    | { readonly kind: 'pass'; readonly end: 'start' | 'end'; readonly passes: number }
    | { readonly kind: 'leave out'; readonly pass: string }
    | { readonly kind: 'single thread' };
  readonly change: Partial<PartOfPiece>;
  /** How the hardest trip goes then. */
  readonly going: Going;
  /** The count changes with it. */
  readonly units: number | null;
}

/** What there is to choose from. */
export interface Gears {
  readonly needles: readonly Needle[];
  readonly threads: readonly ThreadMaterial[];
  readonly beads: readonly BeadKind[];
}

type Tried = Pick<Remedy, 'what' | 'change'>;

/**
 * What helps where a trip will not go: a finer needle, a thinner thread, a pass less, a larger bead. Each is planned
 * whole, and offered only where everything goes with it; of needles, threads and beads the nearest that helps. Empty
 * where all goes.
 */
export function remedies(
  piece: PartOfPiece,
  plan: Plan,
  gears: Gears,
  lookups: Partial<Lookups> = {},
): Remedy[] {
  const { bottleneck } = plan.holes;
  if (bottleneck?.going !== 'no') return [];
  const tried = ({ what, change }: Tried): Remedy | null => {
    const after = planPart({ ...piece, ...change }, lookups);
    if (!after.ok) return null;
    const going = after.holes.bottleneck?.going ?? 'easy';
    if (going === 'no') return null;
    const { units } = after.chosen;
    return { what, change, going, units: units === plan.chosen.units ? null : units };
  };
  const first = (ways: readonly Tried[]): Remedy[] => {
    for (const way of ways) {
      const remedy = tried(way);
      if (remedy) return [remedy];
    }
    return [];
  };
  const each = (ways: readonly Tried[]): Remedy[] => ways.flatMap((way) => tried(way) ?? []);
  return [
    ...first(finerNeedles(piece, gears)),
    ...first(thinnerThreads(piece, gears)),
    ...each(fewerPasses(piece, plan)),
    // What is strung in the place of a bead is no bead to be exchanged.
    ...(plan.components.has(bottleneck.bead.role)
      ? []
      : first(largerBeads(piece, bottleneck.bead.role, gears))),
  ];
}

const byDiameter = <T extends { readonly diameterMm: number }>(all: readonly T[], below: number): T[] =>
  all.filter(({ diameterMm }) => diameterMm < below).sort((a, b) => b.diameterMm - a.diameterMm);

const finerNeedles = (piece: PartOfPiece, { needles }: Gears): Tried[] =>
  byDiameter(needles, piece.needle.diameterMm).map((needle) => ({
    what: { kind: 'needle', name: needle.name },
    change: { needle },
  }));

const thinnerThreads = (piece: PartOfPiece, { threads }: Gears): Tried[] =>
  byDiameter(
    threads.filter((thread) => makeOf(thread) === makeOf(piece.thread)),
    piece.thread.diameterMm,
  ).map((thread) => ({ what: { kind: 'thread', name: thread.name }, change: { thread } }));

function fewerPasses(piece: PartOfPiece, plan: Plan): Tried[] {
  const ends = (['start', 'end'] as const).flatMap((end): Tried[] => {
    const passes = piece.ends[end].passes - 1;
    if (passes < 1 || plan.closure.closing !== 'clasp') return [];
    const change = { ends: { ...piece.ends, [end]: { ...piece.ends[end], passes } } };
    return [{ what: { kind: 'pass', end, passes }, change }];
  });
  const left = plan.optionalPasses
    .filter(({ name }) => !piece.without.includes(name))
    .map(({ name }): Tried => ({
      what: { kind: 'leave out', pass: name },
      change: { without: [...piece.without, name] },
    }));
  const single: Tried[] = piece.doubled
    ? [{ what: { kind: 'single thread' }, change: { doubled: false } }]
    : [];
  return [...single, ...ends, ...left];
}

/** The same bead in the sizes above, up to twice its own. */
function largerBeads(piece: PartOfPiece, role: string, { beads }: Gears): Tried[] {
  const bead = beadOf(piece, role);
  return beads
    .filter(
      ({ shape, holes, holeMm, diameterMm }) =>
        shape === bead.shape &&
        holes === bead.holes &&
        holeMm > bead.holeMm &&
        diameterMm <= 2 * bead.diameterMm,
    )
    .sort((a, b) => a.holeMm - b.holeMm)
    .map((kind) => ({
      what: { kind: 'bead', role, name: kind.name },
      change: { beads: { ...piece.beads, [role]: { ...bead, ...kind } } },
    }));
}
