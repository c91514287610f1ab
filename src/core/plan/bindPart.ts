import { closureOf, type Closure } from '../closures/closure';
import { LOOP_ROLE, type Legs, type SewnTo } from '../closures/sewnLoop';
import type { CountRule } from '../fit/rules';
import { makeOf, needsNeedle, type BeadSize, type Clasp } from '../materials/material';
import { beadOf, bodiesOnThread } from '../piece/part';
import type { PartOfPiece } from '../piece/partOfPiece';
import { unsuited, type Unsuited } from '../structures/parts';
import { boundStitch } from '../structures/registry';
import { rolesOf, type Structure, type Weaveable } from '../structures/structure';
import { tripsThatGo, type Gear } from '../supplies/holeFill';
import type { ThreadHabits } from '../supplies/threadPlan';
import { remembered } from '../tools/remember';
import type { Path } from '../weave/path';
import { pathWithRoutes } from '../weave/worked';
import type { AsBead } from './asBead';
import { noPlan, rulesOf, standsInTheWay, type NoPlan } from './problems';

/** A part of a piece with its stitch bound and its materials at hand: what every later stage goes by. */
export interface BoundPart {
  readonly ok: true;
  readonly piece: PartOfPiece;
  readonly components: ReadonlyMap<string, AsBead>;
  /** What closes it in the place of a clasp; null where a clasp does, or nothing. */
  readonly closedBy: { readonly name: string } | null;
  readonly structure: Structure;
  readonly weaveable: Weaveable;
  /** Beads that do not suit what they are to do, and yet can be woven. */
  readonly doubtful: readonly Unsuited[];
  /** What the count keeps to: the stitch's own rules and the maker's. */
  readonly rules: readonly CountRule[];
  readonly body: (role: string) => BeadSize;
  readonly holeMm: (role: string) => number;
  readonly closure: Closure;
  /** Loops side by side that an end has place for. */
  readonly mostLoops: number;
  readonly gear: Gear;
  /** Trips with the gear that a hole of a role takes. */
  readonly room: (role: string) => number;
  /** Its path with so many units, worked with the gear. */
  readonly pathOf: (units: number) => Path;
}

/** So many legs a V has (craft: V ends of three legs); two would lie on one side of the opening. */
const LEGS = 3;

/** Legs that an end of a tube has places for, where one is to hang from them; they begin at the middle of its wall. */
function legsOf(
  { ends, without }: PartOfPiece,
  weaveable: Weaveable,
  body: (role: string) => BeadSize,
): Legs | undefined {
  const { legs = 0 } = weaveable;
  if (legs < LEGS || !(ends.start.legs ?? ends.end.legs)) return undefined;
  const { widthMm } = weaveable.form(body, new Set(without));
  const girth = Math.max(...rolesOf(weaveable).map((role) => body(role).diameterMm));
  return { count: LEGS, fromMm: (widthMm - girth) / 2 };
}

/** By what an end is sewn to a part that a loop goes over. */
const SEWN_BY: Readonly<Partial<Record<Clasp['shape'], SewnTo['by']>>> = { ball: 'circle', button: 'point' };

/** Binds the stitch of a piece, once, and looks whether anything stands in the way before it is woven. */
export function bindPart(
  piece: PartOfPiece,
  { components, closedBy }: Pick<BoundPart, 'components' | 'closedBy'>,
  { holeFactor }: Pick<ThreadHabits, 'holeFactor'>,
): BoundPart | NoPlan {
  const bound = boundStitch(piece.structure);
  if (!bound.ok) return noPlan({ code: 'structure', messages: bound.messages });
  const { structure, weaveable } = bound;
  const doubtful = unsuited(weaveable.parts, (role) => beadOf(piece, role));
  const standing = standsInTheWay(piece, weaveable, doubtful);
  if (standing) return noPlan(standing);
  const body = bodiesOnThread(piece);
  const { mostLoops = 1 } = weaveable;
  const closure = closureOf(piece.ends, body(LOOP_ROLE), {
    mostLoops,
    to: closedBy ? { name: closedBy.name, by: SEWN_BY[piece.ends.clasp.shape] ?? 'edge' } : undefined,
    legs: legsOf(piece, weaveable, body),
  });
  const loops = { ...closure.loops, about: piece.count.by === 'around' };
  const gear: Gear = {
    threadMm: piece.thread.diameterMm,
    needleMm: needsNeedle(piece.thread) ? piece.needle.diameterMm : null,
    factor: holeFactor,
  };
  const holeMm = (role: string) => beadOf(piece, role).holeMm;
  const room = remembered((role: string) => tripsThatGo(holeMm(role), gear, piece.doubled ? 2 : 1));
  const without = new Set(piece.without);
  const { stop, turning } = piece;
  const tied = makeOf(piece.thread) === 'elastic' ? 'elastic' : needsNeedle(piece.thread) ? null : 'cord';
  const pathOf = remembered((units: number) =>
    pathWithRoutes((ways) => weaveable.weave(units, { ...loops, without, tied, stop, turning, ...ways }), {
      room,
      doubled: piece.doubled,
    }),
  );
  return {
    ok: true,
    piece,
    components,
    closedBy,
    structure,
    weaveable,
    doubtful,
    rules: rulesOf(piece, weaveable),
    body,
    holeMm,
    closure,
    mostLoops,
    gear,
    room,
    pathOf,
  };
}
