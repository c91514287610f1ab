import { KIND_FACTS } from '../body/kinds';
import { SIZES, typicalGirths, type TypicalSize } from '../body/places';
import { CORE_ROLE } from '../joints/setIn';
import { LOOP_ROLE } from '../closures/sewnLoop';
import { formatLength, type LengthStyle } from '../length/length';
import { needsNeedle, type BeadMaterial } from '../materials/material';
import { countWords } from '../piece/choosing';
import { partOf } from '../piece/partOfPiece';
import type { Piece } from '../piece/piece';
import { forWearer } from '../piece/variants';
import { beadsInAll, madeApart, threadInAllMm } from '../plan/madeApart';
import type { Lookups } from '../plan/lookups';
import { planOrFault } from '../plan/plan';
import type { Plan } from '../plan/planned';
import { heldOf, planSteps } from '../plan/steps';
import { timeMs } from '../plan/time';
import type { Step } from '../read/steps';
import type { Settings } from '../records/settings';
import { cutLines, cutWords } from '../supplies/cutting';
import { beadsToBuy } from '../supplies/toBuy';
import { distinct } from '../structures/structure';
import { wordCaution } from '../words/cautions';
import { counted, timeWords, withCapital } from '../words/figures';
import { heldWords } from '../words/held';
import { metalWords } from '../words/metal';
import type { Said } from '../words/said';
import { stepTitle } from '../words/stepTitles';
import { wordWarning } from '../words/warnings';

// What a sheet of paper says of a plan, in words and figures. How it is laid out is another matter: see `ui/paper`.

/** Beads of a role, or of one of its colours. */
export interface SheetBeads {
  /** Its letter, with the number of its colour where there are several: `A`, `B2`, `loops`. */
  readonly letter: string;
  readonly role: string;
  readonly shade: number | null;
  readonly name: string;
  /** For a unit; null where nothing belongs to one. */
  readonly perUnit: number | null;
  /** Of one such part. */
  readonly total: number;
  /** For all of them, with some to spare. */
  readonly toBuy: number;
}

/** A part, with its beads and its steps. */
export interface SheetPart {
  readonly id: string;
  readonly name: string;
  readonly times: number;
  readonly plan: Plan;
  readonly beads: readonly SheetBeads[];
  readonly held: string;
  readonly steps: readonly {
    readonly title: string;
    readonly why: string | null;
    readonly steps: readonly { readonly text: string; readonly step: Step }[];
  }[];
}

/** A size of the pattern: what changes with who wears it. */
export interface SheetSize {
  readonly size: TypicalSize;
  readonly girthMm: number;
  readonly plan: Plan;
  readonly count: string;
  readonly finished: string;
  readonly beads: number;
  readonly thread: string;
}

export interface Sheet {
  readonly title: string;
  readonly about: string;
  readonly count: string;
  readonly finished: string;
  readonly sits: string;
  readonly facts: readonly (readonly [name: string, value: string])[];
  /** The parts in the order in which they are made. */
  readonly parts: readonly SheetPart[];
  readonly cuts: readonly string[];
  readonly materials: readonly string[];
  readonly tools: readonly string[];
  readonly notes: readonly Said[];
  readonly sizes: readonly SheetSize[];
}

const sized = (bead: BeadMaterial): string =>
  `${bead.name.replace('round seed ', '')}${bead.finish === 'plain' ? '' : `, ${bead.finish}`}`;

function beadsOf(plan: Plan, times: number): SheetBeads[] {
  return plan.quantities.flatMap(({ role, bead, perUnit, total, shades }): SheetBeads[] => {
    // What is made apart has a table of its own.
    if (plan.components.has(role)) return [];
    const letter = role === LOOP_ROLE ? 'loops' : role === CORE_ROLE ? bead.shape : role;
    const row = { role, perUnit: perUnit > 0 && !plan.arrangement ? perUnit : null };
    const of = (name: string, n: number, from: Pick<SheetBeads, 'letter' | 'shade'>): SheetBeads => ({
      ...row,
      ...from,
      name: `${sized(bead)}, ${name}`,
      total: n,
      toBuy: beadsToBuy(n * times, bead),
    });
    if (shades.length < 2) return [of(bead.colourName, total, { letter, shade: null })];
    return shades.map(({ name, total: n }, i) => ({
      ...of(name, n, { letter: `${letter}${i + 1}`, shade: i }),
      perUnit: null,
    }));
  });
}

function partOn(plan: Plan, named: Pick<SheetPart, 'id' | 'name' | 'times'>, brief: boolean): SheetPart {
  return {
    ...named,
    plan,
    beads: beadsOf(plan, named.times),
    held: plan.weaveable.pathless ? '' : heldWords(heldOf(plan), plan.turning),
    steps: planSteps(plan).map((group) => ({
      title: stepTitle(group, plan.structure.madeWhole?.by),
      why: group.info.why,
      steps: group.steps.map((step) => ({ text: brief ? step.brief : step.text, step })),
    })),
  };
}

/** The sizes of a pattern: planned anew for a small, a medium and a large adult; none where its length asks for no girth. */
function sizesOf(
  piece: Piece,
  settings: Settings,
  lookups: Partial<Lookups>,
  style: LengthStyle,
): SheetSize[] {
  const { place } = KIND_FACTS[piece.kind];
  if (place === null || piece.targetMm !== null) return [];
  const plans = SIZES.flatMap((size): SheetSize[] => {
    const girths = typicalGirths(size);
    const girthMm = girths[place];
    if (girthMm === undefined) return [];
    const wearer = { personId: null, name: `a ${size} adult`, girths, typical: size };
    const plan = planOrFault(forWearer(piece, wearer, settings), lookups);
    if (!plan.ok) return [];
    return [
      {
        size,
        girthMm,
        plan,
        count: countWords(plan, plan.chosen.units),
        finished: formatLength(plan.chosen.finishedMm, style),
        beads: beadsInAll(plan),
        thread: cutWords(threadInAllMm(plan), settings, style),
      },
    ];
  });
  // Sizes that all come out alike say nothing.
  return distinct(plans.map(({ finished }) => finished)).length > 1 ? plans : [];
}

/** What is said of several parts in the same words is said once. */
const eachOnce = (notes: readonly Said[]): Said[] => [
  ...new Map(notes.map((note) => [`${note.title} ${note.text}`, note])).values(),
];

/** What a sheet says of a piece. */
export function sheetOf(
  piece: Piece,
  plan: Plan,
  settings: Settings,
  style: LengthStyle,
  lookups: Partial<Lookups> = {},
): Sheet {
  const own = partOf(piece);
  const show = (mm: number) => formatLength(mm, style);
  const brief = settings.steps === 'brief';
  const made = madeApart(plan);
  const parts = [
    ...made.map(({ component: { id, name, plan: of }, times }) => partOn(of, { id, name, times }, brief)),
    partOn(plan, { id: own.id, name: piece.name, times: 1 }, brief),
  ];
  const { chosen, closure, gauge, wear, experience } = plan;
  const metal = closure.metal.map(({ name, count, use }) => {
    const words = metalWords(use, show(closure.chainMm));
    return `${count} × ${name}${words ? `: ${words}` : ''}`;
  });
  const all = [plan, ...made.map(({ component }) => component.plan)];
  return {
    title: piece.name,
    about: `${piece.kind}${piece.wearer ? ` for ${piece.wearer.name}` : ''} · ${plan.structure.name.toLowerCase()}`,
    count: countWords(plan, chosen.units),
    finished: show(chosen.finishedMm),
    sits: plan.sit ?? '',
    facts: [
      ['target length', show(wear.wishMm)],
      ['nearly always', `${show(chosen.lowMm)} to ${show(chosen.highMm)}`],
      ['one unit', `${gauge.pitchMm.toFixed(2)} mm`],
      ['wide, thick', `${plan.widthMm.toFixed(1)} mm, ${plan.thicknessMm.toFixed(1)} mm`],
      ['beads in all', `${beadsInAll(plan)}`],
      ['thread to cut', cutWords(threadInAllMm(plan), settings, style)],
      ['time', `about ${timeWords(timeMs(plan))}${experience.pace ? ' at your pace' : ', a guess'}`],
    ],
    parts,
    cuts: [
      ...made.map(
        ({ component: { name, plan: of }, times }) =>
          `${counted(times * of.thread.lengths, 'length')} for ${counted(times, name)}, ${cutWords(of.thread.longestMm, settings, style)} each at the most`,
      ),
      ...cutLines(plan.thread).map(
        ({ mm, of, until, folded }) =>
          `${cutWords(mm, settings, style)}${of === null ? '' : ` for ${of}`}${folded ? ', folded in the middle' : ''}${until ? `, to ${until.replace(/^after /, 'the end of ')}` : ''}`,
      ),
      ...(plan.thread.tailMm > 0
        ? [`leave a tail of ${cutWords(plan.thread.tailMm, settings, style)} at the start`]
        : []),
    ],
    materials: [
      `${own.thread.name}${own.threadColour ? `, ${own.threadColour.name}` : ''}${own.doubled ? ', doubled' : ''}`,
      ...metal,
    ],
    tools: [
      ...(needsNeedle(own.thread) ? [own.needle.name] : []),
      'bead mat, small sharp scissors, ruler',
      ...(closure.metal.length > 0 ? ['two pairs of pliers'] : []),
    ],
    notes: eachOnce([
      ...all.flatMap(({ warnings }) => warnings.map((warning) => wordWarning(warning, style))),
      ...distinct(all.flatMap(({ cautions }) => cautions)).map((caution) => wordCaution(caution)),
    ]).map(({ title, text }) => ({ title: withCapital(title), text })),
    sizes: sizesOf(piece, settings, lookups, style),
  };
}
