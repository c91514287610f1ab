import * as z from 'zod';
import { making } from '@/core/making/making';
import { progress, workload } from '@/core/making/progress';
import { recordOf } from '@/core/making/record';
import { pieceRecordSchema } from '@/core/records/experience';
import { happenedSince, matById } from '@/data/making';
import { keepStanding, keptStandings } from '@/data/standings';
import { programId } from './program';
import type { At } from './work';

const standingSchema = z.object({
  /** How much of the work is done, from 0 to 1, and how many trips through beads are left. */
  done: z.number(),
  left: z.number(),
  record: pieceRecordSchema,
});

/** How the work on a mat stands, and what it tells the next. */
export interface Standing extends z.infer<typeof standingSchema> {
  readonly matId: string;
  readonly pieceId: string;
  /** Up to which event. */
  readonly upTo: number;
  /** Whether its piece lies on it still, and not on a newer one. */
  readonly current: boolean;
}

/**
 * How the work on every mat stands, the one laid last first. It is worked out again only where something happened since, or by another
 * build; a mat that this version cannot read is left out.
 */
export async function standings({ db, workspaceId }: At): Promise<Standing[]> {
  const program = programId();
  const seen = new Set<string>();
  const all: Standing[] = [];
  for (const { matId, pieceId, upTo, kept } of await keptStandings(db, workspaceId)) {
    const holds = kept?.upTo === upTo && kept.program === program;
    let now = holds ? standingSchema.safeParse(kept.doc).data : undefined;
    if (!now) {
      const mat = await matById(db, workspaceId, matId);
      if (!mat?.ok) continue;
      const { events } = await happenedSince(db, workspaceId, matId, 0);
      const { doc } = mat.value;
      const state = making(doc, events);
      now = {
        done: state.finished ? 1 : progress(doc, state).done,
        left: workload(doc, state).left,
        record: recordOf(doc, state, matId),
      };
      await keepStanding(db, workspaceId, { matId, upTo, program, doc: now });
    }
    all.push({ ...now, matId, pieceId, upTo, current: !seen.has(pieceId) });
    seen.add(pieceId);
  }
  return all;
}
