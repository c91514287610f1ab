import { readFileSync } from 'node:fs';
import { describe, expect, it, vi } from 'vitest';
import { migratePiece, PIECE_FORMAT } from './piece';
import { newPart } from './newPiece';
import { migrateDocument } from './migrations';
import { partOf } from './partOfPiece';

/** A bracelet as format 1 told it. */
function one(params: Record<string, unknown> = {}) {
  const { beads, thread, needle, ends } = newPart('Old tide', 'flat-herringbone', null);
  const end = { seedsEachSide: 4, passes: 3 };
  return {
    format: 1,
    name: 'Old tide',
    kind: 'bracelet',
    wearer: { personId: null, name: 'Maren', wristMm: 159 },
    wear: { school: 'ease', fit: 'comfortable', thicknessEffect: true },
    structure: { id: 'flat-herringbone', params: { columns: 2, sequence: ['A'], ...params } },
    beads,
    thread,
    needle,
    ends: { clasp: ends.clasp, ...end },
    units: 40,
  };
}

/** Documents as format 2 wrote them. */
const read2 = () =>
  JSON.parse(readFileSync('src/core/testing/older/format-2.json', 'utf8')) as Record<string, unknown>[];

describe('a document of format 1', () => {
  it('is told in the newest: a girth for the wrist, the usual ease of its day, both ends alike', () => {
    const piece = migratePiece(one());
    expect(piece).toMatchObject({
      format: PIECE_FORMAT,
      wearer: { girths: { wrist: 159 }, typical: null },
      wear: { school: 'ease', easeMm: { snug: 6, comfortable: 13, loose: 25 } },
      ends: {
        closing: 'clasp',
        start: { seedsEachSide: 4, passes: 3, rings: null },
        end: { seedsEachSide: 4, passes: 3, rings: null },
      },
      parts: [{ id: 'main', rules: { parity: 'any', multipleOf: 1 }, gauge: null, units: 40 }],
    });
  });

  it('that ended with its first row again has one row extra', () => {
    expect(partOf(migratePiece(one({ alike: true }))).structure.params).toMatchObject({ extra: 1 });
    expect(partOf(migratePiece(one({ alike: false }))).structure.params).toMatchObject({ extra: 0 });
    expect(partOf(migratePiece(one({ alike: true }))).structure.params).not.toHaveProperty('alike');
    expect(partOf(migratePiece(one())).structure.params).not.toHaveProperty('extra');
  });

  it('is told alike whatever is usual today: a step reads nothing of the program around it', async () => {
    const before = migrateDocument(one());
    vi.resetModules();
    vi.doMock('./body/kinds', async (original) => {
      const kinds = await original<typeof import('../body/kinds')>();
      const bracelet = { ...kinds.KIND_FACTS.bracelet, easeMm: { snug: 1, comfortable: 2, loose: 3 } };
      return { ...kinds, KIND_FACTS: { ...kinds.KIND_FACTS, bracelet } };
    });
    const again = await import('./migrations');
    expect(again.migrateDocument(one())).toEqual(before);
    vi.doUnmock('./body/kinds');
  });
});

describe('a document of format 2', () => {
  it('tells of its part what it told of the piece: nothing is lost, nothing made up', () => {
    const two = read2()[0];
    if (!two) throw new Error('there is none');
    const { structure, beads, colourings, threadChanges, without, rules, gauge, units, ...shared } = two;
    expect(migrateDocument(two)).toEqual({
      ...shared,
      format: 3,
      parts: [{ id: 'main', structure, beads, colourings, threadChanges, without, rules, gauge, units }],
    });
  });

  it('lacks in the newest what it lacked: what is usual is filled in by the schema alone', () => {
    expect(migrateDocument({ format: 2, name: 'x' })).toEqual({
      format: 3,
      name: 'x',
      parts: [{ id: 'main' }],
    });
  });
});

describe('anything else', () => {
  it('comes back as it is: newer, of no format, or no document at all', () => {
    for (const raw of [null, 7, 'x', [], {}, { format: 99 }, { format: 'one' }, { format: PIECE_FORMAT }])
      expect(migrateDocument(raw)).toBe(raw);
  });

  it('of format 1 with parts that are missing is refused, not broken', () => {
    for (const key of Object.keys(one()).filter((name) => !['format', 'needle', 'units'].includes(name)))
      expect(() => migratePiece({ ...one(), [key]: 7 })).toThrow(/"path"/);
  });
});
