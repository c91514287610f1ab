'use client';

import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import type { LayingOut } from '../../../layouts/layoutStore';
import { GaugeFacts } from './GaugeFacts';
import { GaugeSourceFields } from './GaugeSourceFields';
import { SwatchPlan } from './SwatchPlan';

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan;
  readonly layingOut: LayingOut;
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

/** How long one unit is, how that is known, and how to know it better. */
export const GaugeChoice = ({ piece, plan, layingOut, onChange }: Props) => (
  <>
    <GaugeFacts plan={plan} layingOut={layingOut} />
    {/* A graduated line is strung: there is no unit of it to measure. */}
    {!plan.arrangement && (
      <>
        <GaugeSourceFields piece={piece} plan={plan} onChange={onChange} />
        <SwatchPlan piece={piece} plan={plan} />
      </>
    )}
  </>
);
