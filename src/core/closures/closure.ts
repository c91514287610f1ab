import type { Closing } from '../body/kinds';
import type { Clasp, FindingMaterial } from '../materials/material';
import { buttonLoop, loopOpeningMm, type ButtonLoop, type LoopSeed } from './buttonLoop';
import {
  legReachMm,
  loopLengthMm,
  NO_LOOP,
  type EndLoops,
  type Legs,
  type SewnLoop,
  type SewnTo,
} from './sewnLoop';
import { EDGE_NAMES, type EdgeName } from '../weave/edge';
import { halfWords, heldEnds, holderWords, holdsOneEnd } from './suits';
import { wholeUp } from '../tools/whole';

/** How one end is made. */
export interface EndChoice {
  readonly seedsEachSide: number;
  readonly passes: number;
  /** Whether its loop is turned on edge, by one seed more at the work. */
  readonly turned?: boolean | undefined;
  /** Whether it hangs from a V of legs, where the end has places for them. */
  readonly legs?: boolean | undefined;
  /** Jump rings between the sewn loop and the clasp. */
  readonly rings: { readonly finding: FindingMaterial; readonly count: number } | null;
}

/** How a piece is closed: the choices. */
export interface EndsChoice {
  readonly closing: Closing;
  readonly clasp: Clasp;
  readonly start: EndChoice;
  readonly end: EndChoice;
  /** Seeds of a loop over a ball or a button; null takes the count worked out. */
  readonly loopSeeds: number | null;
  /** Links that the closed piece can be let out by. */
  readonly extender: {
    readonly linkMm: number;
    readonly links: number;
    /** Jump rings in the place of a chain's links. */
    readonly rings: FindingMaterial | null;
  } | null;
  /** A part made apart that hangs in its last link. */
  readonly dangle: string | null;
  /** Chain on either side that makes up what the woven part leaves. */
  readonly chain: { readonly linkMm: number; readonly wovenMm: number } | null;
}

export type ClosurePart = 'clasp' | 'loops' | 'rings' | 'chain';

/** What closing the piece takes of its finished length. */
export interface Closure {
  readonly closing: Closing;
  /** Each part that takes any, mm; chains are not among them, for they depend on the count. */
  readonly parts: readonly { readonly what: ClosurePart; readonly mm: number }[];
  readonly claspMm: number;
  readonly loopsMm: number;
  readonly ringsMm: number;
  readonly allowanceMm: number;
  /** One standard deviation of the closed length of such a clasp, mm. */
  readonly sdMm: number;
  /** From the tip at either end to where the sewn loop begins, chains not counted. */
  readonly startMm: number;
  readonly endMm: number;
  readonly loops: EndLoops;
  /** The loop over a ball or button, and its count; null where a clasp closes it. */
  readonly button: (ButtonLoop & { readonly seeds: number }) | null;
}

/** What jump rings take of an end; a free end has none. */
function ringsMm(ends: EndsChoice, end: EdgeName): number {
  const { rings } = ends[end];
  return rings && heldEnds(ends.clasp).includes(end) ? rings.count * rings.finding.lengthMm : 0;
}

/** The loop of an end, as the path sews it. */
function sewnLoop(
  ends: EndsChoice,
  end: EdgeName,
  button: Closure['button'],
  { mostLoops = 1, to, legs: places }: Holding,
): SewnLoop {
  if (ends.closing !== 'clasp' || !heldEnds(ends.clasp).includes(end)) return NO_LOOP;
  const { seedsEachSide, passes, turned = false, rings, legs: wanted = false } = ends[end];
  const { note } = ends.clasp;
  const loops = Math.min(ends.clasp.loops, mostLoops);
  const inV =
    wanted && places && loops === 1 && to === undefined && ends.clasp.fastening === 'sewn loop'
      ? { legs: places }
      : {};
  if (button && end === 'end')
    return { seedsEachSide: inV.legs ? seedsEachSide : 0, passes, buttonSeeds: button.seeds, note, ...inV };
  // A finding that is sewn in or glued on, or that a knot sits in, is held without seeds.
  const seeds = ends.clasp.fastening === 'sewn loop' ? seedsEachSide : 0;
  const named = holdsOneEnd(ends.clasp)
    ? { finding: { name: holderWords(ends.clasp), joint: end } }
    : to === undefined
      ? { called: halfWords(ends.clasp, end, rings !== null) }
      : { to };
  const { fastening } = ends.clasp;
  const inShell = fastening === 'knot inside' && { inShell: true as const, note };
  const crimped = fastening === 'crimped' && { crimped: true as const, note };
  return {
    seedsEachSide: seeds,
    // Once pressed nothing goes through a crimp again.
    passes: crimped ? Math.min(passes, 1) : passes,
    // To an edge one sews close: nothing there is to be turned.
    ...(turned && to === undefined && { turned }),
    ...inV,
    ...(loops > 1 && { loops }),
    ...named,
    ...inShell,
    ...crimped,
  };
}

/** What the work has for its ends to be sewn to. */
export interface Holding {
  /** How many loops of a clasp the stitch can hold side by side. */
  readonly mostLoops?: number | undefined;
  /** What they are sewn to, where it is no clasp. */
  readonly to?: SewnTo | undefined;
  /** Places round its end for the legs of a V. */
  readonly legs?: Legs | undefined;
}

/**
 * What closes the piece, in millimetres and in beads.
 * @param seed the seed of the loops, with its finish on
 */
export function closureOf(ends: EndsChoice, seed: LoopSeed, holding: Holding = {}): Closure {
  const { clasp, closing } = ends;
  const clasped = closing === 'clasp';
  const over = clasped && clasp.buttonsMm !== null ? buttonLoop(clasp.buttonsMm, seed) : null;
  const button = over && { ...over, seeds: ends.loopSeeds ?? over.least };
  const loops: EndLoops = {
    start: sewnLoop(ends, 'start', button, holding),
    end: sewnLoop(ends, 'end', button, holding),
    joined: closing === 'joined',
  };
  const claspMm = clasped ? clasp.startMm + clasp.endMm : 0;
  const loopsMm = loopLengthMm(loops.start, seed) + loopLengthMm(loops.end, seed);
  const links = clasped ? ringsMm(ends, 'start') + ringsMm(ends, 'end') : 0;
  const parts = (
    [
      { what: 'clasp', mm: claspMm },
      { what: 'loops', mm: loopsMm },
      { what: 'rings', mm: links },
    ] as const
  ).filter(({ mm }) => mm > 0);
  return {
    closing,
    parts,
    claspMm,
    loopsMm,
    ringsMm: links,
    allowanceMm: claspMm + loopsMm + links,
    // Equally likely anywhere in the usual range of width 2·s: it deviates by s/√3.
    sdMm: clasped ? clasp.spreadMm / Math.sqrt(3) : 0,
    startMm: clasped ? clasp.startMm + ringsMm(ends, 'start') : 0,
    endMm: clasped ? clasp.endMm + ringsMm(ends, 'end') : 0,
    loops,
    button,
  };
}

/** What to look at in a closure, beside its length. */
export type ClosureDoubt =
  /** Each strand has a loop of its own over the one button. */
  | { readonly code: 'strands-over-button'; readonly strands: number }
  /** The legs of a V are too short to meet: so many seeds to each would let them. */
  | { readonly code: 'legs-too-short'; readonly end: EdgeName; readonly seeds: number }
  /** The bar cannot swing: so many seeds a side more on the bar's side would let it. */
  | { readonly code: 'bar-cannot-swing'; readonly barMm: number; readonly seeds: number }
  /** The bar is so short that it slips back through its loop. */
  | { readonly code: 'bar-slips'; readonly barMm: number; readonly needsMm: number }
  /** The wire does not pass the hole of a seed that it goes through. */
  | {
      readonly code: 'wire-too-thick';
      readonly ring: string;
      readonly wireMm: number;
      readonly holeMm: number;
    }
  /** The ring cannot hold what hangs on it. */
  | {
      readonly code: 'ring-too-small';
      readonly ring: string;
      readonly insideMm: number;
      readonly needsMm: number;
    }
  /** The strip is too narrow for so many loops side by side, or the clasp for so wide a strip. */
  | {
      readonly code: 'loops-and-width';
      readonly loops: number;
      /** Loops that the stitch can hold side by side. */
      readonly most: number;
      readonly widthMm: number;
      readonly needsMm: number;
    }
  | { readonly code: 'one-loop-for-wide-strip'; readonly widthMm: number }
  | { readonly code: 'turned-loop' }
  | { readonly code: 'loop-count'; readonly seeds: number; readonly least: number; readonly most: number };

/** A strip wider than this turns in a clasp of one loop (from memory). */
export const ONE_LOOP_MOST_MM = 15;

interface Strip {
  readonly widthMm: number;
  readonly thicknessMm: number;
  readonly seed: LoopSeed & { readonly holeMm: number };
  /** Loops of a clasp that its stitch can hold side by side. */
  readonly mostLoops: number;
  /** Whether each loop holds a strand by itself, however far apart they stand. */
  readonly loopsApart?: boolean;
  /** Metal that hangs in a jump ring: the clasp's own wire, of which nothing is known but that it is about a mm. */
  readonly threadMm: number;
}

/** The wire of a clasp's own loop (from memory). */
const CLASP_WIRE_MM = 1;

/** Checks of a closure against the strip that it closes. */
export function closureDoubts(ends: EndsChoice, closure: Closure, strip: Strip): ClosureDoubt[] {
  if (ends.closing !== 'clasp') return [];
  const doubts: ClosureDoubt[] = [...barDoubts(ends, closure, strip), ...ringDoubts(ends, strip)];
  const { clasp } = ends;
  // Two seeds side by side are a loop; loops stand beside each other.
  const needsMm = clasp.loops * 2 * strip.seed.diameterMm;
  if (clasp.loops > 1 && ((strip.widthMm < needsMm && !strip.loopsApart) || clasp.loops > strip.mostLoops))
    doubts.push({
      code: 'loops-and-width',
      loops: clasp.loops,
      most: strip.mostLoops,
      widthMm: strip.widthMm,
      needsMm,
    });
  if (clasp.loops === 1 && clasp.fastening === 'sewn loop' && strip.widthMm > ONE_LOOP_MOST_MM)
    doubts.push({ code: 'one-loop-for-wide-strip', widthMm: strip.widthMm });
  const turned = ({ turned: is, rings }: EndChoice) => is === true || rings !== null;
  if (clasp.turned && !turned(ends.start) && !turned(ends.end)) doubts.push({ code: 'turned-loop' });
  doubts.push(...legDoubts(closure, strip));
  const { button } = closure;
  if (button && strip.loopsApart) doubts.push({ code: 'strands-over-button', strands: strip.mostLoops });
  if (button && (button.seeds < button.least || button.seeds > button.most))
    doubts.push({ code: 'loop-count', seeds: button.seeds, least: button.least, most: button.most });
  return doubts;
}

/** Legs that hardly lead along the piece lie across its opening: they are to lead so far along, as a part of how far they lead inwards (from memory). */
const STEEP = 0.5;

function legDoubts({ loops }: Closure, { seed }: Strip): ClosureDoubt[] {
  return EDGE_NAMES.flatMap((end) => {
    const loop = loops[end];
    if (!loop.legs || loop.passes === 0) return [];
    const { fromMm } = loop.legs;
    if (legReachMm(loop, seed) >= STEEP * fromMm) return [];
    return [{ code: 'legs-too-short', end, seeds: wholeUp((Math.hypot(1, STEEP) * fromMm) / seed.lengthMm) }];
  });
}

/**
 * To close a toggle half of the bar goes through the ring, or the loop, first, with what is sewn to it folded along: for half
 * of the bar's length beyond its middle there may be nothing that does not pass. Closed, the bar lies across, and must be longer than
 * the loop is pulled flat.
 */
function barDoubts(ends: EndsChoice, closure: Closure, strip: Strip): ClosureDoubt[] {
  const { clasp } = ends;
  const { barMm, ringMm } = clasp;
  if (barMm === null) return [];
  const { button } = closure;
  const [on, claspMm] = button ? (['start', clasp.startMm] as const) : (['end', clasp.endMm] as const);
  const flatMm = button ? loopOpeningMm(button.seeds, strip.seed) / 2 : 0;
  const passes = ringMm !== null && Math.max(strip.widthMm, strip.thicknessMm) <= ringMm - CLASP_WIRE_MM;
  const free = claspMm + ringsMm(ends, on) + loopLengthMm(closure.loops[on], strip.seed);
  const short = barMm / 2 - free;
  return [
    ...(passes || short <= 0
      ? []
      : [
          {
            code: 'bar-cannot-swing',
            barMm,
            seeds: ends[on].seedsEachSide + wholeUp(short / strip.seed.lengthMm),
          } as const,
        ]),
    ...(barMm <= flatMm ? [{ code: 'bar-slips', barMm, needsMm: flatMm } as const] : []),
  ];
}

/** A jump ring goes through the loop of seeds, or the hole of a bead where there is no loop, and holds the clasp. */
function ringDoubts(ends: EndsChoice, { seed, threadMm }: Strip): ClosureDoubt[] {
  return heldEnds(ends.clasp).flatMap((end): ClosureDoubt[] => {
    const { rings, seedsEachSide, passes } = ends[end];
    if (!rings) return [];
    const { name, wireMm, insideMm } = rings.finding;
    if (seedsEachSide === 0)
      return wireMm !== null && wireMm > seed.holeMm
        ? [{ code: 'wire-too-thick', ring: name, wireMm, holeMm: seed.holeMm }]
        : [];
    const needsMm = CLASP_WIRE_MM + passes * threadMm;
    return insideMm !== null && insideMm < needsMm
      ? [{ code: 'ring-too-small', ring: name, insideMm, needsMm }]
      : [];
  });
}
