import { answersOf } from '@/core/plan/answers';
import { cardOf } from '@/core/plan/card';
import { swatchBook, type StitchKey } from '@/core/fit/swatchBook';
import { shippedLayouts } from '@/core/layout/shipped';
import { planOrFault } from '@/core/plan/plan';
import { experienceBook } from '@/core/records/experience';
import { keyOfSwatch } from '@/core/records/swatches';
import type { PlanAnswer, PlanAsk, PlannedPiece } from './planProtocol';

/** Works out what is asked. Throws what planning throws. */
export function answerPlanAsk<A extends PlanAsk>(ask: A): PlanAnswer<A>;
export function answerPlanAsk(ask: PlanAsk): PlannedPiece | StitchKey | null {
  switch (ask.kind) {
    case 'stitch':
      return keyOfSwatch(ask.swatch);
    case 'plan': {
      const layoutKeys = new Set<string>();
      const layouts = (key: string) => {
        const layout = shippedLayouts(key);
        if (layout) layoutKeys.add(key);
        return layout;
      };
      const { doc, swatches, records, habits } = ask;
      const experience = experienceBook(records);
      const plan = planOrFault(doc, { layouts, swatches: swatchBook(swatches), experience, habits });
      return {
        card: cardOf(plan),
        answers: plan.ok ? answersOf(plan) : null,
        layoutKeys: [...layoutKeys],
      };
    }
  }
}
