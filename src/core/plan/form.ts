import type { StitchKey, SwatchBook } from '../fit/swatchBook';
import { atPitch, gaugeOf, shorteningOf, type Gauge } from '../gauge/gauge';
import type { LayoutRequest } from '../layout/cellLayout';
import { cellLayoutAt, type Layouts } from '../layout/kept';
import { leanOf } from '../layout/lean';
import { mirroredForm } from '../layout/solvedForm';
import type { BeadSize } from '../materials/material';
import { beadOf } from '../piece/part';
import type { PartOfPiece } from '../piece/partOfPiece';
import { stitchKey, stitchOf } from '../gauge/stitch';
import type { EndLoops } from '../closures/sewnLoop';
import { unitTally } from '../read/tally';
import type { Built } from '../read/totals';
import type { AsBead } from './asBead';
import { rolesOf, type Form, type Structure, type Weaveable } from '../structures/structure';

interface FormQuestion {
  readonly piece: PartOfPiece;
  readonly structure: Structure;
  readonly weaveable: Weaveable;
  readonly body: (role: string) => BeadSize;
  readonly ends: EndLoops;
  readonly components: ReadonlyMap<string, AsBead>;
}

/** The form that a stitch takes, and how that is known. */
export interface StitchForm {
  readonly form: Form;
  readonly gauge: Gauge;
  /** What would have to be laid out to know it better; null where it is. */
  readonly toLayOut: LayoutRequest | null;
}

/** How long, broad and thick a unit comes out: by measure, by layout, or by the closed form. */
export function formOf(
  { piece, structure, weaveable, body, ends, components }: FormQuestion,
  { layouts, swatches }: { readonly layouts: Layouts; readonly swatches: SwatchBook },
): StitchForm {
  const { params } = piece.structure;
  const stitch = stitchOf({ structure, params, weaveable, body, ends, without: piece.without });
  const { sample, request } = stitch;
  const found = request && cellLayoutAt(layouts, request.key);
  // What does not rest from its own arrangement is no layout: the closed form stands.
  const layout = found?.settled ? found : null;
  const solved = layout && stitch.solved(layout);
  const laidOut = joinedForm(solved ?? stitch.closed, ends);
  const shortening = shorteningOf(sample.path.passes, new Set(piece.without));
  const swatchesOf = (key: StitchKey | null) => key && swatches(key, piece.thread.id);
  const gauge = gaugeOf({
    form: laidOut,
    closed: joinedForm(stitch.closed, ends),
    request,
    layout: solved && layout,
    restless: found?.settled === false,
    lean: stitch.closed.leansTo
      ? Math.max(
          ...rolesOf(weaveable).map((role) => leanOf(beadOf(piece, role), piece.thread, piece.doubled)),
        )
      : 0,
    shortening,
    unsureMm: unsureMm(components, sample),
    // Figures that nobody has measured are no better than a chart.
    own: piece.gauge ?? (weaveable.pathless?.example ? { source: 'table', pitchMm: laidOut.pitchMm } : null),
    swatches:
      weaveable.pathless && !weaveable.pathless.example
        ? { readings: [weaveable.pathless.measured], sameThread: true }
        : swatchesOf(request),
    baseSwatches:
      shortening &&
      swatchesOf(
        stitchKey({ structure, params, weaveable, body, without: [...piece.without, ...shortening.passes] }),
      ),
  });
  const flat = atPitch(laidOut, gauge.pitchMm);
  const form = piece.hand === 'left' ? mirroredForm(flat) : flat;
  return { form, gauge, toLayOut: found ? null : request };
}

/** By how much a unit may be shorter, and longer, for what is not known of the parts that it strings. */
function unsureMm(components: FormQuestion['components'], { path, units }: Built): [number, number] {
  const unit = unitTally(path, Math.floor(units / 2));
  const all = [...components].map(
    ([
      role,
      {
        betweenMm: [least, most],
        alongMm,
      },
    ]) => {
      const times = unit.get(role) ?? 0;
      return [times * (alongMm - least), times * (most - alongMm)] as const;
    },
  );
  return [all.reduce((sum, [shorter]) => sum + shorter, 0), all.reduce((sum, [, longer]) => sum + longer, 0)];
}

/** Joined into a ring, the work ends where it begins: nothing of it lies beyond its whole units. */
const joinedForm = (form: Form, { joined }: EndLoops): Form => (joined ? { ...form, extraMm: 0 } : form);
