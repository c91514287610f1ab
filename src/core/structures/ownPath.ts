import * as z from 'zod';
import { checkPath } from '../weave/check';
import { Weave } from '../weave/builder';
import { PathError, type Needle } from '../weave/needle';
import type { Bead } from '../weave/path';
import { counted } from '../words/figures';
import { faultWords, NO_SUCH_BRIDGE, NOT_IN_THE_WORK } from '../words/faults';
import type { RoleLetter } from './roles';
import { distinct } from './structure';

const MOST_STROKES = 60;
/** Beads of one unit. */
export const MOST_BEADS = 60;
/** How far back a stroke reaches: into this unit, the one before, or the one before that. */
export const MOST_BACK = 2;

/** A bead of the stitch: which of its unit, from 1, and how many units back that is. */
const spotSchema = z.object({
  bead: z.number().int().min(1).max(MOST_BEADS),
  back: z.number().int().min(0).max(MOST_BACK),
});
export type Spot = z.infer<typeof spotSchema>;

/** What the needle does next in a unit. */
const strokeSchema = z.discriminatedUnion('does', [
  /** The next so many of the unit's beads. */
  z.object({ does: z.literal('pick'), beads: z.number().int().min(1).max(MOST_BEADS) }),
  z.object({
    does: z.literal('through'),
    spot: spotSchema,
    /** Against the way it was strung. */
    against: z.boolean(),
    hole: z.literal([1, 2]),
  }),
  /** Under the thread that leads from one bead to another. */
  z.object({ does: z.literal('under'), spot: spotSchema, other: spotSchema }),
  z.object({ does: z.literal('round'), spot: spotSchema }),
  z.object({ does: z.literal('turn'), how: z.enum(['over', 'end for end']) }),
]);
export type Stroke = z.infer<typeof strokeSchema>;
export type StrokeKind = Stroke['does'];

export const strokesSchema = z
  .array(strokeSchema)
  .max(MOST_STROKES, `A unit has ${MOST_STROKES} steps at most.`);

/** The beads that a stroke goes by. */
const spotsOf = (stroke: Stroke): Spot[] => {
  if (stroke.does === 'through' || stroke.does === 'round') return [stroke.spot];
  return stroke.does === 'under' ? [stroke.spot, stroke.other] : [];
};

/** Roles of beads whose second hole is gone through. */
export const twoHoled = (sequence: readonly RoleLetter[], strokes: readonly Stroke[]): RoleLetter[] =>
  distinct(
    strokes.flatMap((stroke) => {
      const role =
        stroke.does === 'through' && stroke.hole === 2 ? sequence[stroke.spot.bead - 1] : undefined;
      return role ? [role] : [];
    }),
  );

/**
 * Works one unit. What reaches back beyond the first unit is left out, for there is nothing yet; and with it what would then
 * go straight back, or once more, through the bead that thread stands in.
 * @param before the beads of the units before, the last first
 * @param each called with the number of each stroke, to work it
 */
export function workUnit(
  w: Weave,
  t: Needle,
  sequence: readonly RoleLetter[],
  strokes: readonly Stroke[],
  before: readonly (readonly Bead[])[],
  each: (stroke: number, work: () => void) => void = (_, work) => {
    work();
  },
): Bead[] {
  const own: Bead[] = [];
  const beadAt = ({ bead, back }: Spot): Bead | undefined =>
    (back === 0 ? own : before[back - 1])?.[bead - 1];
  let leftOut = false;
  const standsIn = (stroke: Stroke): boolean => {
    const stands = w.links.lastOut(t.name);
    return (
      stroke.does === 'through' &&
      stands !== null &&
      stands.bead === beadAt(stroke.spot) &&
      stands.hole === stroke.hole - 1
    );
  };
  strokes.forEach((stroke, i) => {
    const reaches = spotsOf(stroke).some(({ back }) => back > before.length);
    if (reaches || (leftOut && standsIn(stroke))) {
      leftOut = true;
      return;
    }
    leftOut = false;
    each(i, () => {
      if (stroke.does === 'pick') {
        const from = own.length;
        own.push(...t.string(sequence.slice(from, from + stroke.beads), '', from > 0 ? { run: from } : {}));
        return;
      }
      if (stroke.does === 'turn') {
        t.turnWork(stroke.how);
        return;
      }
      const beads = spotsOf(stroke).map(beadAt);
      const [one, other] = beads;
      if (!one || beads.includes(undefined)) throw new PathError(NOT_IN_THE_WORK);
      if (stroke.does === 'round') t.around(one);
      else if (stroke.does === 'through')
        t.enter([{ bead: one, hole: stroke.hole - 1, end: stroke.against ? 1 : 0 }]);
      else if (other) {
        if (!w.links.bridge(one, other)) throw new PathError(NO_SUCH_BRIDGE);
        t.under(one, other);
      }
    });
  });
  return own;
}

/** Units that a path is checked over: those that reach back as far as can be, and as many again that must read alike. */
const CHECKED = 2 * (MOST_BACK + 1);

/** What is wrong with the path of a unit, step by step, in words; empty where it can be worked. */
export function pathFaults(sequence: readonly RoleLetter[], strokes: readonly Stroke[]): string[] {
  if (strokes.length === 0) return [];
  const picked = strokes.reduce((sum, stroke) => sum + (stroke.does === 'pick' ? stroke.beads : 0), 0);
  if (picked !== sequence.length)
    return [
      `The steps pick up ${counted(picked, 'bead')}, and a unit takes ${sequence.length}: pick up all of them, and no more.`,
    ];
  const numbered = (stroke: number, said: string) => `Step ${stroke + 1}: ${said}`;
  const last = strokes.findLastIndex(({ does }) => does !== 'turn');
  const ends = strokes[last]?.does;
  if (ends === 'under' || ends === 'round')
    return [
      numbered(last, 'A unit ends in a bead, where the next one can go on. Go through one after this.'),
    ];
  const w = new Weave({ holes: Object.fromEntries(twoHoled(sequence, strokes).map((role) => [role, 2])) });
  const t = w.needle('working').begin('none');
  const units: Bead[][] = [];
  const faults: string[] = [];
  /** Each step is a pass of its own, by which its faults are known. */
  const passes = strokes.map((_, stroke) => `step ${stroke + 1}`);
  w.repeat(0, CHECKED, null, () => {
    units.unshift(
      workUnit(w, t, sequence, strokes, units, (stroke, work) => {
        try {
          w.in({ pass: passes[stroke] }, work);
        } catch (error) {
          if (!(error instanceof PathError)) throw error;
          faults.push(numbered(stroke, error.message));
        }
      }),
    );
    return null;
  });
  if (faults.length > 0) return distinct(faults);
  return distinct(
    checkPath(w.path()).flatMap((fault) => {
      const said = faultWords(fault);
      return said === null || !('place' in fault) ? [] : [numbered(passes.indexOf(fault.place.pass), said)];
    }),
  );
}
