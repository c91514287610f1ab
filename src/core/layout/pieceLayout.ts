import {
  loopLengthMm,
  loopPose,
  loopEndOf,
  loopSection,
  LOOP_ROLE,
  isOfLeg,
  legPose,
  loopOf,
  type Side,
} from '../closures/sewnLoop';
import type { EdgeName } from '../weave/edge';
import type { EndLoops } from '../closures/sewnLoop';
import type { Form } from '../structures/structure';
import { follow, holeEndOf } from '../weave/follow';
import { isTraversal, otherEnd, type Bead, type HoleEnd, type Path } from '../weave/path';
import { CORE_ROLE, isSetIn } from '../joints/setIn';
import type { Body, Layout, Point, Pose } from './layout';
import { mul } from './solver/vectors';
import { given } from '../tools/given';
import { remembered } from '../tools/remember';

/** Where the parts of the whole piece lie along x, mm from the tip of the clasp at its start. */
export interface Stations {
  readonly ringStartMm: number;
  readonly bodyStartMm: number;
  readonly bodyEndMm: number;
  readonly ringEndMm: number;
  /** Finished length, clasp closed. */
  readonly totalMm: number;
}

export interface PieceLayout extends Layout {
  readonly stations: Stations;
}

/** What the whole piece is laid out from. */
export interface PieceParts {
  readonly form: Form;
  readonly units: number;
  readonly ends: EndLoops;
  readonly clasp: { readonly startMm: number; readonly endMm: number };
  readonly body: (role: string) => Body;
  /** How far beads of a role lean where they do, radians. */
  readonly leanOf?: (role: string) => number;
}

/** Clasp, loop, woven part, loop, clasp: one after another along x. */
export function stations({ form, units, ends, clasp, body }: PieceParts): Stations {
  const seed = body(LOOP_ROLE);
  const bodyStartMm = clasp.startMm + loopLengthMm(ends.start, seed);
  const bodyEndMm = bodyStartMm + units * form.pitchMm + form.extraMm;
  const ringEndMm = bodyEndMm + loopLengthMm(ends.end, seed);
  return { ringStartMm: clasp.startMm, bodyStartMm, bodyEndMm, ringEndMm, totalMm: ringEndMm + clasp.endMm };
}

/** Layouts are kept to a thousandth of a millimetre: nearer to the middle line than that is on it. */
const ON_LINE_MM = 1e-3;

/** The hole end that thread leaves to string the first bead for which `wanted` holds; null where it is the very beginning. */
const leftFrom = (path: Path, wanted: (bead: Bead) => boolean): HoleEnd | null =>
  holeEndOf(follow(path).find(({ move }) => move.kind === 'pick' && wanted(move.bead))?.from ?? null);

/** The edge of the work that the thread leaves from to sew on a clasp half. */
function loopSide(path: Path, { form, body }: PieceParts, end: EdgeName): Side {
  const edge = ({ bead, end: at }: HoleEnd): Side => {
    const { centre, axis } = form.pose(bead);
    const y = centre[1] + (at === 0 ? -1 : 1) * axis[1] * (body(bead.role).lengthMm / 2);
    // On the middle line neither edge is nearer: the right hand begins at one, the left hand at the other.
    return Math.abs(y) < ON_LINE_MM ? (form.mirrored ? 1 : -1) : y > 0 ? 1 : -1;
  };
  const inLoop = ({ place }: Bead) => place.section === loopSection(end);
  const left = leftFrom(path, inLoop);
  if (left) return edge(left);
  // The loop is the very beginning, in the middle of a cord: it leads into the work at the other edge.
  const into = path.moves.filter(isTraversal).find(({ bead }) => !inLoop(bead));
  return into && edge({ ...into, end: into.enter }) > 0 ? -1 : 1;
}

/** Where a leg of a V leaves the work, or comes back to it: the middle line where it does neither. */
function legFoot(path: Path, { form, body }: PieceParts, end: EdgeName, run: number): Point {
  const isLeg = (bead: Bead) =>
    bead.place.section === loopSection(end) && isOfLeg(bead) && (bead.slot.run ?? 0) === run;
  const inWork = (bead: Bead) => bead.place.section !== loopSection(end);
  const moves = path.moves.filter(isTraversal);
  const first = moves.findIndex(({ bead }) => isLeg(bead));
  const before = moves[first - 1];
  const after = moves.slice(first).find(({ bead }) => !isLeg(bead));
  const beside = [before, after].find((move) => move && inWork(move.bead));
  if (!beside) return [0, 0, 0];
  const { centre, axis } = form.pose(beside.bead);
  // Out of its far end, or into its near one.
  const at = beside === before ? otherEnd(beside.enter) : beside.enter;
  const half = ((at === 0 ? -1 : 1) * body(beside.bead.role).lengthMm) / 2;
  return [0, centre[1] + half * axis[1], centre[2] + half * axis[2]];
}

/** How far across the piece each loop of an end sits: one in the middle, several each at the bead it hangs on. */
function loopsAcross(path: Path, { form }: PieceParts, end: EdgeName): number[] {
  const ofLoops = path.beads.flatMap((bead) =>
    bead.place.section === loopSection(end) ? [loopOf(bead)] : [],
  );
  const ofFindings = path.findings.flatMap(({ at }) => (at?.joint === end ? [at.nth] : []));
  const loops = 1 + Math.max(0, ...ofLoops, ...ofFindings);
  if (loops === 1) return [0];
  return Array.from({ length: loops }, (_, nth) => {
    const from = leftFrom(path, (bead) => bead.place.section === loopSection(end) && loopOf(bead) === nth);
    return from ? form.pose(from.bead).centre[1] : 0;
  });
}

/** The body that a strip will be closed about, while the strip is laid out flat: behind its middle, and touching it. */
function coreBehind({ bodyStartMm, bodyEndMm }: Stations, { form, body }: PieceParts): Pose {
  const z = (form.thicknessMm + body(CORE_ROLE).diameterMm) / 2;
  return { centre: [(bodyStartMm + bodyEndMm) / 2, 0, z], axis: [1, 0, 0] };
}

/** Lays out a whole piece: its woven part by the structure's form, its end loops beside it. */
export function layOutPiece(path: Path, parts: PieceParts): PieceLayout {
  const marks = stations(parts);
  const seed = parts.body(LOOP_ROLE);
  const across = { start: loopsAcross(path, parts, 'start'), end: loopsAcross(path, parts, 'end') };
  const leaves = { start: loopSide(path, parts, 'start'), end: loopSide(path, parts, 'end') };
  const feet = {
    start: remembered((run: number) => legFoot(path, parts, 'start', run)),
    end: remembered((run: number) => legFoot(path, parts, 'end', run)),
  };
  const poses = path.beads.map((bead): Pose => {
    const end = loopEndOf(bead.place.section);
    if (end) {
      const edgeMm = end === 'start' ? marks.bodyStartMm : marks.bodyEndMm;
      if (isOfLeg(bead))
        return legPose(bead, end, edgeMm, parts.ends[end], seed, feet[end](bead.slot.run ?? 0));
      const mm = given(across[end][loopOf(bead)], 'place of a loop');
      return loopPose(bead, end, edgeMm, leaves[end], parts.ends[end], seed, mm);
    }
    if (isSetIn(bead.place.section.joint)) return coreBehind(marks, parts);
    const pose = parts.form.pose(bead);
    const [x, y, z] = pose.centre;
    const to = parts.form.leansTo?.(bead);
    const lean = to && parts.leanOf && { lean: mul(to, Math.tan(parts.leanOf(bead.role))) };
    return { ...pose, ...lean, centre: [x + marks.bodyStartMm, y, z] };
  });
  const findings = path.findings.map((finding): Point => {
    const { at } = finding;
    const inWork = parts.form.findingAt?.(finding);
    if (inWork) return [inWork[0] + marks.bodyStartMm, inWork[1], inWork[2]];
    if (at?.joint !== 'start' && at?.joint !== 'end')
      throw new Error(`The layout has no place for ${finding.name}: it is no clasp.`);
    const x = at.joint === 'start' ? marks.ringStartMm : marks.ringEndMm;
    return [x, given(across[at.joint][at.nth], 'place of a loop'), 0];
  });
  const around = parts.ends.joined ? { aroundMm: marks.bodyEndMm - marks.bodyStartMm } : {};
  return { poses, findings, body: parts.body, stations: marks, ...around };
}
