'use client';

import { useMemo } from 'react';
import { lookedUp, workMark, type Mat } from '@/core/making/mat';
import { madeApart } from '@/core/plan/madeApart';
import { planOrFault, type Plan } from '@/core/plan/plan';
import { planMade, planPictures } from '@/core/plan/steps';
import type { StepPicture } from '@/core/told/picture';
import { remembered } from '@/core/tools/remember';
import type { Move } from '@/core/weave/path';
import { useAfterPaint } from '../shell/useAfterPaint';

export interface Pictures {
  readonly plan: Plan;
  /** A step drawn, by its part and its place among the steps of that; null where no thread goes anywhere in it. */
  readonly of: (part: string, at: number) => StepPicture | null;
  readonly planOf: (part: string) => Plan;
  /** The moves of each step of a part. */
  readonly movesOf: (part: string) => Moves;
}

type Moves = readonly (readonly Move[])[];

/** The steps of a mat as pictures, planned again as they were: null until that is done, and where this version weaves otherwise. */
export function usePictures(mat: Mat): Pictures | null {
  const shown = useAfterPaint(mat);
  return useMemo(() => {
    if (!shown) return null;
    const plan = planOrFault(shown.piece, lookedUp(shown));
    if (!plan.ok || plan.weaveable.pathless || workMark(plan) !== shown.work) return null;
    const apart = new Map(madeApart(plan).map(({ component }) => [component.id, component.plan]));
    const planOf = (part: string) => apart.get(part) ?? plan;
    const movesOf = remembered((part: string): Moves =>
      planMade(planOf(part)).flatMap(({ steps }) => steps.map(({ moves }) => moves)),
    );
    const drawn = remembered((part: string) => planPictures(planOf(part)));
    const of = (part: string, at: number): StepPicture | null => {
      const moves = movesOf(part)[at];
      return moves ? drawn(part)(moves) : null;
    };
    return { plan, planOf, movesOf, of };
  }, [shown]);
}
