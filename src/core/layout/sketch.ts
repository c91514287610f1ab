import type { BeadSize } from '../materials/material';
import {
  drawing,
  flatFor,
  type Drawable,
  type Drawing,
  type DrawnBead,
  type DrawnThread,
  type Shape,
  type View,
} from './drawing';
import { routeLines } from '../read/routes';
import type { Flat } from './outline';
import { WOVEN, type Section } from '../weave/path';

/** A part of a picture, and how often it stands there, one after another along x. */
export interface SketchPart {
  /** Parts of a lower level are drawn first: what lies behind. */
  readonly level: number;
  readonly beads: readonly DrawnBead[];
  readonly threads: readonly DrawnThread[];
  /** Where it first stands, mm; then so many times, a step apart. */
  readonly atMm: number;
  readonly times: number;
  readonly stepMm: number;
  /** Units from one time to the next, and how many further on its beads stand than the path drawn says. */
  readonly stepUnits: number;
  readonly unitsOn: number;
  /** It belongs to another part, which is made apart: it is seen here, and is not a bead of this one. */
  readonly apart?: boolean;
}

/** The picture of a long piece, told once for what repeats. */
export interface Sketch {
  readonly shapes: Drawing['shapes'];
  readonly parts: readonly SketchPart[];
  /** Hidden ways that the thread is led to a next start. */
  readonly routes: readonly (readonly Flat[])[];
}

/** A long piece, to be drawn from a shorter one that lacks `missing` units in its middle. */
export interface Shortened {
  readonly short: Drawable;
  /** Units of the shorter one. */
  readonly units: number;
  readonly missing: number;
  readonly pitchMm: number;
}

const ONCE = { atMm: 0, times: 1, stepMm: 0, stepUnits: 0, unitsOn: 0 };

/** Draws a piece as it is. */
export function wholeSketch(piece: Drawable, sizeOf: (role: string) => BeadSize, view: View): Sketch {
  const all = drawing(piece, sizeOf, view);
  return { shapes: all.shapes, parts: levels(all, levelMm(all), ONCE), routes: routesOf(piece, view) };
}

/** How far apart in depth two levels are: the thickest bead. */
const levelMm = ({ shapes }: Drawing): number =>
  Math.max(...[...shapes.values()].map(({ edge }) => thickness(edge)), 1e-6);

const routesOf = ({ path, layout }: Drawable, view: View): Flat[][] =>
  routeLines(path, layout).map((points) => points.map(flatFor(view)));

/**
 * Draws a long piece whose middle looks the same after every one or few units: those are drawn once and used for
 * all that are missing. Null where they do not look alike, as in a rope that turns on: that is drawn whole.
 */
export function repeatedSketch(
  { short, units, missing, pitchMm }: Shortened,
  sizeOf: (role: string) => BeadSize,
  view: View,
): Sketch | null {
  const all = drawing(short, sizeOf, view);
  const apartMm = levelMm(all);
  const middle = Math.floor(units / 2);
  const stepUnits = [1, 2, 4].find((n) => missing % n === 0 && looksAlike(all.beads, middle, n, pitchMm));
  if (view === 'end' || stepUnits === undefined) return null;
  const stepMm = stepUnits * pitchMm;
  const inBody = (from: number, to: number) => (section: Section, unit: number) =>
    section === WOVEN && unit >= from && unit < to;
  const isCell = inBody(middle, middle + stepUnits);
  // Everything else up to the middle stays; what comes after it moves on.
  const isBefore = (section: Section, unit: number) =>
    !isCell(section, unit) && (inBody(-Infinity, middle)(section, unit) || section.joint === 'start');
  const pick = (wanted: (section: Section, unit: number) => boolean): Drawing => ({
    shapes: all.shapes,
    beads: all.beads.filter(({ bead: { place } }) => wanted(place.section, place.unit)),
    threads: all.threads.filter(({ section, unit }) => wanted(section, unit)),
  });
  const after = missing * pitchMm;
  const parts = [
    ...levels(pick(isBefore), apartMm, ONCE),
    ...levels(pick(isCell), apartMm, {
      atMm: 0,
      times: 1 + missing / stepUnits,
      stepMm,
      stepUnits,
      unitsOn: 0,
    }),
    ...levels(
      pick((section, unit) => !isBefore(section, unit) && !isCell(section, unit)),
      apartMm,
      { ...ONCE, atMm: after, unitsOn: missing },
    ),
  ];
  const middleX = Math.max(
    ...all.beads.filter(({ bead: { place } }) => isCell(place.section, place.unit)).map(({ at }) => at[0]),
  );
  return {
    shapes: all.shapes,
    parts: parts.sort((a, b) => a.level - b.level),
    routes: routesOf(short, view).map((points) =>
      points.map(([x, y]): Flat => [x > middleX ? x + after : x, y]),
    ),
  };
}

/** How high an outline is across its hole. */
const thickness = (edge: readonly Flat[]) => 2 * Math.max(...edge.map(([, y]) => Math.abs(y)));

/** Splits a drawing into layers, so that parts side by side overlap as they do in the hand. */
function levels(
  { beads, threads }: Drawing,
  apartMm: number,
  where: Pick<SketchPart, 'atMm' | 'times' | 'stepMm' | 'stepUnits' | 'unitsOn'>,
): SketchPart[] {
  const layers = new Map<number, { beads: DrawnBead[]; threads: DrawnThread[] }>();
  const layer = (depth: number) => {
    const level = Math.round(depth / apartMm);
    const kept = layers.get(level);
    if (kept) return kept;
    const made = { beads: [], threads: [] };
    layers.set(level, made);
    return made;
  };
  for (const bead of beads) layer(bead.depth).beads.push(bead);
  for (const thread of threads) layer(thread.depth).threads.push(thread);
  return [...layers]
    .map(([level, items]) => ({ level, ...items, ...where }))
    .sort((a, b) => a.level - b.level);
}

/** Whether the beads of a unit look the same, so many units on, but for their place along the piece. */
function looksAlike(beads: readonly DrawnBead[], unit: number, step: number, pitchMm: number): boolean {
  const words = (from: number) =>
    beads
      .filter(
        ({ bead: { place } }) => place.section === WOVEN && place.unit >= from && place.unit < from + step,
      )
      .map(({ bead, shape, at: [x, y], angle }) =>
        [shape, bead.role, near(x - from * pitchMm), near(y), near(angle / 10)].join(),
      )
      .sort()
      .join(';');
  return words(unit) === words(unit + step);
}
/** To a twentieth of a millimetre: less cannot be seen. Nothing is told apart by which side of a half it lies. */
const near = (mm: number) => Math.round(mm * 20 + 0.137);

/** The bead under a point of the picture, and the unit it stands in; the front one where several do. */
export function beadAt({ shapes, parts }: Sketch, [x, y]: Flat): StandingBead | null {
  for (const part of parts.filter(({ apart }) => !apart).reverse()) {
    const { beads, atMm, times, stepMm, stepUnits, unitsOn } = part;
    for (const drawn of [...beads].reverse()) {
      const shape = shapes.get(drawn.shape);
      if (!shape) continue;
      const nearest = stepMm > 0 ? Math.round((x - atMm - drawn.at[0]) / stepMm) : 0;
      const time = Math.min(Math.max(nearest, 0), times - 1);
      const along = atMm + time * stepMm;
      if (covers(shape.edge, drawn, [x - along, y]))
        return {
          drawn,
          unit: drawn.bead.place.unit + time * stepUnits + unitsOn,
          time,
          at: [drawn.at[0] + along, drawn.at[1]],
        };
    }
  }
  return null;
}

/** One bead of a picture where it stands, whichever of its times that is. */
export interface StandingBead {
  readonly drawn: DrawnBead;
  readonly unit: number;
  readonly time: number;
  readonly at: Flat;
}

/** Every bead of a picture from left to right, and of those above each other from the top down. */
export const standing = ({ parts }: Sketch): StandingBead[] =>
  parts
    .filter(({ apart }) => !apart)
    .flatMap(({ beads, atMm, times, stepMm, stepUnits, unitsOn }) =>
      // Of those that stand in the place of one bead the first stands for it.
      beads
        .filter(({ nth = 0 }) => nth === 0)
        .flatMap((drawn) =>
          Array.from({ length: times }, (_, time): StandingBead => ({
            drawn,
            time,
            unit: drawn.bead.place.unit + time * stepUnits + unitsOn,
            at: [drawn.at[0] + atMm + time * stepMm, drawn.at[1]],
          })),
        ),
    )
    .sort((a, b) => a.at[0] - b.at[0] || a.at[1] - b.at[1]);

/** Whether a point lies within a convex outline that stands at a place, turned. */
function covers(edge: readonly Flat[], { at, angle }: DrawnBead, [x, y]: Flat): boolean {
  const radians = (-angle * Math.PI) / 180;
  const [dx, dy] = [x - at[0], y - at[1]];
  const [px, py] = [
    dx * Math.cos(radians) - dy * Math.sin(radians),
    dx * Math.sin(radians) + dy * Math.cos(radians),
  ];
  return edge.every(([ax, ay], i) => {
    const [bx, by] = edge[(i + 1) % edge.length] as Flat;
    return (bx - ax) * (py - ay) - (by - ay) * (px - ax) >= -1e-9;
  });
}

/**
 * A sketch with that of another part beside it, from this place on.
 * @param roleIn what a role of the other is called here
 */
export function beside(
  sketch: Sketch,
  other: Sketch,
  atMm: number,
  roleIn: (role: string) => string,
): Sketch {
  const keyIn = (key: string) => `apart ${key}`;
  const shapes = [...other.shapes].map(([key, shape]): [string, Shape] => [
    keyIn(key),
    { ...shape, role: roleIn(shape.role) },
  ]);
  const parts = other.parts.map((part): SketchPart => ({
    ...part,
    atMm: part.atMm + atMm,
    apart: true,
    beads: part.beads.map((drawn) => ({
      ...drawn,
      shape: keyIn(drawn.shape),
      bead: { ...drawn.bead, role: roleIn(drawn.bead.role) },
    })),
  }));
  return {
    shapes: new Map([...sketch.shapes, ...shapes]),
    parts: [...sketch.parts, ...parts].sort((a, b) => a.level - b.level),
    routes: sketch.routes,
  };
}

/** Only the beads of these units of the woven part: what a cut across the piece shows. */
export const slice = ({ shapes, parts }: Sketch, fromUnit: number, toUnit: number): Sketch => ({
  shapes,
  routes: [],
  parts: parts
    .filter(({ apart }) => !apart)
    .map((part) => ({
      ...part,
      threads: [],
      beads: part.beads.filter(
        ({ bead: { place } }) => place.section === WOVEN && place.unit >= fromUnit && place.unit < toUnit,
      ),
    })),
});

/** A stretch along a picture, mm. */
export interface Stretch {
  readonly fromMm: number;
  readonly toMm: number;
}

/** Which times of a part reach into a stretch of the picture: the first, and the one after the last. */
export function timesWithin(
  { shapes }: Pick<Sketch, 'shapes'>,
  part: SketchPart,
  { fromMm, toMm }: Stretch,
): readonly [number, number] {
  const once = { ...part, times: 1 };
  const { from, to } = extent({ shapes, parts: [once] });
  const ends = part.threads.flatMap((thread) => [thread.from[0], thread.to[0]].map((x) => x + part.atMm));
  const [left, right] = [Math.min(from[0], ...ends), Math.max(to[0], ...ends)];
  if (part.times === 1) return right >= fromMm && left <= toMm ? [0, 1] : [0, 0];
  const first = Math.max(0, Math.ceil((fromMm - right) / part.stepMm));
  return [first, Math.max(first, Math.min(part.times, Math.floor((toMm - left) / part.stepMm) + 1))];
}

/** The rectangle that a sketch fills, mm. */
export function extent({ shapes, parts }: Pick<Sketch, 'shapes' | 'parts'>): {
  readonly from: Flat;
  readonly to: Flat;
} {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  const reach = new Map([...shapes].map(([key, { edge }]) => [key, Math.max(...edge.flat().map(Math.abs))]));
  for (const { beads, atMm, times, stepMm } of parts)
    for (const { shape, at } of beads) {
      const r = reach.get(shape) ?? 0;
      left = Math.min(left, at[0] + atMm - r);
      right = Math.max(right, at[0] + atMm + (times - 1) * stepMm + r);
      top = Math.min(top, at[1] - r);
      bottom = Math.max(bottom, at[1] + r);
    }
  return { from: [left, top], to: [right, bottom] };
}
