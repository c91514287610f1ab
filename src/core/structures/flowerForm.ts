// How a band of flowers lies: four petals about a middle, seeds from petal to petal, diamonds between flowers.
import { hang, hangBetween } from '../layout/arc';
import type { Pose } from '../layout/layout';
import type { BeadSize } from '../materials/material';
import { given } from '../tools/given';
import type { Bead } from '../weave/path';
import { fourRound, grid, leaning } from './grid';
import { at, distinct, runningSum, type Form } from './structure';
import type { RoleLetter } from './roles';

/** The beads of a band of flowers. */
interface Flowers {
  readonly sequence: readonly RoleLetter[];
  readonly side: readonly RoleLetter[];
  readonly leg: readonly RoleLetter[];
  readonly corner: RoleLetter;
  readonly diamond: RoleLetter;
  readonly centre: RoleLetter;
  readonly edge: readonly RoleLetter[];
  readonly extra: number;
}

/** The pass that draws both edges together. */
export const EDGES = 'edges';

/** Which way round a flower is strung: they take turns. */
export const isClockwise = (row: number): boolean => row % 2 === 0;

/** What lies between two petals beside a diamond. */
export const chainOf = ({ leg, corner }: Flowers): RoleLetter[] => [...leg.toReversed(), corner, ...leg];

/** A flower of petals of a role, mm: neighbours touch where they face each other halfway between their holes. */
export function flowerOf(p: Flowers, role: RoleLetter, body: (role: string) => BeadSize) {
  const petal = body(role);
  const apart = petal.apartMm ?? petal.diameterMm;
  const breadth = petal.widthMm ?? petal.diameterMm;
  const middleMm = fourRound(petal);
  const outerMm = middleMm + apart / 2;
  // From petal to petal thread turns by a quarter: a part of it in each gap, before the first seed too, which lies against the petal.
  const off = Math.max(
    ...[p.side, chainOf(p)].map((chain) => leaning(body(at(chain, 0)), Math.PI / 2 / (chain.length + 1))),
  );
  const half = petal.lengthMm / 2 + off;
  /** Where thread leaves its outer hole, from the middle of the flower: this far along, and this far across, or the other way round. */
  const [nearMm, farMm] = [(outerMm - half) * Math.SQRT1_2, (outerMm + half) * Math.SQRT1_2];
  const arcOf = (roles: readonly RoleLetter[]) =>
    hang(
      2 * nearMm,
      roles.map((one) => body(one).lengthMm),
    );
  const joint = arcOf(chainOf(p));
  const side = arcOf(p.side);
  return {
    middleMm,
    nearMm,
    farMm,
    chordMm: 2 * nearMm,
    /** How far its petals reach to either side, and along. */
    tipMm: middleMm * Math.SQRT2,
    openMm: 2 * (middleMm - breadth / 2),
    side,
    joint,
    /** From the middle of the flower to the corner of a diamond. */
    cornerMm: farMm + at(joint, p.leg.length).at[1],
    reachMm: Math.max(
      middleMm * Math.SQRT2,
      ...p.side.map((one, k) => farMm + at(side, k).at[1] + body(one).diameterMm / 2),
    ),
  };
}

/** A diamond between two flowers: a circle of its corners and its other two beads. */
const diamondOf = (p: Flowers, body: (role: string) => BeadSize) =>
  grid(body, { sides: [[p.diamond]], rung: [p.corner], rows: 1 });

/** How far it is along an edge from each flower of a unit to the next, from seeds to seeds, mm. */
export function edgesOf(p: Flowers, body: (role: string) => BeadSize): number[] {
  const { pitchMm } = diamondOf(p, body);
  return p.sequence.map((role, row) => {
    const [one, next] = [role, at(p.sequence, (row + 1) % p.sequence.length)].map((of) =>
      flowerOf(p, of, body),
    );
    return one && next ? one.cornerMm - one.nearMm + pitchMm + next.cornerMm - next.nearMm : 0;
  });
}

/** Closed form: flowers from corner to corner, and diamonds between them as square as their beads let them be. */
export function formOf(p: Flowers, body: (role: string) => BeadSize, without: ReadonlySet<string>): Form {
  const flowers = new Map(distinct(p.sequence).map((role) => [role, flowerOf(p, role, body)]));
  const roleAt = (row: number) =>
    at(p.sequence, ((row % p.sequence.length) + p.sequence.length) % p.sequence.length);
  const flowerAt = (row: number) => given(flowers.get(roleAt(row)), 'flower');
  const net = diamondOf(p, body);
  const cap = body(p.diamond);
  const capMm = (net.widthMm - cap.diameterMm) / 2;
  const corner = body(p.corner);
  const { starts, total } = runningSum(
    p.sequence.map((_, row) => flowerAt(row).cornerMm + net.pitchMm + flowerAt(row + 1).cornerMm),
  );
  const length = p.sequence.length;
  const first = corner.diameterMm / 2 + flowerAt(0).cornerMm;
  const middleX = (row: number) =>
    first + Math.floor(row / length) * total + at(starts, ((row % length) + length) % length);
  const centre = body(p.centre);

  /** A bead of a flower that is strung clockwise, from its middle. */
  const inFlower = ({ slot: { of, index, run = 0 }, role, place: { row } }: Bead): Pose => {
    const one = flowerAt(row);
    const { nearMm, farMm } = one;
    /** Beside a diamond, from the upper edge to the lower one towards the end, and back on the side towards the start. */
    const beside = (k: number, ahead: boolean): Pose => {
      const { at: lies, way } = at(one.joint, k);
      const to = ahead ? 1 : -1;
      return {
        centre: [to * (farMm + lies[1]), to * (nearMm - lies[0]), 0],
        axis: [to * way[1], -to * way[0], 0],
      };
    };
    /** Along an edge; along the lower one the same beads are strung from their other end. */
    const along = (k: number, upper: boolean): Pose => {
      const { at: lies, way } = at(one.side, upper ? k : p.side.length - 1 - k);
      const to = upper ? 1 : -1;
      return { centre: [lies[0] - nearMm, to * (farMm + lies[1]), 0], axis: [to * way[0], way[1], 0] };
    };
    const legs = p.leg.length;
    switch (of) {
      case 'petal': {
        const angle = ((3 - 2 * run) * Math.PI) / 4;
        const [x, y] = [Math.cos(angle), Math.sin(angle)];
        return { centre: [one.middleMm * x, one.middleMm * y, 0], axis: [y, -x, 0], across: [-x, -y, 0] };
      }
      case 'side':
        return along(index, run === 0);
      case 'far':
        return beside(legs, true);
      case 'leg':
        return beside(run % 2 === 1 ? index : legs + 1 + index, run === 1 || run === 2);
      case 'centre':
        return { centre: [0, 0, 0], axis: [1, 0, 0] };
      case 'near':
        return row < 0
          ? { centre: [-flowerAt(0).cornerMm, 0, 0], axis: [0, 1, 0] }
          : { centre: [one.cornerMm + net.pitchMm, 0, 0], axis: [0, -1, 0] };
      case 'ahead':
      case 'behind': {
        const to = of === 'ahead' ? 1 : -1;
        return { centre: [one.cornerMm + net.pitchMm / 2, to * capMm, 0], axis: [to, 0, 0] };
      }
      default:
        throw new Error(`No ${of} of ${role} in a flower.`);
    }
  };
  /** Seeds along the upper edge from each flower of a unit, from its middle: over two petals, and the diamond between them. */
  const arcs = p.sequence.map((_, row) => {
    const [one, next] = [flowerAt(row), flowerAt(row + 1)];
    const tipMm = Math.max(one.tipMm, next.tipMm);
    return hangBetween(
      [one.nearMm, one.farMm],
      [middleX(row + 1) - middleX(row) - next.nearMm, next.farMm],
      p.edge.map((role) => body(role).lengthMm),
    ).map(({ at: [x, y], way }, k) => ({
      x,
      y: Math.max(y, tipMm + body(at(p.edge, k)).diameterMm / 2),
      way,
    }));
  });
  const onEdge = ({ slot: { of, index, run = 0 }, place: { row } }: Bead): Pose => {
    const on = of === 'edge on';
    const { x, y, way } = at(at(arcs, row % length), on ? index : p.edge.length - 1 - index);
    const [upper, sense] = [run === 1 ? 1 : -1, on ? 1 : -1];
    return { centre: [middleX(row) + x, upper * y, 0], axis: [sense * way[0], sense * upper * way[1], 0] };
  };
  const edgeMm = without.has(EDGES)
    ? []
    : arcs.flat().map(({ y }, k) => y + body(at(p.edge, k % p.edge.length)).diameterMm / 2);
  const all = [...flowers.values()];
  const widest = Math.max(...all.map(({ reachMm }) => reachMm), ...edgeMm);
  const girth = Math.max(
    ...[...p.side, ...p.leg, p.corner, p.diamond, ...p.edge].map((role) => body(role).diameterMm),
    ...p.sequence.map((role) => body(role).diameterMm),
  );
  return {
    pitchMm: total,
    extraMm: middleX(p.extra) + flowerAt(p.extra).cornerMm + corner.diameterMm / 2,
    widthMm: 2 * widest,
    endWidthMm: corner.lengthMm,
    thicknessMm: Math.max(girth, centre.diameterMm),
    mayShorten: 0,
    held: 'mat',
    pose(bead) {
      const { of } = bead.slot;
      if (of === 'edge on' || of === 'edge back') return onEdge(bead);
      const row = Math.max(0, bead.place.row);
      const {
        centre: [x, y, z],
        axis,
        across,
      } = inFlower(bead);
      const up = isClockwise(row) ? 1 : -1;
      return {
        centre: [middleX(row) + x, up * y, z],
        axis: [axis[0], up * axis[1], axis[2]],
        ...(across && { across: [across[0], up * across[1], across[2]] }),
      };
    },
  };
}
