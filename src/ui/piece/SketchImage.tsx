import { useEffect, useState } from 'react';
import type { Shape } from '@/core/layout/drawing';
import { extent, type Sketch } from '@/core/layout/sketch';
import type { Piece } from '@/core/piece';
import { glintOf, outlinePath, shadeOf, THREAD_COLOUR, INK } from './beadLook';

interface Props {
  readonly piece: Pick<Piece, 'beads' | 'thread'>;
  readonly sketch: Sketch;
}

/** Pixels for a millimetre: sharp when looked at closely; and the widest picture that every browser can hold. */
const SCALE = 16;
const WIDEST_PX = 8000;

/**
 * A sketch painted on a canvas: for long ropes, where every bead lies differently and thousands of shapes would
 * make the page slow. Stands in an SVG, in millimetres.
 */
export function SketchImage({ piece, sketch }: Props) {
  const [href, setHref] = useState<string | null>(null);
  const { from, to } = extent(sketch);
  const [wide, high] = [to[0] - from[0] + 1, to[1] - from[1] + 1];
  useEffect(() => {
    // The newest wish is painted when the page is next shown.
    const frame = requestAnimationFrame(() => setHref(painted(piece, sketch)));
    return () => cancelAnimationFrame(frame);
  }, [piece, sketch]);
  return href && <image href={href} x={from[0] - 0.5} y={from[1] - 0.5} width={wide} height={high} />;
}

/** The picture as a data address; null where the browser gives no pen. */
function painted(piece: Props['piece'], sketch: Sketch): string | null {
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
  paint(pen, piece, sketch);
  return canvas.toDataURL();
}

function paint(
  pen: CanvasRenderingContext2D,
  { beads, thread }: Props['piece'],
  { shapes, parts }: Sketch,
): void {
  const paths = new Map([...shapes].map(([key, shape]) => [key, pathsOf(shape)]));
  for (const part of parts)
    for (let k = 0; k < part.times; k++) {
      pen.save();
      pen.translate(part.atMm + k * part.stepMm, 0);
      pen.strokeStyle = THREAD_COLOUR;
      pen.lineWidth = Math.max(thread.diameterMm, 0.12);
      for (const { from, to } of part.threads) {
        pen.beginPath();
        pen.moveTo(...from);
        pen.lineTo(...to);
        pen.stroke();
      }
      for (const { shape, at, angle, bead } of part.beads) {
        const material = beads[bead.role as keyof Piece['beads']];
        const drawn = paths.get(shape);
        if (!material || !drawn) continue;
        pen.save();
        pen.translate(...at);
        pen.rotate((angle * Math.PI) / 180);
        pen.fillStyle = material.colour;
        pen.fill(drawn.edge);
        pen.fillStyle = 'rgb(0 0 0 / 0.1)';
        pen.fill(drawn.shade);
        pen.fillStyle = `rgb(255 255 255 / ${glintOf(material)})`;
        pen.fill(drawn.glint);
        pen.strokeStyle = INK;
        pen.globalAlpha = 0.62;
        pen.lineWidth = 0.12;
        pen.stroke(drawn.edge);
        pen.globalAlpha = 0.75;
        pen.fillStyle = INK;
        for (const { at: mouth, open } of drawn.mouths) {
          pen.beginPath();
          pen.ellipse(...mouth, (material.holeMm / 2) * open, material.holeMm / 2, 0, 0, 2 * Math.PI);
          pen.fill();
        }
        pen.restore();
      }
      pen.restore();
    }
}

function pathsOf({ edge, mouths }: Shape) {
  const top = Math.min(...edge.map(([, y]) => y));
  const wide = Math.max(...edge.map(([x]) => x));
  const glint = new Path2D();
  glint.ellipse(-wide * 0.12, top * 0.52, wide * 0.5, -top * 0.15, 0, 0, 2 * Math.PI);
  return { edge: new Path2D(outlinePath(edge)), shade: new Path2D(shadeOf(edge)), glint, mouths };
}
