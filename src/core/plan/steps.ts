import { rowLists, type RowList } from '../colour/rowList';
import { namesIn } from '../colour/shades';
import { LOOP_ROLE } from '../closures/sewnLoop';
import { CORE_ROLE } from '../joints/setIn';
import { NEW_THREAD } from '../joints/newThread';
import { sizeOf, type BeadShape } from '../materials/material';
import { beadOf } from '../piece/part';
import type { Plan } from './plan';
import type { StrungBy } from '../structures/structure';
import type { Work } from './work';
import { steps, unitSteps, type Laid, type Step, type StepGroup, type ToldUnit } from '../read/steps';
import { rowWithin } from '../structures/strands';
import { strokes } from '../read/strokes';
import { stepPictures } from '../told/picture';
import type { Held } from '../told/told';
import { passInfo, WOVEN, type Bead, type PassInfo, type Place } from '../weave/path';
import { goingWords } from '../words/held';
import type { StepWords } from '../words/stepWords';

/** How the steps of a plan are worded. */
export const stepWords = (plan: Plan): StepWords => ({
  row: plan.weaveable.rowWord,
  rowWithin: plan.weaveable.strands && rowWithin(plan.weaveable.strands(plan.chosen.units)),
  beadsBack: plan.weaveable.beadsBack,
  role: roleWords(plan),
  lies: (role) => {
    const shape = shapeOf(plan, role);
    return shape && FACES[shape];
  },
  motif: [...plan.components.values()].find(({ by }) => by === 'two points')?.name,
  thread: plan.make,
  ...WAYS_OF[plan.structure.madeWhole?.by ?? 'its edges'],
});

/** How ways are said of what is made whole. */
const WAYS_OF: Readonly<Record<StrungBy | 'its edges', Pick<StepWords, 'ways'>>> = {
  'two points': { ways: 'outwards' },
  'its middle': { ways: 'none' },
  'its loop': {},
  'its edges': {},
};

/** How a piece is held while it is made: a left hand works from right to left. */
export const heldOf = ({ structure, round, hand }: Plan): Held => ({
  grows:
    structure.madeWhole?.by === 'its middle'
      ? null
      : (structure.grows ?? (hand === 'left' ? 'left' : 'right')),
  round,
});

/** As its picture is drawn, on to the right: for steps that stand beside it. A tube is held upright all the same. */
export const asDrawn = (plan: Plan): Held => {
  const held = heldOf(plan);
  return { ...held, grows: held.grows && 'right' };
};

const laid = (plan: Plan, { path, layout }: Work, held: Held): Laid => ({
  path,
  layout,
  held,
  // Cord and elastic go by themselves: there is no needle to be put through several at once.
  seen: {
    strokes: plan.gear.needleMm === null ? undefined : strokes(path, layout),
    partOf: partOf(plan),
  },
});

/** What a bead is a part of: of what is woven in the stitch itself, which knows its slots. */
const partOf =
  ({ weaveable: { slots = {} } }: Pick<Plan, 'weaveable'>) =>
  ({ place: { section }, slot }: Bead): string | undefined =>
    section === WOVEN ? slots[slot.of] : undefined;

/** How beads lie whose faces differ, as they are strung. */
const FACES: Readonly<Partial<Record<BeadShape, string>>> = { wedge: 'its curved face to the front' };

/** The shape of the bead of a letter; undefined of what is made apart, and of what has no letter. */
const shapeOf = ({ components, seen }: Plan, role: string): BeadShape | undefined =>
  role === LOOP_ROLE || role === CORE_ROLE || components.has(role) ? undefined : beadOf(seen, role).shape;

/**
 * What the bead of a role is called in the steps: by its letter, and its own name too where it has two holes; by a word where it has no
 * letter.
 */
const roleWords =
  (plan: Plan) =>
  (role: string): string => {
    const { components, seen } = plan;
    if (role === LOOP_ROLE) return 'loop seed';
    if (role === CORE_ROLE) return beadOf(seen, role).shape;
    const name = components.get(role)?.name;
    if (name !== undefined) return name;
    const { holes, shape } = beadOf(seen, role);
    return holes > 1 ? `${role} ${shape}` : role;
  };

/** The worded steps of a plan, held as it is made where nothing else is said; worked out only when somebody reads them. */
export const planSteps = (plan: Plan, held = heldOf(plan)): StepGroup[] =>
  plan.weaveable.pathless
    ? []
    : steps(laid(plan, plan.work(), held), stepWords(plan)).map((group) => ({
        ...group,
        steps: withWays(group.steps, group, plan, held),
      }));

/** Steps that say first what is made ready, and of what is woven which way they go; what is made whole is turned as it is made. */
const withWays = (
  told: readonly Step[],
  { section: { zone } }: Pick<Place, 'section'>,
  { structure }: Plan,
  held: Held,
): readonly Step[] =>
  told.map((step) => {
    const going = zone === 'woven' && !structure.madeWhole ? goingWords(step.going, held) : '';
    const said = (text: string) => [step.ready, going, text].filter(Boolean).join(' ');
    return { ...step, text: said(step.text), brief: said(step.brief) };
  });

/** Draws the steps of a plan, each by its moves, held as they are told. */
export function planPictures(plan: Plan, held = heldOf(plan)): ReturnType<typeof stepPictures> {
  const { path, layout, thread, inner } = plan.work();
  return stepPictures({ path, layout, thread, held, inner }, (role) => sizeOf(beadOf(plan.seen, role)));
}

/** Its rows as lists to read beads off, by their letters and colours; none where nobody has told the path. */
export function planRows(plan: Plan): RowList[] {
  if (plan.weaveable.pathless) return [];
  const { path } = plan.work();
  const rowsOfUnit = path.beads.reduce((most, { place }) => Math.max(most, place.rowInUnit + 1), 1);
  return rowLists(path, namesIn(plan.shades()), rowsOfUnit);
}

/** One unit of the work as it is made, with what holds for its pass. */
export interface MadeUnit extends ToldUnit {
  readonly info: PassInfo;
  /** The thread is changed in it. */
  readonly newThread: boolean;
}

/** The steps of every unit on its own, as it is held and made: to be done one by one. None where nobody has told the path. */
export function planMade(plan: Plan): MadeUnit[] {
  if (plan.weaveable.pathless) return [];
  const held = heldOf(plan);
  const { path } = plan.work();
  return unitSteps(laid(plan, plan.work(), held), stepWords(plan)).map(({ place, steps: told }) => ({
    place,
    info: passInfo(path, place),
    newThread: place.pass === NEW_THREAD,
    steps: withWays(told, place, plan, held),
  }));
}

/** The steps of every unit on its own, as it is drawn: to be watched move by move. */
export function planUnits(plan: Plan): ToldUnit[] {
  const held = asDrawn(plan);
  return unitSteps(laid(plan, plan.work(), held), stepWords(plan)).map((unit) => ({
    ...unit,
    steps: withWays(unit.steps, unit.place, plan, held),
  }));
}
