import { strokesSchema } from '../structures/ownPath';
import { strokeWords } from '../words/strokes';
import { findingOf } from '../structures/seam';
import { KIND_FACTS } from '../body/kinds';
import { formatFine, formatLength, type LengthStyle } from '../length/length';
import { CORE_ROLE } from '../joints/setIn';
import { partName, shadesOf } from './part';
import { partOf, type PartOfPiece } from './partOfPiece';
import type { Piece } from './piece';
import { graduationOf, structureById } from '../structures/registry';
import { listed, hasSections, type OtherStitch, type Sections } from '../structures/sections';
import type { Field } from '../structures/field';
import { changeWords } from '../supplies/cutting';
import { CLOSING_WORDS } from '../words/closings';
import { STOP_WORDS } from '../words/stopBeads';
import { SCHOOL_WORDS } from '../words/wear';

/** What changed between two states of a piece, in a weaver's words. */
export interface Change {
  /** What was changed: `ease`, `bead A, colour`. */
  readonly what: readonly string[];
  /** Each of them, as it was and as it is; of many the first. */
  readonly details: readonly { readonly name: string; readonly was: string; readonly is: string }[];
  /** `ease: comfortable → snug`. */
  readonly words: string;
}

/** More than so many things changed at once are counted, not told. */
const TOLD = 2;

/** Names a change; null where both are the same. */
export function changeBetween(before: Piece, after: Piece, style: LengthStyle): Change | null {
  const [was, is] = [facts(before, style), facts(after, style)];
  const names = [...new Set([...is.keys(), ...was.keys()])];
  const what = names.filter((name) => was.get(name) !== is.get(name));
  if (what.length === 0) return null;
  const details = what
    .slice(0, TOLD)
    .map((name) => ({ name, was: was.get(name) ?? '–', is: is.get(name) ?? '–' }));
  const words = details.map(({ name, was: before, is: after }) => `${name}: ${before} → ${after}`).join('; ');
  return {
    what,
    details: details,
    words: words + (what.length > details.length ? `, and what goes with it` : ''),
  };
}

/** Every choice by its name, the ones that carry others along first. */
function facts(piece: Piece, style: LengthStyle): Map<string, string> {
  const parts = piece.parts.map(({ id }) => partOf(piece, id));
  /** What is chosen of a part made apart, with its name before it. */
  const ofParts = (facts: (part: PartOfPiece) => Facts): Facts =>
    parts.flatMap((part) =>
      facts(part).map(([name, is]): [string, string] => [`${prefix(part)}${name}`, is]),
    );
  return new Map<string, string>([
    ['name', piece.name],
    ['kind', piece.kind],
    ['wearer', piece.wearer?.name ?? 'nobody'],
    ...girths(piece, style),
    ...wear(piece, style),
    ['parts made apart', apart(piece)],
    ...ofParts((part) => chosenOf(part, style)),
    ...ends(piece, style),
    ...ofParts((part) => countedBy(part, style)),
    ['thread', piece.thread.name],
    ['colour of the thread', piece.threadColour?.name ?? 'open'],
    ['needle', piece.needle.name],
    ['thread doubled', yes(piece.doubled)],
    ...ofParts((part) => [['thread changed', threadChanges(part)]]),
    ['needle in the', `${piece.hand} hand`],
    ['stop bead', STOP_WORDS[piece.stop]],
    ['turned at the end of each row', yes(piece.turning)],
  ]);
}

/** The part that carries the others goes without a name, as the piece does. */
const prefix = ({ partName: name, beads, count, structure }: PartOfPiece): string =>
  count.by === 'fit' ? '' : `${partName({ name, beads, count, structure })}, `;

const apart = ({ parts }: Piece): string =>
  parts.flatMap((part) => (part.count.by === 'fit' ? [] : [partName(part)])).join(', ') || 'none';

/** How a part made apart is strung, and what its count goes by. */
const madeAs = ({ count }: PartOfPiece, style: LengthStyle): Facts =>
  count.by !== 'around'
    ? []
    : [
        ['thread that strings it', `${count.way} ${count.way === 'between' ? 'its beads' : 'its threads'}`],
        [
          'takes of the length',
          count.measuredMm === null ? 'as reckoned' : formatFine(count.measuredMm, style),
        ],
      ];

/** What is strung in the place of beads. */
const strungIn = ({ strung, others }: PartOfPiece): Facts =>
  Object.entries(strung).flatMap(([role, id]): Facts => {
    const part = others.find((other) => other.id === id);
    return part ? [[`in the place of ${role}`, partName(part)]] : [];
  });

/** What a part is woven of. */
function chosenOf(part: PartOfPiece, style: LengthStyle): Facts {
  const structure = structureById(part.structure.id);
  return [
    ...madeAs(part, style),
    ...strungIn(part),
    ['stitch', structure?.name.toLowerCase() ?? part.structure.id],
    ...(structure?.fields ?? []).map((field): [string, string] => [
      field.label.toLowerCase(),
      fieldWords(field, part.structure.params[field.key] ?? structure?.defaults[field.key], style),
    ]),
    ...(structure?.unlike
      ? [[SECTIONS, sectionsWords(part.structure.sections, style)] satisfies [string, string]]
      : []),
    ['count', counts(part)],
    ...beads(part),
    ['passes left out', part.without.join(', ') || 'none'],
  ];
}

/** What sections are called among changes. */
export const SECTIONS = 'sections';

/** `5 × B, own units, 5 × B`. */
export function sectionsWords(sections: Sections | undefined, style: LengthStyle): string {
  if (!hasSections(sections)) return 'none';
  const all = listed(sections).map((one) =>
    one.own
      ? 'own units'
      : `${one.times} × ${one.other ? otherWords(one.other, style) : one.sequence.join(' ')}`,
  );
  return `${all.join(', ')}${sections.mirrored ? ', mirrored' : ''}`;
}

/** `right-angle weave (A, B, 2), joined by 1 and 1`. */
function otherWords({ id, params, matched, seam }: OtherStitch, style: LengthStyle): string {
  const structure = structureById(id);
  const told = (structure?.fields ?? []).map((field) =>
    fieldWords(field, params[field.key] ?? structure?.defaults[field.key], style),
  );
  const { across, back } = seam;
  const finding = findingOf(seam);
  const by = {
    beads: `by ${across} and ${back}`,
    edge: 'edge to edge',
    zip: 'zipped',
    finding: finding ? `by ${finding.count} × ${finding.what.name}, ${across} and ${across} to a loop` : '',
  }[seam.by];
  const often = seam.by === 'zip' ? '' : `, ${seam.rounds} times round`;
  return `${structure?.name.toLowerCase() ?? id} (${told.join(', ')}${matched ? ', as broad as its neighbour' : ''}), joined ${by}${often}`;
}

/** What its count goes by. */
const countedBy = (part: PartOfPiece, style: LengthStyle): Facts => [
  ['own gauge', gauge(part, style)],
  ['count is', part.rules.parity],
  ['count in steps of', String(part.rules.multipleOf)],
];

const threadChanges = ({ threadChanges: wanted }: PartOfPiece): string =>
  wanted === null ? 'where it is best' : wanted.length === 0 ? 'nowhere' : wanted.map(changeWords).join(', ');

type Facts = [string, string][];
const yes = (on: boolean) => (on ? 'yes' : 'no');

const girths = ({ wearer }: Piece, style: LengthStyle): Facts =>
  Object.entries(wearer?.girths ?? {}).map(([place, mm]) => [place, formatLength(mm, style)]);

function wear({ wear: choice, kind, targetMm }: Piece, style: LengthStyle): Facts {
  const mm = (value: number | null) => (value === null ? 'not known' : formatLength(value, style));
  const by: Facts = [
    ['length from', SCHOOL_WORDS[choice.school]],
    ['target length', targetMm === null ? 'what fits' : mm(targetMm)],
  ];
  switch (choice.school) {
    case 'flat':
      return [...by, ['finished length', mm(choice.finishedMm)]];
    case 'like':
      return [
        ...by,
        ['finished length', mm(choice.finishedMm)],
        ['thickness of the one that fits', mm(choice.thicknessMm)],
      ];
    case 'drop':
      return [...by, ['falls', mm(choice.dropMm)]];
    case 'elastic':
      return by;
    case 'ease':
    case 'over': {
      const amounts = Object.entries(choice.easeMm).map(([fit, value]): [string, string] => [
        `${fit} ease`,
        mm(value),
      ]);
      const over: Facts =
        choice.school === 'over' && KIND_FACTS[kind].place === null ? [['goes over', mm(choice.overMm)]] : [];
      return [
        ...by,
        ['ease', choice.fit],
        ...amounts,
        ...over,
        ['thickness counted', yes(choice.thicknessEffect)],
      ];
    }
  }
}

function fieldWords(field: Field, value: unknown, style: LengthStyle): string {
  switch (field.kind) {
    case 'switch':
      return yes(value === true);
    case 'length':
      return typeof value === 'number' ? formatLength(value, style) : 'not known';
    case 'choice':
      return field.options.find((option) => option.value === value)?.label ?? String(value);
    case 'sequence':
      return Array.isArray(value) && value.length > 0 ? value.join(' ') : 'no beads';
    case 'motif':
      return motifWords(value);
    case 'path':
      return pathWords(value);
    case 'count':
      return field.or && field.or.value === value ? field.or.short : String(value);
  }
}

function pathWords(value: unknown): string {
  const strokes = strokesSchema.safeParse(value).data ?? [];
  return strokes.length === 0 ? 'not told' : strokes.map((stroke) => strokeWords(stroke, [])).join(', ');
}

const motifWords = (value: unknown): string =>
  Array.isArray(value) && value.length > 0
    ? value.map((row) => (Array.isArray(row) ? row.join('') : '')).join(' / ')
    : 'none';

function counts({ units, structure }: PartOfPiece): string {
  const chosen = graduationOf(structure)?.counts;
  if (chosen) return chosen.join(' · ');
  return units === null ? 'what fits best' : String(units);
}

const beads = (piece: PartOfPiece): Facts =>
  Object.entries(piece.beads).flatMap(([role, bead]): Facts => {
    const name =
      role.length === 1 ? `bead ${role}` : role === CORE_ROLE ? 'what it goes round' : 'clasp loops';
    const colouring = piece.colourings[role as keyof PartOfPiece['colourings']];
    const shades = shadesOf(piece, role).map((shade) => shade.name);
    return [
      [name, bead.name],
      [`${name}, colour`, shades.join(', ')],
      [`${name}, colours by`, colouring ? colouringWords(colouring) : 'one colour'],
      [`${name}, finish`, bead.finish],
    ];
  });

function colouringWords(
  colouring: NonNullable<PartOfPiece['colourings'][keyof PartOfPiece['colourings']]>,
): string {
  switch (colouring.pattern) {
    case 'turns':
      return colouring.every === 1 ? 'turns' : `turns of ${colouring.every}`;
    case 'alternating':
      return 'bead by bead';
    case 'graded':
      return colouring.back ? 'graded there and back' : 'graded';
  }
}

function ends(
  { parts, ends: { closing, clasp, start, end, loopSeeds, extender, chain, woven: id, dangle } }: Piece,
  style: LengthStyle,
): Facts {
  const mm = (value: number) => formatLength(value, style);
  const by = parts.find((part) => part.id === id);
  const woven = by && partName(by);
  const hangs = parts.find((part) => part.id === dangle);
  const sides = [
    ['start', start],
    ['end', end],
  ] as const;
  return [
    ['closed', CLOSING_WORDS[closing]],
    ['clasp', clasp.name],
    ...sides.flatMap(([side, { seedsEachSide, passes, turned, legs, rings }]): Facts => [
      [`seeds a side at the ${side}`, String(seedsEachSide)],
      [`passes at the ${side}`, String(passes)],
      [`loop at the ${side}`, legs ? 'on a V of legs' : turned ? 'turned' : 'flat'],
      [`rings at the ${side}`, rings ? `${rings.count} × ${rings.finding.name}` : 'none'],
    ]),
    ['closed by', woven ?? 'the clasp'],
    ['seeds of the loop', loopSeeds === null ? 'as reckoned' : String(loopSeeds)],
    [
      'extender',
      extender
        ? extender.rings
          ? `${extender.links} × ${extender.rings.name}`
          : `${extender.links} links of ${formatFine(extender.linkMm, style)}`
        : 'none',
    ],
    ['hangs from the extender', hangs ? partName(hangs) : 'nothing'],
    [
      'chain',
      chain ? `links of ${formatFine(chain.linkMm, style)}, woven part ${mm(chain.wovenMm)}` : 'none',
    ],
  ];
}

function gauge({ gauge: own }: PartOfPiece, style: LengthStyle): string {
  if (!own) return 'none';
  return own.source === 'table'
    ? `${formatFine(own.pitchMm, style)} a unit, from a chart`
    : `${own.units} units, ${formatLength(own.lengthMm, style)}, measured`;
}
