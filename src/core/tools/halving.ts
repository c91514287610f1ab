/**
 * Where between two bounds a condition that holds below stops to hold, found by halving what lies between them.
 * @param times halvings: each gives one more binary digit of the first distance
 */
export function halving(low: number, high: number, holds: (at: number) => boolean, times = 50): number {
  let [below, above] = [low, high];
  for (let i = 0; i < times; i++) {
    const middle = (below + above) / 2;
    if (holds(middle)) below = middle;
    else above = middle;
  }
  return (below + above) / 2;
}
