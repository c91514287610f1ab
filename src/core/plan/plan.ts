import { sitAbout } from '../body/about';
import { sit } from '../body/wear';
import { closureDoubts } from '../closures/closure';
import { metalOf } from '../closures/metal';
import { LOOP_ROLE } from '../closures/sewnLoop';
import { arrange, arrangements, type ArrangeQuestion } from '../fit/arrange';
import type { Arranged } from '../fit/fitOf';
import { beside } from '../layout/sketch';
import { makeOf } from '../materials/material';
import { beadGrams } from '../materials/weight';
import { beadOf, bodiesOnThread, partName } from '../piece/part';
import { usualWear } from '../piece/newPiece';
import { asPiece, partOf, type PartOfPiece } from '../piece/partOfPiece';
import type { Piece } from '../piece/piece';
import { tally } from '../read/tally';
import { total, totals } from '../read/totals';
import { findingPasses } from '../read/traversals';
import { weight, type Weight } from '../read/weight';
import { rolesOf, type Graduation } from '../structures/structure';
import { threadPlan } from '../supplies/threadPlan';
import { threadQuestion } from '../supplies/threadQuestion';
import { threadDoubts } from '../supplies/threadSense';
import { isEdgeName } from '../weave/edge';
import { isTraversal, type PartId, type Path } from '../weave/path';
import { once, remembered } from '../tools/remember';
import { innerRole } from './asBead';
import type { FindingSpan } from './along';
import { bindPart } from './bindPart';
import { cautionsFor } from './cautions';
import { changedWork } from './changedWork';
import { extenderIn } from '../closures/suits';
import { attachedOf, dangleIn, overMm, danglesBadly, girthOf, hungOf } from './attachedPart';
import { planKept, seenWith, withComponents } from './component';
import type { ClosurePlan, Component, HungComponent, OptionalPass, Plan } from './planned';
import { endStage } from './endStage';
import { fullEdges } from './edgeHoles';
import { fitPart, type FittedPart } from './fitPart';
import { looseParts } from './madeApart';
import { NO_LOOKUPS, type Lookups } from './lookups';
import { noPlan, type NoPlan } from './problems';
import { warningsOf } from './warnings';
import { weavePart } from './weavePart';

export type { ClosurePlan, OptionalPass, Plan } from './planned';
export type { EndStage } from './endStage';
export type { Gauge } from '../gauge/gauge';
export type { Lookups } from './lookups';
export type { NoPlan, Problem } from './problems';
export type { Warning } from './warnings';

/**
 * From the choices of a piece to everything a maker needs before she starts: the part that carries the others, with those
 * that it strings.
 */
export const planPiece = (piece: Piece, lookups?: Partial<Lookups>): Plan | NoPlan =>
  planPart(partOf(piece), lookups);

/**
 * The plan of a part, stage by stage: what it strings → bind → fit → weave → tell. Pure, and quick enough to run on every
 * keystroke.
 */
export const planPart = (part: PartOfPiece, lookups: Partial<Lookups> = NO_LOOKUPS): Plan | NoPlan =>
  planWithin(part, { ...NO_LOOKUPS, ...lookups }, []);

/** What a part strings, and what closes it. */
type Made = Pick<Plan, 'components' | 'closedBy' | 'hung' | 'dangle'>;

/**
 * @param within the parts in which it is strung, and which are being planned already
 * @param girthMm of what a bail runs on, where that is known
 */
function planWithin(
  asked: PartOfPiece,
  lookups: Lookups,
  within: readonly PartId[],
  girthMm?: number,
): Plan | NoPlan {
  const chosen = asked.count.by === 'over' ? asBail(asked, lookups, within, girthMm) : asked;
  if ('ok' in chosen) return chosen;
  const strung = withComponents(
    chosen,
    lookups,
    (component) => planWithin(component, lookups, [...within, chosen.id]),
    within,
  );
  if (!strung.ok) return strung;
  const { part, ...taken } = strung;
  const made: Made = { ...taken, hung: [], dangle: null };
  const bound = bindPart(part, made, lookups.habits);
  if (!bound.ok) return bound;
  const { arrangement } = bound.weaveable;
  const plan = arrangement
    ? planGraduated(part, made, arrangement, lookups)
    : planFitted(fitPart(bound, lookups, null), made, lookups);
  return plan.ok && part.count.by === 'fit' && within.length === 0 ? withHung(plan, part, lookups) : plan;
}

/** A bail as it is planned: over what it runs on, whose girth is that of the piece. */
function asBail(
  part: PartOfPiece,
  lookups: Lookups,
  within: readonly PartId[],
  known?: number,
): PartOfPiece | NoPlan {
  const over = (overMm: number): PartOfPiece => {
    const wear = { ...usualWear('bail', 'over'), overMm } as PartOfPiece['wear'];
    return { ...part, kind: 'bail', wear, targetMm: null };
  };
  if (known !== undefined) return over(known);
  const carrier = planWithin(partOf(asPiece(part)), lookups, [...within, part.id]);
  return carrier.ok ? over(girthOf(carrier)) : carrier;
}

/** The plan with what runs on the piece, and how that is seen in its middle, and what hangs from its end. */
function withHung(plan: Plan, part: PartOfPiece, lookups: Lookups): Plan | NoPlan {
  const piece = asPiece(part);
  const planned = (id: PartId, girthMm?: number): { one: PartOfPiece; made: Plan } | NoPlan => {
    const one = partOf(piece, id);
    const made = planKept(one, lookups, () => planWithin(one, lookups, [part.id], girthMm), girthMm);
    return made.ok
      ? { one, made }
      : noPlan({ code: 'part', part: partName({ ...one, name: one.partName }), of: made.problem });
  };
  const hung: HungComponent[] = [];
  for (const { id } of part.others.filter(({ count }) => count.by === 'over')) {
    const found = planned(id, girthOf(plan));
    if ('ok' in found) return found;
    hung.push(hungOf(found.one, found.made));
  }
  const hangs = dangleIn(part.ends);
  const found = hangs === null ? null : planned(hangs);
  if (found && 'ok' in found) return found;
  const dangle = found && attachedOf(found.one, found.made);
  if (hung.length === 0 && !dangle) return plan;
  const all = [...hung, ...(dangle ? [dangle] : [])];
  return {
    ...plan,
    hung,
    dangle,
    seen: all.reduce(seenWith, plan.seen),
    sketch: withBails(plan, hung),
    weight: weightWith(plan.weight, all),
    warnings: [...plan.warnings, ...(found && dangle ? danglesBadly(dangle, found.one, part.ends) : [])],
  };
}

/** A plan for a screen: where planning itself breaks, that is a problem to be told, and the choices can be changed. */
function orFault(plan: () => Plan | NoPlan): Plan | NoPlan {
  try {
    return plan();
  } catch (error) {
    return {
      ok: false,
      problem: { code: 'fault', why: error instanceof Error ? error.message : String(error) },
    };
  }
}

/** As `planPiece`, and never throws. */
export const planOrFault = (piece: Piece, lookups?: Partial<Lookups>): Plan | NoPlan =>
  orFault(() => planPiece(piece, lookups));
/** As `planPart`, and never throws. */
export const planPartOrFault = (part: PartOfPiece, lookups?: Partial<Lookups>): Plan | NoPlan =>
  orFault(() => planPart(part, lookups));

/** A graduated piece is one unit; what is chosen is how many of each step it has. */
function planGraduated(
  piece: PartOfPiece,
  made: Made,
  graduation: Graduation,
  lookups: Lookups,
): Plan | NoPlan {
  // It is one unit: a measured number of them means nothing here.
  const withCounts = (counts: readonly number[], arranged: Arranged | null): FittedPart | NoPlan => {
    const part = bindPart(
      {
        ...piece,
        units: 1,
        gauge: null,
        structure: { ...piece.structure, params: { ...graduation.withCounts(counts) } },
      },
      made,
      lookups.habits,
    );
    return part.ok ? fitPart(part, lookups, arranged) : part;
  };
  const ofSteps = graduation.question(bodiesOnThread(piece));
  const first = withCounts(
    graduation.steps.map(() => ofSteps.least),
    null,
  );
  if (!first.ok) return first;
  const question: ArrangeQuestion = {
    ...ofSteps,
    fixedMm: ofSteps.fixedMm + first.closure.allowanceMm,
    wishMm: first.wear.wishMm,
  };
  const best = arrange(question);
  const counts = graduation.counts ?? best.counts;
  const around = arrangements(question, counts);
  return planFitted(withCounts(counts, { best, around, beads: graduation.beads }), made, lookups);
}

/** Weaves what has been fitted, and tells everything of it. */
function planFitted(part: FittedPart | NoPlan, made: Made, { habits, experience }: Lookups): Plan | NoPlan {
  if (!part.ok) return part;
  const { piece, structure, weaveable, form, gauge, chosen, closure } = part;
  const { from, threadOf, ...readings } = weavePart(part);
  const { holes, exposed, quantities } = readings;
  const { pathless = false, byMeasure = null } = weaveable;
  const learnt = experience(structure.id);
  const thread = threadPlan(
    threadQuestion({
      piece,
      from,
      units: part.units,
      movesOf: threadOf,
      holes,
      gear: part.gear,
      pathless,
      byMeasure,
    }),
    { ...habits, threadMargin: learnt.margin?.part ?? habits.threadMargin },
  );
  const { widthMm, thicknessMm } = form;
  const facts = {
    structure,
    wear: part.wear,
    sit:
      piece.count.by === 'fit' ? sit(chosen.finishedMm, part.wear, piece.wear) : sitAbout(chosen, part.wear),
    closure: closurePlan(part, from.at.path, readings.along.findings),
    gauge,
    chosen,
    best: part.best,
    thread,
  };
  const roles = rolesOf(weaveable);
  return {
    ok: true,
    ...facts,
    ...readings,
    // Where nobody has told the path, or a measure stands for it, its thread is not known move by move.
    ...(!pathless && !byMeasure && { work: once(() => changedWork(readings.work(), thread, part)) }),
    trips: pathless
      ? quantities.reduce((sum, quantity) => sum + quantity.total, 0)
      : total(from, ({ path }) => path.moves.filter(isTraversal).length),
    experience: learnt,
    weaveable,
    seen: { beads: piece.beads, colourings: piece.colourings },
    ...made,
    sketch: made.closedBy ? withClosing(readings.sketch, made.closedBy) : readings.sketch,
    clasp: piece.ends.clasp,
    kind: piece.kind,
    hand: piece.hand,
    turning: piece.turning && (structure.turnsRows?.(piece.structure.params) ?? false),
    make: makeOf(piece.thread),
    toLayOut: part.toLayOut,
    candidates: part.candidates,
    arrangement:
      weaveable.arrangement && chosen.counts
        ? { of: weaveable.arrangement.of, steps: weaveable.arrangement.steps, counts: chosen.counts }
        : null,
    rules: part.rules,
    widthMm,
    thicknessMm,
    round:
      form.held === 'former' || form.held === 'twisting tube'
        ? 'tube'
        : form.round
          ? { aboutMm: form.round.middleMm }
          : null,
    weight: weightWith(
      weight(totals(from, tally), (role) => {
        const strung = made.components.get(role);
        return strung ? gramsOf(strung) : beadGrams(beadOf(piece, role));
      }),
      made.closedBy ? [made.closedBy] : [],
    ),
    gear: part.gear,
    optionalPasses: optionalPasses(from.at.path),
    warnings: warningsOf({
      ...facts,
      piece,
      closureDoubts: closureDoubts(piece.ends, closure, {
        widthMm: form.endWidthMm ?? widthMm,
        thicknessMm,
        threadMm: piece.thread.diameterMm,
        mostLoops: part.mostLoops,
        loopsApart: weaveable.strands !== undefined,
        seed: { ...part.body(LOOP_ROLE), holeMm: part.holeMm(LOOP_ROLE) },
      }),
      threadDoubts: pathless
        ? []
        : threadDoubts({
            piece,
            structure,
            knotted: weaveable.knotted ?? false,
            roles,
            holes,
            thread,
            quantities,
            exposed,
          }),
      unsuited: part.doubtful,
      advice: weaveable.advise?.(part.body) ?? [],
      strung: {
        components: made.components.values(),
        loose: looseParts(piece, { weaveable, ...made }),
        closing: made.closedBy && {
          name: made.closedBy.name,
          full: fullEdges(made.closedBy.plan, withoutOf(piece, made.closedBy), closure.loops),
        },
      },
      pathless,
      byMeasure,
    }),
    cautions: cautionsFor(piece, roles),
  };
}

/** What is left out of the part that closes a piece, and whether its thread is doubled. */
const withoutOf = (piece: PartOfPiece, { id }: Component): Pick<PartOfPiece, 'without' | 'doubled'> => ({
  without: piece.others.find((part) => part.id === id)?.without ?? [],
  doubled: piece.doubled,
});

/** What one of a part made apart weighs; null where not all of it is known. */
const gramsOf = ({ plan }: Component): number | null =>
  plan.weight.unknown.length === 0 ? plan.weight.grams : null;

/** What closes the piece, and what runs on it, weighs something too. */
const weightWith = (own: Weight, others: readonly Component[]): Weight => ({
  grams: others.reduce((sum, { plan }) => sum + plan.weight.grams, own.grams),
  unknown: [
    ...own.unknown,
    ...others.flatMap(({ name, plan }) => plan.weight.unknown.map((role) => `${role} of the ${name}`)),
  ],
});

/** The piece as it is seen, with its bails side by side in its middle; cut across, one sees the piece alone. */
const withBails = ({ sketch, stations }: Plan, hung: readonly HungComponent[]): Plan['sketch'] =>
  remembered((view) => {
    if (view === 'end') return sketch(view);
    const wide = hung.reduce((sum, { plan }) => sum + plan.widthMm, 0);
    let fromMm = (stations.bodyStartMm + stations.bodyEndMm - wide) / 2;
    return hung.reduce((all, { id, plan, onRope }) => {
      const middle = fromMm + plan.widthMm / 2;
      fromMm += plan.widthMm;
      return beside(all, onRope(view), middle, (role) => innerRole(id, role));
    }, sketch(view));
  });

/** The piece as it is seen, with the part that closes it at its start, what a loop goes over before that; cut across, one sees the piece alone. */
const withClosing = (sketch: Plan['sketch'], { id, plan, sketch: closing }: Component): Plan['sketch'] => {
  const atMm = overMm(plan) === null ? 0 : -plan.chosen.finishedMm;
  return remembered((view) =>
    view === 'end' ? sketch(view) : beside(sketch(view), closing(view), atMm, (role) => innerRole(id, role)),
  );
};

/** What closes the piece, with what only the path and the count can say of it. */
function closurePlan(
  { piece, closure, chosen, chainMm }: FittedPart,
  path: Path,
  between: readonly FindingSpan[],
): ClosurePlan {
  const sewn = [...findingPasses(path)].flatMap(([{ at }, strands]) =>
    at && isEdgeName(at.joint) ? [strands] : [],
  );
  const extender = extenderIn(piece.ends);
  return {
    ...closure,
    passes: sewn.length > 0 ? Math.min(...sewn) : 0,
    metal: metalOf(piece.ends.woven === null ? piece.ends : null, chosen.links, between),
    chainMm,
    longestMm: chosen.finishedMm + (extender ? extender.links * extender.linkMm : 0),
    finalAt: { start: endStage(path, 'start'), end: endStage(path, 'end') },
  };
}

const optionalPasses = (path: Path): OptionalPass[] =>
  [...path.passes].flatMap(([name, info]) => (info.optional ? [{ name, info }] : []));
