'use client';

import { UNMEASURED } from '@/core/materials/learn';
import type { BeadKind } from '@/core/materials/material';
import { measureBeadAction } from '@/server/actions/materials';
import { ask } from '../fields/ask';
import { beadFields } from './beadFields';
import { MeasureForm } from './measures';

/** Measures of a kind of bead; the entry learns. */
export const MeasureBead = ({ kind, onDone }: { readonly kind: BeadKind; readonly onDone: () => void }) => (
  <MeasureForm
    name={kind.name}
    fields={beadFields(kind)}
    onSave={(values) => ask(measureBeadAction, { id: kind.id, measured: { ...UNMEASURED, ...values } })}
    onDone={onDone}
  />
);
