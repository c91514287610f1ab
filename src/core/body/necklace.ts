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

/** A point of a loop, how far round, and which way the loop runs there. Millimetres, y downwards; radians. */
export interface LoopPoint {
  readonly x: number;
  readonly y: number;
  readonly angle: number;
}

/** How narrow a loop comes together at its lowest point, as a part of the neck: a V, or a soft rope (from memory). */
export const LOWEST_ROUND = { V: 0.06, rope: 0.5 } as const;

/**
 * A necklace as it lies round a neck and hangs in front, seen from the front: the tight loop round the neck, a circle
 * of radius r about the origin, and a smaller one below it. Where it is no longer than the neck it is a circle.
 * @param lowestRound radius of the smaller circle as a part of r
 * @returns the place of a point so many mm along it, from the nape on; and how far it falls below the neck
 */
export function hangingLoop(
  neckMm: number,
  lengthMm: number,
  lowestRound: number,
): { readonly at: (mm: number) => LoopPoint; readonly fallsMm: number } {
  const r = neckMm / (2 * Math.PI);
  if (lengthMm <= neckMm) {
    const own = lengthMm / (2 * Math.PI);
    return { at: (mm) => onCircle(own, 0, mm / own - Math.PI / 2), fallsMm: 0 };
  }
  const q = r * lowestRound;
  const apart = centresApart(r, q, lengthMm);
  // The tangents leave the larger circle at this angle to the line between the centres.
  const lean = Math.acos((r - q) / apart);
  const tangent = Math.sqrt(apart * apart - (r - q) * (r - q));
  const behind = r * (Math.PI - lean);
  const below = q * lean;
  const leaves = onCircle(r, 0, -Math.PI / 2 + (Math.PI - lean));
  const half = behind + tangent + below;
  const oneSide = (mm: number): LoopPoint => {
    if (mm <= behind) return onCircle(r, 0, -Math.PI / 2 + mm / r);
    if (mm <= behind + tangent) {
      const on = mm - behind;
      return {
        x: leaves.x + on * Math.cos(leaves.angle),
        y: leaves.y + on * Math.sin(leaves.angle),
        angle: leaves.angle,
      };
    }
    return onCircle(q, apart, Math.PI / 2 - lean + (mm - behind - tangent) / q);
  };
  const at = (mm: number): LoopPoint => {
    if (mm <= half) return oneSide(mm);
    const { x, y, angle } = oneSide(2 * half - mm);
    return { x: -x, y, angle: -angle };
  };
  return { at, fallsMm: apart + q - r };
}

/** A point of a circle about (0, y0) at an angle from the x axis, run clockwise as it is seen. */
const onCircle = (radius: number, y0: number, turn: number): LoopPoint => ({
  x: radius * Math.cos(turn),
  y: y0 + radius * Math.sin(turn),
  angle: turn + Math.PI / 2,
});

/** How far apart two circles lie round which a belt is so long. The belt grows with the distance: halving finds it. */
function centresApart(r: number, q: number, lengthMm: number): number {
  const belt = (apart: number) => {
    const lean = Math.acos((r - q) / apart);
    return 2 * (Math.sqrt(apart * apart - (r - q) ** 2) + r * (Math.PI - lean) + q * lean);
  };
  let [low, high] = [r - q, lengthMm];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (belt(middle) < lengthMm) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
