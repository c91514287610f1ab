import { describe, expect, it } from 'vitest';
import { newPart } from '../piece/newPiece';
import { shadesOf } from '../piece/part';
import type { PartOfPiece } from '../piece/partOfPiece';
import { dyed } from './dyed';

const tar = { name: 'tar', hex: '#2f3330' };
const foam = { name: 'foam', hex: '#e9e3d0' };
const kelp = { name: 'kelp', hex: '#4c6b3a' };
const piece: PartOfPiece = {
  ...newPart('Ebb', 'flat-peyote', null),
  colourings: { A: { pattern: 'turns', more: [tar, foam], every: 1 } },
};
const names = (part: Partial<PartOfPiece>, role: string) =>
  shadesOf({ ...piece, ...part }, role).map(({ name }) => name);

describe('giving a colour to a role', () => {
  const [own] = names({}, 'A');

  it('its own colour changes, the others stay', () => {
    expect(names(dyed(piece, 'A', 0, kelp), 'A')).toEqual(['kelp', 'tar', 'foam']);
  });

  it('one of several changes, and nothing else', () => {
    const change = dyed(piece, 'A', 2, kelp);
    expect(names(change, 'A')).toEqual([own, 'tar', 'kelp']);
    expect(change).not.toHaveProperty('beads');
    expect(names(change, 'B')).toEqual(names({}, 'B'));
  });

  it('a colour that the role does not have changes nothing', () => {
    expect(dyed(piece, 'B', 1, kelp)).toEqual({});
  });
});
