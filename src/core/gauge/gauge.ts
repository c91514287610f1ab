import { measuredGauge, pieceGauge, type Measured, type MeasuredGauge } from '../fit/swatch';
import type { CellLayout, LayoutRequest } from '../layout/cellLayout';
import type { RepeatCell } from '../layout/solver/cell';
import type { Drape } from '../layout/solver/measure';
import { alongWith } from '../layout/solvedForm';
import { MM_PER_INCH } from '../length/length';
import { LOT_SPREAD } from '../materials/material';
import type { PartOfPiece } from '../piece/partOfPiece';
import type { Form } from '../structures/structure';
import type { PassInfo } from '../weave/path';

/** In order of trust: the first that is there counts. */
export const GAUGE_SOURCES = ['this piece', 'swatch', 'table', 'solver', 'closed form'] as const;
export type GaugeSource = (typeof GAUGE_SOURCES)[number];

/** How long a unit is, how that is known and how sure it is. */
export interface Gauge {
  /** With every pass that is to be worked. */
  readonly pitchMm: number;
  /** Before the later passes that draw the work in. */
  readonly basePitchMm: number;
  /** Later passes that draw the work in, and by what part. */
  readonly shortening: Shortening | null;
  readonly perInch: number;
  /** What layout or closed form say beside it, all passes worked. */
  readonly workedOutMm: number;
  readonly source: GaugeSource;
  /** Swatches and finished pieces that it stands on, how many are pieces, and whether they were worked with the same thread. */
  readonly swatches: (Omit<SwatchFinding, 'readings'> & { readonly count: number }) | null;
  /** Where the mean of several swatches lies with 95 %. */
  readonly meanBetweenMm: readonly [number, number] | null;
  /** One standard deviation, as a part of the length. */
  readonly spread: number;
  /** By what part the work may come out shorter than was worked out. */
  readonly mayShorten: number;
  /** Between these a unit is all but certain to lie, mm. */
  readonly lowMm: number;
  readonly highMm: number;
  /** Between what a unit of a soft net lies by how it is drawn, mm; null where the work is not soft, or measured. */
  readonly soft: readonly [number, number] | null;
  /** Where layout and closed form disagree so much that neither should be trusted; null where they agree, or it is measured. */
  readonly disagrees: Disagreement | null;
  /** How it hangs, and the opening along its middle; null while it is not laid out. */
  readonly drape: Drape | null;
  /** How far the beads of each role stand out to the front and to the back, mm; empty while not laid out. */
  readonly faces: readonly { readonly role: string; readonly frontMm: number; readonly backMm: number }[];
  readonly insideMm: number | null;
  /** False where the layout did not come to rest: the closed form stands. */
  readonly settled: boolean;
}

/** What layout and closed form say of the same work, mm. */
export interface Disagreement {
  readonly pitchMm: readonly [laidOut: number, closed: number];
  readonly thicknessMm: readonly [laidOut: number, closed: number];
}

/** By what part later passes shorten the base. */
export interface Shortening {
  readonly passes: readonly string[];
  readonly least: number;
  readonly most: number;
  /** Pieces whose measures say so; 0 where it is what practice says of the stitch. */
  readonly pieces: number;
}

/** What the passes that are worked take of the length together; null where none takes any. */
export function shorteningOf(
  passes: ReadonlyMap<string, PassInfo>,
  without: ReadonlySet<string>,
): Shortening | null {
  const drawing = [...passes].flatMap(([name, { shortens }]) =>
    shortens && !without.has(name) ? [{ name, ...shortens }] : [],
  );
  if (drawing.length === 0) return null;
  return {
    passes: drawing.map(({ name }) => name),
    least: 1 - drawing.reduce((left, { least }) => left * (1 - least), 1),
    most: 1 - drawing.reduce((left, { most }) => left * (1 - most), 1),
    pieces: 0,
  };
}

/** Whether they are the same passes, in whatever order. */
export const arePasses = (one: readonly string[], other: readonly string[]): boolean =>
  one.length === other.length && one.every((pass) => other.includes(pass));

/** The same by what was measured of pieces before these passes and after them; one piece alone does not say how far the next may differ. */
export function learntShortening(
  usual: Shortening,
  shrinks: readonly {
    readonly passes: readonly string[];
    readonly by: number;
    readonly give: number | null;
    readonly pieces: number;
  }[],
): Shortening {
  const learnt = shrinks.find(({ passes }) => arePasses(passes, usual.passes));
  if (!learnt) return usual;
  const { by, pieces } = learnt;
  const usualGive = (usual.most - usual.least) / 2;
  const give = Math.min(learnt.give ?? usualGive, usualGive);
  return { passes: usual.passes, least: by - give, most: by + give, pieces };
}

/** What swatches there are of a stitch in these materials. */
export interface SwatchFinding {
  readonly readings: readonly Measured[];
  readonly sameThread: boolean;
  /** How many of them are pieces that were finished and measured. */
  readonly pieces: number;
}

export interface GaugeQuestion {
  readonly form: Form;
  /** The structure's own rule, which may disagree. */
  readonly closed: Form;
  readonly request: LayoutRequest | null;
  /** The layout, where it came to rest. */
  readonly layout: CellLayout | null;
  /** Whether there is one that did not. */
  readonly restless: boolean;
  /** How far beads lean on their thread, radians: a leaning row of hard beads is longer by 1 / cos. */
  readonly lean: number;
  readonly shortening: Shortening | null;
  /** By how much a unit may be shorter, and longer, for what is not known of the parts that it strings, mm. */
  readonly unsureMm: readonly [shorter: number, longer: number];
  /** Swatches with every pass worked, and of the base alone. */
  readonly swatches: SwatchFinding | null;
  readonly baseSwatches: SwatchFinding | null;
  readonly own: PartOfPiece['gauge'];
}

/** A length read from a chart may be off by so much (from memory): other beads, another hand. */
const TABLE_SPREAD = 0.04;

/** A uniform spread of width w deviates by w/√12. */
const uniform = (width: number) => width / Math.sqrt(12);

/**
 * The gauge from the best source there is. What is measured wins over what is worked out; what was measured before
 * the later passes is shortened by them. Lots of one size vary, edges are rounded more or less, and some structures
 * may come out shorter than was worked out; the last two are taken as equally likely anywhere between their limits.
 */
export function gaugeOf(q: GaugeQuestion): Gauge {
  const { form, closed, request, layout, shortening } = q;
  // The layout may be told in smaller units than the maker's.
  const times = request ? request.rowsOfUnit / request.rows : 1;
  const common = {
    workedOutMm: withShortening(form.pitchMm, 0, shortening).pitchMm,
    drape: layout?.drape ?? null,
    faces: request && layout ? faces(request.cell, layout) : [],
    insideMm: layout?.insideMm ?? null,
    settled: !q.restless,
  };
  const measurement = measurementOf(q) ?? chart(q);
  if (measurement) {
    const { pitchMm, spread } = measurement.gauge;
    return {
      ...common,
      ...withShortening(pitchMm, spread, measurement.finished ? null : shortening),
      source: measurement.source,
      swatches: measurement.swatches,
      meanBetweenMm: measurement.gauge.meanBetweenMm,
      mayShorten: 0,
      // Whatever the layout did not settle, the ruler has.
      settled: true,
      soft: null,
      disagrees: null,
    };
  }
  const { pitchMm, mayShorten } = form;
  const edges = layout?.roundingMm.map((mm) => mm * times) ?? [];
  const snugMm = layout ? layout.snugMm * times : pitchMm;
  // The two opinions, rounder and sharper edges, and what a net gives: all of it is likely.
  const all = [...edges, snugMm, pitchMm, closed.pitchMm, pitchMm / Math.cos(q.lean)];
  all.push(pitchMm - q.unsureMm[0], pitchMm + q.unsureMm[1]);
  const [least, most] = [Math.min(...all), Math.max(...all)];
  const spread = Math.hypot(LOT_SPREAD, uniform((most - least) / pitchMm), uniform(mayShorten));
  const drawnIn = withShortening(pitchMm, spread, shortening);
  const after = drawnIn.pitchMm / pitchMm;
  return {
    ...common,
    ...drawnIn,
    source: layout ? 'solver' : 'closed form',
    swatches: null,
    meanBetweenMm: null,
    mayShorten,
    soft: layout && closed.net && most > least * (1 + SOFT) ? [least, most] : null,
    disagrees: layout && disagreement(form, closed, closed.net !== undefined),
    lowMm: least * after * (1 - 2 * LOT_SPREAD) * (1 - mayShorten),
    highMm: most * after * (1 + 2 * LOT_SPREAD),
  };
}

/** A net whose units differ by less than this part is as firm as any other work. */
const SOFT = 0.05;
/** Layout and closed form disagree when pitch, or thickness, differs by more than this part of the form's. */
const PITCH_DIFFERS = 0.1;
const THICKNESS_DIFFERS = 0.3;

/** Of a net the pitch differs by what it gives, which is told as such. */
function disagreement(laidOut: Form, closed: Form, isNet: boolean): Disagreement | null {
  const off = (of: 'pitchMm' | 'thicknessMm') => Math.abs(laidOut[of] / closed[of] - 1);
  return (off('pitchMm') > PITCH_DIFFERS && !isNet) || off('thicknessMm') > THICKNESS_DIFFERS
    ? {
        pitchMm: [laidOut.pitchMm, closed.pitchMm],
        thicknessMm: [laidOut.thicknessMm, closed.thicknessMm],
      }
    : null;
}

interface Measurement {
  readonly source: GaugeSource;
  readonly gauge: MeasuredGauge;
  readonly swatches: Gauge['swatches'];
  /** Later passes were worked when it was measured. */
  readonly finished: boolean;
}

/** What the maker has measured: this piece, or swatches of it. */
function measurementOf({ own, swatches, baseSwatches }: GaugeQuestion): Measurement | null {
  if (own?.source === 'this piece')
    return { source: own.source, gauge: pieceGauge(own), swatches: null, finished: own.finished };
  const found = swatches ?? baseSwatches;
  if (!found) return null;
  return {
    source: 'swatch',
    gauge: measuredGauge(found.readings),
    swatches: { count: found.readings.length, sameThread: found.sameThread, pieces: found.pieces },
    finished: found === swatches,
  };
}

/** A gauge copied from a chart or a pattern. */
const chart = ({ own }: GaugeQuestion): Measurement | null =>
  own?.source === 'table'
    ? {
        source: 'table',
        gauge: { pitchMm: own.pitchMm, spread: TABLE_SPREAD, meanBetweenMm: null, swatches: 0 },
        swatches: null,
        finished: true,
      }
    : null;

function withShortening(basePitchMm: number, spread: number, shortening: Shortening | null) {
  const middle = shortening ? (shortening.least + shortening.most) / 2 : 0;
  const width = shortening ? shortening.most - shortening.least : 0;
  const pitchMm = basePitchMm * (1 - middle);
  const all = Math.hypot(spread, uniform(width));
  return {
    pitchMm,
    basePitchMm,
    shortening,
    perInch: MM_PER_INCH / pitchMm,
    spread: all,
    lowMm: pitchMm * (1 - 2 * all),
    highMm: pitchMm * (1 + 2 * all),
  };
}

function faces({ beads }: RepeatCell, { heightsMm }: CellLayout): Gauge['faces'] {
  const roles = new Map<string, [number, number]>();
  beads.forEach(({ role }, i) => {
    const [front, back] = heightsMm[i] ?? [0, 0];
    const [f, b] = roles.get(role) ?? [0, 0];
    roles.set(role, [Math.max(f, front), Math.max(b, back)]);
  });
  return [...roles].map(([role, [frontMm, backMm]]) => ({ role, frontMm, backMm }));
}

/** The form with its units as long as the gauge says, so that the picture is as true as the count. */
export function atPitch(form: Form, pitchMm: number): Form {
  const part = pitchMm / form.pitchMm;
  if (Math.abs(part - 1) < 1e-12) return form;
  return {
    ...alongWith(form, (along) => atPitch(along, pitchMm)),
    pitchMm,
    pose(bead) {
      const { centre, ...pose } = form.pose(bead);
      return { ...pose, centre: [centre[0] * part, centre[1], centre[2]] };
    },
  };
}
