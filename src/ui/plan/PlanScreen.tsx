'use client';

import { lazy, useRef, useState } from 'react';
import type { PlanScreenData } from '@/server/screens';
import { useAfterPaint } from '../shell/useAfterPaint';
import { FirstLook, type Early } from './FirstLook';

const Planning = lazy(() => import('./Planning').then((m) => ({ default: m.Planning })));

/**
 * The main screen: the piece to scale, the choices in the order of the work, the answers always in view. The plan is
 * worked out where it is used; what it answers first comes with the page, and can be chosen from at once.
 */
export function PlanScreen(data: PlanScreenData) {
  const painted = useAfterPaint(true);
  const [early, setEarly] = useState<Early>({ chosen: null, focused: false });
  const keptRef = useRef<readonly KeyboardEventInit[]>([]);
  if (painted) return <Planning {...data} early={early} keptRef={keptRef} />;
  return (
    <FirstLook
      name={data.piece.doc.name}
      answers={data.answers}
      early={early}
      keptRef={keptRef}
      onEarly={(change) => setEarly((before) => ({ ...before, ...change }))}
    />
  );
}
