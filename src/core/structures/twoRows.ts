// Beads of two holes in a line, as the two-hole line and the lattice of stones have them: along one row of holes and back along the other.
import { hang, type OnArc } from '../layout/arc';
import type { Body, Pose } from '../layout/layout';
import type { Units } from '../weave/builder';
import {
  forth,
  onePost,
  straight,
  towards,
  type Anchor,
  type Edge,
  type EdgeName,
  type Loom,
} from '../weave/edge';
import { backOutOf, hole, outOf, type Needle } from '../weave/needle';
import { wovenAt, type Bead } from '../weave/path';
import { beadField, NONE } from './field';
import { at } from './structure';
import { ROLE_LETTERS, type RoleLetter } from './roles';

/** Seeds that an end can be turned with. */
export const TURNS = [3, 4, 5] as const;
/** Beads of two holes between an end and where its thread is woven in. */
export const WOVEN_UNITS = 2;

/** A bead of two holes of a unit, and the seeds after it in either row of holes. */
interface Station {
  readonly name: string;
  readonly role: RoleLetter;
  readonly between: readonly RoleLetter[];
  /** Which of several such runs of seeds of a unit; nothing where there is one. */
  readonly run?: number;
}

/** How an end is turned. */
interface Turn {
  readonly turn: number;
  /** What the clasp hangs on where it is another bead. */
  readonly ring: RoleLetter | typeof NONE;
  readonly between: readonly RoleLetter[];
}

/** Which bead of a turn holds what hangs there. */
const holderOf = ({ turn }: Turn) => Math.ceil(turn / 2) - 1;

/** The seeds of a turn are those between the beads, but for the one that holds what hangs there. */
const turnRoles = (p: Turn): RoleLetter[] =>
  Array.from({ length: p.turn }, (_, k) =>
    p.ring !== NONE && k === holderOf(p) ? p.ring : at(p.between, 0),
  );

/** A line as it is woven. */
interface TwoRows {
  /** By units: the beads of two holes of each. */
  readonly line: Units<readonly Bead[] | null>;
  /** The first bead of each unit, and that which closes the line. */
  readonly heads: readonly Bead[];
  readonly edges: Readonly<Record<EdgeName, Edge>>;
  /** In either hole of the first bead of a unit. */
  readonly into: (unit: number) => Anchor;
}

/**
 * Along one row of holes, round the end by a few seeds that hold what hangs there, and back along the other row with seeds between
 * again. The needle ends in the first hole of all, on its way along once more.
 */
export function weaveTwoRows(
  { loom, t, units, turn: p }: { loom: Loom; t: Needle; units: number; turn: Turn },
  stations: readonly [Station, ...Station[]],
): TwoRows {
  const { w } = loom;
  const pick = ({ name, role }: Station) => at(Object.values(t.pick({ [name]: role })), 0);
  const slotRun = ({ run }: Station) => (run === undefined ? {} : { run });

  const line = w.repeat<readonly Bead[] | null>(0, units, null, () =>
    stations.map((station) => {
      const bead = pick(station);
      t.string(station.between, 'near', slotRun(station));
      return bead;
    }),
  );
  const last = w.in({ row: units, pass: 'closing bead' }, () => pick(stations[0]));
  const heads = [...line.items.map((unit) => at(unit ?? [], 0)), last];

  /** Half the seeds of a turn, what hangs from the one in the middle, and the other half. */
  const turn = (which: EdgeName, row: number): Edge => {
    const seeds = (roles: readonly RoleLetter[], name: string) =>
      w.in({ section: wovenAt(which, w.part), pass: 'turn', row }, () => t.string(roles, name));
    const middle = at(seeds(turnRoles(p).slice(0, holderOf(p) + 1), 'turn'), -1);
    const edge = loom.reached(which, onePost(straight(forth(middle))), t);
    seeds(turnRoles(p).slice(holderOf(p) + 1), 'on');
    return edge;
  };
  const end = turn('end', units);
  w.pass('back along the other holes', {}, () => {
    w.in({ row: units }, () => t.back(hole(last, 1)));
    w.along(line, { backwards: true }, (unit) => {
      for (const [k, station] of [...stations.entries()].reverse()) {
        t.string([...station.between].reverse(), 'far', slotRun(station));
        t.back(hole(at(unit ?? [], k), 1));
      }
    });
  });
  loom.release(loom.tail);
  const start = turn('start', 0);
  w.in({ row: 0, pass: 'close the line' }, () => t.through(at(heads, 0)));

  const into = (k: number) =>
    towards(...[0, 1].flatMap((n) => [outOf(at(heads, k), n), backOutOf(at(heads, k), n)]));
  return { line, heads, edges: { start, end }, into };
}

/** How a turn lies: its beads on an arc from hole to hole, and how far it stands out, mm. */
interface TurnForm {
  readonly outMm: number;
  /** @param line where the line begins along the piece, and where it ends */
  readonly pose: (bead: Bead, line: { readonly from: number; readonly to: number }) => Pose;
}

/** The form of the turns of a line whose outermost holes are so far apart. */
export function turnForm(p: Turn, apartMm: number, body: (role: string) => Body): TurnForm {
  const turn = turnRoles(p).map((role) => body(role));
  const arc = hang(
    apartMm,
    turn.map(({ lengthMm }) => lengthMm),
  );
  const outMm = Math.max(...arc.map(({ at: [, out] }, k) => out + at(turn, k).diameterMm / 2));
  return {
    outMm,
    pose({ slot: { of, index }, place: { section } }, { from, to }) {
      const { at: place, way }: OnArc = at(arc, of === 'turn' ? index : holderOf(p) + 1 + index);
      const atEnd = section.joint === 'end';
      const sense = atEnd ? 1 : -1;
      return {
        centre: [(atEnd ? to : from) + sense * place[1], sense * (place[0] - apartMm / 2), 0],
        axis: [sense * way[1], sense * way[0], 0],
      };
    },
  };
}

/** The fields that a maker chooses a turn by, with these roles to choose from. */
export const turnFields = (roles: readonly RoleLetter[]) =>
  [
    {
      key: 'turn',
      kind: 'choice',
      label: 'Seeds that turn the end',
      help: 'The clasp hangs on the one in the middle.',
      options: TURNS.map((value) => ({ value, label: `${value}` })),
    },
    beadField({
      key: 'ring',
      label: 'In the middle of a turn',
      help: 'A larger bead, such as an 8/0, is a ring that a jump ring goes through.',
      roles: roles,
      without: 'a seed',
    }),
  ] as const;

/** The roles after these, which are played by beads of two holes. */
export const smallAfter = (twoHoled: readonly RoleLetter[]): RoleLetter[] =>
  ROLE_LETTERS.filter((role) => !twoHoled.includes(role));
