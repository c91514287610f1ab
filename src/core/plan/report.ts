import { beadsInAll, lengthsInAll, madeApart, threadInAllMm } from './madeApart';
import type { Plan, Warning } from './plan';
import { planSteps } from './steps';
import type { ThreadPlan } from '../supplies/threadPlan';

/** Every figure of a plan, with those of the parts that are made apart for it. */
type Report = ReturnType<typeof ownReport> & {
  readonly inAll: { readonly beads: number; readonly threadMm: number; readonly lengths: number };
  /** What is made first, and how often; the figures are of one. */
  readonly made: readonly { readonly name: string; readonly times: number; readonly one: Report }[];
};

/** A plan as plain data for files and other programs: every figure, no path and no picture. Lengths in mm. */
export const planReport = (plan: Plan): Report => ({
  ...ownReport(plan),
  inAll: { beads: beadsInAll(plan), threadMm: threadInAllMm(plan), lengths: lengthsInAll(plan) },
  made: madeApart(plan).map(({ component, times }) => ({
    name: component.name,
    times,
    one: planReport(component.plan),
  })),
});

function ownReport(plan: Plan) {
  const { chosen, best, candidates, wear, sit, closure, gauge, thread, warnings, cautions } = plan;
  return {
    structure: plan.structure.id,
    units: chosen.units,
    closing: plan.weaveable.closing,
    bestUnits: best.units,
    finishedMm: chosen.finishedMm,
    sits: sit,
    wear,
    closure,
    gauge,
    widthMm: plan.widthMm,
    thicknessMm: plan.thicknessMm,
    candidates,
    beads: plan.quantities.map(({ role, bead, perUnit, perInch, total, mostTraversals }) => ({
      role,
      name: bead.name,
      colour: bead.colourName,
      perUnit,
      perInch,
      total,
      mostTraversals,
    })),
    weight: plan.weight,
    exposed: { totalMm: plan.exposed.totalMm, longestMm: plan.exposed.longestMm },
    thread: threadReport(thread),
    holes: [...plan.holes.byRole].map(([role, { trips, fill, going, at }]) => ({
      role,
      trips,
      fill,
      going,
      pass: at.move.place.pass,
    })),
    warnings: warnings.map(plain),
    cautions,
    steps: planSteps(plan).map(({ steps, ...group }) => ({
      ...group,
      steps: steps.map(({ needle, text }) => ({ needle, text })),
    })),
  };
}

/** Figures and places to change; the work itself, stretch by stretch, is no figure. */
const threadReport = ({ divisions, ...figures }: ThreadPlan) => ({
  ...figures,
  changes: divisions.flatMap(({ needle, changes }) =>
    changes.map(({ after, crowded }) => ({ needle, after: { ...after, unit: after.unit + 1 }, crowded })),
  ),
});

/** A warning without the moves of the path that it was read off. */
const plain = (warning: Warning) =>
  warning.code === 'thread' && 'state' in warning.doubt
    ? { ...warning, doubt: { code: warning.doubt.code, role: warning.doubt.role, bead: warning.doubt.bead } }
    : warning;
