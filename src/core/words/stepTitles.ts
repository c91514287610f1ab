import { NEW_THREAD } from '../joints/newThread';
import { BASE, WOVEN } from '../weave/path';
import { plural } from './numbers';
import type { StepGroup } from '../read/steps';
import type { StrungBy } from '../structures/structure';

type Titled = Pick<StepGroup, 'section' | 'pass' | 'info' | 'fromUnit' | 'toUnit' | 'stride' | 'back'>;

/** Units in the order in which they are worked: `units 3 to 6, each`, `units 10 back to 1, every second one`. */
export function unitsWords({ fromUnit, toUnit, stride, back }: Titled, word: string): string {
  // What comes before the first unit is none.
  if (toUnit < 1) return 'start';
  if (fromUnit === toUnit) return `${word} ${fromUnit}`;
  const each = stride === 2 ? 'every second one' : 'each';
  const run = back ? `${toUnit} back to ${fromUnit}` : `${fromUnit} to ${toUnit}`;
  return `${plural(word)} ${run}, ${each}`;
}

/**
 * The heading of steps: `Picots, units 20 back to 1, each`. What is outside the woven part goes by the name of its pass; so does
 * what is made whole, but for a motif, whose units are its points.
 * @param by by what it is held; undefined where it is not made whole
 */
export function stepTitle(group: Titled, by: StrungBy | undefined): string {
  const { section, pass, info } = group;
  if (pass === NEW_THREAD) return `Change the thread, after ${unitsWords(group, 'unit')}`;
  if (section !== WOVEN) return capital(info.again ? 'once more round the loop' : pass);
  const points = by === 'two points';
  if (by && !points) return capital(pass);
  const units = unitsWords(group, points ? 'point' : 'unit');
  if (pass !== BASE) return capital(pass === units ? pass : `${pass}, ${units}`);
  return capital(points ? `ring, ${units}` : units);
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
