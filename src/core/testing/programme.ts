import type { ArrangeQuestion } from '../fit/arrange';

/** The same question as an integer programme: least |off|, in the format of CPLEX. */
export function programme({ stepsMm, fixedMm, wishMm, least, apart }: ArrangeQuestion): string {
  const names = stepsMm.map((_, i) => `c${i}`);
  const length = stepsMm.map((mm, i) => `${2 * mm} c${i}`).join(' + ');
  const room = wishMm - fixedMm;
  const pairs = names.flatMap((a) => names.filter((b) => a !== b).map((b) => `${a} - ${b} <= ${apart}`));
  return [
    'Minimize obj: off',
    'Subject To',
    `over: ${length} - off <= ${room}`,
    `under: ${length} + off >= ${room}`,
    ...pairs.map((pair, i) => `p${i}: ${pair}`),
    'Bounds',
    ...names.map((name) => `${least} <= ${name} <= 400`),
    'General',
    names.join(' '),
    'End',
  ].join('\n');
}
