import * as z from 'zod';
import { eventsSchema, type MakingEvent } from '@/core/making/events';
import { carriedOver } from '@/core/making/carryOver';
import { making } from '@/core/making/making';
import { layOnMat, readMat } from '@/core/making/mat';
import type { Piece } from '@/core/piece/piece';
import type { Lookups, NoPlan } from '@/core/plan/plan';
import type { Settings } from '@/core/records/settings';
import { refusalIn } from '../fields/refusal';

export type LaidOut =
  | { readonly ok: true }
  | { readonly ok: false; readonly problem: NoPlan['problem'] }
  | { readonly ok: false; readonly message: string };

const AWAY = 'The program does not answer, so the plan was not laid on the mat. Try again.';
const madeSchema = z.object({ id: z.string() });
const lyingSchema = z.object({
  mat: z.unknown().transform(readMat),
  events: eventsSchema.or(z.tuple([])),
});

async function asked(url: string, body?: unknown): Promise<unknown> {
  const response = await fetch(
    url,
    body === undefined
      ? {}
      : { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) },
  );
  const answer: unknown = await response.json();
  if (!response.ok) throw new Error(refusalIn(answer) ?? AWAY);
  return answer;
}

/**
 * Lays the plan of a piece on the mat, as it is now. Where it lies there already, what is done of it is carried over to where the
 * changed plan has the same steps.
 */
export async function layOut(
  pieceId: string,
  piece: Piece,
  lookups: Lookups & { readonly habits: Settings },
  again: boolean,
): Promise<LaidOut> {
  const laid = layOnMat(piece, lookups, '');
  if (!laid.ok) return { ok: false, problem: laid.problem };
  try {
    const before = again ? lyingSchema.parse(await asked(`/api/mats?piece=${pieceId}`)) : null;
    const { id } = madeSchema.parse(await asked('/api/mats', { pieceId, mat: laid.mat }));
    const places = before ? carriedOver(before.mat, making(before.mat, before.events), laid.mat) : [];
    if (places.length > 0) {
      const window = crypto.randomUUID();
      let after: string | null = null;
      const events = places.map((to): MakingEvent => {
        const event: MakingEvent = {
          id: crypto.randomUUID(),
          window,
          after,
          at: new Date().toISOString(),
          what: { did: 'go', to },
        };
        after = event.id;
        return event;
      });
      await asked(`/api/mats/${id}`, { since: 0, events });
    }
    return { ok: true };
  } catch (error) {
    return {
      ok: false,
      message: error instanceof Error && !(error instanceof z.ZodError) ? error.message : AWAY,
    };
  }
}
