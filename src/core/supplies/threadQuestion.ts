import { makeOf } from '../materials/material';
import { beadOf } from '../piece/part';
import type { PartOfPiece } from '../piece/partOfPiece';
import { threadMm, type ThreadMove } from '../read/thread';
import { total, type Built, type Reading } from '../read/totals';
import { BASE, WOVEN, jointOf, tailsOf, type Move } from '../weave/path';
import { goingOf, type Gear, type HoleReading } from './holeFill';
import { stretches, type Stretch } from './stretches';
import type { Laid, ThreadQuestion } from './threadPlan';

interface ThreadFindings {
  readonly piece: PartOfPiece;
  readonly from: Reading;
  readonly units: number;
  readonly movesOf: (built: Built) => readonly ThreadMove[];
  readonly holes: HoleReading;
  readonly gear: Gear;
  /** Nobody has told the path. */
  readonly pathless: boolean;
  /** What one unit took where it was measured. */
  readonly byMeasure: { readonly threadMm: number } | null;
}

const isWoven = ({ place }: Move): boolean => place.section === WOVEN;

/** What the plan of a piece asks of its thread: what each needle lays, in all and stretch by stretch. */
export function threadQuestion({
  piece,
  from,
  units,
  movesOf,
  holes,
  gear,
  pathless,
  byMeasure,
}: ThreadFindings): ThreadQuestion {
  const { threads } = from.at.path;
  const atEnds = (where: (move: Move) => boolean) =>
    threadMm(movesOf(from.at), (move) => !isWoven(move) && where(move));
  // Only the woven part grows with the count; how far a loop lies from a tube's edge changes with its turn.
  const inWork = (where: (move: Move) => boolean) =>
    total(from, (built) => threadMm(movesOf(built), (move) => isWoven(move) && where(move))) + atEnds(where);
  const tails = tailsOf(from.at.path);
  const laid = (needle: string) => ({
    needle,
    of: from.at.path.needles.get(needle)?.of ?? null,
    stretches: byMeasure
      ? measured(
          needle,
          units,
          byMeasure.threadMm,
          atEnds((move) => !tails.has(move.needle)),
        )
      : stretches(from, movesOf, needle),
    hasRoom: roomIn(holes, gear, piece),
  });
  // Where nobody has told the path, it is worked with one thread.
  const sewing = pathless ? threads.slice(0, 1) : threads;
  return {
    threads: sewing.map(({ needles: [one, other], folded }) => ({
      arms: (folded ? [one, other] : [one]).map(laid),
      tailSewsMm: folded ? 0 : inWork((move) => move.needle === other),
    })),
    strands: piece.doubled ? 2 : 1,
    // What the measured units took stands for what their path would.
    inWorkMm: byMeasure ? units * byMeasure.threadMm + atEnds(() => true) : inWork(() => true),
    wanted: piece.threadChanges,
    whole: makeOf(piece.thread) === 'elastic',
  };
}

/** Whether a hole takes the two ends of a change: the old thread woven in, then the new. */
function roomIn({ holes }: HoleReading, gear: Gear, piece: PartOfPiece): Laid['hasRoom'] {
  const states = new Map(holes.map((state) => [state.bead.id, state]));
  const adds = piece.doubled ? 2 : 1;
  return ({ last }) => {
    const state = last && states.get(last.id);
    if (!state) return true;
    const lying = { strands: state.strands + adds, knots: state.knots, adds };
    return goingOf(beadOf(piece, state.bead.role).holeMm, lying, gear) !== 'no';
  };
}

/** Stretches of a stitch whose path nobody has told: so much for every unit, and what sews the clasps. */
function measured(needle: string, units: number, unitMm: number, endsMm: number): Stretch[] {
  const unit = (i: number): Stretch => ({
    needle,
    section: WOVEN,
    pass: BASE,
    unit: i,
    mm: unitMm,
    last: null,
  });
  const ends = { needle, section: jointOf('end'), pass: 'sew on the clasp', unit: 0, mm: endsMm, last: null };
  return [...Array.from({ length: units }, (_, i) => unit(i)), ends];
}
