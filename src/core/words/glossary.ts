/** What a drawn example shows: a short piece of a stitch, and what of it is meant. */
export interface GlossaryExample {
  readonly structureId: string;
  readonly params?: Readonly<Record<string, unknown>>;
  /** Roles that stand out. */
  readonly roles?: readonly string[];
  /** A bracket over one unit, or over the first and last bead of the woven part. */
  readonly bracket?: 'unit' | 'woven part' | 'all';
  readonly view?: 'above' | 'side';
}

export interface GlossaryEntry {
  readonly word: string;
  readonly meaning: string;
  readonly example: GlossaryExample | null;
}

/** The words of the craft as they are used here, in the order of the work. */
export const GLOSSARY = [
  {
    word: 'off-loom',
    meaning:
      'Woven in the hand with needle and thread: no loom, no warp. The beads hold each other by the way the thread goes.',
    example: { structureId: 'flat-peyote' },
  },
  {
    word: 'unit',
    meaning:
      'One repeat of the weave: what is worked over and over. Counts, beads a unit and the fit go by it.',
    example: { structureId: 'right-angle-weave', bracket: 'unit' },
  },
  {
    word: 'gauge',
    meaning:
      'How long one unit is, and so how many go into an inch. It depends on beads, thread and hand: a swatch of your own knows it best.',
    example: { structureId: 'ladder', bracket: 'unit' },
  },
  {
    word: 'swatch',
    meaning:
      'A few units worked as they will be, and measured. Two or three of them also tell how much your gauge varies.',
    example: { structureId: 'flat-herringbone', bracket: 'woven part' },
  },
  {
    word: 'finished length',
    meaning: 'The whole piece, clasp closed, measured flat along its middle line.',
    example: { structureId: 'flat-herringbone', bracket: 'all' },
  },
  {
    word: 'woven part',
    meaning: 'From the first bead to the last, without clasp and loops. It is what the units add up to.',
    example: { structureId: 'flat-herringbone', bracket: 'woven part' },
  },
  {
    word: 'target length',
    meaning:
      'How long the finished piece is to be: body, ease and thickness together, or a length of your own.',
    example: null,
  },
  {
    word: 'ease',
    meaning:
      'How much longer a piece is than the body it goes round: snug little, loose much. Thickness takes some of it.',
    example: null,
  },
  {
    word: 'row',
    meaning: 'Beads that are worked one after another before the work turns, or before the next lie on them.',
    example: { structureId: 'flat-peyote', params: { sequence: ['A', 'B', 'A', 'A'] }, roles: ['B'] },
  },
  {
    word: 'rung',
    meaning:
      'What joins one side to the other: in a ladder each step, in right-angle weave the bead two circles share.',
    example: { structureId: 'right-angle-weave', roles: ['B'] },
  },
  {
    word: 'post',
    meaning: 'Of a square rope: the bead that stands between two rings, at each of their corners.',
    example: { structureId: 'square-rope', roles: ['B'] },
  },
  {
    word: 'deck',
    meaning:
      'Of a band that is two thick: the rungs through the one holes of its sides, and those through the other.',
    example: { structureId: 'two-decks', roles: ['B'] },
  },
  {
    word: 'petal',
    meaning: 'Of a flower of four: a bead of two holes, which points outwards from the middle.',
    example: { structureId: 'flower-band', roles: ['A', 'B'] },
  },
  {
    word: 'plus',
    meaning:
      'Four bars about a small circle, one to each side. Groups of plus and of bars that lie like bricks take turns.',
    example: { structureId: 'bar-band', roles: ['A'] },
  },
  {
    word: 'turned loop',
    meaning:
      'An end loop whose two threads go through one seed more at the work, so that beyond it the loop can stand on edge.',
    example: null,
  },
  {
    word: 'picot',
    meaning: 'Beads that stand out in a small point along an edge.',
    example: { structureId: 'ladder', roles: ['B'] },
  },
  {
    word: 'swag',
    meaning: 'A short string of beads that hangs in a curve from one place of a strung line to another.',
    example: { structureId: 'strung-line', params: { swags: 1 }, view: 'above' },
  },
  {
    word: 'graduated',
    meaning: 'Growing size by size from the ends to the middle, alike on both sides.',
    example: { structureId: 'graduated-line' },
  },
  {
    word: 'bail',
    meaning: 'A loop that a pendant hangs by: it runs on a rope, or passes over a clasp.',
    example: null,
  },
  {
    word: 'ear wire',
    meaning:
      'The hook or lever that goes through the ear. An earring hangs from it by one end; the other is free.',
    example: null,
  },
  {
    word: 'herringbone',
    meaning: 'Beads in pairs that lean towards each other, column beside column.',
    example: { structureId: 'flat-herringbone' },
  },
  {
    word: 'peyote',
    meaning: 'Bead by bead into the gaps of the row before, like bricks set on end.',
    example: { structureId: 'flat-peyote' },
  },
  {
    word: 'up bead',
    meaning:
      'In peyote: a bead of the row before, which stands out along the edge that is worked on. The needle goes through it.',
    example: { structureId: 'flat-peyote' },
  },
  {
    word: 'down bead',
    meaning:
      'In peyote: a bead that lies low between two up beads. The new bead sits on it, and it is skipped.',
    example: { structureId: 'flat-peyote' },
  },
  {
    word: 'spiral rope',
    meaning:
      'Loops of beads beside a core, each one bead further on and pushed to the same side: they wind round it.',
    example: { structureId: 'spiral-rope' },
  },
  {
    word: 'helix tube',
    meaning:
      'A tube of long beads and seeds by turns, worked round without a step: the long ones climb it like a stair.',
    example: { structureId: 'helix-tube' },
  },
  {
    word: 'daisy chain',
    meaning: 'Rings of petals, each round a bead in its middle, one after another.',
    example: { structureId: 'daisy-chain' },
  },
  {
    word: 'chevron chain',
    meaning: 'A row of Vs between two edges: legs to and fro, with a point at the tip of each.',
    example: { structureId: 'chevron-chain' },
  },
  {
    word: 'netting',
    meaning:
      'Meshes of beads, each hung between two points of the row or round before, with a point of its own.',
    example: { structureId: 'netted-tube' },
  },
  {
    word: 'core',
    meaning: 'The beads in the middle of a rope, through which thread comes up again and again.',
    example: { structureId: 'spiral-rope' },
  },
  {
    word: 'brick stitch',
    meaning:
      'Each bead hung from a thread bridge of the row before. It looks like peyote turned by a quarter, and grows the other way.',
    example: { structureId: 'brick-stitch' },
  },
  {
    word: 'right-angle weave',
    meaning:
      'Circles of four sides, each sharing one with the next. The thread never cuts straight across a corner.',
    example: { structureId: 'right-angle-weave' },
  },
  {
    word: 'cross-weave',
    meaning: 'Two needles that cross in one bead, go round outside, and cross in the next.',
    example: { structureId: 'cross-weave' },
  },
  {
    word: 'two-hole bead',
    meaning:
      'A bead with two holes side by side: one row runs through the first, another through the second.',
    example: { structureId: 'two-hole-line' },
  },
  {
    word: 'pass',
    meaning:
      'One way of the thread along the piece. A first pass strings and weaves, later ones edge, fill or reinforce.',
    example: { structureId: 'ladder', view: 'side' },
  },
  {
    word: 'step-up',
    meaning: 'In a tube: through the first bead of the round just worked, to begin the next one higher.',
    example: { structureId: 'tubular-peyote' },
  },
  {
    word: 'stop bead',
    meaning:
      'A bead that keeps the first ones from sliding off. A foreign one comes off again, one of the pattern stays.',
    example: null,
  },
  {
    word: 'tail',
    meaning: 'Thread left hanging at the start: woven in at the end, or used to sew on the clasp there.',
    example: null,
  },
  {
    word: 'thread bridge',
    meaning:
      'Bare thread between two beads. A needle can go under it, to hang a bead there or to make a half hitch.',
    example: null,
  },
  {
    word: 'half hitch',
    meaning:
      'Under a thread bridge, and through the loop before it is drawn tight: the knot that ends a thread.',
    example: null,
  },
  {
    word: 'square knot',
    meaning:
      'Left over right, then right over left: it holds two ends to each other, where no hitch would, as in elastic and cord.',
    example: null,
  },
  {
    word: 'bead tip',
    meaning:
      'A shell with a hole: thread comes in by it, a seed and its knot lie inside, and the shell is closed over them.',
    example: null,
  },
  {
    word: 'crimp',
    meaning:
      'A small tube of soft metal: thread goes through it, through the clasp and back through it, and it is pressed flat.',
    example: null,
  },
  {
    word: 'reinforce',
    meaning: 'Once more round what is there already, so that it holds: loops of a clasp at least twice.',
    example: { structureId: 'flat-herringbone', roles: ['loop'] },
  },
  {
    word: 'wingspan',
    meaning:
      'Fingertip to fingertip, arms out: about one’s height. Thread is measured by it without a ruler.',
    example: null,
  },
  {
    word: 'culling',
    meaning: 'Picking even beads and leaving out odd ones. Buy a few more than the plan counts.',
    example: null,
  },
  {
    word: 'shade',
    meaning: 'One of several colours that the beads of one letter come in: they are named A1, A2 and so on.',
    example: null,
  },
] as const satisfies readonly GlossaryEntry[];

export type GlossaryWord = (typeof GLOSSARY)[number]['word'];

/** What a word means. Throws for a word that the glossary does not have. */
export function glossaryEntry(word: GlossaryWord): GlossaryEntry {
  const found = GLOSSARY.find((entry) => entry.word === word);
  if (!found) throw new Error(`The glossary has no word “${word}”.`);
  return found;
}

/** Words that stand in every other sentence: marked where they matter, not wherever they occur. */
const EVERYWHERE: readonly GlossaryWord[] = ['unit', 'row', 'pass', 'shade', 'tail'];

/** A part of a text: a word of the craft as it is written there, or what stands between. */
export type Told = string | { readonly word: GlossaryWord; readonly as: string };

const MARKED = GLOSSARY.map(({ word }) => word)
  .filter((word) => !EVERYWHERE.includes(word))
  .sort((a, b) => b.length - a.length);
const WORDS = new RegExp(`(?<![\\w-])(${MARKED.join('|')})(e?s)?(?![\\w-])`, 'gi');

/** A text with its words of the craft set apart, each the first time it occurs. Joined, the parts are the text. */
export function withWords(text: string): readonly Told[] {
  const parts: Told[] = [];
  const met = new Set<string>();
  let from = 0;
  for (const found of text.matchAll(WORDS)) {
    const word = MARKED.find((one) => one === found[1]?.toLowerCase());
    if (!word || met.has(word)) continue;
    met.add(word);
    if (found.index > from) parts.push(text.slice(from, found.index));
    parts.push({ word, as: found[0] });
    from = found.index + found[0].length;
  }
  return from < text.length ? [...parts, text.slice(from)] : parts;
}
