import * as z from 'zod';
import type { Bead, Path } from '../weave/path';

/** A colour by its name: what a maker asks for, and what the picture shows. */
export const shadeSchema = z.object({
  name: z.string().trim().min(1).max(60),
  hex: z.string().regex(/^#[0-9a-f]{6}$/i),
});
export type Shade = z.infer<typeof shadeSchema>;

/** More colours of one bead than anybody keeps apart in small heaps. */
export const MOST_SHADES = 8;
export const MOST_UNITS_OF_A_SHADE = 50;

/** The further colours, after the bead's own. */
const more = z
  .array(shadeSchema)
  .min(1)
  .max(MOST_SHADES - 1);

/**
 * How the beads of a role share their colours out. `turns`: so many units in each, again and again; `alternating`:
 * bead by bead as they are strung; `graded`: from the first colour to the last along the piece, or there and back.
 */
export const colouringSchema = z.discriminatedUnion('pattern', [
  z.object({
    pattern: z.literal('turns'),
    more,
    every: z.number().int().min(1).max(MOST_UNITS_OF_A_SHADE),
  }),
  z.object({ pattern: z.literal('alternating'), more }),
  z.object({ pattern: z.literal('graded'), more, back: z.boolean() }),
]);
export type Colouring = z.infer<typeof colouringSchema>;

/** Where a bead stands among those of its role. */
export interface Standing {
  readonly unit: number;
  readonly units: number;
  /** Which of its role it is as they are strung, from 0, and of how many. */
  readonly nth: number;
  readonly of: number;
}

/** Which of the colours a bead takes: 0 is the bead's own. */
export function shadeAt(colouring: Colouring, { unit, units, nth, of }: Standing): number {
  const shades = colouring.more.length + 1;
  switch (colouring.pattern) {
    case 'turns':
      return Math.floor(Math.max(unit, 0) / colouring.every) % shades;
    case 'alternating':
      return nth % shades;
    case 'graded': {
      // A piece that is all one unit is graded bead by bead.
      const [place, places] = units > 1 ? [Math.min(Math.max(unit, 0), units - 1), units] : [nth, of];
      if (!colouring.back) return Math.floor((place * shades) / places);
      const half = Math.ceil(places / 2);
      return Math.floor((Math.min(place, places - 1 - place) * shades) / half);
    }
  }
}

/** The shade of every bead of the woven part whose role has several; by bead, as the path numbers them. */
export type Shading = ReadonlyMap<number, number>;

/** Shares the colours out over a whole piece of so many units. */
export function shading(
  path: Path,
  units: number,
  colourings: Readonly<Partial<Record<string, Colouring>>>,
): Shading {
  const beads = path.beads.filter((bead) => colourings[bead.role]);
  const of = new Map<string, number>();
  for (const { role } of beads) of.set(role, (of.get(role) ?? 0) + 1);
  const strung = new Map<string, number>();
  return new Map(
    beads.flatMap(({ id, role, place: { unit } }) => {
      const colouring = colourings[role];
      if (!colouring) return [];
      const nth = strung.get(role) ?? 0;
      strung.set(role, nth + 1);
      return [[id, shadeAt(colouring, { unit, units, nth, of: of.get(role) ?? 1 })] as const];
    }),
  );
}

/** How many beads of a role take each of its colours. */
export function shadeCounts(path: Path, shades: Shading, role: string, colours: number): number[] {
  const counts = Array.from({ length: colours }, () => 0);
  for (const bead of path.beads) {
    const shade = bead.role === role ? shades.get(bead.id) : undefined;
    if (shade !== undefined) counts[shade] = (counts[shade] ?? 0) + 1;
  }
  return counts;
}

/** What a maker calls a bead: its letter, and its number among the colours where there are several. */
export const shadeName = (role: string, shade: number | undefined): string =>
  shade === undefined ? role : `${role}${shade + 1}`;

/** The name of a bead of a shaded piece. */
export const namesIn =
  (shades: Shading) =>
  ({ role, id }: Pick<Bead, 'role' | 'id'>): string =>
    shadeName(role, shades.get(id));
