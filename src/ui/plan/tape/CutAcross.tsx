import { extent, slice } from '@/core/layout/sketch';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { SketchDrawing } from '../../piece/SketchDrawing';
import { useLengths } from '../../shell/lengths';
import styles from './Tape.module.css';

const MOST_PX_PER_MM = 16;

/** A unit in the middle of the piece, looked at along it: skin below, room to the front above. */
export function CutAcross({ piece, plan, heightPx }: { piece: PartOfPiece; plan: Plan; heightPx: number }) {
  const { show } = useLengths();
  const middle = Math.floor(plan.along.units / 2);
  const all = plan.sketch('end');
  const sketch = plan.arrangement ? all : slice(all, middle, middle + 1);
  const { from, to } = extent(sketch);
  const [wide, high] = [to[0] - from[0] + 2, to[1] - from[1] + 2];
  const scale = Math.min((heightPx - 24) / high, MOST_PX_PER_MM);
  return (
    <div className={styles.cut} style={{ minHeight: heightPx }}>
      <svg
        width={wide * scale}
        height={high * scale}
        viewBox={`${from[0] - 1} ${from[1] - 1} ${wide} ${high}`}
        role="img"
        aria-label={`The piece cut across, ${show(plan.widthMm)} wide and ${show(plan.thicknessMm)} thick.`}
      >
        <line
          x1={from[0] - 1}
          x2={to[0] + 1}
          y1={to[1] + 0.4}
          y2={to[1] + 0.4}
          stroke="var(--skin-line)"
          strokeWidth={2}
          vectorEffect="non-scaling-stroke"
        />
        <SketchDrawing piece={{ ...piece, ...plan.seen }} sketch={sketch} />
      </svg>
      <p>
        <strong>Cut across in the middle.</strong>
        <br />
        {show(plan.widthMm)} wide, {show(plan.thicknessMm)} thick. The skin lies below.
      </p>
    </div>
  );
}
