import Papa from 'papaparse';
import type { Sheet } from '@/core/paper/sheet';

/** The beads of a piece as a table, part by part. */
export const quantitiesCsv = ({ parts }: Pick<Sheet, 'parts'>): string =>
  Papa.unparse(
    parts.flatMap(({ name, times, beads }) =>
      beads.map(({ letter, name: bead, perUnit, total, toBuy }) => ({
        part: name,
        made: times,
        letter,
        bead,
        per_unit: perUnit,
        of_one: total,
        in_all: total * times,
        to_buy: toBuy,
      })),
    ),
    { escapeFormulae: true },
  );
