import { heldEnds, suitsKind } from '../closures/suits';
import { closureOf } from '../closures/closure';
import { LOOP_ROLE } from '../closures/sewnLoop';
import type { EdgeName } from '../weave/edge';
import type { BeadKind, Clasp, FindingMaterial } from '../materials/material';
import { sizeOf } from '../materials/material';
import type { PartOfPiece } from '../piece/partOfPiece';
import { planPart, type Lookups, type Plan } from './plan';
import { choosing } from '../piece/choosing';
import { misfit } from '../structures/parts';

/** What a small change would do to a piece whose count stays. */
export interface Absorber {
  readonly what:
    | { readonly kind: 'clasp'; readonly name: string }
    | { readonly kind: 'seeds'; readonly end: EdgeName; readonly more: number }
    | { readonly kind: 'ring'; readonly end: EdgeName; readonly name: string; readonly more: number }
    | { readonly kind: 'extender'; readonly links: number }
    | { readonly kind: 'rows'; readonly extra: number; readonly more: number }
    | { readonly kind: 'bead'; readonly role: string; readonly name: string };
  readonly change: Partial<PartOfPiece>;
  readonly finishedMm: number;
  /** Finished length less the wish. */
  readonly offMm: number;
  readonly fits: boolean;
}

/** What there is to choose from. */
export interface Parts {
  readonly clasps: readonly Clasp[];
  readonly findings: readonly FindingMaterial[];
  readonly beads: readonly BeadKind[];
}

/** A rest smaller than this is none: no ruler shows it in beadwork, mm (from memory). */
export const REST_MM = 1;
/** Another bead for a role is offered where its size lies within this part of the present one. */
const NEAR_SIZE = 0.5;
const MOST_OFFERED = 4;
/** Of one kind, so many of the best are offered. */
const MOST_OF_A_KIND = 2;

/**
 * What would absorb the rest between the finished length and the wish without another count: another clasp, a seed
 * or a ring more or less, an extender, rows at the end, a bead of another size. Each is worked out by the same
 * arithmetic as the plan, and offered only where it comes nearer. The nearest first; empty where nothing is left over
 * or chain takes it up.
 */
export function absorbers(
  piece: PartOfPiece,
  plan: Plan,
  parts: Parts,
  lookups: Partial<Lookups> = {},
): Absorber[] {
  const { chosen } = plan;
  if (Math.abs(chosen.offMm) < REST_MM || piece.ends.chain) return [];
  const fixed = { ...piece, ...choosing(piece, chosen) };
  const byEnds = piece.ends.closing === 'clasp' ? endChanges(fixed, parts) : [];
  const offered = [
    ...byEnds.map(({ what, ends }) => ofEnds(fixed, plan, what, ends)),
    ...(piece.ends.closing === 'clasp' ? extenders(fixed, plan, parts) : []),
    ...replanned(fixed, plan, parts, lookups),
  ].filter((one) => Math.abs(one.offMm) < Math.abs(chosen.offMm) - REST_MM / 4);
  return best(offered);
}

/** The nearest of each kind. */
function best(offered: readonly Absorber[]): Absorber[] {
  const near = [...offered].sort(
    (a, b) => Number(b.fits) - Number(a.fits) || Math.abs(a.offMm) - Math.abs(b.offMm),
  );
  const seen = new Map<string, number[]>();
  return near
    .filter(({ what: { kind }, finishedMm }) => {
      // A seed at the start does what a seed at the end does: one of them is enough.
      const others = seen.get(kind) ?? [];
      const isThere = others.some((mm) => Math.abs(mm - finishedMm) < REST_MM / 10);
      if (isThere || others.length === MOST_OF_A_KIND) return false;
      seen.set(kind, [...others, finishedMm]);
      return true;
    })
    .slice(0, MOST_OFFERED);
}

interface EndChange {
  readonly what: Absorber['what'];
  readonly ends: PartOfPiece['ends'];
}

/** Changes of the ends alone: clasps, seeds, jump rings. */
function endChanges({ ends, kind }: PartOfPiece, { clasps, findings }: Parts): EndChange[] {
  const changes: EndChange[] = [];
  for (const clasp of ends.woven === null ? clasps : []) {
    if (clasp.id === ends.clasp.id || !suitsKind(clasp, kind)) continue;
    if (clasp.loops !== ends.clasp.loops || kind === 'ring') continue;
    const what = { kind: 'clasp', name: clasp.name } as const;
    changes.push({ what, ends: { ...ends, clasp, loopSeeds: null } });
  }
  for (const end of heldEnds(ends.clasp).toReversed()) {
    const now = ends[end];
    if (ends.clasp.fastening === 'sewn loop' && !(ends.clasp.buttonsMm !== null && end === 'end'))
      for (const more of [-2, -1, 1, 2])
        if (now.seedsEachSide + more >= 1)
          changes.push({
            what: { kind: 'seeds', end, more },
            ends: { ...ends, [end]: { ...now, seedsEachSide: now.seedsEachSide + more } },
          });
    for (const finding of findings.filter((one) => one.kind === 'jump ring'))
      if (!now.rings || now.rings.finding.id === finding.id)
        changes.push({
          what: { kind: 'ring', end, name: finding.name, more: 1 },
          ends: { ...ends, [end]: { ...now, rings: { finding, count: (now.rings?.count ?? 0) + 1 } } },
        });
    if (now.rings) {
      const { finding, count } = now.rings;
      const rings = count > 1 ? { finding, count: count - 1 } : null;
      changes.push({
        what: { kind: 'ring', end, name: finding.name, more: -1 },
        ends: { ...ends, [end]: { ...now, rings } },
      });
    }
  }
  return changes;
}

/** What a change of the ends does: the woven part stays as it is. */
function ofEnds(piece: PartOfPiece, plan: Plan, what: Absorber['what'], ends: PartOfPiece['ends']): Absorber {
  const seed = sizeOf(piece.beads[LOOP_ROLE]);
  // What is closed by a woven part is so still.
  const closed = ends.woven === null ? ends : { ...ends, clasp: plan.clasp };
  const { start, end } = plan.closure.loops;
  const holding = { mostLoops: plan.weaveable.mostLoops, legs: start.legs ?? end.legs };
  const more = closureOf(closed, seed, holding).allowanceMm - plan.closure.allowanceMm;
  return absorberOf(plan, what, { ...choosing(piece, plan.chosen), ends }, plan.chosen.finishedMm + more);
}

function absorberOf(
  plan: Plan,
  what: Absorber['what'],
  change: Partial<PartOfPiece>,
  finishedMm: number,
): Absorber {
  const { wishMm, band } = plan.wear;
  return {
    what,
    change,
    finishedMm,
    offMm: finishedMm - wishMm,
    fits: finishedMm >= band.minMm && finishedMm <= band.maxMm,
  };
}

/** An extender reaches a wish that is longer than the piece, link by link. */
function extenders(piece: PartOfPiece, plan: Plan, { findings }: Parts): Absorber[] {
  const link = findings.find(({ kind }) => kind === 'extender link');
  const short = -plan.chosen.offMm;
  if (!link || short <= 0 || piece.ends.extender || piece.ends.clasp.buttonsMm !== null) return [];
  const reach = Math.max(1, Math.round(short / link.lengthMm));
  // A few links more than are needed: that is what an extender is for.
  const links = reach + 2;
  const ends = { ...piece.ends, extender: { linkMm: link.lengthMm, links, rings: null } };
  const change = { ...choosing(piece, plan.chosen), ends };
  return [
    absorberOf(plan, { kind: 'extender', links }, change, plan.chosen.finishedMm + reach * link.lengthMm),
  ];
}

/** Changes that need the whole plan again: rows at the end, beads of another size. */
function replanned(piece: PartOfPiece, plan: Plan, { beads }: Parts, lookups: Partial<Lookups>): Absorber[] {
  const changes: { what: Absorber['what']; change: Partial<PartOfPiece> }[] = [];
  const { params } = piece.structure;
  const { extra } = { ...plan.structure.defaults, ...params };
  if (typeof extra === 'number' && piece.ends.closing !== 'joined')
    for (const more of [-2, -1, 1, 2])
      if (extra + more >= 0)
        changes.push({
          what: { kind: 'rows', extra: extra + more, more },
          change: { structure: { ...piece.structure, params: { ...params, extra: extra + more } } },
        });
  for (const { role, bead } of plan.quantities) {
    if (role === LOOP_ROLE || plan.components.has(role)) continue;
    const parts = plan.weaveable.parts.filter((part) => part.role === role);
    for (const kind of neighbouring(bead, beads))
      if (parts.every((part) => misfit(part, kind) === null))
        changes.push({
          what: { kind: 'bead', role, name: kind.name },
          change: { beads: { ...piece.beads, [role]: { ...bead, ...kind } } },
        });
  }
  return changes.flatMap(({ what, change }) => {
    // Counts of a graduated line stand among its parameters too: both changes hold.
    const whole = { ...change, ...choosing({ ...piece, ...change }, plan.chosen) };
    const again = planPart({ ...piece, ...whole }, lookups);
    if (!again.ok || again.warnings.some(({ code }) => code === 'sizes')) return [];
    // The wish itself moves with the thickness: what counts is how far the new piece is from its own wish.
    const { finishedMm, offMm, fits } = again.chosen;
    return [{ what, change: whole, finishedMm, offMm, fits }];
  });
}

/** The next larger and the next smaller bead of the same shape; of like size the first of the catalogue. */
export function neighbouring(bead: BeadKind, beads: readonly BeadKind[]): BeadKind[] {
  const by = (kind: BeadKind) => kind.diameterMm / bead.diameterMm - 1;
  const alike = beads
    .filter((kind) => kind.shape === bead.shape && kind.holes === bead.holes && kind.id !== bead.id)
    .filter((kind) => Math.abs(by(kind)) <= NEAR_SIZE)
    .sort((a, b) => Math.abs(by(a)) - Math.abs(by(b)));
  const larger = alike.find((kind) => by(kind) > 0.01);
  const smaller = alike.find((kind) => by(kind) < -0.01);
  return [larger, smaller].filter((kind) => kind !== undefined);
}
