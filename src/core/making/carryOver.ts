import type { Place } from './events';
import type { Making } from './making';
import type { Mat, MatStep } from './mat';

const keyOf = ({ woven, title, pass, unit, row }: MatStep): string =>
  `${woven ? '' : title} ${pass} ${unit} ${row}`;

/**
 * Where the work is in a changed plan: of each part as many as are made, and of the one under way the steps from its beginning on
 * that were done on the mat before. What the changed plan asks for sooner is still to be done.
 */
export function carriedOver(before: Mat, { where }: Pick<Making, 'where'>, next: Mat): Place[] {
  return next.parts.flatMap(({ id, steps, times }): Place[] => {
    const { made = 0, at = 0 } = where.done[id] ?? {};
    const was = before.parts.find((part) => part.id === id);
    if (!was || (made === 0 && at === 0)) return [];
    // What is made once and was whole is whole here too, but for what is longer now.
    const whole = made >= was.times && was.times === 1 && times === 1;
    const done = new Set((whole ? was.steps : was.steps.slice(0, at)).map(keyOf));
    const first = steps.findIndex((step) => !done.has(keyOf(step)));
    const carried = first < 0 ? steps.length : first;
    return [{ part: id, made: whole ? 0 : Math.min(made, times), at: carried }];
  });
}
