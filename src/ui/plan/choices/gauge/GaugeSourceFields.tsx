'use client';

import { Button, App } from 'antd';
import { useState, useTransition } from 'react';
import type { LengthRange } from '@/core/length/length';
import { MOST_UNITS } from '@/core/piece/part';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { swatchOf } from '@/core/records/swatches';
import { addSwatchAction } from '@/server/actions/swatches';
import { ask } from '../../../fields/ask';
import { Choice } from '../../../fields/Choice';
import { CountInput } from '../../../fields/CountInput';
import { LengthInput } from '../../../fields/LengthInput';
import { Toggle } from '../../../fields/Toggle';
import { useLengths } from '../../../shell/lengths';
import { today } from '../../../shell/today';
import styles from '../choices.module.css';

const MEASURED: LengthRange = { minMm: 2, maxMm: 3000 };
const UNIT: LengthRange = { minMm: 0.2, maxMm: 300 };

type Gauge = NonNullable<PartOfPiece['gauge']>;
type Ruled = Extract<Gauge, { source: 'this piece' }>;

/** A unit so many times as long, or as short, as was worked out is a slip of the pen (from memory). */
const SLIP = 3;

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan;
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

/** What the length of a unit goes by: what is known, this piece on a ruler, or a chart. */
export function GaugeSourceFields({ piece, plan, onChange }: Props) {
  const { gauge } = piece;
  /** Chosen, and nothing measured yet: what is known goes on counting. */
  const [toCome, setToCome] = useState<Gauge['source'] | null>(null);
  const source = toCome ?? gauge?.source ?? 'known';
  const take = (next: Gauge) => {
    setToCome(null);
    onChange({ gauge: next });
  };
  return (
    <>
      <Choice
        label="Go by"
        value={source}
        options={[
          { value: 'known', label: plan.weaveable.byMeasure ? 'the units you measured' : 'swatch or layout' },
          { value: 'this piece', label: 'this piece, measured' },
          { value: 'table', label: 'a chart' },
        ]}
        onChange={(next) => {
          setToCome(next === 'known' || next === gauge?.source ? null : next);
          if (next === 'known') onChange({ gauge: null });
        }}
      />
      {source === 'this piece' && (
        <OnTheRuler piece={piece} plan={plan} gauge={gauge?.source === source ? gauge : null} onTake={take} />
      )}
      {source === 'table' && (
        <LengthInput
          label="Length of one unit by the chart"
          mm={gauge?.source === source ? gauge.pitchMm : null}
          range={UNIT}
          fine
          onChange={(pitchMm) => take({ source, pitchMm })}
        />
      )}
    </>
  );
}

interface RulerProps {
  readonly piece: PartOfPiece;
  readonly plan: Plan;
  /** Null while nothing is measured. */
  readonly gauge: Ruled | null;
  readonly onTake: (gauge: Ruled) => void;
}

/** Units of this piece, and their length on a ruler: they count once both are there and can be true. */
function OnTheRuler({ piece, plan, gauge, onTake }: RulerProps) {
  const { fine } = useLengths();
  /** Typed, and not counting yet. */
  const [draft, setDraft] = useState<Partial<Ruled>>({});
  const { units, lengthMm, finished } = {
    units: null,
    lengthMm: null,
    finished: plan.gauge.shortening === null,
    ...gauge,
    ...draft,
  };
  const worked = plan.gauge.workedOutMm;
  // Example figures of a stitch of one's own are nothing to compare with.
  const isSlip = (pitchMm: number) =>
    !plan.weaveable.byMeasure?.example && (pitchMm > SLIP * worked || pitchMm < worked / SLIP);
  const pitchMm = units === null || lengthMm === null ? null : lengthMm / units;
  const slip = pitchMm !== null && isSlip(pitchMm) ? pitchMm : null;
  const change = (part: Partial<Ruled>) => {
    const all = { units, lengthMm, finished, ...part };
    if (all.units === null || all.lengthMm === null || isSlip(all.lengthMm / all.units))
      return setDraft({ ...draft, ...part });
    setDraft({});
    onTake({ source: 'this piece', units: all.units, lengthMm: all.lengthMm, finished: all.finished });
  };
  return (
    <>
      <CountInput
        label="Units done"
        value={units}
        least={1}
        most={MOST_UNITS}
        onChange={(next) => change({ units: next })}
      />
      <LengthInput
        label="They measure, first bead to last, no clasp"
        mm={lengthMm}
        range={MEASURED}
        onChange={(next) => change({ lengthMm: next })}
        help="Lay the work flat on a ruler, drawn as tight as you mean to leave it."
      />
      {plan.gauge.shortening && (
        <Toggle
          label={`Measured after ${plan.gauge.shortening.passes.join(' and ')}`}
          help="Later passes draw the base in a little."
          checked={finished}
          onChange={(next) => change({ finished: next })}
        />
      )}
      {slip !== null && (
        <p role="alert" className={styles.problem}>
          That makes {fine(slip)} a unit, where {fine(worked)} was worked out: one of the two figures is not
          right. Until it is, {fine(plan.gauge.pitchMm)} counts.
        </p>
      )}
      {gauge && slip === null && <KeepAsSwatch piece={piece} measured={gauge} plan={plan} />}
    </>
  );
}

/** What was measured on this piece, kept as a swatch for others in the same stitch and beads. */
function KeepAsSwatch({
  piece,
  measured,
  plan,
}: {
  readonly piece: PartOfPiece;
  readonly measured: Extract<PartOfPiece['gauge'], { source: 'this piece' }>;
  readonly plan: Plan;
}) {
  const { message } = App.useApp();
  const [busy, start] = useTransition();
  const [tension, setTension] = useState<'tight' | 'medium' | 'loose'>('medium');
  const left = measured.finished ? [] : (plan.gauge.shortening?.passes ?? []);
  const keep = () =>
    start(async () => {
      const answer = await ask(
        addSwatchAction,
        swatchOf(piece, {
          units: measured.units,
          lengthMm: measured.lengthMm,
          takenOn: today(),
          tension,
          note: '',
          without: [...new Set([...piece.without, ...left])],
        }),
      );
      if (answer.ok) void message.success('Kept as a swatch. Plans in this stitch and these beads go by it.');
      else void message.error(answer.message);
    });
  return (
    <>
      <Choice
        label="Worked at a tension that is"
        value={tension}
        options={(['tight', 'medium', 'loose'] as const).map((one) => ({ value: one, label: one }))}
        onChange={setTension}
      />
      <div className={styles.buttons}>
        <Button loading={busy} onClick={keep}>
          Keep it as a swatch too
        </Button>
      </div>
    </>
  );
}
