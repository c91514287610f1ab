import { wear, type Wear } from '../body/wear';
import type { Candidate, FitQuestion } from '../fit/candidates';
import { fitOf, type Arranged } from '../fit/fitOf';
import { MOST_UNITS } from '../piece/part';
import type { BoundPart } from './bindPart';
import { formOf, type StitchForm } from './form';
import type { Lookups } from './lookups';
import { noPlan, type NoPlan } from './problems';

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

/** Sizes a part to its wearer: the form of its stitch, the length that is wished for, the counts that come near. */
export function fitPart(part: BoundPart, lookups: Lookups, arranged: Arranged | null): FittedPart | NoPlan {
  const { piece, weaveable, closure, rules } = part;
  const ends = closure.loops;
  const size = formOf({ ...part, ends }, lookups);
  const { form, gauge } = size;
  const wished = wear({
    kind: piece.kind,
    girths: piece.wearer?.girths ?? {},
    choice: piece.wear,
    targetMm: piece.targetMm,
    thicknessMm: form.thicknessMm,
    widthMm: form.widthMm,
  });
  const { allowanceMm } = closure;
  if (allowanceMm >= wished.wishMm)
    return noPlan({ code: 'clasp-longer-than-piece', allowanceMm, wishMm: wished.wishMm });
  const question: FitQuestion = {
    fixedMm: allowanceMm + form.extraMm,
    pitchMm: form.pitchMm,
    spread: gauge.spread,
    fixedSdMm: closure.sdMm,
    wishMm: wished.wishMm,
    band: wished.band,
    minimum: arranged ? 1 : Math.max(weaveable.minimumUnits, ends.joined ? LEAST_IN_RING : 1),
    rules,
    chain: piece.ends.closing === 'clasp' ? piece.ends.chain : null,
  };
  const fit = fitOf(question, piece.units, arranged);
  if (fit.units > MOST_UNITS) return noPlan({ code: 'too-many-units', units: fit.units, most: MOST_UNITS });
  const chainMm = fit.chosen.links * (question.chain?.linkMm ?? 0);
  return { ...part, ...size, wear: wished, ...fit, chainMm };
}
