'use client';

import { lazy, useState } from 'react';
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
  if (painted) return <Planning {...data} early={early} />;
  return (
    <FirstLook
      name={data.piece.doc.name}
      answers={data.answers}
      early={early}
      onEarly={(change) => setEarly((before) => ({ ...before, ...change }))}
    />
  );
}
