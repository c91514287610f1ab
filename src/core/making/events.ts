import * as z from 'zod';
import { idSchema } from '../piece/part';

/** What is told of beads that did not come into the work. */
export const WASTES = ['lost', 'culled', 'broken'] as const;

const length = z.number().min(1).max(50_000);
const steps = z.number().int().min(0).max(100_000);
const part = idSchema;

/** How far a part is: so many of it are done, and so many steps of the one under way. */
export const placeSchema = z.object({ part, made: z.number().int().min(0).max(10_000), at: steps });
export type Place = z.infer<typeof placeSchema>;

/** What happened at the mat. Every one is told so that, told twice, it is told once. */
export const happeningSchema = z.discriminatedUnion('did', [
  /** Worked on, or went back in the steps, to there. */
  z.object({ did: z.literal('go'), to: placeSchema }),
  /** Took work apart, back to there. */
  z.object({ did: z.literal('rip'), to: placeSchema }),
  /** Threaded a needle, or measured what is left on it: so long. */
  z.object({
    did: z.literal('thread'),
    needle: z.string().max(60),
    mm: length,
    at: placeSchema,
    joined: z.boolean(),
  }),
  /** Measured the work: so many units, so long; before the later passes or after them. */
  z.object({
    did: z.literal('measure'),
    part,
    units: z.number().int().min(1).max(10_000),
    /** The first unit of them, from 1. */
    from: z.number().int().min(1).max(10_000).default(1),
    lengthMm: length,
    finished: z.boolean(),
  }),
  /** Counted the rows there are, without having been shown how many there should be. */
  z.object({ did: z.literal('count'), at: placeSchema, rows: z.number().int().min(0).max(100_000) }),
  z.object({
    did: z.literal('waste'),
    why: z.enum(WASTES),
    part,
    role: z.string().max(80),
    count: z.number().int().min(1).max(10_000),
  }),
  /** Leaves out an optional pass, or does it after all. */
  z.object({ did: z.literal('skip'), part, pass: z.string().max(60), on: z.boolean() }),
  /** A photograph, kept beside by its id, and what is to be seen. */
  z.object({ did: z.literal('photo'), photo: z.uuid(), words: z.string().trim().max(400) }),
  z.object({ did: z.literal('note'), text: z.string().trim().min(1).max(2000) }),
  /** Off the mat: how long it came out, and how it sits. */
  z.object({
    did: z.literal('finish'),
    finalMm: length.nullable(),
    sits: z.enum(['tight', 'well', 'loose']).nullable(),
  }),
  /** Of two windows that went on from the same place, this is how the work is. */
  z.object({ did: z.literal('choose'), keep: z.uuid() }),
]);
export type Happening = z.infer<typeof happeningSchema>;

export const eventSchema = z.object({
  id: z.uuid(),
  /** The window that told it. */
  window: z.string().min(1).max(80),
  /** The last change of place that this window knew of; null before the first. */
  after: z.uuid().nullable(),
  /** When it happened by the clock of that window. */
  at: z.iso.datetime(),
  what: happeningSchema,
});
export type MakingEvent = z.infer<typeof eventSchema>;

/** More in one message than a long evening leaves waiting. */
export const MOST_EVENTS = 500;
export const eventsSchema = z.array(eventSchema).min(1).max(MOST_EVENTS);
