import { describe, expect, it } from 'vitest';
import { newPiece } from '../piece/newPiece';
import { USUAL_SETTINGS } from '../records/settings';
import { readWorkspaceFile } from './workspaceFile';

const doc = newPiece('Slack water', 'strung-line', null);
const id = () => crypto.randomUUID();
const piece = () => ({ id: id(), doc, dueOn: null, aside: [], beside: [] });
const file = () => ({
  ivyLoom: 'workspace',
  format: 1,
  program: 'test',
  madeOn: '2026-06-01T00:00:00.000Z',
  lengthUnit: 'in',
  settings: USUAL_SETTINGS,
  materials: [],
  people: [],
  pieces: [piece(), piece(), piece()],
  patterns: [],
  swatches: [],
  mats: [],
  photos: [],
});

describe('a file of a whole workspace', () => {
  it('is read where all of it can be', () => {
    expect(readWorkspaceFile(file())).toMatchObject({ ok: true });
  });

  it('tells every problem with its place, counted as one counts, and is not read at all', () => {
    const bad = file();
    const [, second, third] = bad.pieces;
    Object.assign(second as object, { doc: { ...doc, name: '' } });
    Object.assign(third as object, { doc: { ...doc, format: 99 }, dueOn: 'soon' });
    const read = readWorkspaceFile({ ...bad, people: [{ id: 'x', name: 'Maren', measures: [] }] });
    if (read.ok) throw new Error('it was read');
    const places = read.problems.map(({ path }) => path);
    expect(places).toContain('people, 1, id');
    expect(places).toContain('pieces, 2, doc, name');
    expect(places).toContain('pieces, 3, dueOn');
    expect(places).toContain('pieces, 3, doc, format');
    expect(read.problems.every(({ why }) => why.endsWith('.'))).toBe(true);
  });

  it('is refused where something in it names what is not there, or a photograph is none', () => {
    const photo = { id: id(), matId: id(), kind: 'image/png', data: btoa('\x89PNG\r\n\x1a\n....') };
    const read = readWorkspaceFile({ ...file(), photos: [photo] });
    expect(read).toEqual({
      ok: false,
      problems: [{ path: 'photos, 1', why: 'The work that it shows is not in the file.' }],
    });
    const page = readWorkspaceFile({ ...file(), photos: [{ ...photo, data: btoa('<svg onload=1>') }] });
    expect(page).toMatchObject({ ok: false, problems: [{ path: 'photos, 1, data' }] });
  });

  it.each([
    ['nothing', null],
    ['a list', []],
    ['a piece', doc],
    ['a newer format', { ...file(), format: 2 }],
  ])('%s is refused in words', (_, raw) => {
    const read = readWorkspaceFile(raw);
    expect(read.ok).toBe(false);
    expect(!read.ok && read.problems.length).toBeGreaterThan(0);
  });
});
