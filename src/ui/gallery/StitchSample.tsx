'use client';

import { useEffect, useMemo, useState } from 'react';
import { extent } from '@/core/layout/sketch';
import { useLayouts } from '../layouts/useLayouts';
import { SketchDrawing } from '../piece/SketchDrawing';
import { planSample, samplePiece } from './sample';
import styles from './gallery.module.css';

/** How many pictures there are by now: the first at once, then one after another, so that nothing waits. */
export function useOneByOne(count: number): number {
  const [drawn, setDrawn] = useState(1);
  useEffect(() => {
    if (drawn >= count) return;
    const timer = setTimeout(() => setDrawn(drawn + 1), 16);
    return () => clearTimeout(timer);
  }, [drawn, count]);
  return drawn;
}

/** A stretch of a stitch as it comes, without its clasp, as wide as its place. */
export function StitchSample({ structureId }: { structureId: string }) {
  const { layouts } = useLayouts();
  const piece = useMemo(() => samplePiece(structureId), [structureId]);
  const plan = useMemo(() => planSample(piece, layouts), [piece, layouts]);
  if (!plan.ok) return null;
  const { bodyStartMm, bodyEndMm } = plan.stations;
  const { from, to } = extent(plan.sketch('above'));
  const high = to[1] - from[1] + 1;
  return (
    <svg
      viewBox={`${bodyStartMm - 0.5} ${from[1] - 0.5} ${bodyEndMm - bodyStartMm + 1} ${high}`}
      className={styles.stretch}
      aria-hidden
      focusable="false"
    >
      <SketchDrawing piece={piece} sketch={plan.sketch('above')} />
    </svg>
  );
}
