'use client';

import { extent } from '@/core/layout/sketch';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Component } from '@/core/plan/planned';
import { SketchDrawing } from '../../piece/SketchDrawing';
import { useLengths } from '../../shell/lengths';
import styles from './parts.module.css';

/** Pixels that the picture is high, and that it is wide at the most. */
const HIGH_PX = 132;
const WIDE_PX = 132;

/** A part made apart, by itself as it is when it is made: from its front, and from its edge. */
export function ComponentPicture({ part, component }: { part: PartOfPiece; component: Component }) {
  const { fine } = useLengths();
  const views = (['above', 'side'] as const).map((view) => component.sketch(view));
  const boxes = views.map((sketch) => extent(sketch));
  const highMm = Math.max(...boxes.map(({ from, to }) => to[1] - from[1])) + 1;
  const wideMm = Math.max(...boxes.map(({ from, to }) => to[0] - from[0])) + 1;
  const scale = Math.min(HIGH_PX / highMm, WIDE_PX / wideMm);
  const across = (k: 0 | 1, of: number) => {
    const box = boxes[of];
    return box ? box.to[k] - box.from[k] : 0;
  };
  return (
    <figure className={styles.figure}>
      {views.map((sketch, i) => {
        const { from, to } = boxes[i] as (typeof boxes)[number];
        const wide = to[0] - from[0] + 1;
        return (
          <svg
            key={i}
            viewBox={`${from[0] - 0.5} ${(from[1] + to[1] - highMm) / 2} ${wide} ${highMm}`}
            height={highMm * scale}
            width={wide * scale}
            aria-hidden
            focusable="false"
          >
            <SketchDrawing piece={{ ...part, ...component.plan.seen }} sketch={sketch} />
          </svg>
        );
      })}
      <figcaption>
        {component.name}: {fine(across(0, 0))} by {fine(across(1, 0))}, {fine(across(1, 1))} deep
      </figcaption>
    </figure>
  );
}
