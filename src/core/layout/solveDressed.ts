import { NO_LOOP } from '../closures/sewnLoop';
import { CORE_ROLE } from '../joints/setIn';
import type { BeadSize } from '../materials/material';
import { boundStitch } from '../structures/registry';
import { given } from '../tools/given';
import { remembered } from '../tools/remember';
import { Weave } from '../weave/builder';
import { follow, holeEndOf } from '../weave/follow';
import { MAIN, WOVEN, jointOf, type Bead, type Path } from '../weave/path';
import { bent } from './bent';
import { rounded } from './cellLayout';
import type { DressedLayout, DressedRequest } from './dressed';
import { distance, type Point, type Pose } from './layout';
import { solveClosed } from './solver/closed';
import { rests } from './solver/settled';
import { solidOf } from './solver/solid';
import type { SolveOptions } from './solver/solve';
import { quaternionOf, type Matrix } from './solver/turns';
import { across, add, apply, cross, mul, ofColumns, sub, times, unit } from './solver/vectors';

/** Roles of what lies on either side of a part on the thread that strings it. */
const BEFORE = 'before';
const BEHIND = 'behind';

/** Two beads between which, or under whose thread, another thread goes. */
type Gate = readonly [Bead, Bead];

/** The gate nearest to where a line through the middle of the ring meets it, before (-1) or behind (1). */
function gateAt(side: -1 | 1, gates: readonly Gate[], poseOf: (bead: Bead) => Pose, girthMm: number): Gate {
  const radius = girthMm / (2 * Math.PI);
  const placeOf = remembered((bead: Bead) => bent(poseOf(bead), girthMm, radius).centre);
  const off = ([one, other]: Gate) =>
    distance(mul(add(placeOf(one), placeOf(other)), 0.5), [side * radius, 0, 0]);
  const best = gates.reduce<{ gate: Gate; off: number } | null>((least, gate) => {
    const here = off(gate);
    return least && least.off <= here ? least : { gate, off: here };
  }, null);
  return given(best?.gate, 'way into the ring');
}

/** All pairs of the beads of a ring: of those between which a thread may go the nearest is taken. */
const pairsOf = (beads: readonly Bead[]): Gate[] =>
  beads.flatMap((one, i) => beads.slice(i + 1).map((other): Gate => [one, other]));

/** The pairs of beads that bare thread joins. */
const bridged = (path: Path): Gate[] =>
  follow(path).flatMap(({ from, into }): Gate[] => {
    const [a, b] = [holeEndOf(from), holeEndOf(into)];
    return a && b && a.bead !== b.bead ? [[a.bead, b.bead]] : [];
  });

/** The part woven, closed about its body, and strung between its neighbours. */
export function dressedPath(asked: DressedRequest): {
  readonly path: Path;
  readonly body: (role: string) => BeadSize;
} {
  const bound = boundStitch(asked.structure);
  if (!bound.ok) throw new Error(bound.messages.join(' '));
  const sizes = new Map<string, BeadSize>([
    ...asked.sizes,
    [BEFORE, asked.neighbours[0]],
    [BEHIND, asked.neighbours[1]],
  ]);
  const body = (role: string) => given(sizes.get(role), `body of ${role}`);
  const without = new Set(asked.without);
  const root = new Weave({}, 'assembly');
  const ends = { start: NO_LOOP, end: NO_LOOP, joined: true, about: true };
  bound.weaveable.weaveInto(root, MAIN, asked.units, { ...ends, without });
  const form = bound.weaveable.form(body, without);
  const frame = root.path();
  const woven = ({ place }: Bead) => place.section === WOVEN;
  const gates =
    asked.way === 'between'
      ? pairsOf(frame.beads.filter(woven))
      : bridged(frame).filter((gate) => gate.every(woven));
  const gate = (side: -1 | 1) => gateAt(side, gates, form.pose, asked.units * form.pitchMm);
  const core = given(
    frame.beads.find(({ role }) => role === CORE_ROLE),
    'body that is set in',
  );
  root.in({ section: jointOf('assembly', 'assembly'), row: 0, rowsPerUnit: 1 }, () => {
    const t = root.needle('assembly');
    const go = (one: Bead, other: Bead) =>
      asked.way === 'between' ? t.between(one, other) : t.under(one, other);
    t.string([BEFORE]);
    go(...gate(-1));
    t.through(core);
    go(...gate(1));
    t.string([BEHIND]);
  });
  return { path: root.path(), body };
}

/** Lays a dressed part out: the ring bent round its body, the neighbours drawn up to it on their thread. */
export function solveDressed(asked: DressedRequest, options: SolveOptions = {}): DressedLayout {
  const { path, body } = dressedPath(asked);
  const { beads, settled, cell } = solveClosed(
    path,
    remembered((role) => solidOf(body(roleIn(role)))),
    options,
  );
  const solids = cell.beads.map(({ role }) => solidOf(body(roleIn(role))));
  const of = (role: string) => {
    const i = path.beads.findIndex((bead) => roleIn(bead.role) === role);
    return { at: given(beads[i], role), halfMm: body(role).lengthMm / 2 };
  };
  const tip = ({ at: { centre, turn }, halfMm }: ReturnType<typeof of>, way: 1 | -1) =>
    add(centre, mul([turn[0], turn[3], turn[6]], way * halfMm));
  const [from, to] = [tip(of(BEFORE), 1), tip(of(BEHIND), -1)];
  const middle = of(CORE_ROLE).at.centre;
  // x along the thread; z as near as can be to the axis that the ring turns about.
  const x = unit(sub(to, from));
  const frame = beads.filter((_, i) => path.beads[i]?.place.section === WOVEN);
  const axis = normalOf(frame.map(({ centre }) => sub(centre, middle)));
  const z = unit(across(axis, x));
  const turn = transposed(ofColumns(x, cross(z, x), z));
  return {
    alongMm: rounded(distance(from, to)),
    beads: beads.flatMap(({ centre, turn: own }, i) =>
      [BEFORE, BEHIND].includes(roleIn(path.beads[i]?.role ?? ''))
        ? []
        : [[...apply(turn, sub(centre, middle)), ...quaternionOf(times(turn, own))].map(rounded)],
    ),
    settled: rests(settled, solids),
  };
}

/** A role of the assembly, or of the part, by its own name. */
const roleIn = (role: string) => role.replace('assembly/', '');

const transposed = ([a, b, c, d, e, f, g, h, i]: Matrix): Matrix => [a, d, g, b, e, h, c, f, i];

/** The direction that points about a middle lie across: the sum of what neighbours, in order, span. */
const normalOf = (points: readonly Point[]): Point =>
  unit(
    points.reduce((sum, p, i) => add(sum, cross(p, points[(i + 1) % points.length] as Point)), [
      0, 0, 0,
    ] as Point),
  );
