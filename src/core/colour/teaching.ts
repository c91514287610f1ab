import { LOOP_ROLE } from '../closures/sewnLoop';
import { shadesOf } from '../piece/part';
import type { PartOfPiece } from '../piece/partOfPiece';
import { ROLE_LETTERS } from '../structures/roles';
import type { Shade } from './shades';
import { given } from '../tools/given';

/**
 * Colours that stay apart for every kind of colour vision: M. Okabe and K. Ito, "Color Universal Design", 2002,
 * revised 2008. In an order in which neighbours differ in lightness too.
 */
export const TEACHING_COLOURS: readonly Shade[] = [
  { name: 'blue', hex: '#0072b2' },
  { name: 'yellow', hex: '#f0e442' },
  { name: 'vermilion', hex: '#d55e00' },
  { name: 'sky blue', hex: '#56b4e9' },
  { name: 'black', hex: '#202020' },
  { name: 'orange', hex: '#e69f00' },
  { name: 'bluish green', hex: '#009e73' },
  { name: 'reddish purple', hex: '#cc79a7' },
];
/** Clasp loops stay out of the way. */
const LOOP_COLOUR: Shade = { name: 'white', hex: '#ffffff' };

/** Marks that tell beads apart without colour. */
export const MARKS = ['dot', 'bar', 'cross', 'square', 'triangle', 'diamond', 'two dots', 'stripe'] as const;
export type Mark = (typeof MARKS)[number];

/** How a bead is told apart from the others. */
export interface Distinction {
  readonly colour: Shade;
  readonly mark: Mark | null;
}

/** The teaching colour and the mark of each role and shade of a piece. */
export function tellingApart(
  piece: Pick<PartOfPiece, 'beads' | 'colourings'>,
): (role: string, shade?: number) => Distinction {
  // Beads within what is strung are told apart like any others.
  const others = Object.keys(piece.beads).filter(
    (role) => role !== LOOP_ROLE && !ROLE_LETTERS.some((letter) => letter === role),
  );
  const all = [...ROLE_LETTERS, ...others].flatMap((role) =>
    shadesOf(piece, role).map((_, shade) => `${role}~${shade}`),
  );
  const placeOf = new Map(all.map((key, i) => [key, i]));
  return (role, shade = 0) => {
    if (role === LOOP_ROLE) return { colour: LOOP_COLOUR, mark: null };
    const i = given(placeOf.get(`${role}~${shade}`), `colour ${shade} of ${role}`);
    return {
      colour: TEACHING_COLOURS[i % TEACHING_COLOURS.length] ?? LOOP_COLOUR,
      // After as many as there are colours, each comes again with another mark.
      mark: MARKS[(i + Math.floor(i / TEACHING_COLOURS.length)) % MARKS.length] ?? 'dot',
    };
  };
}
