import type { BeadKind } from './material';

/** What somebody measured of a kind of bead; what she did not stays as it was. */
export interface MeasuredBead {
  /** Ten of them on a needle beside a ruler, mm. */
  readonly tenMm: number | null;
  /** A hundred on a scale, g. */
  readonly hundredGrams: number | null;
  /** Across the hole, mm. */
  readonly diameterMm: number | null;
  readonly holeMm: number | null;
}

/** A catalogue entry after what was measured: measures win over what is told. */
export function learned(kind: BeadKind, { tenMm, hundredGrams, diameterMm, holeMm }: MeasuredBead): BeadKind {
  return {
    ...kind,
    lengthMm: tenMm === null ? kind.lengthMm : tenMm / 10,
    perGram: hundredGrams === null ? kind.perGram : 100 / hundredGrams,
    diameterMm: diameterMm ?? kind.diameterMm,
    holeMm: holeMm ?? kind.holeMm,
    source: 'measured',
  };
}

/** What speaks against measured sizes, in words that say what to do; null where nothing does. */
export function measuredProblem({ lengthMm, diameterMm, holeMm }: BeadKind): string | null {
  if (holeMm >= diameterMm)
    return 'The hole would be wider than the bead. Measure both again, across the hole.';
  if (lengthMm > 40 || diameterMm > 40)
    return 'That is larger than any bead here. Write the length of ten, and the width of one.';
  return null;
}
