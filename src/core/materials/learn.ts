import { claspClosedMm, type BeadKind, type Clasp, type FindingMaterial } from './material';

/** What somebody measured of a kind of bead; what she did not stays as it was. */
export interface MeasuredBead {
  /** Ten of them on a needle beside a ruler, mm. */
  readonly tenMm: number | null;
  /** A hundred on a scale, g. */
  readonly hundredGrams: number | null;
  /** Across the hole, mm. */
  readonly diameterMm: number | null;
  readonly holeMm: number | null;
  /** Of a bead with two holes: across both, and from the middle of one to the middle of the other, mm. */
  readonly widthMm: number | null;
  readonly apartMm: number | null;
}

/** Nothing measured yet. */
export const UNMEASURED: MeasuredBead = {
  tenMm: null,
  hundredGrams: null,
  diameterMm: null,
  holeMm: null,
  widthMm: null,
  apartMm: null,
};

/** A catalogue entry after what was measured: measures win over what is told. */
export function learned(kind: BeadKind, measured: Partial<MeasuredBead>): BeadKind {
  const { tenMm, hundredGrams, diameterMm, holeMm, widthMm, apartMm } = { ...UNMEASURED, ...measured };
  return {
    ...kind,
    lengthMm: tenMm === null ? kind.lengthMm : tenMm / 10,
    perGram: hundredGrams === null ? kind.perGram : 100 / hundredGrams,
    diameterMm: diameterMm ?? kind.diameterMm,
    holeMm: holeMm ?? kind.holeMm,
    widthMm: widthMm ?? kind.widthMm,
    apartMm: apartMm ?? kind.apartMm,
    source: 'measured',
  };
}

/** A measure that lies further than this part from what is known is asked about before it is kept. */
const DOUBTED = 1 / 3;

/** Whether a measure is so far from what is known, more than nothing, that it may be a slip. */
export const isDoubtful = (value: number, usual: number): boolean =>
  usual > 0 && Math.abs(value / usual - 1) > DOUBTED;

/** A measure that may be a slip. */
export interface MeasureDoubt<K extends string = keyof MeasuredBead> {
  readonly key: K;
  readonly value: number;
  /** What the same measure would be by what is known of the bead. */
  readonly usual: number;
  /** What it would be if one bead was measured in the place of ten or a hundred; null where that is no nearer. */
  readonly perhaps: number | null;
}

/** Measures of a bead that are far from what is known of it. */
export function measureDoubts(measured: Partial<MeasuredBead>, kind: BeadKind): MeasureDoubt[] {
  const usual: Readonly<Record<keyof MeasuredBead, number | null>> = {
    tenMm: 10 * kind.lengthMm,
    hundredGrams: kind.perGram === null ? null : 100 / kind.perGram,
    diameterMm: kind.diameterMm,
    holeMm: kind.holeMm,
    widthMm: kind.widthMm,
    apartMm: kind.apartMm,
  };
  const many: Partial<Record<keyof MeasuredBead, number>> = { tenMm: 10, hundredGrams: 100 };
  return (Object.keys(UNMEASURED) as (keyof MeasuredBead)[]).flatMap((key) => {
    const [value, expected] = [measured[key] ?? null, usual[key]];
    if (value === null || expected === null || !isDoubtful(value, expected)) return [];
    const ofOne = value * (many[key] ?? 1);
    return [{ key, value, usual: expected, perhaps: isDoubtful(ofOne, expected) ? null : ofOne }];
  });
}

/** What speaks against measured sizes, in words that say what to do; null where nothing does. */
export function measuredProblem({ lengthMm, diameterMm, holeMm, widthMm, apartMm }: BeadKind): string | null {
  if (holeMm >= diameterMm)
    return 'The hole would be wider than the bead. Measure both again, across the hole.';
  if (widthMm !== null && apartMm !== null && apartMm + holeMm >= widthMm)
    return 'The holes would lie outside the bead. Measure across both, and from middle to middle.';
  if (lengthMm > 40 || diameterMm > 40)
    return 'That is larger than any bead here. Write the length of ten, and the width of one.';
  return null;
}

/** A closure that was measured closed, mm: its halves keep their proportion, and nothing is uncertain about it. */
export function learnedClasp(clasp: Clasp, closedMm: number): Clasp {
  const before = claspClosedMm(clasp);
  const startMm = before > 0 ? closedMm * (clasp.startMm / before) : closedMm / 2;
  return {
    ...clasp,
    startMm,
    endMm: closedMm - startMm,
    spreadMm: 0,
    source: 'measured',
  };
}

/** What a loop goes over, with the girth that it was found to have, mm. */
export const withGirth = (clasp: Clasp, girthMm: number): Clasp => ({
  ...clasp,
  buttonsMm: girthMm,
  source: 'measured',
});

/** A finding that was measured, mm: what it adds to a piece. A ring adds its clear inside. */
export const learnedFinding = (finding: FindingMaterial, lengthMm: number): FindingMaterial => ({
  ...finding,
  lengthMm,
  insideMm: finding.kind === 'jump ring' ? lengthMm : finding.insideMm,
  source: 'measured',
});
