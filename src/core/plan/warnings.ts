import type { Closing } from '../body/kinds';
import type { Place, TypicalSize } from '../body/places';
import type { Sit, Wear } from '../body/wear';
import { NECKLACE_LENGTHS } from '../body/necklace';
import type { Closure, ClosureDoubt } from '../closures/closure';
import type { EdgeName } from '../weave/edge';
import type { Candidate } from '../fit/candidates';
import type { CountRule } from '../fit/rules';
import type { Disagreement, Gauge } from '../gauge/gauge';
import { MM_PER_INCH } from '../length/length';
import type { PartOfPiece } from '../piece/partOfPiece';
import type { Unsuited } from '../structures/parts';
import type { StrungBy, Structure } from '../structures/structure';
import type { ThreadPlan } from '../supplies/threadPlan';
import type { AsBead } from './asBead';
import type { ThreadDoubt } from '../supplies/threadSense';

/** What a plan that stands should still be looked at for. The interface words it. */
export type Warning =
  | { readonly code: 'none-fits'; readonly nearest: Candidate; readonly closing: Closing }
  | {
      readonly code: 'chosen-does-not-fit';
      readonly sit: Sit | null;
      readonly chosen: Candidate;
      readonly best: Candidate;
    }
  | { readonly code: 'breaks-rule'; readonly rule: CountRule; readonly units: number }
  | { readonly code: 'typical-size'; readonly size: TypicalSize; readonly place: Place | null }
  | { readonly code: 'between-knuckle' }
  | { readonly code: 'flat-strip-long'; readonly finishedMm: number; readonly mostMm: number }
  | { readonly code: 'over-the-head'; readonly finishedMm: number; readonly headMm: number }
  | { readonly code: 'chain-ran-out'; readonly chosen: Candidate }
  | { readonly code: 'end-fixed-first'; readonly ends: readonly ('start' | 'end')[] }
  | { readonly code: 'one-pass-through-clasp'; readonly holder: string }
  | { readonly code: 'closure'; readonly doubt: ClosureDoubt }
  | { readonly code: 'thread'; readonly doubt: ThreadDoubt }
  | { readonly code: 'several-lengths'; readonly lengths: number; readonly longestMm: number }
  | { readonly code: 'soft-net'; readonly betweenMm: readonly [number, number] }
  | { readonly code: 'two-opinions'; readonly of: Disagreement }
  | { readonly code: 'not-settled' }
  | { readonly code: 'odd-shape'; readonly bead: Unsuited }
  | { readonly code: 'sizes'; readonly advice: string }
  | { readonly code: 'other-thread' }
  /** Beads at the edge of a part that closes the piece are too full to be sewn through. */
  | { readonly code: 'edge-full'; readonly part: string; readonly roles: readonly string[] }
  /** Beads of a part that is joined are too full for the thread that goes through it from joint to joint. */
  | { readonly code: 'way-full'; readonly part: string; readonly roles: readonly string[] }
  /** What lies beside a part on the thread goes into its hole, or through its loop. */
  | { readonly code: 'slips'; readonly part: string; readonly into: 'hole' | 'loop' }
  /** Beads of the loop of what hangs in a ring are thicker than that is wide inside. */
  | {
      readonly code: 'loop-too-thick';
      readonly part: string;
      readonly ring: string;
      readonly beadMm: number;
      readonly insideMm: number;
    }
  /** Parts that are made, and that nothing strings. */
  | { readonly code: 'loose-parts'; readonly parts: readonly string[] }
  /** How much of the thread's length a part made apart takes up is known between these only. */
  | {
      readonly code: 'part-not-measured';
      readonly part: string;
      readonly by: StrungBy;
      readonly betweenMm: readonly [number, number];
    }
  | { readonly code: 'gauge-differs'; readonly gaugeMm: number; readonly workedOutMm: number }
  | { readonly code: 'no-path' }
  | { readonly code: 'example-figures' }
  | {
      readonly code: 'make-a-swatch';
      readonly spread: number;
      readonly mayShorten: number;
      readonly source: Gauge['source'];
    };

interface Findings {
  readonly piece: PartOfPiece;
  readonly structure: Structure;
  readonly chosen: Candidate;
  readonly best: Candidate;
  readonly sit: Sit | null;
  readonly wear: Wear;
  readonly closure: Closure & {
    readonly passes: number;
    readonly finalAt: Readonly<Record<EdgeName, string>>;
  };
  readonly closureDoubts: readonly ClosureDoubt[];
  readonly thread: ThreadPlan;
  readonly threadDoubts: readonly ThreadDoubt[];
  readonly gauge: Gauge;
  readonly unsuited: readonly Unsuited[];
  readonly advice: readonly string[];
  readonly pathless: boolean;
  readonly byMeasure: { readonly example: boolean } | null;
  readonly strung: Strung;
}

/** What is strung in the place of beads, and what is made and is not. */
interface Strung {
  readonly components: Iterable<Pick<AsBead, 'id' | 'name' | 'betweenMm' | 'full' | 'by' | 'slips'>>;
  readonly loose: readonly string[];
  /** What closes it, and the roles at its edges that are too full; null where nothing woven does. */
  readonly closing: { readonly name: string; readonly full: readonly string[] } | null;
}

/** A flat strip longer than a choker stands off the neck. */
const FLAT_MOST_MM = (NECKLACE_LENGTHS.find(({ name }) => name === 'choker')?.toIn ?? 16) * MM_PER_INCH;
/** Round an adult's head (from memory): a closed necklace must pass it. */
const HEAD_MM = 600;

/** Everything worth a word, the weightiest first. */
export function warningsOf(f: Findings): Warning[] {
  return [
    ...fitWarnings(f),
    ...placeWarnings(f),
    ...f.closureDoubts.map((doubt): Warning => ({ code: 'closure', doubt })),
    ...f.threadDoubts.map((doubt): Warning => ({ code: 'thread', doubt })),
    ...f.unsuited.map((bead): Warning => ({ code: 'odd-shape', bead })),
    ...f.advice.map((advice): Warning => ({ code: 'sizes', advice })),
    ...strungWarnings(f.strung),
    ...makingWarnings(f),
  ];
}

function fitWarnings({ chosen, best, sit, piece }: Findings): Warning[] {
  const breaks = chosen.breaks.map((rule): Warning => ({ code: 'breaks-rule', rule, units: chosen.units }));
  if (piece.ends.chain && chosen.links === 0 && !chosen.fits)
    return [{ code: 'chain-ran-out', chosen }, ...breaks];
  if (!best.fits) return [{ code: 'none-fits', nearest: best, closing: piece.ends.closing }, ...breaks];
  if (chosen.fits) return breaks;
  return [{ code: 'chosen-does-not-fit', sit, chosen, best }, ...breaks];
}

function placeWarnings({ piece, structure, chosen, wear }: Findings): Warning[] {
  const warnings: Warning[] = [];
  if (piece.wearer?.typical && wear.bodyMm !== null)
    warnings.push({ code: 'typical-size', size: piece.wearer.typical, place: null });
  if (wear.between) warnings.push({ code: 'between-knuckle' });
  const { finishedMm } = chosen;
  const woven = piece.ends.chain ? piece.ends.chain.wovenMm : finishedMm;
  if (piece.kind === 'necklace' && structure.handles === 'holds flat' && woven > FLAT_MOST_MM)
    warnings.push({ code: 'flat-strip-long', finishedMm: woven, mostMm: FLAT_MOST_MM });
  if (piece.kind === 'necklace' && piece.ends.closing === 'joined' && finishedMm < HEAD_MM)
    warnings.push({ code: 'over-the-head', finishedMm, headMm: HEAD_MM });
  return warnings;
}

function strungWarnings({ components, loose, closing }: Strung): Warning[] {
  // One that stands in the middle too, held at other points, is one part: as the first of it is held.
  const held = [...components];
  const all = held.filter((one, i) => held.findIndex(({ id }) => id === one.id) === i);
  const unsure = all.filter(({ slips, betweenMm: [least, most] }) => slips === null && least < most);
  const full = closing?.full ?? [];
  return [
    ...(closing && full.length > 0 ? [{ code: 'edge-full', part: closing.name, roles: full } as const] : []),
    ...all.flatMap(({ name, full: roles }): Warning[] =>
      roles.length > 0 ? [{ code: 'way-full', part: name, roles }] : [],
    ),
    ...all.flatMap(({ name, slips }): Warning[] =>
      slips ? [{ code: 'slips', part: name, into: slips }] : [],
    ),
    ...(loose.length > 0 ? [{ code: 'loose-parts', parts: loose } as const] : []),
    ...unsure.map(({ name, betweenMm, by }): Warning => ({
      code: 'part-not-measured',
      part: name,
      by,
      betweenMm,
    })),
  ];
}

/** A measured unit that differs by more than this from what was worked out is looked at twice (from memory). */
const DIFFERS = 0.15;

function makingWarnings({ piece, closure, thread, gauge, pathless, byMeasure }: Findings): Warning[] {
  const warnings: Warning[] = [];
  const { pitchMm, workedOutMm } = gauge;
  if (byMeasure?.example) warnings.push({ code: 'example-figures' });
  if (pathless) warnings.push({ code: 'no-path' });
  else if (Math.abs(pitchMm / workedOutMm - 1) > DIFFERS)
    warnings.push({ code: 'gauge-differs', gaugeMm: pitchMm, workedOutMm });
  const { fastening } = piece.ends.clasp;
  // A knot in its shell, and a pressed crimp, hold one thread as well as two.
  const heldByOne = fastening === 'knot inside' || fastening === 'crimped';
  if (closure.closing === 'clasp' && closure.passes < 2 && !heldByOne)
    warnings.push({ code: 'one-pass-through-clasp', holder: closure.loops.start.finding?.name ?? 'clasp' });
  if (gauge.swatches && !gauge.swatches.sameThread) warnings.push({ code: 'other-thread' });
  // A length to each of several stretches is no change of thread.
  if (thread.divisions.some(({ changes }) => changes.length > 0))
    warnings.push({ code: 'several-lengths', lengths: thread.lengths, longestMm: thread.longestMm });
  if (gauge.disagrees) warnings.push({ code: 'two-opinions', of: gauge.disagrees });
  if (gauge.soft) warnings.push({ code: 'soft-net', betweenMm: gauge.soft });
  if (!gauge.settled) warnings.push({ code: 'not-settled' });
  const first = (['start', 'end'] as const).filter((end) => closure.finalAt[end] === 'before the body');
  // What hangs by one end is fitted at the other.
  if (closure.closing === 'clasp' && first.length > 0 && closure.loops.end.passes > 0)
    warnings.push({ code: 'end-fixed-first', ends: first });
  const { source, spread, mayShorten } = gauge;
  if (source !== 'this piece' && source !== 'swatch')
    warnings.push({ code: 'make-a-swatch', spread, mayShorten, source });
  return warnings;
}
