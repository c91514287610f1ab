import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { given } from '@/core/tools/given';
import { BEADS, THREADS } from '@/core/materials/catalogue';
import { readMat } from '@/core/making/mat';
import { partOf } from '@/core/piece/partOfPiece';
import { USUAL_SETTINGS } from '@/core/records/settings';
import { swatchOf } from '@/core/records/swatches';
import { onMat, worked } from '@/core/testing/atTheMat';
import { runs } from '@/core/testing/thorough';
import { examplePiece } from '@/demo/choir';
import { readFile } from './files';

const id = () => crypto.randomUUID();
const MAT = onMat(examplePiece('capstan'));

/** A file with something on every shelf. */
function full(): Record<string, unknown> {
  const piece = { id: id(), doc: MAT.piece, dueOn: '2026-06-20', away: false };
  const mat = { id: id(), pieceId: piece.id, doc: MAT, away: false, events: worked(MAT, 30) };
  const measured = {
    units: 5,
    lengthMm: 21,
    without: [],
    takenOn: '2026-06-01',
    tension: 'medium' as const,
    note: '',
  };
  return {
    ivyLoom: 'workspace',
    format: 1,
    program: 'test',
    madeOn: '2026-06-01T00:00:00.000Z',
    lengthUnit: 'in',
    settings: { ...USUAL_SETTINGS, daysOff: ['2026-06-02'] },
    materials: [
      { kind: 'bead', data: given(BEADS[0], 'bead') },
      { kind: 'thread', data: given(THREADS[0], 'thread') },
    ],
    people: [{ id: id(), name: 'Maren', note: '', away: false, measures: [] }],
    pieces: [{ ...piece, aside: [{ id: id(), doc: MAT.piece, changeId: 'one' }], beside: [] }],
    patterns: [{ id: id(), doc: { ...MAT.piece, wearer: null }, away: false }],
    swatches: [{ id: id(), doc: swatchOf(partOf(MAT.piece), measured), away: false }],
    mats: [mat],
    photos: [{ id: id(), matId: mat.id, kind: 'image/png', data: btoa('\x89PNG\r\n\x1a\n....') }],
  };
}

type Path = readonly (string | number)[];

/** Every list and every object within, by its way from the outside; of a list's items the first stands for all. */
function placesOf(value: unknown, path: Path = []): Path[] {
  if (typeof value !== 'object' || value === null) return [];
  const inner = Object.entries(value).slice(0, Array.isArray(value) ? 1 : undefined);
  return [
    path,
    ...inner.flatMap(([key, one]) => placesOf(one, [...path, Array.isArray(value) ? Number(key) : key])),
  ];
}

const flooded = (value: unknown, [key, ...rest]: Path, flood: unknown): unknown => {
  if (key === undefined) return flood;
  const copy = structuredClone(value) as Record<string | number, unknown>;
  copy[key] = flooded(copy[key], rest, flood);
  return copy;
};

/** More wrong things than anybody could be told of. */
const MANY = 100_000;
const FLOODS = {
  nothings: () => Array.from({ length: MANY }, () => 0),
  empties: () => Array.from({ length: MANY }, () => ({})),
  lists: () => Array.from({ length: MANY }, () => []),
  texts: () => Array.from({ length: MANY }, () => 'x'),
  keys: () => Object.fromEntries(Array.from({ length: MANY }, (_, i) => [`k${i}`, 0])),
} as const;
/** Zod makes issues by the hundred thousand in a second. */
const MOST_PROBLEMS = 5000;

describe('a file that is flooded with what is wrong', () => {
  const file = full();
  const places = placesOf(file);

  it('is whole before it is flooded', () => {
    expect(readFile(JSON.stringify(file), [], '2026-06-01')).toMatchObject({ ok: true, kind: 'workspace' });
    expect(places.length).toBeGreaterThan(100);
  });

  it('anywhere: it is refused, and only so much is told of it as can be told', () => {
    let refused = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...places),
        fc.constantFrom(...(Object.keys(FLOODS) as (keyof typeof FLOODS)[])),
        (place, flood) => {
          const read = readFile(JSON.stringify(flooded(file, place, FLOODS[flood]())), [], '2026-06-01');
          // Of habits what cannot be read is left as usual, and a record of a stitch may hold anything.
          if (read.ok) return;
          refused++;
          expect(read.problems.length, `${place.join('.')}: ${flood}`).toBeLessThan(MOST_PROBLEMS);
        },
      ),
      { numRuns: runs(40), seed: 25 },
    );
    expect(refused).toBeGreaterThan(runs(40) / 2);
  });

  it('a plan to be laid on the mat, likewise', () => {
    const parts = placesOf(MAT);
    let refused = 0;
    fc.assert(
      fc.property(fc.constantFrom(...parts), fc.constantFrom('empties', 'keys', 'lists'), (place, flood) => {
        try {
          readMat(flooded(MAT, place, FLOODS[flood as keyof typeof FLOODS]()));
        } catch (error) {
          refused++;
          const { issues } = error as { issues: unknown[] };
          expect(issues.length, `${place.join('.')}: ${flood}`).toBeLessThan(MOST_PROBLEMS);
        }
      }),
      { numRuns: runs(20), seed: 25 },
    );
    expect(refused).toBeGreaterThan(runs(20) / 2);
  });

  it.each([
    [
      'more rows than are brought in at once',
      `name,wrist_mm\n${'a,165\n'.repeat(5001)}`,
      /longer than 5000 rows/,
    ],
    ['more letters', `name,wrist_mm\n${'a,165\n'.repeat(400_000)}`, /larger than 2 MB/],
    ['a line without end', `name,wrist_mm\na,165\nb${','.repeat(200_000)}`, /longer than any row/],
    ['more values than any workspace', `[${'0,'.repeat(4_000_001)}0]`, /more than any workspace/],
    ['a nest', '['.repeat(100_000) + ']'.repeat(100_000), /nested deeper|no JSON/],
  ])('%s: told, and not read to the end', (_, text, words) => {
    const read = readFile(text, [], '2026-06-01');
    if (read.ok) throw new Error('it was read');
    expect(read.problems).toHaveLength(1);
    expect(read.problems[0]?.why).toMatch(words);
  });
});
