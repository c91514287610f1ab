'use client';

import { Button, App } from 'antd';
import { useState, useTransition } from 'react';
import type { LengthRange } from '@/core/length/length';
import { MOST_UNITS, type Piece } from '@/core/piece';
import type { Plan } from '@/core/plan';
import { swatchOf } from '@/core/swatches';
import { addSwatchAction } from '@/server/actions/swatches';
import { ask } from '../../../fields/ask';
import { Choice } from '../../../fields/Choice';
import { CountInput } from '../../../fields/CountInput';
import { LengthInput } from '../../../fields/LengthInput';
import { Toggle } from '../../../fields/Toggle';
import { today } from '../../../shell/today';
import styles from '../choices.module.css';

const MEASURED: LengthRange = { minMm: 2, maxMm: 3000 };
const UNIT: LengthRange = { minMm: 0.2, maxMm: 300 };

interface Props {
  readonly piece: Piece;
  readonly plan: Plan;
  readonly onChange: (change: Partial<Piece>) => void;
}

/** What the length of a unit goes by: what is known, this piece on a ruler, or a chart. */
export function GaugeSourceFields({ piece, plan, onChange }: Props) {
  const { gauge } = piece;
  const shortens = plan.gauge.shortening !== null;
  return (
    <>
      <Choice
        label="Go by"
        value={gauge?.source ?? 'known'}
        options={[
          { value: 'known', label: plan.weaveable.pathless ? 'the units you measured' : 'swatch or layout' },
          { value: 'this piece', label: 'this piece, measured' },
          { value: 'table', label: 'a chart' },
        ]}
        onChange={(source) => onChange({ gauge: startingGauge(source, plan) })}
      />
      {gauge?.source === 'this piece' && (
        <>
          <CountInput
            label="Units done"
            value={gauge.units}
            least={1}
            most={MOST_UNITS}
            onChange={(units) => onChange({ gauge: { ...gauge, units } })}
          />
          <LengthInput
            label="They measure, first bead to last, no clasp"
            mm={gauge.lengthMm}
            range={MEASURED}
            onChange={(lengthMm) => onChange({ gauge: { ...gauge, lengthMm } })}
            help="Lay the work flat on a ruler, drawn as tight as you mean to leave it."
          />
          {shortens && (
            <Toggle
              label={`Measured after ${plan.gauge.shortening?.passes.join(' and ') ?? ''}`}
              help="Later passes draw the base in a little."
              checked={gauge.finished}
              onChange={(finished) => onChange({ gauge: { ...gauge, finished } })}
            />
          )}
          <KeepAsSwatch piece={piece} measured={gauge} plan={plan} />
        </>
      )}
      {gauge?.source === 'table' && (
        <LengthInput
          label="Length of one unit by the chart"
          mm={gauge.pitchMm}
          range={UNIT}
          onChange={(pitchMm) => onChange({ gauge: { ...gauge, pitchMm } })}
        />
      )}
    </>
  );
}

/** A gauge to start typing from: what the plan has. */
function startingGauge(source: 'known' | 'this piece' | 'table', { gauge }: Plan): Piece['gauge'] {
  if (source === 'known') return null;
  if (source === 'table') return { source, pitchMm: gauge.pitchMm };
  const units = Math.max(1, Math.round(50 / gauge.pitchMm));
  return { source, units, lengthMm: units * gauge.basePitchMm, finished: gauge.shortening === null };
}

/** What was measured on this piece, kept as a swatch for others in the same stitch and beads. */
function KeepAsSwatch({
  piece,
  measured,
  plan,
}: {
  readonly piece: Piece;
  readonly measured: Extract<Piece['gauge'], { source: 'this piece' }>;
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
