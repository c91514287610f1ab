import {
  loopLengthMm,
  loopPose,
  loopSection,
  LOOP_ROLE,
  claspFinding,
  type PieceEnd,
} from '../closures/sewnLoop';
import type { EndLoops, Form } from '../structures/structure';
import type { Path } from '../weave/path';
import type { Body, Layout, Point, Pose } from './layout';

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
}

/** Clasp, loop, woven part, loop, clasp: one after another along x. */
export function stations({ form, units, ends, clasp, body }: PieceParts): Stations {
  const seed = body(LOOP_ROLE);
  const bodyStartMm = clasp.startMm + loopLengthMm(ends.start, seed);
  const bodyEndMm = bodyStartMm + units * form.pitchMm + form.extraMm;
  const ringEndMm = bodyEndMm + loopLengthMm(ends.end, seed);
  return { ringStartMm: clasp.startMm, bodyStartMm, bodyEndMm, ringEndMm, totalMm: ringEndMm + clasp.endMm };
}

/** Lays out a whole piece: its woven part by the structure's form, its end loops beside it. */
export function layOutPiece(path: Path, parts: PieceParts): PieceLayout {
  const marks = stations(parts);
  const seed = parts.body(LOOP_ROLE);
  const loopEnd = new Map<string, PieceEnd>([
    [loopSection('start'), 'start'],
    [loopSection('end'), 'end'],
  ]);
  const poses = path.beads.map((bead): Pose => {
    const end = loopEnd.get(bead.place.section);
    if (end)
      return loopPose(
        bead,
        end,
        end === 'start' ? marks.bodyStartMm : marks.bodyEndMm,
        parts.ends[end],
        seed,
      );
    const { centre, axis } = parts.form.pose(bead);
    return { centre: [centre[0] + marks.bodyStartMm, centre[1], centre[2]], axis };
  });
  const findings = path.findings.map(({ name }): Point => [
    name === claspFinding('start') ? marks.ringStartMm : marks.ringEndMm,
    0,
    0,
  ]);
  return { poses, findings, body: parts.body, stations: marks };
}
