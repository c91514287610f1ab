import type { Closing, Kind } from '../body/kinds';
import { byId, CLASPS } from '../materials/catalogue';
import type { Clasp } from '../materials/material';
import { EDGE_NAMES, type EdgeName } from '../weave/edge';

/** What is closed, or held, by a shape of clasp that nothing else has. */
const OF_ITS_OWN: Readonly<Partial<Record<Kind, Clasp['shape']>>> = { ring: 'ring top', earring: 'ear wire' };

/** Whether a clasp is for a kind of piece: a ring top closes rings alone, and on an ear wire hang earrings. */
export const suitsKind = ({ shape }: Pick<Clasp, 'shape'>, kind: Kind): boolean =>
  Object.values(OF_ITS_OWN).some((own) => own === shape)
    ? OF_ITS_OWN[kind] === shape
    : OF_ITS_OWN[kind] === undefined;

/** The clasp that a kind of piece starts with: the first that it alone has, or the usual lobster. */
export const usualClasp = (kind: Kind): Clasp =>
  CLASPS.find(({ shape }) => shape === OF_ITS_OWN[kind]) ?? byId(CLASPS, 'lobster-12');

/** Whether it holds the start of a piece alone, and leaves its end free. */
export const holdsOneEnd = ({ shape }: Pick<Clasp, 'shape'>): boolean => shape === 'ear wire';

/** Ends of a piece that are held by a clasp. */
export const heldEnds = (clasp: Pick<Clasp, 'shape'>): readonly EdgeName[] =>
  holdsOneEnd(clasp) ? ['start'] : EDGE_NAMES;

/** How an end is closed, as far as it says whether links can hang on from it. */
interface LetOut<E> {
  readonly closing: Closing;
  readonly clasp: Pick<Clasp, 'shape' | 'buttonsMm'>;
  readonly extender: E | null;
  /** What closes it in the place of a clasp. */
  readonly woven?: string | null;
}

/** What lets a piece out; null where nothing does, and where nothing that closes it has a ring for links to hang in. */
export const extenderIn = <E>({ closing, clasp, extender, woven = null }: LetOut<E>): E | null =>
  closing === 'clasp' && woven === null && clasp.buttonsMm === null && !holdsOneEnd(clasp) ? extender : null;

/** What thread goes through at either end, where that is not simply the clasp. */
const HALVES: Readonly<Partial<Record<Clasp['shape'], Partial<Record<EdgeName, string>>>>> = {
  toggle: { start: 'ring of the toggle', end: 'bar of the toggle' },
  button: { start: 'button' },
  ball: { start: 'ball' },
  bar: { start: 'bar' },
  'bead tip': { start: 'bead tip', end: 'bead tip' },
  'end bar': { start: 'end bar', end: 'end bar' },
  'end cap': { start: 'end cap', end: 'end cap' },
  'wire guard': { start: 'wire guard', end: 'wire guard' },
  ribbon: { start: 'ribbon', end: 'ribbon' },
};

/** What is sewn on at an end, as the maker calls it: half of the clasp, or the ring between. */
export const halfWords = ({ shape }: Pick<Clasp, 'shape'>, end: EdgeName, rings: boolean): string =>
  rings ? 'jump ring' : (HALVES[shape]?.[end] ?? 'clasp');

/** What holds a piece, in a word. */
export const holderWords = (clasp: Pick<Clasp, 'shape'>): string =>
  holdsOneEnd(clasp) ? 'ear wire' : 'clasp';
