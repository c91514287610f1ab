'use client';

import { TypedInput } from './TypedInput';
import type { Reading } from './useTyped';

interface Props {
  readonly label: string;
  /** Null where nothing is known yet. */
  readonly value: number | null;
  readonly least: number;
  readonly most: number;
  readonly onChange: (value: number) => void;
  readonly help?: string;
}

/** A whole number as it is typed. */
export function CountInput({ label, value, least, most, onChange, help }: Props) {
  const read = (text: string): Reading<number> => {
    const count = Number(text.trim());
    return /^\d+$/.test(text.trim()) && count >= least && count <= most
      ? { ok: true, value: count }
      : { ok: false, problem: `Write a whole number from ${least} to ${most}.` };
  };
  return (
    <TypedInput
      label={label}
      shown={value === null ? '' : String(value)}
      read={read}
      onTake={onChange}
      inputMode="numeric"
      help={help || undefined}
    />
  );
}
