import { planSteps, type Plan } from './plan';

/** A plan as plain data for files and other programs: every figure, no path and no picture. Lengths in mm. */
export function planReport(plan: Plan) {
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
    thread,
    warnings,
    cautions,
    steps: planSteps(plan).map(({ steps, ...group }) => ({
      ...group,
      steps: steps.map(({ needle, text }) => ({ needle, text })),
    })),
  };
}
