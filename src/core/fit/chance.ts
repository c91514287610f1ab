/**
 * The error function by Abramowitz and Stegun, Handbook of Mathematical Functions, formula 7.1.26
 * (absolute error below 1.5e-7).
 */
function erf(x: number): number {
  const t = 1 / (1 + 0.3275911 * Math.abs(x));
  const series =
    ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t;
  return Math.sign(x) * (1 - series * Math.exp(-x * x));
}

/** Probability that a normal variable of mean 0 and deviation 1 lies below `z`. */
export const normalBelow = (z: number): number => (1 + erf(z / Math.SQRT2)) / 2;

/** Chance that a length of mean `mm` and standard deviation `sdMm` lies between the two ends of a band. */
export function chanceWithin(mm: number, sdMm: number, band: { minMm: number; maxMm: number }): number {
  if (sdMm === 0) return mm >= band.minMm && mm <= band.maxMm ? 1 : 0;
  return normalBelow((band.maxMm - mm) / sdMm) - normalBelow((band.minMm - mm) / sdMm);
}
