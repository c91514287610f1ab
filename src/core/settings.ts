import * as z from 'zod';
import { LEAST_FACTOR } from './supplies/holeFill';
import { KIND_FACTS, KINDS, MOST_EASE_MM, type EaseAmounts, type Kind } from './body/kinds';

/** One's own habits: what a new piece starts from, and how lengths and thread are reckoned. */
export const settingsSchema = z.object({
  /** Inches are shown to an eighth or a sixteenth. */
  denominator: z.union([z.literal(8), z.literal(16)]).default(16),
  /** Written between the whole and its parts. Both are read, whichever is shown. */
  decimal: z.enum(['.', ',']).default('.'),
  /** A bracelet starts by ease over the wrist, or by the flat rule. */
  school: z.enum(['ease', 'flat']).default('ease'),
  /** Whether π·t is added for thickness from the start. */
  thicknessEffect: z.boolean().default(true),
  /** Own amounts of ease by kind; the usual ones where nothing is said. */
  easeMm: z
    .partialRecord(
      z.enum(KINDS),
      z.object({
        snug: z.number().min(0).max(MOST_EASE_MM.snug),
        comfortable: z.number().min(0).max(MOST_EASE_MM.comfortable),
        loose: z.number().min(0).max(MOST_EASE_MM.loose),
      }),
    )
    .default({}),
  /** Fingertip to fingertip, close to the height; null takes a usual one. */
  wingspanMm: z.number().min(500).max(2500).nullable().default(null),
  /** By daylight, by the lamp, or as the device is set. */
  theme: z.enum(['device', 'light', 'dark']).default('device'),
  /** Whether single keys do something on the planning screen; off where speech or a stray paw presses them. */
  singleKeys: z.boolean().default(true),
  /** Thread to spare, as a part of what lies in the work. */
  threadMargin: z.number().min(0).max(0.5).default(0.1),
  /** How far holes can be filled in one’s own hands, as a part of what is told: learnt from trips that did not go. */
  holeFactor: z.number().min(LEAST_FACTOR).max(1).default(1),
  /** What thread is cut by. */
  cutBy: z.enum(['length', 'wingspan', 'arm']).default('length'),
});
export type Settings = z.infer<typeof settingsSchema>;

export const USUAL_SETTINGS: Settings = settingsSchema.parse({});

/** The ease amounts to start from. */
export const easeOf = ({ easeMm }: Settings, kind: Kind): EaseAmounts =>
  easeMm[kind] ?? KIND_FACTS[kind].easeMm;

/** What is kept of settings written by any version: what cannot be read is the usual. */
export function readSettings(raw: unknown): Settings {
  const whole = settingsSchema.safeParse(raw);
  return whole.success ? whole.data : USUAL_SETTINGS;
}
