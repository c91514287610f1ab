import type { StitchKey } from '../fit/swatchBook';
import { atPitch, gaugeOf, learntShortening, shorteningOf, type Gauge } from '../gauge/gauge';
import type { LayoutRequest } from '../layout/cellLayout';
import { cellLayoutAt } from '../layout/kept';
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
import { LOOP_ROLE } from '../closures/sewnLoop';
import { composedForm } from '../structures/composedForm';
import { structureById } from '../structures/registry';
import { isLike, runKey } from '../structures/sectionRuns';
import {
  distinct,
  rolesOf,
  type Form,
  type SectionRun,
  type SectionsOf,
  type Structure,
  type Weaveable,
} from '../structures/structure';
import { given } from '../tools/given';
import { remembered } from '../tools/remember';
import type { Lookups } from './lookups';

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
  /** One standard deviation of what does not grow with the count, mm. */
  readonly fixedSdMm: number;
}

type FormLookups = Pick<Lookups, 'layouts' | 'swatches' | 'experience'>;

/** How long, broad and thick a unit comes out: by measure, by layout, or by the closed form. */
export const formOf = (question: FormQuestion, lookups: FormLookups): StitchForm =>
  question.weaveable.sections
    ? sectionsForm(question, question.weaveable.sections, lookups)
    : unitsForm(question, lookups);

/** The form of sections one after another: each known as its own stitch is. */
function sectionsForm(
  { piece, ...question }: FormQuestion,
  { runs }: SectionsOf,
  lookups: FormLookups,
): StitchForm {
  const one = runs(1);
  const fitted = given(
    one.find((run) => run.fitted),
    'section that is fitted',
  );
  const kindOf = remembered((key: string): StitchForm => {
    const run = given(
      one.find((it) => runKey(it) === key),
      'section',
    );
    const gauge = isLike(run, fitted) ? piece.gauge : null;
    const stitch = { id: run.structure, params: run.params };
    const structure = given(structureById(run.structure), 'stitch of a section');
    return unitsForm(
      { ...question, structure, piece: { ...piece, structure: stitch, gauge }, weaveable: run.stitch },
      lookups,
    );
  });
  const kinds = distinct(one.map(runKey)).map(kindOf);
  // Worked back to front a unit is as long as worked forth.
  const formOf = (run: SectionRun): Form => {
    const forth = one.find((it) => !it.back && isLike(it, run)) ?? run;
    return atPitch(kindOf(runKey(run)).form, kindOf(runKey(forth)).form.pitchMm);
  };
  const others = one.filter((run) => !run.fitted);
  const own = kindOf(runKey(fitted));
  return {
    form: composedForm(runs, formOf, question.body(LOOP_ROLE)),
    gauge: { ...own.gauge, settled: kinds.every(({ gauge }) => gauge.settled) },
    toLayOut: kinds.find(({ toLayOut }) => toLayOut !== null)?.toLayOut ?? null,
    // The units that do not grow in number vary, each kind by itself.
    fixedSdMm: Math.hypot(
      ...distinct(others.map(runKey)).map((key) => {
        const { form, gauge } = kindOf(key);
        const times = others.filter((run) => runKey(run) === key).reduce((sum, run) => sum + run.times, 0);
        return times * form.pitchMm * gauge.spread;
      }),
    ),
  };
}

/** The form of units that are all alike. */
function unitsForm(
  { piece, structure, weaveable, body, ends, components }: FormQuestion,
  { layouts, swatches, experience }: FormLookups,
): StitchForm {
  const { params } = piece.structure;
  const stitch = stitchOf({ structure, params, weaveable, body, ends, without: piece.without });
  const { sample, request } = stitch;
  const found = request && cellLayoutAt(layouts, request.key);
  // What does not rest from its own arrangement is no layout: the closed form stands.
  const layout = found?.settled ? found : null;
  const solved = layout && stitch.solved(layout);
  const laidOut = joinedForm(solved ?? stitch.closed, ends);
  const usual = shorteningOf(sample.path.passes, new Set(piece.without));
  const shortening = usual && learntShortening(usual, experience(structure.id).shrinks);
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
    own: piece.gauge ?? (weaveable.byMeasure?.example ? { source: 'table', pitchMm: laidOut.pitchMm } : null),
    swatches:
      weaveable.byMeasure && !weaveable.byMeasure.example
        ? { readings: [weaveable.byMeasure.measured], sameThread: true, pieces: 0 }
        : swatchesOf(request),
    baseSwatches:
      shortening &&
      swatchesOf(
        stitchKey({ structure, params, weaveable, body, without: [...piece.without, ...shortening.passes] }),
      ),
  });
  const flat = atPitch(laidOut, gauge.pitchMm);
  const form = piece.hand === 'left' ? mirroredForm(flat) : flat;
  return { form, gauge, toLayOut: found ? null : request, fixedSdMm: 0 };
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
