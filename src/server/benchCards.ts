import { createHash } from 'node:crypto';
import * as z from 'zod';
import type { Card } from '@/core/plan/card';
import type { KeptLayout } from '@/core/layout/kept';
import { cardsOf, keepCards, type KeptCard } from '@/data/cards';
import { piecesByIds, type StoredPiece } from '@/data/pieces';
import type { Unreadable } from '@/data/records';
import { layoutsOf } from './laidOut';
import { planned } from './planner';
import { programId } from './program';
import { basisOf, type Basis } from './swatchKeys';
import type { At } from './work';

/** A piece of the bench as its card shows it: planned, impossible to read, or impossible to plan. */
export type BenchCard =
  | { readonly kind: 'planned'; readonly stored: StoredPiece; readonly card: Card }
  | { readonly kind: 'unreadable'; readonly unreadable: Unreadable }
  | { readonly kind: 'broken'; readonly stored: StoredPiece };

export interface BenchCards {
  readonly cards: Readonly<Record<string, BenchCard>>;
  /** What their pictures are drawn from. */
  readonly laidOut: Readonly<Record<string, KeptLayout>>;
}

/** As it is kept. It is ours, and of this version of the program: only its outline is checked. */
const keptSchema = z.object({
  card: z.custom<Card>((value) => typeof value === 'object' && value !== null && 'ok' in value),
  layoutKeys: z.array(z.string()),
});
type Kept = z.infer<typeof keptSchema>;

/**
 * The cards of some pieces. What a card says is kept with the revision of its piece, and worked out again only when the
 * piece, the swatches, the habits or the program has changed. (Materials are part of the piece: a corrected catalogue
 * changes no card.)
 */
export async function benchCards(
  { db, workspaceId }: At,
  ids: readonly string[],
  basis: Basis,
): Promise<BenchCards> {
  const [{ found, unreadable }, kept] = [
    await piecesByIds(db, workspaceId, ids),
    await cardsOf(db, workspaceId, ids),
  ];
  const asked = basisOf(basis);
  const workedOutWith = createHash('sha256')
    .update(JSON.stringify([programId(), asked]))
    .digest('hex');
  const known = new Map(kept.map((one) => [one.pieceId, one]));
  const fresh: KeptCard[] = [];
  const keys = new Set<string>();

  const cardOf = async (stored: StoredPiece): Promise<BenchCard> => {
    const { id, revision, doc } = stored;
    const before = known.get(id);
    const holds = before?.revision === revision && before.workedOutWith === workedOutWith;
    let now: Kept | null = holds ? (keptSchema.safeParse(before.card).data ?? null) : null;
    if (!now) {
      try {
        const { card, layoutKeys } = await planned({ kind: 'plan', doc, ...asked });
        now = { card, layoutKeys: [...layoutKeys] };
      } catch (error) {
        process.stderr.write(`A piece could not be planned: ${String(error)}\n`);
        return { kind: 'broken', stored };
      }
      fresh.push({ pieceId: id, revision, workedOutWith, card: now });
    }
    for (const key of now.layoutKeys) keys.add(key);
    return { kind: 'planned', stored, card: now.card };
  };

  const read = await Promise.all(found.map(async (stored) => [stored.id, await cardOf(stored)] as const));
  await keepCards(db, workspaceId, fresh);
  return {
    cards: Object.fromEntries([
      ...read,
      ...unreadable.map((one): [string, BenchCard] => [one.id, { kind: 'unreadable', unreadable: one }]),
    ]),
    laidOut: layoutsOf(keys),
  };
}
