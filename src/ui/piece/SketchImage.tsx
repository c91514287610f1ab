import { useEffect, useMemo, useState } from 'react';
import type { Shape } from '@/core/layout/drawing';
import { extent, type Sketch } from '@/core/layout/sketch';
import {
  ABOUT_ORIGIN,
  beadPaths,
  glintOf,
  INK,
  markColour,
  markPath,
  markReach,
  STEPPED_BACK,
  threadLook,
} from './beadLook';
import { useLooks, type Looks, type SeenAs } from './looks';
import type { SketchProps } from './sketchProps';

/** Pixels for a millimetre: sharp when looked at closely; and the widest picture that every browser can hold. */
const SCALE = 16;
const WIDEST_PX = 8000;

/**
 * A sketch painted on a canvas: for long ropes, where every bead lies differently and thousands of shapes would
 * make the page slow. Stands in an SVG, in millimetres.
 */
export function SketchImage({ piece, sketch, lit = null }: SketchProps) {
  const looks = useLooks(piece);
  const threadMm = piece.thread.diameterMm;
  const threadColour = threadLook(piece);
  const litRoles = lit?.join() ?? null;
  /** Pictures of this sketch by the roles that stand out: pointing back and forth paints each once. */
  const kept = useMemo(
    () => ({ sketch, looks, threadMm, threadColour, pictures: new Map<string, string | null>() }),
    [sketch, looks, threadMm, threadColour],
  );
  const [href, setHref] = useState<string | null>(null);
  const { from, to } = extent(sketch);
  const [wide, high] = [to[0] - from[0] + 1, to[1] - from[1] + 1];
  useEffect(() => {
    // The newest wish is painted when the page is next shown.
    const frame = requestAnimationFrame(() => {
      const key = litRoles ?? '';
      const picture = kept.pictures.get(key) ?? painted({ ...kept, lit: litRoles?.split(',') ?? null });
      kept.pictures.set(key, picture);
      setHref(picture);
    });
    return () => cancelAnimationFrame(frame);
  }, [kept, litRoles]);
  return href && <image href={href} x={from[0] - 0.5} y={from[1] - 0.5} width={wide} height={high} />;
}

interface Painting {
  readonly sketch: Sketch;
  readonly looks: Looks;
  readonly threadMm: number;
  readonly threadColour: string;
  readonly lit: readonly string[] | null;
}

/** The picture as a data address; null where the browser gives no pen. */
function painted(painting: Painting): string | null {
  const { sketch } = painting;
  const { from, to } = extent(sketch);
  const [wide, high] = [to[0] - from[0] + 1, to[1] - from[1] + 1];
  const scale = Math.min(SCALE, WIDEST_PX / wide);
  const canvas = document.createElement('canvas');
  canvas.width = Math.ceil(wide * scale);
  canvas.height = Math.ceil(high * scale);
  const pen = canvas.getContext('2d');
  if (!pen) return null;
  pen.scale(scale, scale);
  pen.translate(0.5 - from[0], 0.5 - from[1]);
  paint(pen, painting);
  return canvas.toDataURL();
}

function paint(
  pen: CanvasRenderingContext2D,
  { sketch: { shapes, parts }, looks, threadMm, threadColour, lit }: Painting,
): void {
  const paths = new Map(
    [...shapes].map(([key, shape]) => [key, pathsOf(shape, looks(shape.role, shape.shade))]),
  );
  for (const part of parts)
    for (let k = 0; k < part.times; k++) {
      pen.save();
      pen.translate(part.atMm + k * part.stepMm, 0);
      pen.strokeStyle = threadColour;
      pen.lineWidth = Math.max(threadMm, 0.12);
      pen.fillStyle = threadColour;
      for (const { from, to, knotMm } of part.threads) {
        pen.beginPath();
        pen.moveTo(...from);
        pen.lineTo(...to);
        pen.stroke();
        if (knotMm === 0) continue;
        pen.beginPath();
        pen.arc((from[0] + to[0]) / 2, (from[1] + to[1]) / 2, knotMm / 2, 0, 2 * Math.PI);
        pen.fill();
      }
      for (const { shape, at, angle, bead } of part.beads) {
        const drawn = paths.get(shape);
        if (!drawn) continue;
        const material = drawn.seen.bead;
        const all = lit && !lit.includes(bead.role) ? STEPPED_BACK : 1;
        pen.save();
        pen.translate(...at);
        pen.rotate((angle * Math.PI) / 180);
        pen.globalAlpha = all;
        pen.fillStyle = material.colour;
        pen.fill(drawn.edge);
        pen.fillStyle = 'rgb(0 0 0 / 0.1)';
        pen.fill(drawn.shade);
        pen.fillStyle = `rgb(255 255 255 / ${glintOf(material)})`;
        pen.fill(drawn.glint);
        pen.strokeStyle = INK;
        pen.globalAlpha = 0.62 * all;
        pen.lineWidth = 0.12;
        pen.stroke(drawn.edge);
        pen.globalAlpha = 0.75 * all;
        pen.fillStyle = INK;
        if (drawn.mouths) pen.fill(drawn.mouths);
        if (drawn.mark) {
          pen.globalAlpha = all;
          pen.fillStyle = markColour(material.colour);
          pen.fill(drawn.mark);
        }
        pen.restore();
      }
      pen.restore();
    }
}

function pathsOf(shape: Shape, seen: SeenAs) {
  const { outline, shade, glint, mouths } = beadPaths(seen.bead, shape, ABOUT_ORIGIN);
  return {
    seen,
    edge: new Path2D(outline),
    shade: new Path2D(shade),
    glint: new Path2D(glint),
    mouths: mouths ? new Path2D(mouths) : null,
    mark: seen.mark ? new Path2D(markPath(seen.mark, markReach(shape.edge))) : null,
  };
}
