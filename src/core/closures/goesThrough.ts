// What a loop of seeds must pass over, by the shape of what closes it: its girth where it goes through.

/** A ball by its greatest girth, mm. */
export const ballGirthMm = (acrossMm: number): number => Math.PI * acrossMm;

/** A flat button goes through edge on: across and back, and round its two rounded rims, mm. Of an oblong one `acrossMm` is the narrow way. */
export const buttonGirthMm = (acrossMm: number, thickMm: number): number =>
  2 * Math.abs(acrossMm - thickMm) + Math.PI * Math.min(acrossMm, thickMm);

/** What a bar hangs on lies beside it as it goes through: a stem of seeds, about as thick as one of 11/0 (from memory), mm. */
const STEM_MM = 2.15;

/**
 * A bar goes through along its length, half of it with its stem folded beside it: a band round two rounds that touch, mm
 * (geometry: two tangents, and the arcs beyond them).
 */
export function barGirthMm(thickMm: number, stemMm = STEM_MM): number {
  const [large, small] = [Math.max(thickMm, stemMm) / 2, Math.min(thickMm, stemMm) / 2];
  const apart = large + small;
  const lean = Math.asin((large - small) / apart);
  return 2 * apart * Math.cos(lean) + large * (Math.PI + 2 * lean) + small * (Math.PI - 2 * lean);
}

/** What a loop can go over, as it is measured: how far across, and where it is no ball how thick; a bar by its length. */
export const GOES_THROUGH = ['ball', 'button', 'bar'] as const;
export type GoesThrough = (typeof GOES_THROUGH)[number];

/** The girth of such a shape that a loop passes over, mm. */
export const girthThrough = (shape: GoesThrough, acrossMm: number, thickMm: number): number =>
  shape === 'ball'
    ? ballGirthMm(acrossMm)
    : shape === 'button'
      ? buttonGirthMm(acrossMm, thickMm)
      : barGirthMm(thickMm);
