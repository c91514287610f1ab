/**
 * How far a quotient of two lengths is off by rounding, at the most. Each is a sum of at most some thousand lengths, of
 * which every addition rounds by 2⁻⁵³ of what it comes to: 10³ · 2⁻⁵³ · 10³ (of pieces of some metres in beads of some
 * millimetres) is 10⁻¹⁰.
 */
const ROUND_OFF = 1e-9;

/** The least whole number that is not below a quotient of lengths: `wholeUp(3.0000000001)` is 3. */
export const wholeUp = (quotient: number): number => Math.ceil(quotient - ROUND_OFF);
/** The greatest whole number that is not above it: `wholeDown(2.9999999999)` is 3. */
export const wholeDown = (quotient: number): number => Math.floor(quotient + ROUND_OFF);
