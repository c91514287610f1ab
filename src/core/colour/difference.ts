/** Lightness and two opponent colours, as CIE L*a*b* has them. */
type Lab = readonly [l: number, a: number, b: number];

/** Daylight, CIE standard illuminant D65, Y = 1. */
const WHITE = [0.95047, 1, 1.08883] as const;

/** CIE L*a*b* of an sRGB colour `#rrggbb`, seen in D65 (IEC 61966-2-1 for sRGB, CIE 15 for L*a*b*). */
export function labOf(hex: string): Lab {
  const [r, g, b] = [1, 3, 5].map((at) => linear(Number.parseInt(hex.slice(at, at + 2), 16) / 255)) as [
    number,
    number,
    number,
  ];
  const [x, y, z] = [
    (0.4124 * r + 0.3576 * g + 0.1805 * b) / WHITE[0],
    (0.2126 * r + 0.7152 * g + 0.0722 * b) / WHITE[1],
    (0.0193 * r + 0.1192 * g + 0.9505 * b) / WHITE[2],
  ].map(eased) as [number, number, number];
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}

const linear = (channel: number): number =>
  channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4;

const eased = (part: number): number =>
  part > (6 / 29) ** 3 ? Math.cbrt(part) : part / (3 * (6 / 29) ** 2) + 4 / 29;

/** How different two colours look, ΔE*ab (CIE 1976): 2 is just seen, 100 lies between black and white. */
export function difference(one: string, other: string): number {
  const [a, b] = [labOf(one), labOf(other)];
  return Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
}
