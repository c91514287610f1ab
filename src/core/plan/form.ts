import type { StitchKey } from '../fit/swatchBook';
import { atPitch, gaugeOf, shorteningOf, type Gauge } from '../gauge/gauge';
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
import { composedForm } from '../structures/composedForm';
import {
  distinct,
  rolesOf,
  type Form,
  type SectionRun,
  type SectionsOf,
  type Structure,
  type Unit,
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

type FormLookups = Pick<Lookups, 'layouts' | 'swatches'>;

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
  const kindOf = remembered((word: string): StitchForm => {
    const { stitch, params, unit } = given(
      one.find((run) => unitWord(run) === word),
      'section',
    );
    const gauge = isLike(unit, fitted.unit) ? piece.gauge : null;
    const structure = { id: piece.structure.id, params };
    return unitsForm({ ...question, piece: { ...piece, structure, gauge }, weaveable: stitch }, lookups);
  });
  const kinds = distinct(one.map(unitWord)).map(kindOf);
  // Worked back to front a unit is as long as worked forth.
  const formOf = (run: SectionRun): Form => {
    const { form } = kindOf(unitWord(run));
    const forth = one.find(({ unit, back }) => !back && isLike(unit, run.unit)) ?? run;
    return atPitch(form, kindOf(unitWord(forth)).form.pitchMm);
  };
  const others = one.filter((run) => !run.fitted);
  const own = kindOf(unitWord(fitted));
  return {
    form: composedForm(runs, formOf),
    gauge: { ...own.gauge, settled: kinds.every(({ gauge }) => gauge.settled) },
    toLayOut: kinds.find(({ toLayOut }) => toLayOut !== null)?.toLayOut ?? null,
    // The units that do not grow in number vary, each kind by itself.
    fixedSdMm: Math.hypot(
      ...distinct(others.map(unitWord)).map((word) => {
        const { form, gauge } = kindOf(word);
        const times = others.filter((run) => unitWord(run) === word).reduce((sum, run) => sum + run.times, 0);
        return times * form.pitchMm * gauge.spread;
      }),
    ),
  };
}

const unitWord = ({ unit }: SectionRun): string => unit.join('');
/** Whether two units are the same, worked forth or back. */
const isLike = (one: Unit, other: Unit): boolean =>
  one.join('') === other.join('') || one.join('') === other.toReversed().join('');

/** The form of units that are all alike. */
function unitsForm(
  { piece, structure, weaveable, body, ends, components }: FormQuestion,
  { layouts, swatches }: FormLookups,
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
