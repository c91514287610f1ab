import { hangingLoop, LOWEST_ROUND, type LoopPoint } from '@/core/body/necklace';
import { alongArc } from '@/core/layout/arc';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { strandAt, type Strand } from '@/core/structures/strands';
import { at as nth } from '@/core/structures/structure';
import type { WornBead } from './nearestBeads';

/** A necklace as it lies round a neck, seen from the front; of several strands each has a line of its own. */
export interface WornOnNeck {
  /** The line of each strand, the innermost first: where a point lies so many mm from the tip of the piece, and how long it is. */
  readonly lines: readonly { readonly at: (mm: number) => LoopPoint; readonly roundMm: number }[];
  /** How far the lowest of them falls below the neck. */
  readonly fallsMm: number;
  /** The middle of a bead. */
  readonly placeOf: (bead: WornBead) => LoopPoint;
}

/** What is drawn straight from left to right lies on the breast: what hangs below it hangs outwards. */
export function wornOnNeck(piece: PartOfPiece, plan: Plan, neckMm: number): WornOnNeck {
  const { chosen, gauge, stations, weaveable } = plan;
  const { bodyStartMm, bodyEndMm, totalMm } = stations;
  const bodyMm = bodyEndMm - bodyStartMm;
  const strands: readonly Strand[] = weaveable.strands?.(chosen.units) ?? [
    { units: chosen.units, fromRow: 0 },
  ];
  const worn = strands.map(({ units }) => {
    const longerMm = (units - chosen.units) * gauge.pitchMm;
    const loop = hangingLoop(neckMm, chosen.finishedMm + longerMm, lowestRound(piece, plan, neckMm));
    const roundMm = totalMm + longerMm;
    // The middle of the work hangs lowest, wherever the clasp comes to lie.
    const aheadMm = (bodyStartMm + bodyEndMm + longerMm - roundMm) / 2;
    const at = (mm: number): LoopPoint => {
      const { x, y, angle } = loop.at((2 * roundMm - mm + aheadMm) % roundMm);
      return { x, y, angle: angle + Math.PI };
    };
    return { at, roundMm, longerMm, fallsMm: loop.fallsMm };
  });
  /** Drawn flat, an outer strand hangs in a bow between the ends of the innermost; here it has its own length to lie along. */
  const unbent = (x: number, longerMm: number) => {
    const bowMm = x - bodyStartMm;
    if (bowMm <= 0 || bowMm >= bodyMm) return { alongMm: bowMm <= 0 ? x : x + longerMm, outMm: 0, angle: 0 };
    const { alongMm, angle } = alongArc(bodyMm, bodyMm + longerMm, bowMm);
    return { alongMm: bodyStartMm + alongMm, outMm: 0, angle };
  };
  return {
    lines: worn,
    fallsMm: Math.max(...worn.map(({ fallsMm }) => fallsMm)),
    placeOf({ of, x, on, out, angle }) {
      const k = strandAt(strands, of.row);
      const { at, longerMm } = nth(worn, k);
      const bow = strands.length === 1 ? { alongMm: x, outMm: out, angle: 0 } : unbent(x, longerMm);
      const there = at(bow.alongMm);
      const [sin, cos] = [Math.sin(there.angle), Math.cos(there.angle)];
      return {
        x: there.x + on * cos - bow.outMm * sin,
        y: there.y + on * sin + bow.outMm * cos,
        angle: there.angle + (angle * Math.PI) / 180 - bow.angle,
      };
    },
  };
}

/** How narrow it comes together at its lowest point, as a part of the neck. */
function lowestRound({ wear }: PartOfPiece, { weaveable, components }: Plan, neckMm: number): number {
  const { corner } = weaveable;
  // What stands in the middle of a V does not bend: it is the point that the arms come to.
  const cornerMm = corner && components.get(corner.role)?.alongMm;
  if (cornerMm) return (cornerMm * Math.PI) / neckMm;
  return wear.school === 'drop' || corner !== undefined ? LOWEST_ROUND.V : LOWEST_ROUND.rope;
}
