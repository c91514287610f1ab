import * as z from 'zod';
import type { Closing } from '../body/kinds';
import type { EndLoops } from '../closures/sewnLoop';
import type { ArrangeQuestion } from '../fit/arrange';
import type { CountRule } from '../fit/rules';
import type { Measured } from '../fit/swatch';
import { compose } from '../joints/compose';
import type { Body, Point, Pose } from '../layout/layout';
import type { Held, Net } from '../layout/solver/held';
import type { BeadShape, BeadSize } from '../materials/material';
import type { RowWord } from '../words/stepWords';
import type { Built } from '../read/totals';
import { Weave, type WeaveOptions } from '../weave/builder';
import type { Loom, Made } from '../weave/edge';
import type { Bead, Finding, PartId, Path } from '../weave/path';
import type { RowsPerUnit } from '../weave/units';
import type { Field } from './field';
import { ROLE_LETTERS, type RoleLetter } from './roles';
import type { Seam } from './seam';
import type { Strand } from './strands';

/** What a structure is asked to weave, beside its own parameters: its ends, passes to leave out, room in holes. */
export type WeaveRequest = EndLoops &
  Pick<WeaveOptions, 'without' | 'room' | 'fixed' | 'tied' | 'stop' | 'turning'>;

/**
 * Pitch, width and places by closed form; the solver will give the same. Millimetres, x from where the
 * woven part begins.
 */
export interface Form {
  /** Length of one unit (one repeat). */
  readonly pitchMm: number;
  /** Woven length that does not grow with the units, such as a closing row. */
  readonly extraMm: number;
  readonly widthMm: number;
  /** How broad it is where a clasp is sewn on; as broad as all of it where nothing is said. */
  readonly endWidthMm?: number;
  /** How far the piece stands from the skin. */
  readonly thicknessMm: number;
  /** By what part the work may come out shorter than the closed form says. */
  readonly mayShorten: number;
  /** Whether it is the other hand's mirror image. */
  readonly mirrored?: boolean;
  /** How the work is held while it is measured. */
  readonly held: Held;
  /** Of a net, which is soft: whether its circles stay square, or are drawn round. */
  readonly net?: Net;
  readonly pose: (bead: Bead) => Pose;
  /** Of a motif: how many equal parts go round its middle, and how far along that lies. */
  readonly round?: { readonly folds: number; readonly middleMm: number };
  /** Where a finding lies that is none of the clasp's; null where it is. */
  readonly findingAt?: (finding: Finding) => Point | null;
  /** Of units that are not all alike: the form along a whole path, which alone says where its beads lie. */
  readonly along?: (built: Built) => Form;
  /** Of such: where each run of like units begins, for so many units. */
  readonly runs?: (units: number) => readonly LaidRun[];
  /** Where thread that runs slantwise through its hole makes a bead lean to, full at length 1; null where it stands upright. */
  readonly leansTo?: (bead: Bead) => Point | null;
}

/** Units that are alike, one after another along the piece. */
export interface SectionRun {
  /** Which it is of those that the maker listed, her own units among them, from 0. */
  readonly of: number;
  /** Whether it is of the half that comes back. */
  readonly back: boolean;
  /** Whether the fit says how many units it has. */
  readonly fitted: boolean;
  /** Its beads; none where it is in another stitch. */
  readonly unit: Unit;
  readonly times: number;
  /** Rows that it takes, and those of them that come before its first unit. */
  readonly rows: number;
  readonly lead: number;
  /** The stitch of such units alone, by its name and its parameters. */
  readonly stitch: Weaveable;
  readonly structure: string;
  readonly params: Readonly<Record<string, unknown>>;
  /** What joins it to the run before; null where it is worked on from there. */
  readonly seam: Seam | null;
}

/** The sections of a stitch bound with them. */
export interface SectionsOf {
  /** How often the fitted section comes: twice where it has a mirror image. */
  readonly copies: number;
  /** Sections in the order worked, for so many units of each fitted one. */
  readonly runs: (units: number) => readonly SectionRun[];
}

/** Units that are alike, as they lie along the piece. */
export interface LaidRun {
  readonly run: SectionRun;
  readonly fromMm: number;
  readonly pitchMm: number;
  /** Where the finding of the seam before it begins; null where it has none. */
  readonly findingFromMm: number | null;
}

/** What a bead must be for its part in a stitch. */
export interface Part {
  readonly role: RoleLetter;
  /** What the maker calls it: "rung", "bead between". */
  readonly part: string;
  readonly holes: 1 | 2;
  /** The shapes that can play it; all with so many holes where nothing is said. */
  readonly shapes?: readonly BeadShape[];
}

/** A sequence that grows to the middle and back: what the fit may choose. */
export interface Graduation {
  /** What is counted. */
  readonly of: 'bead' | 'unit';
  readonly steps: readonly RoleLetter[];
  /** Counts that the maker has chosen, one for each step; null leaves them to the fit. */
  readonly counts: readonly number[] | null;
  /** How many of the steps in all, for so many of each on one half. */
  readonly beads: (counts: readonly number[]) => number;
  /** What is asked of the fit, but for the wish and what closing takes. */
  readonly question: (body: (role: string) => BeadSize) => Omit<ArrangeQuestion, 'wishMm'>;
  /** The structure's parameters with these counts. */
  readonly withCounts: (counts: readonly number[]) => Readonly<Record<string, unknown>>;
}

/** How a part made apart is held by what strings it: joined at two of its points, through its middle, or by a loop of it. */
export type StrungBy = 'two points' | 'its middle' | 'its loop';

/** What one is called that is made whole, and by what it is held. */
export interface MadeWhole {
  readonly called: string;
  readonly by: StrungBy;
}

/** A structure with its parameters filled in. */
export interface Weaveable {
  /** Each role's parts, in the order they first come. */
  readonly parts: readonly Part[];
  readonly minimumUnits: number;
  /** More units than it can have: a motif is one, and made apart. */
  readonly mostUnits?: number;
  /** Of a motif: points at which it can be joined, all around it; the units of its rows are these. */
  readonly points?: number;
  /** Of what is strung by its loop: how wide that is inside, mm. */
  loopClearMm?(body: (role: string) => BeadSize): number;
  /** Of a V: who stands in its middle, what it is where nothing else is strung there, and how many points apart it is held. */
  readonly corner?: { readonly role: RoleLetter; readonly as: RoleLetter; readonly points: number };
  /** Loops of a clasp that can be sewn on side by side; one where nothing is said. */
  readonly mostLoops?: number;
  /** Of a tube: places round its end for the legs of a V that meet in what closes it; three are wanted. */
  readonly legs?: number;
  /** Where it is of several strands, as many as it has loops at most: those of a piece of so many units, each sewn on by itself. */
  readonly strands?: (units: number) => readonly Strand[];
  /** Ways in which it can be closed; a clasp at either end where nothing is said. */
  readonly closings?: readonly Closing[];
  /** What stands against joining its ends, and what would do, in a sentence; where joining is not among its closings. */
  readonly notJoined?: string;
  /** What the count must keep to, or had better. */
  readonly rules?: (closing: Closing) => readonly CountRule[];
  /**
   * The closed form is exact, as for beads end to end, or round beads in circles of four, or lies as it was begun, as a net does on
   * its former: nothing needs laying out.
   */
  readonly formIsExact?: 'end to end' | 'in circles' | 'as begun' | 'as its edges' | 'with knots';
  /** Whether knots of its own thread lie between its beads, so that it matters how thick that is. */
  readonly knotted?: boolean;
  /** Nobody has told its thread path: what is worked of it is beads in order, no more. */
  readonly pathless?: boolean;
  /** It is as long as it measured: so many units, and the thread that one of them took. */
  readonly byMeasure?: {
    readonly measured: Measured;
    readonly threadMm: number;
    /** Nobody has measured it yet: the figures are there to be written over. */
    readonly example: boolean;
  };
  /** Where the whole piece is one unit and the fit is to choose how many beads of each step it has. */
  readonly arrangement?: Graduation;
  /** Rows that make one unit. */
  readonly rowsPerUnit: RowsPerUnit;
  /** Where units of other beads come before and after its own: what lies where, and how often its own unit is worked. */
  readonly sections?: SectionsOf;
  /** Why it must have an even number of rows to be joined; where it need not, nothing. */
  readonly evenToJoin?: string;
  /** What the maker calls one row: the steps use it. */
  readonly rowWord: RowWord;
  /** What the maker calls what beads are a part of, by their slots: a rung, a side, a tip; of others nothing is said. */
  readonly slots?: Readonly<Record<string, string>>;
  /** What she calls a bead of a row so many back: of peyote an up bead, and a down bead. */
  readonly beadsBack?: Readonly<Record<number, string>>;
  /** What one row beyond the last unit is called, where there can be any. */
  readonly extraWord?: string;
  /** What closes the piece beyond its whole units, in words; null where nothing does. */
  readonly closing: string | null;
  weave(units: number, request: WeaveRequest): Path;
  /** Weaves it as a part of a path that others are woven into, and returns its scope there with its edges. */
  weaveInto(
    path: Weave,
    part: PartId,
    units: number,
    request: WeaveRequest,
  ): { readonly w: Weave; readonly edges: Made['edges'] };
  /** Weaves it where a weave stands, made with its options, and returns its edges. */
  weaveOn(w: Weave, units: number, request: WeaveRequest): Made['edges'];
  options(request: WeaveRequest): WeaveOptions;
  /** Sizes that do not suit each other, in words that say what to do; empty when all do. */
  advise?(body: (role: string) => BeadSize): string[];
  /** Parameters that suit these sizes, as near as can be to those it has; null where they do, or none would. */
  suited?(body: (role: string) => BeadSize): Readonly<Record<string, unknown>> | null;
  /** What is pressed to have them; that it lies flat where nothing is said. */
  readonly suitedWords?: string;
  /** The closed form; `without` are the optional passes that are left out. */
  form(body: (role: string) => BeadSize, without: ReadonlySet<string>): Form;
}

/** Parameters of a structure, as a screen changes them. */
type Params = Readonly<Record<string, unknown>>;

/** The look to expect at a stage of the work: what looks wrong there and is right. */
export interface Look {
  readonly after: string;
  readonly look: string;
}

export const FAMILIES = [
  'strung line',
  'ladder',
  'herringbone',
  'peyote',
  'right-angle weave',
  'two-hole line',
  'spiral',
  'chain',
  'netting',
] as const;

/** Families of the gallery, and what is in none of them: what is made apart to be strung or joined as it is, and a stitch of the maker's own. */
export type Family = (typeof FAMILIES)[number] | 'motif' | 'own';

/** What a finished piece of it feels like in the hand. */
export const HANDLES = ['hangs like a chain', 'soft like cloth', 'holds flat', 'round like a rope'] as const;

export const THREAD_KINDS = ['gel-spun', 'waxed nylon', 'cord'] as const;

export const USES = ['bracelet', 'necklace', 'ring band', 'rope', 'edging'] as const;

/** A stitch of the gallery: one file, one line in the registry. */
export interface Structure {
  readonly id: string;
  readonly name: string;
  readonly family: Family;
  /** Of what is made apart, one at a time: what one is called, and by what it is held. */
  readonly madeWhole?: MadeWhole;
  /** One line for whoever does not know it. */
  readonly about: string;
  readonly feel: string;
  readonly handles: (typeof HANDLES)[number];
  /** Where it grows to as it is held: up, where it is not worked along. */
  readonly grows?: 'up';
  /** Whether it is begun with a stop bead, so that the maker's school of it tells. */
  readonly stopBead?: true;
  /** Whether its rows go to and fro, so that it can be turned over at the end of each. */
  readonly turnsRows?: (params: Params) => boolean;
  readonly uses: readonly (typeof USES)[number][];
  readonly needles: 1 | 2;
  /** Threads that suit it, and what to know of them, in words. */
  readonly threads: readonly (typeof THREAD_KINDS)[number][];
  readonly thread: string;
  /** The look to expect by stage. */
  readonly looks: readonly Look[];
  /** What goes wrong. */
  readonly watch: readonly string[];
  readonly fields: readonly Field[];
  /** Beads of the catalogue that it starts with; a round 11/0 seed where a role is not named. */
  readonly usual: Readonly<Partial<Record<RoleLetter, string>>>;
  readonly defaults: Readonly<Record<string, unknown>>;
  /** What is wrong with parameters, in words; empty when they are right. */
  check(params: unknown): string[];
  /** Fills in the parameters. Throws a ZodError where `check` would have spoken. */
  bind(params: unknown): Weaveable;
  /** How it is woven of units that are not all alike; a stitch whose units always are has none. */
  readonly unlike?: {
    /** What stands against it with these parameters, in a sentence; null where nothing does, or they do not stand at all. */
    not(params: Params): string | null;
    /** Whether its columns run on from row to row, so that rows much wider than their neighbours show thread. */
    readonly inColumns: boolean;
    /** Woven once, of these units one after another. Throws as `bind`. */
    bind(params: Params, units: readonly Unit[]): Weaveable;
  };
}

/** The beads of one unit: row by row, or in the order strung. */
export type Unit = readonly RoleLetter[];

/** How a stitch is woven of units that are not all alike. */
interface Unlike<P> {
  /** What stands against it with these parameters, in a sentence; null where nothing does. */
  readonly not?: (params: P) => string | null;
  /** Whether its columns run on from row to row. */
  readonly inColumns?: boolean;
  /** Parameters with these units one after another, how many units those are to the stitch, and the rows of each. */
  readonly of: (params: P, units: readonly Unit[]) => UnlikeUnits<P>;
}

interface UnlikeUnits<P> {
  readonly params: P;
  readonly units: number;
  readonly rowsPerUnit: RowsPerUnit;
}

/** Units of a stitch whose sequence tells rows: the whole piece is one long sequence of them. */
export const inRows = <P extends { readonly sequence: readonly RoleLetter[] }>(
  params: P,
  units: readonly Unit[],
): UnlikeUnits<P> => ({
  params: { ...params, sequence: units.flat(), extra: 0 },
  units: 1,
  rowsPerUnit: units.map(({ length }) => length),
});

interface Definition<S extends z.ZodType> extends Omit<Structure, 'defaults' | 'check' | 'bind' | 'unlike'> {
  readonly params: S;
  readonly defaults: Required<z.input<S>> & Readonly<Record<string, unknown>>;
  /** How it is woven: on a loom, or by other stitches that are bound already. */
  readonly bind: (params: z.infer<S>) => Program | Weaveable;
  readonly unlike?: Unlike<z.infer<S>>;
}

/** How a structure is woven: what it writes on a loom, whatever is asked for at its edges. */
interface Program extends Omit<
  Weaveable,
  'weave' | 'weaveInto' | 'weaveOn' | 'options' | 'rowsPerUnit' | 'sections'
> {
  /** Rows that make one unit; one where nothing is said. */
  readonly rowsPerUnit?: RowsPerUnit;
  /** Holes of the bead of a role, where it has not one. */
  readonly holes?: Readonly<Record<string, number>>;
  readonly work: (loom: Loom, units: number) => Made;
}

/** A program on the loom of a piece of one part. */
const onLoom = ({ work, rowsPerUnit = 1, holes = {}, ...rest }: Program): Weaveable => {
  const optionsOf = ({ without, room, fixed, tied, stop, turning }: WeaveRequest) => ({
    rowsPerUnit,
    holes,
    without,
    room,
    fixed,
    tied,
    stop,
    turning,
  });
  const on = (w: Weave, units: number, ends: EndLoops) => compose(w, ends, (loom) => work(loom, units));
  return {
    ...rest,
    rowsPerUnit,
    options: optionsOf,
    weaveOn: on,
    weave: (units, request) => {
      const w = new Weave(optionsOf(request));
      on(w, units, request);
      return w.path();
    },
    weaveInto: (path, part, units, request) => {
      const w = path.scope(part, optionsOf(request));
      return { w, edges: on(w, units, request) };
    },
  };
};

const bound = (made: Program | Weaveable): Weaveable => ('weaveOn' in made ? made : onLoom(made));

/** Makes a structure of its definition: the parameters are checked before they reach `bind`. */
export const structure = <S extends z.ZodType>({
  params,
  bind,
  unlike,
  ...rest
}: Definition<S>): Structure => ({
  ...rest,
  check: (raw) => params.safeParse(raw).error?.issues.map((issue) => issue.message) ?? [],
  bind: (raw) => bound(bind(params.parse(raw))),
  ...(unlike && {
    unlike: {
      inColumns: unlike.inColumns ?? false,
      not: (raw) => {
        const parsed = params.safeParse(raw);
        return (parsed.success && unlike.not?.(parsed.data)) || null;
      },
      bind: (raw, all) => {
        const { params: whole, units, rowsPerUnit } = unlike.of(params.parse(raw), all);
        const program = bind(whole);
        if ('weaveOn' in program) throw new Error('What is woven of other stitches has no unlike units.');
        return onLoom({ ...program, rowsPerUnit, work: (loom) => program.work(loom, units) });
      },
    },
  }),
});

/** The parts of a run of roles that all do the same. */
export const partsOf = (sequence: readonly RoleLetter[], part: string, rule: Partial<Part> = {}): Part[] =>
  distinct(sequence).map((role) => ({ holes: 1, ...rule, role, part }));

/** Bead roles in the order they first come. */
export const rolesOf = ({ parts }: Weaveable): RoleLetter[] => distinct(parts.map(({ role }) => role));

/** A run of bead roles, never empty. */
export const sequenceSchema = (most: number, roles: readonly RoleLetter[] = ROLE_LETTERS) =>
  z
    .array(z.enum(roles, `Beads here are named ${roles[0] ?? ''} to ${roles.at(-1) ?? ''}.`))
    .min(1, 'The sequence has no beads. Add at least one.')
    .max(most, `A sequence holds at most ${most}. Take some out.`);

/** Each value once, in the order it first comes. */
export const distinct = <T>(values: readonly T[]): T[] => [...new Set(values)];

/** How long these beads are, end to end, mm. */
export const lengthOf = (roles: readonly string[], body: (role: string) => Body): number =>
  roles.reduce((sum, role) => sum + body(role).lengthMm, 0);

/** The largest diameter among these beads, mm. */
export const girthOf = (roles: readonly string[], body: (role: string) => Body): number =>
  Math.max(...roles.map((role) => body(role).diameterMm));

/** The running sum before each value, and the sum of all: [2, 3] → { starts: [0, 2], total: 5 }. */
export function runningSum(values: readonly number[]): { starts: number[]; total: number } {
  let total = 0;
  const starts = values.map((value) => {
    const start = total;
    total += value;
    return start;
  });
  return { starts, total };
}

/** An element that is known to be there. Throws when it is not, which is a fault in the structure. */
export function at<T>(values: readonly T[], index: number): T {
  const value = values.at(index);
  if (value === undefined) throw new Error(`No element ${index} in a list of ${values.length}.`);
  return value;
}
