import { rowLists, type RowList } from '../colour/rowList';
import { namesIn } from '../colour/shades';
import { LOOP_ROLE } from '../closures/sewnLoop';
import { CORE_ROLE } from '../joints/setIn';
import { beadOf } from '../piece/part';
import type { Plan } from './plan';
import type { Work } from './work';
import type { StepWords } from '../read/phrases';
import { steps, unitSteps, type StepGroup, type ToldUnit } from '../read/steps';
import { strokes } from '../read/strokes';

const stepWords = (plan: Plan, { path, layout }: Work): StepWords => ({
  hand: plan.hand,
  row: plan.weaveable.rowWord,
  role: roleWords(plan),
  isMotif: (role) => plan.components.get(role)?.bead.inside !== undefined,
  needled: plan.gear.needleMm !== null,
  strokes: strokes(path, layout),
});

/** What the bead of a role is called in the steps: by its letter, or by a word where it has none of its own. */
const roleWords =
  ({ components, seen }: Plan) =>
  (role: string): string =>
    role === LOOP_ROLE
      ? 'loop seed'
      : role === CORE_ROLE
        ? beadOf(seen, role).shape
        : (components.get(role)?.name ?? role);

/** The worded steps of a plan; worked out only when somebody reads them. */
export const planSteps = (plan: Plan): StepGroup[] =>
  plan.weaveable.pathless ? [] : steps(plan.work().path, stepWords(plan, plan.work()));

/** Its rows as lists to read beads off, by their letters and colours; none where nobody has told the path. */
export function planRows(plan: Plan): RowList[] {
  if (plan.weaveable.pathless) return [];
  const { path } = plan.work();
  const rowsOfUnit = path.beads.reduce((most, { place }) => Math.max(most, place.rowInUnit + 1), 1);
  return rowLists(path, namesIn(plan.shades()), rowsOfUnit);
}

/** The same, every unit on its own: to be watched move by move. */
export const planUnits = (plan: Plan): ToldUnit[] =>
  unitSteps(plan.work().path, stepWords(plan, plan.work()));
