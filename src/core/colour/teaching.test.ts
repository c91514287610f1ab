import {
  differenceCiede2000,
  filterDeficiencyDeuter,
  filterDeficiencyProt,
  filterDeficiencyTrit,
  parse,
} from 'culori';
import { describe, expect, it } from 'vitest';
import { newPart } from '../piece/newPiece';
import { TEACHING_COLOURS, tellingApart } from './teaching';

const difference = differenceCiede2000();
/** Two colours side by side that nobody takes for each other: ten times what can just be seen (from memory). */
const APART = 10;

function colour(hex: string) {
  const read = parse(hex);
  if (!read) throw new Error(`${hex} is no colour`);
  return read;
}

const EYES = {
  'all cones': filterDeficiencyProt(0),
  'no long-wave cones': filterDeficiencyProt(1),
  'no middle-wave cones': filterDeficiencyDeuter(1),
  'no short-wave cones': filterDeficiencyTrit(1),
};

// Simulated by culori (Machado, Oliveira and Fernandes, 2009), measured by CIEDE2000.
describe('teaching colours', () => {
  it.each(Object.entries(EYES))('stay apart for eyes with %s', (_, seen) => {
    for (const [i, one] of TEACHING_COLOURS.entries())
      for (const other of TEACHING_COLOURS.slice(i + 1))
        expect(
          difference(seen(colour(one.hex)), seen(colour(other.hex))),
          `${one.name} and ${other.name}`,
        ).toBeGreaterThan(APART);
  });

  it('give every role, and every colour of a role, its own colour and its own mark', () => {
    const piece = {
      ...newPart('Taught', 'ladder', null),
      colourings: { B: { pattern: 'alternating' as const, more: [{ name: 'foam', hex: '#d8e4dc' }] } },
    };
    const told = tellingApart(piece);
    const all = [told('A'), told('B', 0), told('B', 1), told('C'), told('D'), told('E'), told('F')];
    expect(new Set(all.map(({ colour }) => colour.hex)).size).toBe(all.length);
    expect(new Set(all.map(({ mark }) => mark)).size).toBe(all.length);
  });
});
