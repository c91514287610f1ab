import * as z from 'zod';
import { PLACE_FACTS, PLACES } from '../body/places';

/** Somebody who wears beadwork, as she is written down. */
export const personSchema = z.object({
  name: z.string().trim().min(1, 'Give a name.').max(80, 'A name has at most 80 letters.'),
  note: z.string().trim().max(400, 'A note has at most 400 letters.').default(''),
});

/** The first and the last day that a calendar of the trade needs: PostgreSQL knows no year 0. */
const [FIRST_DAY, LAST_DAY] = ['1900-01-01', '2999-12-31'];

/** A day as YYYY-MM-DD. */
export const daySchema = z.iso
  .date('Write the day as year-month-day, like 2026-06-24.')
  .refine(
    (day) => day >= FIRST_DAY && day <= LAST_DAY,
    'That day is not in this age. Write it like 2026-06-24.',
  );

/** A length of a body with its day, mm. */
export const measureSchema = z
  .object({ place: z.enum(PLACES), mm: z.number(), takenOn: daySchema.optional() })
  .refine(({ place, mm }) => {
    const { minMm, maxMm } = PLACE_FACTS[place].range;
    return mm >= minMm && mm <= maxMm;
  }, 'No body has such a measure. Write it like 6 1/4 in, 15.9 cm or 159 mm.');
