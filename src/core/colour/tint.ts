import type { Shape } from '../layout/drawing';
import type { Sketch } from '../layout/sketch';
import type { Shading } from './shades';

/** A picture whose beads know their shade: alike in every other way, they are still drawn once and used. */
export function tinted(sketch: Sketch, shades: Shading): Sketch {
  const shapes = new Map<string, Shape>();
  const parts = sketch.parts.map((part) => ({
    ...part,
    beads: part.beads.map((drawn) => {
      const shade = shades.get(drawn.bead.id);
      const key = shade === undefined ? drawn.shape : `${drawn.shape}~${shade}`;
      const shape = sketch.shapes.get(drawn.shape);
      if (shape) shapes.set(key, shade === undefined ? shape : { ...shape, shade });
      return { ...drawn, shape: key };
    }),
  }));
  return { ...sketch, shapes, parts };
}
