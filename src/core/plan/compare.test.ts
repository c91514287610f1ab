import { describe, expect, it } from 'vitest';
import { apartFrom, compared } from './compare';
import { formatLength, type LengthStyle } from '../length/length';
import { inStructure } from '../piece/variants';
import { newPart } from '../piece/newPiece';
import { asPiece, type PartOfPiece } from '../piece/partOfPiece';
import type { Plan } from './plan';
import { planPart } from './shipped';

const INCHES: LengthStyle = { unit: 'in', denominator: 16 };
const wearer = { personId: null, name: 'Maren', girths: { wrist: 159 }, typical: null };
const piece = newPart('Breakwater', 'flat-herringbone', wearer);

function planned(of: PartOfPiece): Plan {
  const plan = planPart(of);
  if (!plan.ok) throw new Error('no plan');
  return plan;
}

const apart = (version: PartOfPiece) => apartFrom(asPiece(version), asPiece(piece), INCHES);

describe('versions side by side', () => {
  it('tell what each is, and in what they differ', () => {
    const one = planned(piece);
    const other = planned({ ...piece, units: one.chosen.units + 2 });
    const lines = compared([one, other, null], INCHES);
    const line = (what: string) => lines.find((l) => l.what === what);
    expect(line('count')?.says).toEqual([`${one.chosen.units} units`, `${one.chosen.units + 2} units`, null]);
    expect(
      compared([one, other], INCHES)
        .filter(({ differs }) => differs)
        .map(({ what }) => what),
    ).toEqual(
      expect.arrayContaining(['count', 'finished length', 'against the target', 'beads in all', 'thread']),
    );
    expect(compared([one, other], INCHES).find(({ what }) => what === 'feel')?.differs).toBe(false);
  });

  it('tell each bead with its colours', () => {
    const dyed: PartOfPiece = {
      ...piece,
      beads: { ...piece.beads, A: { ...piece.beads.A, colour: '#123456', colourName: 'ink' } },
    };
    const [line] = compared([planned(piece), planned(dyed)], INCHES).filter(({ what }) => what === 'beads');
    expect(line?.differs).toBe(true);
    expect(line?.says[1]).toMatch(new RegExp(`^A ${piece.beads.A.name}, ink; .*loops `));
  });

  it('tell how many beads in all, thread, weight and warnings, as the plan has them', () => {
    const plan = planned(piece);
    const says = (what: string) => compared([plan], INCHES).find((l) => l.what === what)?.says[0];
    expect(says('beads in all')).toBe(String(plan.quantities.reduce((n, { total }) => n + total, 0)));
    expect(says('lengths of thread')).toBe(String(plan.thread.lengths));
    expect(says('weighs')).toBe(`${Math.round(plan.weight.grams)} g`);
    expect(says('warnings')).toBe(String(plan.warnings.length));
    expect(says('wide')).toBe(formatLength(plan.widthMm, INCHES));
    expect(says('thick')).toBe(formatLength(plan.thicknessMm, INCHES));
    expect(says('thick')).not.toBe(says('wide'));
    expect(says('feel')).toBe(plan.structure.feel);
    expect(says('stitch')).toBe('flat herringbone');
    expect(says('sits')).toBe(plan.sit);
  });

  it('do not differ where they are the same', () => {
    const plan = planned(piece);
    expect(compared([plan, planned({ ...piece })], INCHES).some(({ differs }) => differs)).toBe(false);
  });

  it('say what was chosen otherwise, whatever they are called', () => {
    expect(apart({ ...piece, name: 'Other' })).toBeNull();
    expect(apart({ ...piece, units: 20 })).toBe('count: 20, not what fits best');
    const twice = { ...piece, rules: { parity: 'odd' as const, multipleOf: 2 } };
    expect(apart(twice)).toBe('count is: odd, not any; count in steps of: 2, not 1');
    expect(apart(inStructure(piece, 'ladder'))).toMatch(/, and what goes with it$/);
    expect(apart(inStructure(piece, 'ladder'))).toMatch(/^stitch: ladder with picots, not flat herringbone/);
  });
});
