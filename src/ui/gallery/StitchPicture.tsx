'use client';

import { useMemo, useState } from 'react';
import { LOOP_ROLE } from '@/core/closures/sewnLoop';
import type { View } from '@/core/layout/drawing';
import { beadAt, extent, slice, type Sketch } from '@/core/layout/sketch';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { Choice } from '../fields/Choice';
import { SketchDrawing } from '../piece/SketchDrawing';
import { PointedProvider } from '../plan/pointed';
import { Steps } from '../plan/Steps';
import { HowTold } from '../settings/HowTold';
import { useLayouts } from '../layouts/useLayouts';
import { planSample } from './sample';
import { StitchPlayer } from './StitchPlayer';
import styles from './gallery.module.css';

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan;
}

type Shown = View | 'played';

const VIEWS: readonly { readonly value: Shown; readonly label: string }[] = [
  { value: 'above', label: 'from above' },
  { value: 'side', label: 'from the side' },
  { value: 'end', label: 'cut across' },
  { value: 'played', label: 'as it is worked' },
];

/** The sample from where the weaver wants to look at it, or growing move by move; its steps beneath. */
export function StitchPicture({ piece, plan }: Props) {
  const [shown, setShown] = useState<Shown>('above');
  return (
    <section className={`card ${styles.sample}`} aria-labelledby="its-picture">
      <h2 id="its-picture" className="srOnly">
        Its picture
      </h2>
      <Choice label="Seen" value={shown} options={VIEWS} onChange={setShown} />
      {shown === 'played' ? <Played piece={piece} /> : <Still piece={piece} plan={plan} view={shown} />}
      <details className={styles.steps} open>
        <summary>Step by step</summary>
        <PointedProvider>
          <HowTold />
          <Steps plan={plan} />
        </PointedProvider>
      </details>
    </section>
  );
}

/** A few units only: what is told once need not be watched twice. */
function Played({ piece }: { readonly piece: PartOfPiece }) {
  const { layouts } = useLayouts();
  const plan = useMemo(() => planSample(piece, layouts, true), [piece, layouts]);
  return plan.ok ? <StitchPlayer piece={piece} plan={plan} /> : null;
}

/** Pixels for a millimetre, at most: a ball of 8 mm need not fill the screen. */
const MOST_SCALE = 16;

/** The finished sample; pointing at a bead tells which it is. */
function Still({ piece, plan, view }: Props & { readonly view: View }) {
  const [pointed, setPointed] = useState<ReturnType<typeof beadAt>>(null);
  const sketch = useMemo(() => seen(plan, view), [plan, view]);
  const { from, to } = useMemo(() => extent(sketch), [sketch]);
  const [wide, high] = [to[0] - from[0] + 1, to[1] - from[1] + 1];
  const role = pointed?.drawn.bead.role;
  return (
    <>
      <svg
        viewBox={`${from[0] - 0.5} ${from[1] - 0.5} ${wide} ${high}`}
        className={styles.still}
        style={{ maxWidth: wide * MOST_SCALE, aspectRatio: `${wide} / ${high}` }}
        role="img"
        aria-label={`${plan.structure.name}, ${VIEWS.find(({ value }) => value === view)?.label ?? ''}, drawn to scale: ${plan.chosen.units} units.`}
        onPointerMove={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          setPointed(
            beadAt(sketch, [
              from[0] - 0.5 + ((event.clientX - box.left) / box.width) * wide,
              from[1] - 0.5 + ((event.clientY - box.top) / box.height) * high,
            ]),
          );
        }}
        onPointerLeave={() => setPointed(null)}
      >
        <SketchDrawing piece={piece} sketch={sketch} lit={role ? [role] : null} />
      </svg>
      <p className={styles.pointed}>
        {pointed && role
          ? role === LOOP_ROLE
            ? 'A seed of the loop that holds the clasp.'
            : `Bead ${role}${partWords(plan, role)}, unit ${pointed.unit + 1}.`
          : 'Point at a bead to see which it is.'}
      </p>
    </>
  );
}

const partWords = ({ weaveable }: Plan, role: string) => {
  const parts = weaveable.parts.filter((part) => part.role === role).map(({ part }) => part);
  return parts.length > 0 ? `, ${[...new Set(parts)].join(' or ')}` : '';
};

/** The whole sample, or what one unit in its middle shows when it is cut across. */
function seen(plan: Plan, view: View): Sketch {
  const sketch = plan.sketch(view);
  if (view !== 'end') return sketch;
  const middle = Math.floor(plan.chosen.units / 2);
  return slice(sketch, middle, middle + 1);
}
