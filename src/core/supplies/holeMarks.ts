import { flatFor, type View } from '../layout/drawing';
import type { Flat } from '../layout/outline';
import { beadOf } from '../piece/part';
import type { Plan } from '../plan/plan';
import { holeFill, type Going } from './holeFill';

/** Where on the picture beads stand whose holes a trip goes hard through, or not at all. */
export type HoleMarks = Readonly<Record<Exclude<Going, 'easy'>, readonly Flat[]>>;

const NONE: HoleMarks = { hard: [], no: [] };

/** Marks for a view of the piece, mm; none where all goes easily or the path is not known. */
export function holeMarks(plan: Plan, view: View): HoleMarks {
  const worst = plan.holes.bottleneck?.going ?? 'easy';
  if (worst === 'easy' || plan.weaveable.pathless) return NONE;
  const { path, layout } = plan.work();
  const flat = flatFor(view);
  const { holes } = holeFill(path, (role) => beadOf(plan.seen, role).holeMm, plan.gear);
  const marked = (going: Going) =>
    holes.flatMap((state): Flat[] => {
      const pose = layout.poses[state.bead.id];
      return state.going === going && pose ? [flat(pose.centre)] : [];
    });
  return { hard: marked('hard'), no: marked('no') };
}
