import { MM_PER_INCH } from '../length/length';

/** Necklace lengths by name, inches (trade names, memory): where each lies. */
export const NECKLACE_LENGTHS = [
  { name: 'collar', fromIn: 12, toIn: 13, lies: 'close round the neck' },
  { name: 'choker', fromIn: 14, toIn: 16, lies: 'at the base of the neck' },
  { name: 'princess', fromIn: 17, toIn: 19, lies: 'on the collarbone' },
  { name: 'matinée', fromIn: 20, toIn: 24, lies: 'at the top of the bust' },
  { name: 'opera', fromIn: 28, toIn: 36, lies: 'on the breastbone or below' },
  { name: 'rope', fromIn: 45, toIn: 60, lies: 'at the waist, or wound twice' },
] as const;
export type NecklaceName = (typeof NECKLACE_LENGTHS)[number]['name'];

/** The middle of a named length, mm. */
export function namedLengthMm(name: NecklaceName): number {
  const found = NECKLACE_LENGTHS.find((one) => one.name === name);
  if (!found) throw new Error(`No necklace length is called ${name}.`);
  return ((found.fromIn + found.toIn) / 2) * MM_PER_INCH;
}

/** What a length is called: the name whose range it lies in or nearest to. */
export function nameOfLength(finishedMm: number): NecklaceName {
  const inches = finishedMm / MM_PER_INCH;
  const off = ({ fromIn, toIn }: (typeof NECKLACE_LENGTHS)[number]) =>
    Math.max(fromIn - inches, inches - toIn, 0);
  return NECKLACE_LENGTHS.reduce((best, one) => (off(one) < off(best) ? one : best)).name;
}

/**
 * Length of a necklace that lies round the neck and falls in a V to a point `dropMm` below its base: the tight
 * loop round a circle and a point outside it (two tangents and the arc behind). A soft rope that hangs in a
 * curve instead of a V falls a little less far.
 */
export function droppedMm(neckMm: number, dropMm: number): number {
  const r = neckMm / (2 * Math.PI);
  const away = r + dropMm;
  const tangent = Math.sqrt(away * away - r * r);
  return 2 * tangent + 2 * r * (Math.PI - Math.acos(r / away));
}

/** How far below the base of the neck such a necklace falls; 0 where it is no longer than the neck. */
export function dropMm(neckMm: number, finishedMm: number): number {
  if (finishedMm <= neckMm) return 0;
  let [low, high] = [0, finishedMm];
  // The length grows with the drop, without end: halving closes in on it. 60 halvings reach below a nanometre.
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (droppedMm(neckMm, middle) < finishedMm) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
