import type { Weave } from '../weave/builder';
import type { Needle } from '../weave/needle';
import { START, type Bead } from '../weave/path';

/** A ladder of so many rungs across the strip, for rows to stand on: each is sewn to the one before. */
export const startLadder = (w: Weave, t: Needle, rungs: number, string: (rung: number) => Bead): Bead[] =>
  w.in({ pass: START, row: 0 }, () => {
    t.begin('none');
    const beads: Bead[] = [];
    for (let i = 0; i < rungs; i++) {
      const rung = string(i);
      const before = beads.at(-1);
      if (before) t.through(before, rung);
      beads.push(rung);
    }
    return beads;
  });
