import { describe, expect, it } from 'vitest';
import { newPart } from '../piece/newPiece';
import { planPart } from '../plan/shipped';
import { STRUCTURES } from '../structures/registry';
import { Weave } from './builder';
import { checkPath } from './check';
import { knotsInTheWay, withFreeKnots } from './knots';

describe('knots where no later pass needs the hole', () => {
  const three = () => {
    const w = new Weave();
    const t = w.needle('working').begin('none');
    const beads = t.string(['A', 'A', 'A']);
    return { w, t, beads };
  };

  it('by hand: a knot that bars a later trip is set one bead further on, in the last trip through it', () => {
    const { w, t, beads } = three();
    const [one, two, three_] = beads;
    if (!one || !two || !three_) throw new Error('no beads');
    t.knot('half hitch', { pullInto: true }).through(one, two, three_).tail();
    expect(knotsInTheWay(w.path())).toEqual([4]);
    const free = withFreeKnots(w.path());
    expect(knotsInTheWay(free)).toEqual([]);
    const words = free.moves.map((move) =>
      move.kind === 'knot' ? `knot in ${move.into?.bead.name}` : move.kind,
    );
    // Bead 3 is gone through once more on the way round; bead 1, before it, is not.
    expect(words).toEqual(['begin', 'pick', 'pick', 'pick', 'pass', 'knot in 1', 'pass', 'pass', 'tail']);
    expect(checkPath(free)).toEqual([]);
  });

  it('by hand: where every hole is needed again, the knot is tied and not pulled in', () => {
    const { w, t, beads } = three();
    t.knot('half hitch', { pullInto: true }).tail();
    const other = w.needle('second').begin('none');
    other.through(...beads).tail();
    const [knot] = withFreeKnots(w.path()).moves.filter(({ kind }) => kind === 'knot');
    expect(knot).toMatchObject({ into: null });
  });

  it('a path with none in the way is left as it is', () => {
    const { w, t } = three();
    t.knot('half hitch', { pullInto: true }).tail();
    const path = w.path();
    expect(withFreeKnots(path)).toBe(path);
  });

  it.each(STRUCTURES.map(({ id }) => [id] as const))(
    'as %s is planned, none is in the way, and none is lost',
    (id) => {
      const plan = planPart({ ...newPart('Knots', id, null), units: 12 });
      if (!plan.ok) throw new Error(plan.problem.code);
      const { path } = plan.work();
      expect(knotsInTheWay(path)).toEqual([]);
      expect(path.moves.filter(({ kind }) => kind === 'knot').length).toBeGreaterThanOrEqual(2);
      expect(checkPath(path)).toEqual([]);
    },
  );
});
