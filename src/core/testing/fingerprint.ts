// What a plan comes to, short enough to be kept: figures to read, and for all else a mark that changes with any of it.
import { hash } from '../tools/hash';
import type { NoPlan, Plan } from '../plan/plan';
import { planReport } from '../plan/report';
import { sectionWords } from '../words/sections';
import { WOVEN, type Section } from '../weave/path';

/** A mark of some data; numbers count to six digits, so that no other machine finds another. */
function mark(data: unknown): string {
  const told = JSON.stringify(data, function (this: object, key, value: unknown) {
    // Of a bead only what it is: a slot is marked by its name, and holes by its role.
    if ('slot' in this && (key === 'slot' || key === 'holes')) return undefined;
    if (typeof value === 'number') return Number.isInteger(value) ? value : Number(value.toPrecision(6)) + 0;
    if (key === 'at' && value !== null && typeof value === 'object' && 'joint' in value) return undefined;
    if (isSection(value)) return value === WOVEN ? 'body' : sectionWords(value);
    if (value instanceof Map || value instanceof Set) return [...value];
    return value;
  });
  return hash(told);
}

/** Sections are there once; what is marked is what they are called. */
const isSection = (value: unknown): value is Section =>
  typeof value === 'object' && value !== null && 'zone' in value;

const sum = (numbers: readonly number[]) => numbers.reduce((total, v) => total + v, 0);

/** A line of figures and marks: count, length, beads, thread; then path, everything that is told, steps and picture. */
export function fingerprint(plan: Plan | NoPlan): string {
  if (!plan.ok) return `no plan: ${plan.problem.code} ${mark(plan.problem)}`;
  const { steps, ...figures } = planReport(plan);
  const { path, layout } = plan.work();
  const places = path.beads.flatMap(({ id, place }) => {
    const pose = layout.poses[id];
    return place.section === WOVEN && pose ? [pose.centre] : [];
  });
  // Places are added up, each with its own weight, so that only what moves a bead by a hundredth changes them.
  const lie = [0, 1, 2].map((axis) =>
    sum(places.map((p, i) => (1 + (i % 7)) * (p[axis] ?? 0)))
      .toFixed(1)
      .replace(/^-(0\.0)$/, '$1'),
  );
  const beads = plan.quantities.map(({ role, total }) => `${role} ${total}`).join(', ');
  const sketch = plan.sketch('above');
  const drawn = sum(sketch.parts.map((part) => part.times * part.beads.length));
  const threads = sum(sketch.parts.map((part) => part.times * part.threads.length));
  return [
    `${figures.units} × ${figures.gauge.pitchMm.toFixed(3)} mm, ${figures.finishedMm.toFixed(2)} mm`,
    beads,
    `path ${path.moves.length} ${mark(path.moves)}`,
    `told ${mark(figures)}`,
    `steps ${steps.length} ${mark(steps)}`,
    `lies ${lie.join(' ')}`,
    `drawn ${drawn} ${threads}`,
  ].join(' | ');
}
