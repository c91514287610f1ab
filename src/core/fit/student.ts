/**
 * Chance that Student's t with `freedom` degrees of freedom lies between −t and t, by the finite series of
 * Abramowitz and Stegun, Handbook of Mathematical Functions, 26.7.3 and 26.7.4.
 * Throws where the degrees are not a whole number of 1 or more.
 */
export function studentWithin(t: number, freedom: number): number {
  if (!Number.isInteger(freedom) || freedom < 1) throw new Error('Degrees of freedom are 1, 2, 3 …');
  const angle = Math.atan(t / Math.sqrt(freedom));
  const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
  const odd = freedom % 2 === 1;
  let term = odd ? cos : 1;
  let sum = freedom === 1 ? 0 : term;
  for (let k = odd ? 3 : 2; k <= freedom - 2; k += 2) {
    term *= (cos * cos * (k - 1)) / k;
    sum += term;
  }
  return odd ? (2 / Math.PI) * (angle + sin * sum) : sin * sum;
}

/** The t within which so large a part lies on both sides: `studentT(0.95, 4)` is 2.776. */
export function studentT(part: number, freedom: number): number {
  let [low, high] = [0, 1];
  while (studentWithin(high, freedom) < part) high *= 2;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (studentWithin(middle, freedom) < part) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
