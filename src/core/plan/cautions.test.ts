import { describe, expect, it } from 'vitest';
import { cautionsFor, cautionsOfThread } from './cautions';
import type { Kind } from '../body/kinds';
import { BEADS, byId, CLASPS, FINDINGS, THREADS } from '../materials/catalogue';
import { makeOf } from '../materials/material';
import { newPart } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import { BEAD_SHAPES } from '../materials/material';

const grown = { personId: null, name: 'Maren', girths: { wrist: 159 }, typical: null };
const plain = newPart('Breakwater', 'flat-herringbone', grown);
const open: PartOfPiece = { ...plain, ends: { ...plain.ends, closing: 'open', chain: null, extender: null } };
const of = (change: Partial<PartOfPiece>, roles: readonly string[] = ['A']) =>
  cautionsFor({ ...open, ...change }, roles);
const clasped = (
  change: Partial<PartOfPiece['ends']>,
  claspIs: Partial<PartOfPiece['ends']['clasp']> = {},
) => {
  const clasp = { ...byId(CLASPS, 'toggle-12'), plated: false, ...claspIs };
  return of({
    ends: {
      ...plain.ends,
      closing: 'clasp',
      chain: null,
      extender: null,
      clasp,
      ...change,
    } as PartOfPiece['ends'],
  });
};

describe('cautions beside the choice that raises them', () => {
  it('a piece that hurts nobody has none', () => {
    expect(of({})).toEqual([]);
    expect(clasped({})).toEqual([]);
  });

  it.each([
    ['ring', ['swelling']],
    ['bangle', ['swelling']],
    ['bracelet', []],
    ['necklace', []],
  ] as const)('swelling: %s %j', (kind, cautions) => {
    expect(of({ kind: kind as Kind })).toEqual(cautions);
  });

  it('children: a girth below nine tenths of a small adult’s', () => {
    const wrist = (mm: number) => of({ wearer: { ...grown, girths: { wrist: mm } } });
    expect(wrist(120)).toEqual(['children']);
    expect(wrist(150)).toEqual([]);
    expect(of({ wearer: null })).toEqual([]);
    expect(of({ wearer: { ...grown, girths: { neck: 200 } } })).toEqual(['children']);
    // Nothing is said of a finger: a small one is no child's.
    expect(of({ wearer: { ...grown, girths: { finger: 40 } } })).toEqual([]);
  });

  it('the ends: magnet, nickel, glue, ends of wire', () => {
    expect(clasped({}, { shape: 'magnetic' })).toEqual(['magnet']);
    expect(clasped({}, { plated: true })).toEqual(['nickel']);
    expect(clasped({}, { fastening: 'glued' })).toEqual(['glue']);
    expect(clasped({ chain: { wovenMm: 300, linkMm: 4 } as never })).toEqual(['wire-ends']);
    expect(clasped({ extender: { links: 5, linkMm: 5 } as never })).toEqual(['wire-ends']);
    const rings = { finding: byId(FINDINGS, 'jump-ring-5'), count: 1 };
    for (const end of ['start', 'end'] as const)
      expect(clasped({ [end]: { ...plain.ends[end], rings } as never })).toEqual(['wire-ends']);
  });

  it('where nothing is sewn on, a clasp that was chosen before says nothing', () => {
    const clasp = { ...byId(CLASPS, 'toggle-12'), shape: 'magnetic' as const, plated: true };
    expect(of({ ends: { ...open.ends, closing: 'joined', clasp } })).toEqual([]);
  });

  it('bugles cut, twisted ones too; only where they are used', () => {
    for (const shape of BEAD_SHAPES) {
      const beads = { ...open.beads, A: { ...open.beads.A, shape } };
      const cuts = shape === 'bugle' || shape === 'twisted bugle';
      expect(of({ beads })).toEqual(cuts ? ['sharp-edges'] : []);
    }
    const inB = { ...open.beads, B: { ...open.beads.B, ...byId(BEADS, 'bugle-6') } };
    expect(of({ beads: inB }, ['A'])).toEqual([]);
    expect(of({ beads: inB }, ['A', 'B'])).toEqual(['sharp-edges']);
  });

  it('thread ends can be melted, but for elastic; the knots of cord are glued', () => {
    const of = {
      elastic: [],
      monofilament: ['flame', 'glue'],
      'gel-spun': ['flame'],
      'waxed nylon': ['flame'],
    };
    for (const thread of THREADS) expect(cautionsOfThread(thread)).toEqual(of[makeOf(thread)]);
    expect(new Set(THREADS.map(makeOf)).size).toBe(4);
  });
});
