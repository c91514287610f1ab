import * as z from 'zod';
import { LOOP_ROLE } from '../closures/sewnLoop';
import { CORE_ROLE } from '../joints/setIn';
import { colouringSchema, type Shade } from '../colour/shades';
import { KNOT_ROLE, knotBody } from '../materials/knot';
import {
  beadMaterialSchema,
  sizeOf,
  type BeadMaterial,
  type BeadSize,
  type ThreadMaterial,
} from '../materials/material';
import { structureById } from '../structures/registry';
import { sectionsSchema } from '../structures/sections';
import { given } from '../tools/given';
import { FIRST_ROLES, LATER_ROLES, ROLE_LETTERS, type RoleLetter } from '../structures/roles';

/** More units than any piece has; beyond it the count is a slip of the finger. */
export const MOST_UNITS = 5000;

/** Everything that a bead of any part is chosen for. */
export const BEAD_ROLES = [...ROLE_LETTERS, LOOP_ROLE] as const;

const each = <R extends string, S extends z.ZodType>(roles: readonly R[], schema: S): Record<R, S> =>
  Object.fromEntries(roles.map((role) => [role, schema])) as Record<R, S>;

const beadsSchema = z.strictObject({
  ...each([...FIRST_ROLES, LOOP_ROLE] as const, beadMaterialSchema),
  ...each(LATER_ROLES, beadMaterialSchema.optional()),
  /** Of a part that goes round a body: that body. */
  [CORE_ROLE]: beadMaterialSchema.optional(),
});

/**
 * How the thread that strings a part made apart goes through it: between its beads and through the hole of the body that it
 * is about, or under its threads, which leaves its beads where they lie.
 */
export const WAYS = ['between', 'under'] as const;
export type Way = (typeof WAYS)[number];

/** Letters of the name of a part. */
export const MOST_LETTERS_OF_A_PART = 40;

export const idSchema = z.string().min(1).max(40);

/** What is chosen of one part: its stitch, its beads, and how many units it has. */
export const partSchema = z.object({
  id: idSchema,
  /** What the maker calls it; empty where it goes by the name of the piece. */
  name: z.string().trim().max(MOST_LETTERS_OF_A_PART).default(''),
  /**
   * What its count goes by. `fit`: it takes up what the wish leaves; `around`: it is closed into a ring about a body that
   * is set in, and made apart, to be strung like a bead; `fixed`: it has as many units as it is given, and closes the piece
   * in the place of a clasp, or is a motif that is joined like a bead of two holes; `over`: it is a bail, closed into a ring that runs on the piece.
   */
  count: z
    .discriminatedUnion('by', [
      z.object({ by: z.literal('fit') }),
      z.object({
        by: z.literal('around'),
        way: z.enum(WAYS),
        /** How much of the thread's length one takes up when it is strung, as the maker measured it. */
        measuredMm: z.number().min(1).max(200).nullable(),
      }),
      z.object({
        by: z.literal('fixed'),
        /** Of a motif: how wide it is from point to point, as the maker measured it. */
        measuredMm: z.number().min(1).max(200).nullable().default(null),
      }),
      z.object({ by: z.literal('over') }),
    ])
    .default({ by: 'fit' }),
  /** Parts made apart that are strung in the place of a bead, by the role that they take. */
  strung: z.partialRecord(z.enum(ROLE_LETTERS), idSchema).default({}),
  structure: z
    .object({
      id: z.string(),
      params: z.record(z.string(), z.unknown()),
      /** Units of other beads before and after its own; none where nothing is said. */
      sections: sectionsSchema.optional(),
    })
    .refine((s) => structureById(s.id) !== undefined, 'This version knows no such structure.'),
  /** The bead of each role, copied from the catalogue. */
  beads: beadsSchema,
  /** Roles whose beads come in several colours, and how they share them out. */
  colourings: z.partialRecord(z.enum(ROLE_LETTERS), colouringSchema).default({}),
  /** Where the maker changes thread: after a unit of a pass. Null leaves it to the plan. */
  threadChanges: z
    .array(
      z.object({
        needle: z.string().max(60),
        pass: z.string().max(60),
        unit: z.number().int().min(0).max(MOST_UNITS),
      }),
    )
    .max(40)
    .nullable()
    .default(null),
  /** Optional passes that are left out. */
  without: z.array(z.string().max(60)).max(20).default([]),
  /** The maker's own rules on the count. */
  rules: z.object({ parity: z.enum(['any', 'even', 'odd']), multipleOf: z.number().int().min(1).max(24) }),
  /** A gauge that the maker gives; null leaves it to her swatches and the layout. */
  gauge: z
    .discriminatedUnion('source', [
      z.object({
        source: z.literal('this piece'),
        units: z.number().int().min(1).max(MOST_UNITS),
        lengthMm: z.number().min(1).max(5000),
        /** Whether the later passes were worked when it was measured. */
        finished: z.boolean(),
      }),
      z.object({ source: z.literal('table'), pitchMm: z.number().min(0.2).max(300) }),
    ])
    .nullable(),
  /** The count the maker chose; null leaves it to the nearest one. */
  units: z.number().int().min(1).max(MOST_UNITS).nullable(),
});
export type Part = z.infer<typeof partSchema>;

/** The bead of a role. A later role that has none of its own yet has the first one's. Throws for what is no role. */
export const beadOf = ({ beads }: Pick<Part, 'beads'>, role: string): BeadMaterial =>
  given(
    beads[role as keyof Part['beads']] ?? (LATER_ROLES.some((later) => later === role) ? beads.A : null),
    `bead for ${role}`,
  );

/** The colours that a role's beads come in: its own first. */
export const shadesOf = (part: Pick<Part, 'beads' | 'colourings'>, role: string): Shade[] => {
  const { colourName: name, colour: hex } = beadOf(part, role);
  return [{ name, hex }, ...(part.colourings[role as RoleLetter]?.more ?? [])];
};

/** What the layout must know of the bead of each role. Throws for what is no role. */
export function bodiesOf(part: Pick<Part, 'beads'>): (role: string) => BeadSize {
  const bodies = new Map<string, BeadSize>();
  return (role) => {
    const body = bodies.get(role) ?? sizeOf(beadOf(part, role));
    bodies.set(role, body);
    return body;
  };
}

/** The same with a knot between two beads among them, as the thread of the piece makes it. */
export function bodiesOnThread(
  part: Pick<Part, 'beads'> & { readonly thread: ThreadMaterial; readonly doubled: boolean },
): (role: string) => BeadSize {
  const [beads, knot] = [bodiesOf(part), knotBody(part.thread, part.doubled)];
  return (role) => (role === KNOT_ROLE ? knot : beads(role));
}

/** What a maker calls a part that she has given no name. */
export const partName = ({
  name,
  beads,
  count,
  structure,
}: Pick<Part, 'name' | 'beads' | 'count' | 'structure'>): string => {
  if (name) return name;
  const core = beads[CORE_ROLE];
  if (core) return `framed ${core.shape}`;
  if (count.by === 'over') return 'bail';
  return structureById(structure.id)?.madeWhole?.called ?? 'woven top';
};
