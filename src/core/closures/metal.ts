import type { FindingMaterial } from '../materials/material';
import type { EdgeName } from '../weave/edge';
import type { EndsChoice } from './closure';
import { extenderIn, heldEnds } from './suits';

/** What something of metal is there for. */
export type MetalUse =
  | { readonly kind: 'clasp' }
  /** Jump rings, one in the other where there are several: to the clasp, from what is told. */
  | { readonly kind: 'ring'; readonly end: EdgeName; readonly from: 'loop' | 'bead' | 'chain' }
  /** Whole links, as many on either side; whether a ring closes them to the clasp at both its halves. */
  | { readonly kind: 'chain'; readonly linksEach: number; readonly ringed: boolean }
  /** Links of a chain or jump rings, and whether something hangs in the last. */
  | { readonly kind: 'extender'; readonly rings: boolean; readonly dangles: boolean }
  | { readonly kind: 'between sections' };

/** So many of one thing, and what they are there for. */
export interface Metal {
  readonly name: string;
  readonly count: number;
  readonly use: MetalUse;
}

/** Findings between sections, one seam after another. */
type Between = readonly { readonly what: FindingMaterial; readonly count: number }[];

/**
 * What of metal a piece takes, from its start to its end: clasp and rings, chain and extender in whole links, and what joins its
 * sections. A ball or a button that is gone over by a loop of seeds, and what is woven, is none.
 * @param ends null where it is closed by what is woven
 * @param linksEach links of chain on either side
 */
export function metalOf(ends: EndsChoice | null, linksEach: number, between: Between): Metal[] {
  const counts = new Map<string, number>();
  for (const { what, count } of between) counts.set(what.name, (counts.get(what.name) ?? 0) + count);
  const sections = [...counts].map(([name, count]): Metal => ({
    name,
    count,
    use: { kind: 'between sections' },
  }));
  if (ends?.closing !== 'clasp') return sections;
  const { clasp, chain, dangle } = ends;
  const extender = extenderIn(ends);
  const held = heldEnds(clasp);
  const chained = chain !== null && linksEach > 0;
  const rings = held.flatMap((end): Metal[] => {
    const { rings: its, seedsEachSide } = ends[end];
    const from = chained ? 'chain' : seedsEachSide === 0 ? 'bead' : 'loop';
    return its ? [{ name: its.finding.name, count: its.count, use: { kind: 'ring', end, from } }] : [];
  });
  const ringed = rings.length === held.length;
  return [
    ...(clasp.buttonsMm === null ? [{ name: clasp.name, count: 1, use: { kind: 'clasp' } as const }] : []),
    ...rings,
    ...(chained
      ? [
          {
            name: 'chain, whole links',
            count: held.length * linksEach,
            use: { kind: 'chain', linksEach, ringed } as const,
          },
        ]
      : []),
    ...(extender
      ? [
          {
            name: extender.rings?.name ?? 'extender, whole links',
            count: extender.links,
            use: { kind: 'extender', rings: extender.rings !== null, dangles: dangle !== null } as const,
          },
        ]
      : []),
    ...sections,
  ];
}
