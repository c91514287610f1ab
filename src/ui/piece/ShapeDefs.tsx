import type { Sketch } from '@/core/layout/sketch';
import { SeenBead } from './BeadShape';
import type { Looks } from './looks';

interface Props {
  /** Before the key of each shape, so that pictures side by side do not take each other's. */
  readonly id: string;
  readonly shapes: Sketch['shapes'];
  readonly looks: Looks;
}

/** Every way a bead lies, drawn once, to be used by `#{id}{key}`. */
export const ShapeDefs = ({ id, shapes, looks }: Props) => (
  <defs>
    {[...shapes].map(([key, shape]) => (
      <g key={key} id={`${id}${key}`}>
        <SeenBead {...looks(shape.role, shape.shade)} shape={shape} />
      </g>
    ))}
  </defs>
);
