// How a band of bars lies: plus groups of four, brick groups between them, links, and crosses over all of it.
import { hangBetween } from '../layout/arc';
import type { Pose } from '../layout/layout';
import type { BeadSize } from '../materials/material';
import type { Bead } from '../weave/path';
import { fourRound, leaning } from './grid';
import { overlayPose, partAlong, type Before } from './overlay';
import { at, girthOf, lengthOf, type Form } from './structure';
import type { RoleLetter } from './roles';

/** The bars of a plus, and those that lie like bricks. */
export const ARM = 'A';
export const BRICK = 'B';
/** Passes over the base. */
export const CROSSES = 'small crosses';
export const ALONG = 'diagonals along';

/** How a trip of diagonals is told apart by its beads: whether it leads towards the end, and at which edge it began. */
export const laidBy = (onward: boolean, before: Before): number => 2 * before + (onward ? 1 : 0);

/** A band of bars by its numbers and beads. */
interface Bars {
  readonly bricks: number;
  readonly link: readonly RoleLetter[];
  readonly cross: readonly RoleLetter[];
  readonly over: readonly RoleLetter[];
  readonly face: 'front' | 'back';
}

/** How far apart two holes of a bead are, and how far it reaches beyond them, mm. */
const holesOfBar = ({ apartMm, widthMm, diameterMm }: BeadSize) => {
  const apart = apartMm ?? diameterMm;
  return { apart, beyondMm: ((widthMm ?? diameterMm) - apart) / 2 };
};

/** What is measured of a band in these beads, mm. */
export function measures(p: Bars, body: (role: string) => BeadSize) {
  const [arm, bar] = [body(ARM), body(BRICK)];
  const [ofArm, ofBar] = [holesOfBar(arm), holesOfBar(bar)];
  const middleMm = fourRound(arm);
  const outerMm = middleMm + ofArm.apart / 2;
  // Seeds leave a hole halfway to the side.
  const off = leaning(body(at(p.link, 0)), Math.PI / 4);
  const tallMm = p.bricks * bar.lengthMm;
  /** Where a link leaves a plus and comes to the bricks, beside the middle of the band. */
  const [fromMm, toMm] = [arm.lengthMm / 2 + off, tallMm / 2 + off];
  const rise = toMm - fromMm;
  const touching = ofArm.beyondMm + ofBar.beyondMm;
  const reach = Math.sqrt(Math.max(0, lengthOf(p.link, body) ** 2 - rise ** 2));
  const apartMm = Math.max(touching, reach);
  return {
    middleMm,
    outerMm,
    beyondMm: ofArm.beyondMm,
    fromMm,
    toMm,
    apartMm,
    barApartMm: ofBar.apart,
    tallMm,
    linkMm: Math.hypot(touching, rise),
    pitchMm: 2 * (outerMm + apartMm) + ofBar.apart,
    /** Of a cross over a plus: how far it reaches along the band and across. */
    cross: { alongMm: 2 * middleMm - ofArm.apart, acrossMm: arm.lengthMm },
  };
}

/** Closed form: plus groups whose bars touch, and links as long as their seeds, or bars end to end where those are shorter. */
export function formOf(p: Bars, body: (role: string) => BeadSize, without: ReadonlySet<string>): Form {
  const { middleMm, outerMm, beyondMm, fromMm, toMm, apartMm, barApartMm, tallMm, pitchMm, cross } = measures(
    p,
    body,
  );
  const [arm, bar] = [body(ARM), body(BRICK)];
  const thick = Math.max(arm.diameterMm, bar.diameterMm);
  const crossMm = without.has(CROSSES) ? 0 : girthOf(p.cross, body);
  const overMm = without.has(ALONG) ? 0 : girthOf(p.over, body);
  const sense = p.face === 'front' ? -1 : 1;
  const first = beyondMm + outerMm;
  const middleX = (row: number) => first + row * pitchMm;
  const bricksX = (row: number) => middleX(row) + pitchMm / 2;
  const lengths = (roles: readonly RoleLetter[]) => roles.map((role) => body(role).lengthMm);
  const overlay = {
    reachMm: pitchMm - arm.lengthMm,
    apartMm: 2 * outerMm,
    z: sense * (thick + overMm) * 0.5,
    lengthsMm: lengths(p.over),
  };

  /** Links on the upper side, from the middle of the brick group: to it, and on from it. */
  const beside = barApartMm / 2;
  const links = [
    hangBetween([-beside - apartMm, fromMm], [-beside, toMm], lengths(p.link)),
    hangBetween([beside, toMm], [beside + apartMm, fromMm], lengths(p.link)),
  ];
  /** A bead of a small cross, from the middle of its plus. */
  const crossed = ({ slot: { of, index } }: Bead): Pose => {
    const along = partAlong(lengths(p.cross), index, of === 'cross on');
    const [x, y] = [of === 'cross' ? -cross.alongMm : cross.alongMm, cross.acrossMm];
    const size = Math.hypot(x, y);
    return {
      centre: [along * x, along * y, sense * (thick + crossMm) * 0.5],
      axis: [x / size, y / size, 0],
    };
  };

  const pose = (bead: Bead): Pose => {
    const {
      slot: { of, index, run = 0 },
      place: { row },
    } = bead;
    const [x, y] = [middleX(row), middleMm];
    switch (of) {
      case 'west':
        return { centre: [middleX(row + 1) - y, 0, 0], axis: [0, -1, 0], across: [1, 0, 0] };
      case 'north':
        return { centre: [x, y, 0], axis: [1, 0, 0], across: [0, 1, 0] };
      case 'east':
        return { centre: [x + y, 0, 0], axis: [0, -1, 0], across: [1, 0, 0] };
      case 'south':
        return { centre: [x, -y, 0], axis: [-1, 0, 0], across: [0, -1, 0] };
      case 'brick':
        return {
          centre: [bricksX(row), ((p.bricks - 1) / 2 - index) * bar.lengthMm, 0],
          axis: [0, -1, 0],
          across: [1, 0, 0],
        };
      case 'link over':
      case 'link under': {
        const upper = of === 'link over' ? 1 : -1;
        const { at: lies, way } = at(at(links, run), upper === 1 ? index : p.link.length - 1 - index);
        return {
          centre: [bricksX(row) + lies[0], upper * lies[1], 0],
          axis: [upper * way[0], way[1], 0],
        };
      }
      case 'over':
      case 'across':
      case 'beyond': {
        const lies = overlayPose(bead, overlay, run % 2 === 1, run >= 2 ? 1 : 0);
        return { ...lies, centre: [bricksX(row) + lies.centre[0], lies.centre[1], lies.centre[2]] };
      }
      default: {
        const lies = crossed(bead);
        return {
          ...lies,
          centre: [x + lies.centre[0], lies.centre[1], lies.centre[2]],
        };
      }
    }
  };
  return {
    pitchMm,
    extraMm: 2 * first,
    widthMm: Math.max(2 * (outerMm + beyondMm), tallMm, 2 * toMm + girthOf(p.link, body)),
    endWidthMm: arm.lengthMm,
    thicknessMm: thick + Math.max(crossMm, overMm),
    mayShorten: 0,
    held: 'mat',
    pose,
  };
}
