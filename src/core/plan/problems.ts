import { KIND_FACTS, type Closing, type Kind } from '../body/kinds';
import type { Place } from '../body/places';
import { goesByNothing, missingGirth } from '../body/wear';
import { canBeKept, type CountRule } from '../fit/rules';
import type { PartOfPiece } from '../piece/partOfPiece';
import type { Unsuited } from '../structures/parts';
import type { Weaveable } from '../structures/structure';

/** What stands in the way of a plan. The interface words it. */
export type Problem =
  | { readonly code: 'no-girth'; readonly place: Place; readonly kind: Kind; readonly nobody: boolean }
  | { readonly code: 'no-place'; readonly kind: Kind }
  | { readonly code: 'structure'; readonly messages: readonly string[] }
  | { readonly code: 'wrong-holes'; readonly beads: readonly Unsuited[] }
  | {
      readonly code: 'cannot-close';
      readonly closing: Closing;
      readonly can: readonly Closing[];
      /** What stands against it, where the stitch says so. */
      readonly why: string | null;
    }
  | { readonly code: 'rules'; readonly rules: readonly CountRule[] }
  | { readonly code: 'clasp-longer-than-piece'; readonly allowanceMm: number; readonly wishMm: number }
  | { readonly code: 'too-many-units'; readonly units: number; readonly most: number }
  /** A part that would be strung in what it strings. */
  | { readonly code: 'strung-in-itself'; readonly part: string }
  /** A part that is about nothing has no way through it. */
  | { readonly code: 'cannot-be-strung'; readonly part: string }
  /** What stands in the way of a part that is strung. */
  | { readonly code: 'part'; readonly part: string; readonly of: Problem }
  /** The program’s own fault: planning broke. */
  | { readonly code: 'fault'; readonly why: string };

/** What stands in the way before anything is woven; null where nothing does. */
export function standsInTheWay(
  piece: PartOfPiece,
  weaveable: Weaveable,
  doubtful: readonly Unsuited[],
): Problem | null {
  const { kind, wear: choice, wearer, ends, count } = piece;
  if (count.by === 'fit' && goesByNothing(kind, choice)) return { code: 'no-place', kind };
  const place = count.by === 'fit' ? missingGirth({ kind, choice, girths: wearer?.girths ?? {} }) : null;
  // A bail goes over what it is told to, without anybody's girth.
  if (place) return { code: 'no-girth', place, kind, nobody: wearer === null };
  const wrong = doubtful.filter((one) => one.why === 'holes');
  if (wrong.length > 0) return { code: 'wrong-holes', beads: wrong };
  const can = (weaveable.closings ?? ['clasp']).filter((one) => KIND_FACTS[kind].closings.includes(one));
  if (!(weaveable.closings ?? ['clasp']).includes(ends.closing))
    return {
      code: 'cannot-close',
      closing: ends.closing,
      can,
      why: (ends.closing === 'joined' && weaveable.notJoined) || null,
    };
  const rules = rulesOf(piece, weaveable);
  return canBeKept(rules) ? null : { code: 'rules', rules: rules.filter(({ must }) => must) };
}

/** The stitch's rules on the count, and the maker's; a graduated piece is one unit, and so is a motif, and there is none to keep to. */
export function rulesOf(
  { rules: { parity, multipleOf }, ends }: PartOfPiece,
  { rules, arrangement, mostUnits }: Weaveable,
): CountRule[] {
  const own: CountRule[] = [];
  if (arrangement || mostUnits === 1) return [...(rules?.(ends.closing) ?? [])];
  if (parity !== 'any')
    own.push({
      of: 2,
      rest: parity === 'odd' ? 1 : 0,
      must: true,
      why: `you asked for an ${parity} number`,
    });
  if (multipleOf > 1)
    own.push({ of: multipleOf, rest: 0, must: true, why: `you asked for whole sets of ${multipleOf}` });
  return [...(rules?.(ends.closing) ?? []), ...own];
}

/** No plan, and the one problem that stands in its way. */
export interface NoPlan {
  readonly ok: false;
  readonly problem: Problem;
}

export const noPlan = (problem: Problem): NoPlan => ({ ok: false, problem });
