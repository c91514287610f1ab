import { about, asideMm } from '../body/about';
import { wear, type Wear } from '../body/wear';
import type { Candidate, FitQuestion } from '../fit/candidates';
import { fitOf, type Arranged } from '../fit/fitOf';
import type { Point } from '../layout/layout';
import { CORE_ROLE } from '../joints/setIn';
import { MOST_UNITS } from '../piece/part';
import type { BoundPart } from './bindPart';
import { formOf, type StitchForm } from './form';
import type { Lookups } from './lookups';
import { noPlan, type NoPlan } from './problems';
import type { Built } from '../read/totals';
import { WOVEN } from '../weave/path';

/** Fewer units do not go round. */
const LEAST_IN_RING = 3;

/** A part as long as it is to be: its form, who wears it, and its count. */
export interface FittedPart extends BoundPart, StitchForm {
  readonly wear: Wear;
  readonly units: number;
  readonly chosen: Candidate;
  readonly best: Candidate;
  readonly candidates: readonly Candidate[];
  /** Chain on each side, mm, in whole links. */
  readonly chainMm: number;
}

/** Where the woven beads of a built path lie. */
function placesIn(built: Built, form: StitchForm['form']): Point[] {
  const { pose } = form.along?.(built) ?? form;
  return built.path.beads.flatMap((bead) => (bead.place.section === WOVEN ? [pose(bead).centre] : []));
}

/** Units that a part of so many has at first. */
const FEW = 3;

/** A part of so many units is as long as it is; a unit more or fewer is another. */
function asManyAs(
  { piece: { kind, units }, weaveable: { minimumUnits, mostUnits = Infinity } }: BoundPart,
  { pitchMm, extraMm }: StitchForm['form'],
): Wear {
  const wishMm = Math.min(units ?? Math.max(minimumUnits, FEW), mostUnits) * pitchMm + extraMm;
  return {
    kind,
    bodyMm: null,
    parts: [{ what: 'length', mm: wishMm }],
    thicknessEffectMm: 0,
    wishMm,
    band: { minMm: wishMm - pitchMm / 2, maxMm: wishMm + pitchMm / 2 },
    between: false,
  };
}

/** The length that is wished for: that of the body inside it, or what its wearer and the choices come to. */
function wishOf(part: BoundPart, { form }: StitchForm): Wear {
  const { piece, body, pathOf, weaveable } = part;
  const { thicknessMm, widthMm } = form;
  if (piece.count.by === 'around') {
    const units = Math.max(weaveable.minimumUnits, LEAST_IN_RING);
    return about({
      kind: piece.kind,
      core: body(CORE_ROLE),
      thicknessMm,
      asideMm: asideMm(placesIn({ path: pathOf(units), units }, form)),
    });
  }
  if (piece.count.by === 'fixed') return asManyAs(part, form);
  return wear({
    kind: piece.kind,
    girths: piece.wearer?.girths ?? {},
    choice: piece.wear,
    targetMm: piece.targetMm,
    thicknessMm,
    widthMm,
  });
}

/** Sizes a part to its wearer: the form of its stitch, the length that is wished for, the counts that come near. */
export function fitPart(part: BoundPart, lookups: Lookups, arranged: Arranged | null): FittedPart | NoPlan {
  const { piece, weaveable, closure, rules } = part;
  const ends = closure.loops;
  const size = formOf({ ...part, ends }, lookups);
  const { form, gauge } = size;
  const wished = wishOf(part, size);
  const { allowanceMm } = closure;
  if (allowanceMm >= wished.wishMm)
    return noPlan({ code: 'clasp-longer-than-piece', allowanceMm, wishMm: wished.wishMm });
  const question: FitQuestion = {
    fixedMm: allowanceMm + form.extraMm,
    pitchMm: form.pitchMm,
    spread: gauge.spread,
    fixedSdMm: Math.hypot(closure.sdMm, size.fixedSdMm),
    wishMm: wished.wishMm,
    band: wished.band,
    minimum: arranged ? 1 : Math.max(weaveable.minimumUnits, ends.joined ? LEAST_IN_RING : 1),
    maximum: weaveable.mostUnits,
    rules,
    chain: piece.ends.closing === 'clasp' ? piece.ends.chain : null,
  };
  const fit = fitOf(question, piece.units, arranged);
  if (fit.units > MOST_UNITS) return noPlan({ code: 'too-many-units', units: fit.units, most: MOST_UNITS });
  const chainMm = fit.chosen.links * (question.chain?.linkMm ?? 0);
  return { ...part, ...size, wear: wished, ...fit, chainMm };
}
