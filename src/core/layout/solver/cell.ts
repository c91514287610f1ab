import { cellOf } from '../../weave/cell';
import { endsOf, follow } from '../../weave/follow';
import {
  isTraversal,
  passInfo,
  WOVEN,
  sectionKey,
  type Bead,
  type End,
  type HoleEnd,
  type Move,
  type Face,
  type Path,
  type Tension,
  type Section,
  ofPart,
  type Slot,
} from '../../weave/path';
import { given } from '../../tools/given';

/** One bead of the repeat. */
export interface CellBead {
  /** Its number in the path that the cell was read from. */
  readonly id: number;
  readonly role: string;
  /** Which unit of the period it belongs to. */
  readonly unit: number;
  /** In which stage of the work it is strung: 0 is the foundation, later passes and parts follow. */
  readonly stage: number;
  /** Whether its part is made apart, and joined to the rest when it is done. */
  readonly apart: boolean;
  /** A body set in without thread: a ball in a frame, a stone in a capsule. */
  readonly setIn: boolean;
  /** Whether its pass draws in what is there by a part that practice knows: laid out, it leaves the pitch as it is. */
  readonly drawsIn: boolean;
  /** The face of the work that its pass lies on; null where the path says nothing. */
  readonly face: Face | null;
  readonly slot: Slot;
  /** Which bead of its unit it is: the same in every unit of its kind. */
  readonly word: string;
}

/** A point that thread passes: a hole end of bead `bead`, `shift` periods on. */
export interface Anchor {
  readonly bead: number;
  readonly hole: number;
  readonly end: End;
  readonly shift: number;
}

/** Bare thread between two points; a point with several anchors lies midway between them, on a bridge or between beads. */
export interface Span {
  readonly from: readonly Anchor[];
  readonly to: readonly Anchor[];
  /** How hard its thread is drawn, in the pull of a tight pass: the tightest trip along it says. */
  readonly pull: number;
  /** A turn round an edge, where a longer stretch of bare thread belongs. */
  readonly turn: boolean;
}

/** The pull of a pass's thread, as a part of a tight one's (from memory). */
const PULLS: Readonly<Record<Tension, number>> = { tight: 1, medium: 0.4, loose: 0.1 };

/** What repeats: beads and the bare thread between them, told once for one period. */
export interface RepeatCell {
  readonly beads: readonly CellBead[];
  readonly spans: readonly Span[];
  /** Units in a period. */
  readonly units: number;
  /** The unit of the piece, modulo the period, with which a period begins. */
  readonly phase: number;
  /** False for a piece without repeat, whose spans all have shift 0. */
  readonly periodic: boolean;
  /** Of a motif: so many periods about the axis, which they do not go along; null where they do. */
  readonly folds: number | null;
}

/**
 * The repeat cell of a section of a path: its beads, and every distinct span of one period. How often thread
 * follows a span does not matter; friction holds each one snug.
 * Returns null where the section does not repeat.
 */
export function repeatCell(path: Path, section: Section = WOVEN): RepeatCell | null {
  const cell = cellOf(path, section);
  if (!cell) return null;
  const { period } = cell;
  // A period from the middle, away from what the ends do.
  const first = cell.from + period * Math.floor((cell.to - cell.from) / period / 2);
  const index = new Map<number, number>();
  const units = new Map<number, Bead[]>();
  for (const bead of path.beads) {
    if (bead.place.section !== section) continue;
    const unit = units.get(bead.place.unit);
    if (unit) unit.push(bead);
    else units.set(bead.place.unit, [bead]);
  }
  const stageOf = stages(path, (bead) => bead.place.section === section);
  const setIn = setInOf(path);
  const beads: CellBead[] = [];
  const startOf: number[] = [];
  for (let u = 0; u < period; u++) {
    startOf.push(beads.length);
    for (const bead of units.get(first + u) ?? []) {
      beads.push({
        id: bead.id,
        role: bead.role,
        unit: u,
        stage: stageOf(bead),
        apart: false,
        setIn: setIn.has(bead),
        drawsIn: passInfo(path, bead.place).shortens !== null,
        face: passInfo(path, bead.place).face,
        slot: bead.slot,
        word: beadWord(bead),
      });
    }
  }
  for (const unit of units.values()) unit.forEach((bead, i) => index.set(bead.id, i));

  const anchor = ({ bead, hole, end }: HoleEnd): Anchor | null => {
    if (bead.place.section !== section) return null;
    const away = bead.place.unit - first;
    const shift = Math.floor(away / period);
    const kind = away - shift * period;
    const i = given(startOf[kind], 'start of a unit') + given(index.get(bead.id), 'place in its unit');
    return i < beads.length ? { bead: i, hole, end, shift } : null;
  };
  const inPeriod = ({ place }: Move) =>
    place.section === section && place.unit >= first && place.unit < first + period;
  return {
    beads,
    spans: distinctSpans(path, anchor, inPeriod),
    units: period,
    phase: first % period,
    periodic: true,
    folds: null,
  };
}

/** A component that is no round of a motif is made apart. */
const isApart = (path: Path, { place }: Bead): boolean => path.parts.get(place.section.part)?.folds === null;

/** Bodies that are set in before thread goes through them. */
const setInOf = (path: Path): ReadonlySet<Bead> =>
  new Set(path.moves.flatMap((move) => (move.kind === 'enclose' ? [move.bead] : [])));

/** The stages of the work: sections, and passes that are told apart, in the order they come. */
function stages(path: Path, wanted: (bead: Bead) => boolean = () => true): (bead: Bead) => number {
  const numbers = new Map<string, number>();
  const part = ({ place: { section, pass } }: Bead) =>
    `${sectionKey(section)}/${path.passes.has(ofPart(section.part, pass)) ? pass : ''}`;
  for (const bead of path.beads.filter(wanted))
    if (!numbers.has(part(bead))) numbers.set(part(bead), numbers.size);
  return (bead) => given(numbers.get(part(bead)), 'stage of a bead');
}

/** Which bead of its unit a bead is: its row in the unit, its pass and its name. */
export const beadWord = ({ name, place }: Bead): string => `${place.rowInUnit}/${place.pass}/${name}`;

/** A whole path as one cell without repeat: a ring, a motif, a frame. */
export function closedCell(path: Path): RepeatCell {
  const stageOf = stages(path);
  const setIn = setInOf(path);
  const beads = path.beads.map((bead) => ({
    id: bead.id,
    role: bead.role,
    unit: 0,
    stage: stageOf(bead),
    apart: isApart(path, bead),
    setIn: setIn.has(bead),
    drawsIn: passInfo(path, bead.place).shortens !== null,
    face: passInfo(path, bead.place).face,
    slot: bead.slot,
    word: bead.name,
  }));
  const anchor = ({ bead, hole, end }: HoleEnd): Anchor => ({ bead: bead.id, hole, end, shift: 0 });
  return {
    beads,
    spans: distinctSpans(path, anchor, () => true),
    units: 1,
    phase: 0,
    periodic: false,
    folds: null,
  };
}

function distinctSpans(
  path: Path,
  anchor: (end: HoleEnd) => Anchor | null,
  wanted: (move: Move) => boolean,
): Span[] {
  const spans = new Map<string, Span>();
  for (const { move, from, into } of follow(path)) {
    if (!from || !into || !wanted(move)) continue;
    const [a, b] = [endsOf(from).map(anchor), endsOf(into).map(anchor)];
    if (a.length === 0 || b.length === 0) continue;
    if (a.includes(null) || b.includes(null)) continue;
    const span = standard(a as Anchor[], b as Anchor[]);
    const key = `${word(span.from)}~${word(span.to)}`;
    const pull = PULLS[passInfo(path, move.place).tension];
    if (word(span.from) !== word(span.to))
      spans.set(key, {
        ...span,
        pull: Math.max(pull, spans.get(key)?.pull ?? 0),
        turn: isTraversal(move) && move.as === 'turn',
      });
  }
  return [...spans.values()];
}

const word = (anchors: readonly Anchor[]): string =>
  anchors
    .map(({ bead, hole, end, shift }) => `${bead}.${hole}.${end}@${shift}`)
    .sort()
    .join('+');

type Ends = Pick<Span, 'from' | 'to'>;

/** The same span told the same way: from its lesser point, whose first anchor lies in the cell itself. */
export function standard(a: readonly Anchor[], b: readonly Anchor[]): Ends {
  const home = (anchors: readonly Anchor[], shift: number) =>
    anchors.map((one) => ({ ...one, shift: one.shift - shift }));
  const fromHome = (from: readonly Anchor[], to: readonly Anchor[]): Ends => {
    const shift = from[0]?.shift ?? 0;
    return { from: home(from, shift), to: home(to, shift) };
  };
  const [one, other] = [fromHome(a, b), fromHome(b, a)];
  return word(one.from) + word(one.to) <= word(other.from) + word(other.to) ? one : other;
}
