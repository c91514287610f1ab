import * as z from 'zod';
import { LEAST_FACTOR } from '../supplies/holeFill';
import { daysOffSchema } from '../making/schedule';
import { KIND_FACTS, KINDS, MOST_EASE_MM, type EaseAmounts, type Kind } from '../body/kinds';
import { storableDocument } from './storable';

/** The version of the document below. A change of what a habit means raises it and adds a step to `readSettings`. */
const SETTINGS_FORMAT = 1;

/** Ease of a kind of piece, mm: no fit looser than the one after it. */
export const easeSchema = z
  .object({
    snug: z.number().min(0).max(MOST_EASE_MM.snug),
    comfortable: z.number().min(0).max(MOST_EASE_MM.comfortable),
    loose: z.number().min(0).max(MOST_EASE_MM.loose),
  })
  .refine(
    ({ snug, comfortable, loose }) => snug <= comfortable && comfortable <= loose,
    'Snug is the least ease, loose the most.',
  );

const habitsSchema = z.object({
  /** Inches are shown to an eighth or a sixteenth. */
  denominator: z.union([z.literal(8), z.literal(16)]),
  /** Written between the whole and its parts. Both are read, whichever is shown. */
  decimal: z.enum(['.', ',']),
  /** A bracelet starts by ease over the wrist, or by a fixed length. */
  school: z.enum(['ease', 'flat']),
  /** Whether π·t is added for thickness from the start. */
  thicknessEffect: z.boolean(),
  /** Own amounts of ease by kind; the usual ones where nothing is said. */
  easeMm: z.partialRecord(z.enum(KINDS), easeSchema),
  /** Fingertip to fingertip, close to the height; null takes a usual one. */
  wingspanMm: z.number().min(500).max(2500).nullable(),
  /** By daylight, by the lamp, or as the device is set. */
  theme: z.enum(['device', 'light', 'dark']),
  /** Whether single keys do something on the planning screen; off where speech or a stray paw presses them. */
  singleKeys: z.boolean(),
  /** Thread to spare, as a part of what lies in the work. */
  threadMargin: z.number().min(0).max(0.5),
  /** How far holes can be filled in one’s own hands, as a part of what is told: learnt from trips that did not go. */
  holeFactor: z.number().min(LEAST_FACTOR).max(1),
  /** What thread is cut by. */
  cutBy: z.enum(['length', 'wingspan', 'arm']),
  /** Steps in full, or for who knows the stitch; and whether they are drawn. */
  steps: z.enum(['full', 'brief']),
  stepsDrawn: z.boolean(),
  /** At the mat: after so many minutes without a rest one is told; null leaves that out. */
  restAfterMin: z.number().int().min(10).max(240).nullable(),
  /** At the mat: after so many rows one is asked for a count of one’s own; null leaves that out. */
  countEvery: z.number().int().min(2).max(200).nullable(),
  /** Minutes that one works on each day of the week, from Monday on. */
  workingMin: z.array(z.number().int().min(0).max(960)).length(7),
  /** Days on which nothing is made. */
  daysOff: z.array(daysOffSchema).max(100),
});

/** One's own habits: what a new piece starts from, and how lengths and thread are reckoned. */
export const settingsSchema = habitsSchema.extend({ format: z.literal(SETTINGS_FORMAT) });
export type Settings = z.infer<typeof settingsSchema>;

export const USUAL_SETTINGS: Settings = {
  format: SETTINGS_FORMAT,
  denominator: 16,
  decimal: '.',
  school: 'ease',
  thicknessEffect: true,
  easeMm: {},
  wingspanMm: null,
  theme: 'device',
  singleKeys: true,
  threadMargin: 0.1,
  holeFactor: 1,
  cutBy: 'length',
  steps: 'full',
  stepsDrawn: true,
  restAfterMin: 45,
  countEvery: 20,
  workingMin: [60, 60, 60, 60, 60, 120, 120],
  daysOff: [],
};

/** The ease amounts to start from. */
export const easeOf = ({ easeMm }: Pick<Settings, 'easeMm'>, kind: Kind): EaseAmounts =>
  easeMm[kind] ?? KIND_FACTS[kind].easeMm;

/** What is kept of settings written by any version, habit by habit: one that cannot be read is the usual. */
export function readSettings(raw: unknown): Settings {
  const document = storableDocument.safeParse(raw).data;
  const stored = z.record(z.string(), z.unknown()).safeParse(document).data ?? {};
  const read = Object.entries(habitsSchema.shape).flatMap(([habit, schema]) => {
    const value = schema.safeParse(stored[habit]);
    return value.success ? [[habit, value.data] as const] : [];
  });
  return { ...USUAL_SETTINGS, ...Object.fromEntries(read) };
}

/** What is to change of settings; of ease only the kinds that are named. */
export const settingsChangeSchema = habitsSchema.partial();
export type SettingsChange = z.infer<typeof settingsChangeSchema>;

/** Settings, or an earlier change, with a change made to them; of ease, kinds that are not named stay. */
export const changedSettings = <S extends SettingsChange>(settings: S, change: SettingsChange): S => ({
  ...settings,
  ...change,
  ...(change.easeMm && { easeMm: { ...settings.easeMm, ...change.easeMm } }),
});
