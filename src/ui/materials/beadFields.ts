import { simulatedInstruments } from '@/core/materials/instruments';
import type { MeasuredBead } from '@/core/materials/learn';
import type { BeadKind } from '@/core/materials/material';
import type { MeasureField } from './measures';

/** What is to be measured of a kind of bead: where it has two holes, how they lie too. */
export function beadFields(kind: BeadKind): readonly MeasureField<keyof MeasuredBead>[] {
  const { ten, across, wide, apart, hundred } = simulatedInstruments(kind);
  const flat = kind.widthMm !== null;
  return [
    { key: 'tenMm', label: 'Ten on a needle, end to end', unit: 'mm', instrument: ten },
    { key: 'diameterMm', label: flat ? 'One, how thick' : 'One, across', unit: 'mm', instrument: across },
    { key: 'holeMm', label: 'Its hole, across', unit: 'mm', instrument: null },
    ...(flat ? [{ key: 'widthMm', label: 'One, how wide', unit: 'mm', instrument: wide } as const] : []),
    ...(kind.apartMm === null
      ? []
      : [{ key: 'apartMm', label: 'From hole to hole, middles', unit: 'mm', instrument: apart } as const]),
    { key: 'hundredGrams', label: 'A hundred weigh', unit: 'g', instrument: hundred },
  ];
}
