import { describe, expect, it } from 'vitest';
import { BEADS, byId, CLASPS, NEEDLES, THREADS } from '../materials/catalogue';
import type { LengthStyle } from '../length/length';
import { changeBetween } from './changes';
import { forPlace, inStructure } from './variants';
import { newPart, usualWear } from './newPiece';
import { asPiece, type PartOfPiece } from './partOfPiece';

const INCHES: LengthStyle = { unit: 'in', denominator: 16 };
const wearer = { personId: null, name: 'Maren', girths: { wrist: 159, ankle: 230 }, typical: null };
const piece = newPart('Breakwater', 'flat-herringbone', wearer);
const words = (change: Partial<PartOfPiece>, from = piece) =>
  changeBetween(asPiece(from), asPiece({ ...from, ...change }), INCHES)?.words;

describe('naming a change', () => {
  it('says what it was and what it is', () => {
    const { wear } = piece;
    if (wear.school !== 'ease') throw new Error('a measured bracelet goes by ease');
    expect(words({ wear: { ...wear, fit: 'snug' } })).toBe('ease: comfortable → snug');
    expect(words({ name: 'Slack water' })).toBe('name: Breakwater → Slack water');
    expect(words({ units: 21 })).toBe('count: what fits best → 21');
    expect(words({ needle: byId(NEEDLES, 'needle-12') })).toMatch(/^needle: .*11 → .*12$/);
    expect(words({ without: ['picots'] })).toBe('passes left out: none → picots');
    expect(words({ hand: 'left' })).toBe('needle in the: right hand → left hand');
  });

  it('says where thread is changed', () => {
    const after = (pass: string, unit: number) => ({ needle: 'working', pass, unit });
    expect(words({ threadChanges: [] })).toBe('thread changed: where it is best → nowhere');
    expect(words({ threadChanges: [after('base', 13), after('picots', 2)] })).toBe(
      'thread changed: where it is best → after unit 14, after unit 3 of the picots',
    );
  });

  it('says nothing where nothing changed', () => {
    expect(
      changeBetween(asPiece(piece), asPiece({ ...piece, beads: { ...piece.beads } }), INCHES),
    ).toBeNull();
  });

  it('counts what goes along with a large change', () => {
    expect(words(forPlace(piece, 'anklet'))).toMatch(/^kind: bracelet → anklet/);
    expect(words(inStructure(piece, 'ladder'))).toMatch(
      /^stitch: flat herringbone → ladder.*and what goes with it$/,
    );
  });

  it('sees every choice of a piece', () => {
    const bead = { ...piece.beads.A, colourName: 'foam', colour: '#d8e4dc' };
    const all: Partial<PartOfPiece>[] = [
      { name: 'x' },
      { kind: 'anklet' },
      { wearer: null },
      { wearer: { ...wearer, girths: { wrist: 170 } } },
      { wear: usualWear('bracelet', 'flat') },
      { wear: usualWear('bracelet', 'like') },
      { wear: usualWear('necklace', 'drop') },
      { structure: { ...piece.structure, params: { ...piece.structure.params, sequence: ['B'] } } },
      { beads: { ...piece.beads, A: bead } },
      { beads: { ...piece.beads, A: { ...piece.beads.A, ...byId(BEADS, 'seed-8') } } },
      { beads: { ...piece.beads, loop: { ...piece.beads.loop, finish: 'matte' } } },
      { colourings: { A: { pattern: 'alternating', more: [{ name: 'foam', hex: '#d8e4dc' }] } } },
      { thread: byId(THREADS, 'gel-4') },
      { ends: { ...piece.ends, closing: 'joined' } },
      { ends: { ...piece.ends, clasp: CLASPS.find(({ shape }) => shape === 'toggle') ?? piece.ends.clasp } },
      { ends: { ...piece.ends, end: { ...piece.ends.end, passes: 3 } } },
      { ends: { ...piece.ends, loopSeeds: 14 } },
      { ends: { ...piece.ends, extender: { linkMm: 4, links: 5, rings: null } } },
      { ends: { ...piece.ends, chain: { linkMm: 3, wovenMm: 100 } } },
      { rules: { parity: 'odd', multipleOf: 1 } },
      { rules: { parity: 'any', multipleOf: 3 } },
      { gauge: { source: 'table', pitchMm: 3 } },
      { gauge: { source: 'this piece', units: 9, lengthMm: 50, finished: true } },
    ];
    for (const change of all) expect(words(change), JSON.stringify(change)).toMatch(/: .+ → /);
  });
});
