'use client';

import { createContext, use, useMemo, type ReactNode } from 'react';
import {
  formatChange,
  formatLength,
  formatFigure,
  formatFine,
  formatFineNumber,
  formatTenth,
  formatThread,
  type LengthStyle,
  type LengthUnit,
} from '@/core/length/length';
import { changeSettings } from './settingsSync';

interface Lengths {
  readonly unit: LengthUnit;
  readonly style: LengthStyle;
  readonly show: (mm: number) => string;
  /** A change, with its sign. */
  readonly change: (mm: number) => string;
  readonly thread: (mm: number) => string;
  /** Millimetres as gauges and beads are measured, over several; the same without its unit. */
  readonly fine: (mm: number) => string;
  readonly fineNumber: (mm: number) => string;
  /** Millimetres as a caliper is read on work that gives. */
  readonly tenth: (mm: number) => string;
  /** Millimetres as they were measured, without the noughts of `fine`. */
  readonly exact: (mm: number) => string;
  /** The same of a change, with its sign. */
  readonly exactChange: (mm: number) => string;
  /** A figure with so many decimals. */
  readonly figure: (value: number, digits: number) => string;
  readonly setUnit: (unit: LengthUnit) => void;
}

const Context = createContext<Lengths | null>(null);

/** Lengths in the weaver's own unit, for everything below it. */
export function LengthsProvider({
  unit,
  denominator,
  decimal = '.',
  children,
}: LengthStyle & { readonly children: ReactNode }) {
  const value = useMemo((): Lengths => {
    const style: LengthStyle = { unit, denominator, decimal };
    return {
      unit,
      style,
      show: (mm) => formatLength(mm, style),
      change: (mm) => formatChange(mm, style),
      thread: (mm) => formatThread(mm, unit, decimal),
      fine: (mm) => formatFine(mm, style),
      fineNumber: (mm) => formatFineNumber(mm, style),
      tenth: (mm) => formatTenth(mm, style),
      exactChange: (mm) => formatChange(mm, { ...style, unit: 'mm' }),
      exact: (mm) => formatLength(mm, { ...style, unit: 'mm' }),
      figure: (value, digits) => formatFigure(value, digits, decimal),
      setUnit: (lengthUnit) => changeSettings({ lengthUnit }),
    };
  }, [unit, denominator, decimal]);
  return <Context value={value}>{children}</Context>;
}

export function useLengths(): Lengths {
  const lengths = use(Context);
  if (!lengths) throw new Error('useLengths needs a LengthsProvider above it.');
  return lengths;
}
