'use client';

import { useMemo } from 'react';
import { lookedUp, workMark, type Mat } from '@/core/making/mat';
import { madeApart } from '@/core/plan/madeApart';
import { planOrFault, type Plan } from '@/core/plan/plan';
import { planMade, planPictures } from '@/core/plan/steps';
import type { StepPicture } from '@/core/told/picture';
import { useAfterPaint } from '../shell/useAfterPaint';

export interface Pictures {
  readonly plan: Plan;
  /** A step drawn, by its part and its place among the steps of that; null where no thread goes anywhere in it. */
  readonly of: (part: string, at: number) => StepPicture | null;
  readonly planOf: (part: string) => Plan;
}

/** The steps of a mat as pictures, planned again as they were: null until that is done, and where this version weaves otherwise. */
export function usePictures(mat: Mat): Pictures | null {
  const shown = useAfterPaint(mat);
  return useMemo(() => {
    if (!shown) return null;
    const plan = planOrFault(shown.piece, lookedUp(shown));
    if (!plan.ok || plan.weaveable.pathless || workMark(plan) !== shown.work) return null;
    const apart = new Map(madeApart(plan).map(({ component }) => [component.id, component.plan]));
    const planOf = (part: string) => apart.get(part) ?? plan;
    const drawn = new Map<
      string,
      { moves: ReturnType<typeof movesOf>; draw: ReturnType<typeof planPictures> }
    >();
    const of = (part: string, at: number): StepPicture | null => {
      const own = drawn.get(part) ?? { moves: movesOf(planOf(part)), draw: planPictures(planOf(part)) };
      drawn.set(part, own);
      const moves = own.moves[at];
      return moves ? own.draw(moves) : null;
    };
    return { plan, planOf, of };
  }, [shown]);
}

const movesOf = (plan: Plan) => planMade(plan).flatMap(({ steps }) => steps.map(({ moves }) => moves));
