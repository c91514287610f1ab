import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BEADS, byId, CLASPS, FINDINGS, NEEDLES, THREADS } from '@/core/materials/catalogue';
import type { BeadKind } from '@/core/materials/material';
import { catalogueCsv, readCatalogueCsv } from './catalogueCsv';

describe('the catalogue as CSV', () => {
  const none = { beads: [], threads: [], needles: [], clasps: [], findings: [] };
  const whole = { beads: BEADS, threads: THREADS, needles: NEEDLES, clasps: CLASPS, findings: FINDINGS };

  it('comes back as it went', () => {
    expect(readCatalogueCsv(catalogueCsv(whole))).toEqual({ ...whole, problems: [] });
  });

  it('comes back whatever a name holds: commas, quotes, line ends, other scripts', () => {
    fc.assert(
      fc.property(fc.string({ minLength: 1, maxLength: 40 }), (text) => {
        const name = text.trim();
        fc.pre(name.length > 0 && !/\r/.test(name));
        const bead: BeadKind = { ...byId(BEADS, 'seed-8'), name };
        const [back] = readCatalogueCsv(catalogueCsv({ ...none, beads: [bead] })).beads;
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
    const { beads, findings, problems } = readCatalogueCsv(text);
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
      'Line 3: “diameter_mm” cannot be read. Mend it and bring the file in again.',
      'Line 4: the kind must be bead, thread, needle, clasp or finding.',
      'Line 6: “start_mm” cannot be read. Mend it and bring the file in again.',
    ]);
  });

  it('an empty file is told', () => {
    expect(readCatalogueCsv('').problems.join()).toMatch(/no rows/);
  });
});
