import { layoutRequest, type CellLayout, type LayoutRequest } from '../layout/cellLayout';
import { roundForm } from '../layout/round';
import { solvedForm } from '../layout/solvedForm';
import type { StitchKey } from '../fit/swatchBook';
import { KNOT_ROLE } from '../materials/knot';
import type { BeadSize } from '../materials/material';
import { bodiesOnThread } from '../piece/part';
import type { PartOfPiece } from '../piece/partOfPiece';
import { SAMPLE, type Built } from '../read/totals';
import { boundStitch, ownUnits } from '../structures/registry';
import type { EndLoops } from '../closures/sewnLoop';
import { rolesOf, type Form, type Structure, type Weaveable } from '../structures/structure';

/** What a plan needs to know of a stitch in certain beads, whatever its count. */
export interface Stitch {
  /** A path of a few units. */
  readonly sample: Built;
  /** What is to be laid out; null where nothing need or can be. */
  readonly request: LayoutRequest | null;
  readonly closed: Form;
  /** The form as a layout has it; null where the layout does not know every bead. */
  readonly solved: (layout: CellLayout) => Form | null;
}

interface StitchQuestion {
  readonly structure: Structure;
  readonly params: Readonly<Record<string, unknown>>;
  readonly weaveable: Weaveable;
  readonly body: (role: string) => BeadSize;
  readonly ends: EndLoops;
  readonly without: readonly string[];
}

/** Stitches that are remembered: those of a bench of pieces, and the variants that are being tried. */
const KEPT = 48;
const stitches = new Map<string, Stitch>();

/**
 * A stitch in its beads. Most keystrokes change neither, and finding what repeats is the dearest part of a plan:
 * the last few are remembered. The same question always has the same answer.
 */
export function stitchOf(q: StitchQuestion): Stitch {
  const { structure, params, weaveable, body, ends, without } = q;
  const sizes = [...rolesOf(weaveable), ...(weaveable.knotted ? [KNOT_ROLE] : [])].map((role) => [
    role,
    body(role),
  ]);
  const key = JSON.stringify([structure.id, params, ends, without, sizes]);
  const found = stitches.get(key);
  if (found) return found;
  const made = stitch(q);
  stitches.set(key, made);
  const [oldest] = stitches.keys();
  if (stitches.size > KEPT && oldest !== undefined) stitches.delete(oldest);
  return made;
}

function stitch({ structure, weaveable, body, ends, without }: StitchQuestion): Stitch {
  const leftOut = new Set(without);
  const units = SAMPLE + weaveable.minimumUnits;
  const sample: Built = { units, path: weaveable.weave(units, { ...ends, without: leftOut }) };
  const closed = weaveable.form(body, leftOut);
  // What is strung by its middle or its loop is as its closed form has it; only motifs repeat about a middle.
  const whole = structure.madeWhole !== undefined && closed.round === undefined;
  // Parts made apart that hold at two places are docked to each other as they are.
  const rigid = rolesOf(weaveable).some((role) => body(role).inside);
  const request = weaveable.formIsExact || rigid || whole ? null : layoutRequest(sample.path, body, closed);
  const forms = new Map<CellLayout, Form | null>();
  return {
    sample,
    request,
    closed,
    solved(layout) {
      const keptForm = forms.get(layout);
      if (keptForm !== undefined || !request) return keptForm ?? null;
      const form = closed.round
        ? roundForm(layout, request, sample.path, body, closed)
        : solvedForm(layout, request, sample, body, closed);
      forms.set(layout, form);
      return form;
    },
  };
}

const USUAL_LOOP = { seedsEachSide: 3, passes: 2 };

/**
 * What the repeat of a stitch is kept under; how it is closed does not matter to it. Null where nothing repeats, and of a
 * what is made apart to be strung as it is, which is measured whole and has no swatches.
 */
export function stitchKey(q: Omit<StitchQuestion, 'ends'>): StitchKey | null {
  if (q.structure.madeWhole !== undefined) return null;
  const { request } = stitchOf({ ...q, ends: { start: USUAL_LOOP, end: USUAL_LOOP } });
  return request && { key: request.key, rowsOfUnit: request.rowsOfUnit };
}

/** What swatches of a piece's stitch in its beads are kept under; null where its units do not repeat. */
export function swatchKey(
  piece: Pick<PartOfPiece, 'structure' | 'beads' | 'thread' | 'doubled' | 'without'>,
): StitchKey | null {
  const bound = boundStitch(ownUnits(piece.structure));
  if (!bound.ok) return null;
  const { params } = piece.structure;
  return stitchKey({ ...bound, params, body: bodiesOnThread(piece), without: piece.without });
}
