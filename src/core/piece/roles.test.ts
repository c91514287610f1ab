import { describe, expect, it } from 'vitest';
import { dyed } from '../colour/dyed';
import { tellingApart } from '../colour/teaching';
import { LOOP_ROLE } from '../closures/sewnLoop';
import { planned } from '../testing/planned';
import { offeredRoles } from '../structures/offeredRoles';
import { ROLE_LETTERS, type RoleLetter } from '../structures/roles';
import { beadsFor, newPart } from './newPiece';
import { beadOf } from './part';
import { asPiece, partOf, type PartOfPiece } from './partOfPiece';
import { migratePiece } from './piece';

/** A strung line of so many different beads, each once in a repeat. */
function lineOf(roles: readonly RoleLetter[]): PartOfPiece {
  const part = newPart('Signal flags', 'strung-line', null);
  const params = { ...part.structure.params, sequence: [...roles] };
  return { ...part, structure: { ...part.structure, params }, units: 5 };
}

describe('roles past F', () => {
  const ten = ROLE_LETTERS.slice(0, 10);

  it('are counted as the first ones are: five repeats of ten different beads are five of each, and A once more', () => {
    const plan = planned(lineOf(ten));
    const counts = plan.quantities.filter(({ role }) => role !== LOOP_ROLE);
    expect(counts.map(({ role, total }) => [role, total])).toEqual(
      ten.map((role) => [role, role === 'A' ? 6 : 5]),
    );
  });

  it('get a bead of their own when they come into use, each in a colour of its own', () => {
    const part = lineOf(ten);
    const beads = beadsFor(part, ten);
    expect(new Set(ten.map((role) => beadOf({ beads }, role).colour)).size).toBe(ten.length);
    expect(beadsFor({ ...part, beads }, ten)).toBe(beads);
    expect(beadsFor(part, ['A', 'B'])).toBe(part.beads);
  });

  it('without a bead of their own have the first one’s, and come back so from a file', () => {
    const read = partOf(migratePiece(JSON.parse(JSON.stringify(asPiece(lineOf(ten))))));
    expect(beadOf(read, 'J')).toEqual(read.beads.A);
    expect(planned(read).quantities.find(({ role }) => role === 'J')?.bead).toEqual(read.beads.A);
  });

  it('without a bead of their own take a colour all the same, and no document is broken by it', () => {
    const part = lineOf(ten);
    const change = dyed(part, 'J', 0, { name: 'foam', hex: '#d8e4dc' });
    const after = asPiece({ ...part, ...change });
    expect(partOf(migratePiece(after)).beads.J).toEqual({
      ...part.beads.A,
      colourName: 'foam',
      colour: '#d8e4dc',
    });
  });

  it('are letters: what is none has no bead', () => {
    for (const role of ['j', 'AA', 'one/A', ''])
      expect(() => beadOf(lineOf(ten), role)).toThrow(/no bead for/);
  });

  it('keep the bead that is chosen for them through a file', () => {
    const part = lineOf(ten);
    const beads = beadsFor(part, ten);
    expect(partOf(migratePiece(JSON.parse(JSON.stringify(asPiece({ ...part, beads }))))).beads).toEqual(
      beads,
    );
  });

  it('are told apart by colour and mark together: so many as there are letters', () => {
    const told = tellingApart(lineOf(ROLE_LETTERS));
    const seen = ROLE_LETTERS.map((role) => told(role)).map(({ colour, mark }) => `${colour.hex} ${mark}`);
    expect(new Set(seen).size).toBe(ROLE_LETTERS.length);
  });

  it('are offered one by one: the next after the last that has a bead', () => {
    const { beads } = lineOf(['A']);
    expect(offeredRoles(Object.keys(beads)).join('')).toBe('ABCDEFG');
    expect(offeredRoles(['A', 'H']).join('')).toBe('ABCDEFGHI');
    expect(offeredRoles([])).toHaveLength(6);
    expect(offeredRoles(['Z'])).toHaveLength(26);
  });
});
