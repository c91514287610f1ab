'use client';

import { useMemo } from 'react';
import type { GlossaryExample } from '@/core/words/glossary';
import { extent } from '@/core/layout/sketch';
import type { Plan } from '@/core/plan/plan';
import { planSample, samplePiece } from '../gallery/sample';
import { useLayouts } from '../layouts/useLayouts';
import { PieceDrawing } from '../piece/PieceDrawing';
import styles from './glossary.module.css';

/** Room over the piece for a bracket, mm. */
const BRACKET_MM = 3;

/** What a word means, drawn by the same engine as every piece. */
export function TermPicture({ example, word }: { readonly example: GlossaryExample; readonly word: string }) {
  const { layouts } = useLayouts();
  const piece = useMemo(() => {
    const usual = samplePiece(example.structureId);
    return {
      ...usual,
      structure: { ...usual.structure, params: { ...usual.structure.params, ...example.params } },
    };
  }, [example]);
  const plan = useMemo(() => planSample(piece, layouts), [piece, layouts]);
  if (!plan.ok) return null;
  const { view = 'above' } = example;
  const { from, to } = extent(plan.sketch(view));
  const above = example.bracket ? BRACKET_MM : 1;
  const { totalMm } = plan.stations;
  return (
    <svg
      viewBox={`-1 ${from[1] - above} ${totalMm + 2} ${to[1] - from[1] + above + 1}`}
      className={styles.picture}
      role="img"
      aria-label={`An example, drawn: ${word}, in ${plan.structure.name.toLowerCase()}.`}
    >
      <PieceDrawing piece={piece} plan={plan} view={view} lit={example.roles ?? null} />
      {example.bracket && <Bracket plan={plan} over={example.bracket} y={from[1] - 0.8} />}
    </svg>
  );
}

function Bracket({
  plan: { stations, gauge, chosen },
  over,
  y,
}: {
  readonly plan: Plan;
  readonly over: NonNullable<GlossaryExample['bracket']>;
  readonly y: number;
}) {
  const middle = stations.bodyStartMm + Math.floor(chosen.units / 2) * gauge.pitchMm;
  const [from, to] = {
    unit: [middle, middle + gauge.pitchMm],
    'woven part': [stations.bodyStartMm, stations.bodyEndMm],
    all: [0, stations.totalMm],
  }[over];
  return (
    <path
      d={`M ${from} ${y} v -1.4 H ${to} v 1.4`}
      className={styles.bracket}
      vectorEffect="non-scaling-stroke"
    />
  );
}
