import { describe, expect, it } from 'vitest';
import { loopLengthMm } from '../closures/sewnLoop';
import { flatHerringbone } from '../structures/flatHerringbone';
import { all, bodies, ends, eleven, loop } from '../testing/woven';
import { layOutPiece, stations, type PieceParts } from './pieceLayout';

const weaveable = flatHerringbone.bind(flatHerringbone.defaults);
const parts = (change: Partial<PieceParts> = {}): PieceParts => ({
  form: weaveable.form(bodies(weaveable), all),
  units: 8,
  ends,
  clasp: { startMm: 10, endMm: 4 },
  body: bodies(weaveable),
  ...change,
});

describe('a whole piece along its length', () => {
  it('by hand: clasp half, loop, woven part, loop, clasp half', () => {
    const its = parts();
    const mm = loopLengthMm(loop, eleven);
    const woven = 8 * its.form.pitchMm + its.form.extraMm;
    const marks = stations(its);
    expect(marks.ringStartMm).toBe(10);
    expect(marks.bodyStartMm).toBeCloseTo(10 + mm, 9);
    expect(marks.bodyEndMm).toBeCloseTo(10 + mm + woven, 9);
    expect(marks.ringEndMm).toBeCloseTo(10 + 2 * mm + woven, 9);
    expect(marks.totalMm).toBeCloseTo(14 + 2 * mm + woven, 9);
  });

  it('each half of the clasp is where its own loop ends', () => {
    const path = weaveable.weave(8, ends);
    const { findings, stations: marks } = layOutPiece(path, parts());
    expect(path.findings.map(({ name }) => name)).toHaveLength(2);
    const at = Object.fromEntries(path.findings.map(({ name }, i) => [name, findings[i]?.[0]]));
    expect(at['clasp at the start']).toBeCloseTo(marks.ringStartMm, 9);
    expect(at['clasp at the end']).toBeCloseTo(marks.ringEndMm, 9);
  });

  it('a finding that is no clasp has no place of its own, and is not put where the clasp is', () => {
    const path = weaveable.weave(8, ends);
    const stone = { id: path.findings.length, name: 'a stone', holes: 1, at: null };
    expect(() => layOutPiece({ ...path, findings: [...path.findings, stone] }, parts())).toThrow(
      'no place for a stone',
    );
  });
});
