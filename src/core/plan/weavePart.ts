import { shading, type Shading } from '../colour/shades';
import { tinted } from '../colour/tint';
import type { View } from '../layout/drawing';
import type { Inner } from '../layout/bent';
import { leanOf } from '../layout/lean';
import { layOutPiece, stations, type PieceParts, type Stations } from '../layout/pieceLayout';
import { wholeSketch, type Sketch } from '../layout/sketch';
import { alongOf, middleUnit, type Along } from './along';
import { beadOf } from '../piece/part';
import { exposedThread, threadMoves, type ExposedThread, type ThreadMove } from '../read/thread';
import { reading, type Built, type Reading } from '../read/totals';
import { rolesOf } from '../structures/structure';
import { holeFill, type HoleReading } from '../supplies/holeFill';
import { once, remembered } from '../tools/remember';
import { innerRole, type AsBead } from './asBead';
import type { FittedPart } from './fitPart';
import { coloursOf, quantities, type RoleQuantity } from './quantities';
import { sketchOf, withoutThread, workOf, type Work } from './work';

/** What a woven part tells of itself. */
export interface WovenReadings {
  /** Where clasp, loops and woven part lie along the piece. */
  readonly stations: Stations;
  /** Its units along it. */
  readonly along: Along;
  /** How full holes get, on a stretch of the work that holds its start, a few units and its end; by the gear of it. */
  readonly holes: HoleReading;
  /** Bare thread that shows, on a stretch of the work that holds its start, a few units and its end. */
  readonly exposed: ExposedThread;
  readonly quantities: readonly RoleQuantity[];
  /** The whole path and its layout: built when first asked for, to be worded. */
  readonly work: () => Work;
  /** The colour of every bead whose role has several, over the whole path. */
  readonly shades: () => Shading;
  /** The piece as it is seen; what repeats is drawn once. */
  readonly sketch: (view: View) => Sketch;
}

/** A part woven, as far as it is asked for: short paths for what repeats, the whole where it must be. */
interface WovenPart extends WovenReadings {
  /** The short paths that counts are read off. */
  readonly from: Reading;
  readonly threadOf: (built: Built) => readonly ThreadMove[];
}

/** The beads of a part made apart, by their roles in whatever strings it. */
const innerRoles = (component: AsBead | undefined): readonly Inner[] | null =>
  component?.inner().map((one) => ({ ...one, role: innerRole(component.id, one.role) })) ?? null;

/** Weaves a part of so many units, lays it out, and reads off what it takes. */
export function weavePart(part: FittedPart): WovenPart {
  const { piece, components, weaveable, form, gauge, units, body, closure, gear, chainMm, pathOf } = part;
  const clasp = { startMm: closure.startMm + chainMm, endMm: closure.endMm + chainMm };
  const leans = (role: string) => leanOf(beadOf(piece, role), piece.thread, piece.doubled);
  const parts = (built: Built): PieceParts => ({
    form: form.along?.(built) ?? form,
    units: built.units,
    ends: closure.loops,
    clasp,
    body,
    leanOf: leans,
  });
  const layOut = (built: Built) => layOutPiece(built.path, parts(built));
  const from: Reading = weaveable.sections
    ? { kind: 'whole', at: { path: pathOf(units), units } }
    : reading(pathOf, units, weaveable.minimumUnits);
  const threadOf = remembered((built: Built) => threadMoves(built.path, layOut(built)));
  const { byMeasure } = weaveable;
  const inner = remembered((role: string) => innerRoles(components.get(role)));
  const workOfAll = (built: Built): Work => ({
    // Where its beads lie is not known, nor therefore its thread.
    ...(byMeasure ? withoutThread : workOf)(built, layOut),
    inner,
  });
  const work = once(() => workOfAll({ path: pathOf(units), units }));
  const shaded = rolesOf(weaveable).some((role) => piece.colourings[role]);
  const shades = once(() => shading(pathOf(units), units, piece.colourings));
  const marks = stations({ form, units, ends: closure.loops, clasp, body });
  return {
    from,
    threadOf,
    stations: marks,
    along: alongOf(part, marks),
    holes: holeFill(from.at.path, part.holeMm, gear, (role, hole) => components.get(role)?.lies[hole] ?? 0),
    exposed: exposedThread(byMeasure ? [] : threadOf(from.at)),
    quantities: quantities(
      { piece, weaveable, from, pitchMm: gauge.pitchMm, middle: middleUnit(part) },
      (role) => (shaded ? coloursOf(piece, role, pathOf(units), shades()) : []),
    ),
    work,
    shades,
    // Where colours change along the piece nothing repeats: it is drawn whole.
    sketch: remembered((view) =>
      shaded
        ? tinted(wholeSketch(work(), body, view), shades())
        : sketchOf(from, form, workOfAll, work, body, view),
    ),
  };
}
