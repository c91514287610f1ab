import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BEADS, byId, CLASPS, FINDINGS, NEEDLES, THREADS } from '@/core/materials/catalogue';
import type { BeadKind } from '@/core/materials/material';
import { MOST_TABLE_ROWS, TABLE_TOO_LONG } from '@/core/materials/table';
import { catalogueCsv, readCatalogueCsv } from './catalogueCsv';
import { readTable } from './tables';

/** A text as a table of materials. Throws where it is no table. */
function read(text: string) {
  const table = readTable(text);
  if (!table.ok) throw new Error(JSON.stringify(table.problems));
  return readCatalogueCsv(table);
}

describe('the catalogue as CSV', () => {
  const none = { beads: [], threads: [], needles: [], clasps: [], findings: [] };
  const whole = { beads: BEADS, threads: THREADS, needles: NEEDLES, clasps: CLASPS, findings: FINDINGS };

  it('comes back as it went', () => {
    expect(read(catalogueCsv(whole))).toEqual({ ...whole, problems: [] });
  });

  it('comes back whatever a name holds: commas, quotes, line ends, other scripts', () => {
    fc.assert(
      fc.property(fc.string({ minLength: 1, maxLength: 40 }), (text) => {
        const name = text.trim();
        fc.pre(name.length > 0 && !/\r/.test(name));
        const bead: BeadKind = { ...byId(BEADS, 'seed-8'), name };
        const [back] = read(catalogueCsv({ ...none, beads: [bead] })).beads;
        expect(back).toEqual(bead);
      }),
    );
  });

  it('reads decimal commas and columns in any order, and names the rows that it cannot read', () => {
    const text = [
      'Name;Kind;ID;Shape;Diameter_mm;Length_mm;Hole_mm',
      'harbour seed;bead;own-1;seed;2,1;1,5;0,8',
      'no size;bead;own-2;seed;;1,5;0,8',
      'a hammer;tool;x;;;;',
      'own ring;finding;own-3;jump ring;;4.4;',
      'own clasp;clasp;own-4;spring ring;;;',
    ].join('\n');
    const { beads, findings, problems } = read(text);
    expect(beads).toHaveLength(1);
    expect(beads[0]).toMatchObject({
      name: 'harbour seed',
      diameterMm: 2.1,
      lengthMm: 1.5,
      source: 'measured',
    });
    expect(findings).toEqual([
      expect.objectContaining({ kind: 'jump ring', lengthMm: 4.4, insideMm: null, loops: 1 }),
    ]);
    expect(problems).toEqual([
      { path: 'line 3', why: '“diameter_mm” cannot be read. Mend it and bring the file in again.' },
      { path: 'line 4', why: 'the kind must be bead, thread, needle, clasp or finding.' },
      { path: 'line 6', why: '“start_mm” cannot be read. Mend it and bring the file in again.' },
    ]);
  });

  it('an empty file is told', () => {
    expect(readTable('')).toMatchObject({
      ok: false,
      problems: [{ why: expect.stringContaining('no rows') as string }],
    });
  });

  it('names the line as an editor counts it: with blank lines, line ends in quotes, and a mark of byte order', () => {
    const bad = 'needle,,no id,0.4';
    const needle = (id: string) => `needle,${id},x,0.4`;
    for (const end of ['\n', '\r\n']) {
      const lines = [
        '\ufeffkind,id,name,diameter_mm',
        needle('a'),
        '',
        bad,
        `needle,b,"two${end}lines",0.4`,
        bad,
      ];
      const { needles, problems } = read(lines.join(end));
      expect(needles.map(({ id }) => id)).toEqual(['a', 'b']);
      expect(problems.map(({ path }) => path)).toEqual(['line 4', 'line 7']);
    }
    expect(read(`\n\nkind,id,name,diameter_mm\n\n${bad}`).problems[0]?.path).toBe('line 5');
  });

  it('of rows that share an id the first counts, and the other is told', () => {
    const { needles, problems } = read(
      'kind,id,name,diameter_mm\nneedle,a,first,0.4\nneedle,a,second,0.3\nthread,a,other kind,0.15',
    );
    expect(needles.map(({ name }) => name)).toEqual(['first']);
    expect(problems).toEqual([
      { path: 'line 3', why: 'the id “a” stands on line 2 already. Keep one of them.' },
    ]);
  });

  it('a table that is too long, or has no columns that are known, is told in one line', () => {
    const rows = Array.from({ length: MOST_TABLE_ROWS + 1 }, (_, i) => `needle,${i},x,0.4`).join('\n');
    expect(readTable(`kind,id,name,diameter_mm\n${rows}`)).toEqual({
      ok: false,
      problems: [{ path: 'the whole file', why: TABLE_TOO_LONG }],
    });
    const most = read(`kind,id,name,diameter_mm\n${rows.slice(0, rows.lastIndexOf('\n'))}`);
    expect(most.needles).toHaveLength(MOST_TABLE_ROWS);
    expect(read('a,b\n1,2\n3,4').problems).toHaveLength(1);
    expect(read('kind,id,name,diameter_mm\nneedle,a,x\0y,0.4').needles).toEqual([]);
  });

  // What a spreadsheet takes for a formula: OWASP, "CSV Injection" (=, +, -, @, tab, carriage return).
  it('a cell that a spreadsheet would run is written as text, and comes back whole', () => {
    for (const name of ['=1+1', '+1', '-1', '@x', "'quoted", "'=x", "it's"]) {
      const bead: BeadKind = { ...byId(BEADS, 'seed-8'), name };
      const text = catalogueCsv({ ...none, beads: [bead] });
      for (const cell of text.split('\n')[1]?.split(',') ?? []) expect(cell).not.toMatch(/^"?[=+@-]/);
      expect(read(text).beads[0]?.name).toBe(name);
    }
  });
});
