import { holeEnd, type Layout, type Point } from '../layout/layout';
import { isTraversal, otherEnd, type Path } from '../weave/path';
import { runs } from './runs';

/** The hidden journeys of a path, each as the points that the thread passes, for drawing over the beads. */
export function routeLines(path: Path, layout: Layout): Point[][] {
  return runs(path.moves, (m) => (isTraversal(m) && m.as === 'travel' ? `travel ${m.needle}` : ''))
    .map((run) => run.filter(isTraversal).filter((m) => m.as === 'travel'))
    .filter((run) => run.length > 0)
    .map((run) =>
      run.flatMap(({ bead, hole, enter }) => [
        holeEnd(layout, bead, enter, hole),
        holeEnd(layout, bead, otherEnd(enter), hole),
      ]),
    );
}
