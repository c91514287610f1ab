'use client';

import { parseLength, type LengthRange, type LengthReading, type LengthUnit } from '@/core/length/length';
import { wordLengthProblem } from '@/core/words/problems';
import { useLengths } from '../shell/lengths';
import { TypedInput } from './TypedInput';
import type { Reading } from './useTyped';

interface Props {
  readonly label: string;
  /** Null where nothing is known yet. */
  readonly mm: number | null;
  readonly range: LengthRange;
  readonly onChange: (mm: number) => void;
  /** Beads and gauges are measured in millimetres, whatever the maker reads lengths in. */
  readonly fine?: boolean;
  /** How it is read, where it can be written otherwise than as a length. */
  readonly parse?: (text: string, unit: LengthUnit) => LengthReading;
  readonly help?: string;
}

/** A length as people write it. */
export function LengthInput({ label, mm, range, onChange, fine = false, parse, help }: Props) {
  const lengths = useLengths();
  const show = fine ? lengths.exact : lengths.show;
  const style = fine ? ({ ...lengths.style, unit: 'mm' } as const) : lengths.style;
  const read = (text: string): Reading<number> => {
    const now = parse ? parse(text, lengths.unit) : parseLength(text, style.unit, range);
    return now.ok
      ? { ok: true, value: now.mm }
      : { ok: false, problem: wordLengthProblem(now.problem, style) };
  };
  return (
    <TypedInput
      label={label}
      shown={mm === null ? '' : show(mm)}
      read={read}
      onTake={onChange}
      placeholder="not measured yet"
      help={help}
    />
  );
}
