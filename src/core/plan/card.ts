import { holdsOneEnd } from '../closures/suits';
import type { Closing } from '../body/kinds';
import type { Sit } from '../body/wear';
import { countedWord } from '../piece/choosing';
import { beadsInAll, threadInAllMm, tripsInAll } from './madeApart';
import type { NoPlan, Plan } from './plan';
import type { Problem } from './problems';

/** What the bench says of a planned piece, in plain values that can be kept. Lengths in mm. */
export type Card =
  | {
      readonly ok: true;
      readonly units: number;
      /** What is counted: "units", "beads". */
      readonly counted: string;
      readonly finishedMm: number;
      readonly closing: Closing;
      /** Whether it hangs by one end. */
      readonly oneEnd: boolean;
      readonly sit: Sit | null;
      readonly beads: number;
      readonly threadMm: number;
      readonly structure: string;
      /** Trips of the needle through beads. */
      readonly trips: number;
    }
  | { readonly ok: false; readonly problem: Problem };

/** What a plan says on its card. */
export function cardOf(plan: Plan | NoPlan): Card {
  if (!plan.ok) return { ok: false, problem: plan.problem };
  const { chosen, clasp, closure, sit } = plan;
  return {
    ok: true,
    units: chosen.units,
    counted: countedWord(plan, chosen.units),
    finishedMm: chosen.finishedMm,
    closing: closure.closing,
    oneEnd: holdsOneEnd(clasp),
    sit,
    beads: beadsInAll(plan),
    threadMm: threadInAllMm(plan),
    structure: plan.structure.id,
    trips: tripsInAll(plan),
  };
}
