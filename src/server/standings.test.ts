import { describe, expect, it, vi } from 'vitest';
import { newPiece } from '@/core/piece/newPiece';
import { event, onMat } from '@/core/testing/atTheMat';
import { addMat, tellHappened } from '@/data/making';
import { addPiece } from '@/data/pieces';
import { keepStanding, keptStandings } from '@/data/standings';
import { programId } from './program';
import { standings } from './standings';
import { benchForEach } from './testing/bench';
vi.mock('next/cache', () => ({ revalidatePath: () => undefined }));

const { db, workspaceId } = benchForEach();
const at = () => ({ db: db(), workspaceId: workspaceId() });

describe('how the work on the mats stands', () => {
  it('is worked out when something happened since, and read where nothing did', async () => {
    const doc = newPiece('Slack water', 'strung-line', null);
    const mat = onMat(doc);
    const { id: pieceId } = await addPiece(db(), workspaceId(), doc);
    const old = await addMat(db(), workspaceId(), pieceId, mat);
    const matId = await addMat(db(), workspaceId(), pieceId, mat);
    const [first, second] = await standings(at());
    expect(first).toMatchObject({ matId, pieceId, done: 0, upTo: 0, current: true });
    expect(second).toMatchObject({ matId: old, current: false });

    // What is kept is what is read, as long as it holds.
    const [kept] = await keptStandings(db(), workspaceId());
    const told = { ...(kept?.kept?.doc as object), done: 0.25 };
    await keepStanding(db(), workspaceId(), { matId, upTo: 0, program: programId(), doc: told });
    expect((await standings(at()))[0]?.done).toBe(0.25);
    await keepStanding(db(), workspaceId(), { matId, upTo: 0, program: 'another build', doc: told });
    expect((await standings(at()))[0]?.done).toBe(0);

    const part = mat.parts[0]?.id ?? '';
    await tellHappened(db(), workspaceId(), matId, [event({ did: 'go', to: { part, made: 0, at: 4 } })]);
    const [now] = await standings(at());
    expect(now?.done).toBeGreaterThan(0);
    expect(now?.left).toBeGreaterThan(0);
    await tellHappened(db(), workspaceId(), matId, [event({ did: 'finish', finalMm: 180, sits: 'well' })]);
    expect((await standings(at()))[0]).toMatchObject({ done: 1, left: 0 });
    expect((await standings({ ...at(), workspaceId: crypto.randomUUID() })).length).toBe(0);
  });
});
