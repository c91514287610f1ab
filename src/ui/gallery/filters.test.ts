import { describe, expect, it } from 'vitest';
import { STRUCTURES } from '@/core/structures/registry';
import { matches, type Wanted } from './filters';

const none: Wanted = { use: null, handle: null, needles: null, thread: null, beads: [] };
const found = (wanted: Partial<Wanted>) =>
  STRUCTURES.filter((structure) => matches(structure, { ...none, ...wanted })).map(({ id }) => id);

describe('the marks of the gallery', () => {
  it('nothing marked shows all, everything marked at once may show none', () => {
    expect(found({})).toHaveLength(STRUCTURES.length);
    expect(found({ use: 'edging', handle: 'round like a rope', needles: 'two' })).toEqual([]);
  });

  it('two needles: the cross-weaves; a rope: the tubes, round, square, spiral and netted', () => {
    expect(found({ needles: 'two' })).toEqual(['cross-weave', 'graduated-cross-weave', 'ball-band']);
    expect(found({ thread: 'cord' })).toEqual([
      'strung-line',
      'several-strands',
      'graduated-line',
      'cross-weave',
      'graduated-cross-weave',
      'ball-band',
    ]);
    expect(found({ use: 'rope' })).toEqual([
      'tubular-herringbone',
      'tubular-peyote',
      'spiral-rope',
      'helix-tube',
      'netted-tube',
      'square-rope',
    ]);
  });

  it('with seeds alone no stitch of two-hole beads; with those alone no stitch that needs seeds between', () => {
    expect(found({ beads: ['seeds'] })).not.toContain('two-hole-line');
    expect(found({ beads: ['beads of two holes'] })).toEqual(['tile-ladder']);
    // All but what is made of round beads alone.
    expect(found({ beads: ['seeds', 'beads of two holes'] })).toEqual(
      STRUCTURES.map(({ id }) => id).filter((id) => id !== 'graduated-cross-weave'),
    );
  });
});
