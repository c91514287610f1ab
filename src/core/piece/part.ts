import * as z from 'zod';
import { LOOP_ROLE } from '../closures/sewnLoop';
import { colouringSchema, type Shade } from '../colour/shades';
import { beadMaterialSchema, sizeOf, type BeadMaterial, type BeadSize } from '../materials/material';
import { structureById } from '../structures/registry';
import { given } from '../tools/given';
import { FIRST_ROLES, LATER_ROLES, ROLE_LETTERS, type RoleLetter } from '../structures/structure';

/** More units than any piece has; beyond it the count is a slip of the finger. */
export const MOST_UNITS = 5000;

/** Everything that a bead is chosen for. */
export const BEAD_ROLES = [...ROLE_LETTERS, LOOP_ROLE] as const;

const each = <R extends string, S extends z.ZodType>(roles: readonly R[], schema: S): Record<R, S> =>
  Object.fromEntries(roles.map((role) => [role, schema])) as Record<R, S>;

const beadsSchema = z.strictObject({
  ...each([...FIRST_ROLES, LOOP_ROLE] as const, beadMaterialSchema),
  ...each(LATER_ROLES, beadMaterialSchema.optional()),
});

/** What is chosen of one part: its stitch, its beads, and how many units it has. */
export const partSchema = z.object({
  id: z.string().min(1).max(40),
  structure: z
    .object({ id: z.string(), params: z.record(z.string(), z.unknown()) })
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
