// Lines whose thread is knotted between beads.
import * as z from 'zod';
import type { Body } from '../layout/layout';
import { KNOT_ROLE, KNOT_SPREAD } from '../materials/knot';
import { plural } from '../words/numbers';
import { NONE, type Field } from './field';
import type { RoleLetter } from './roles';

/** Where thread is knotted: between every two beads, between every two units, or nowhere. */
export const knotsSchema = z.enum([NONE, 'bead', 'unit']).default(NONE);
type Knots = z.infer<typeof knotsSchema>;

/** The field for it. */
export const knotsField = (unit?: string): Field => ({
  key: 'knots',
  kind: 'choice',
  label: 'Knots',
  help: 'Beads cannot rub, nor all run off should the thread break. Thread goes along the line once only: no knot goes through a hole.',
  options: [
    { value: NONE, label: 'none' },
    { value: 'bead', label: 'between every two beads' },
    ...(unit === undefined ? [] : [{ value: 'unit', label: `between every two ${plural(unit)}` }]),
  ],
});

/** What a knot takes of a line; nothing where it has none, mm. */
export const knotMm = (body: (role: string) => Body, knots: Knots): number =>
  knots === NONE ? 0 : body(KNOT_ROLE).lengthMm;

/** How much of the line each bead of a run takes, with the knots after it, mm. */
export function takesMm(roles: readonly RoleLetter[], body: (role: string) => Body, knots: Knots): number[] {
  const eachMm = knotMm(body, knots);
  return roles.map(
    (role, i) => body(role).lengthMm + (knots === 'bead' || i === roles.length - 1 ? eachMm : 0),
  );
}

/** By what part a line may come out shorter, for knots that lie closer than usual. */
export const mayShortenBy = (
  takes: readonly number[],
  body: (role: string) => Body,
  knots: Knots,
): number => {
  if (knots === NONE) return 0;
  const count = knots === 'bead' ? takes.length : 1;
  return (KNOT_SPREAD * count * body(KNOT_ROLE).lengthMm) / takes.reduce((sum, mm) => sum + mm, 0);
};
