'use client';

import { App, Button } from 'antd';
import { useRouter } from 'next/navigation';
import { BEADS } from '@/core/materials/catalogue';
import { measureDoubts, UNMEASURED } from '@/core/materials/learn';
import type { BeadKind } from '@/core/materials/material';
import { forgetMeasuresAction, measureBeadAction } from '@/server/actions/materials';
import { ask } from '../fields/ask';
import { useWayBack } from '../fields/useWayBack';
import { beadFields } from './beadFields';
import { MeasureForm } from './measures';

/** Measures of a kind of bead; the entry learns, and can forget again. */
export function MeasureBead({ kind, onDone }: { readonly kind: BeadKind; readonly onDone: () => void }) {
  const told = BEADS.find(({ id }) => id === kind.id);
  return (
    <MeasureForm
      name={kind.name}
      fields={beadFields(kind)}
      onSave={(values) => ask(measureBeadAction, { id: kind.id, measured: { ...UNMEASURED, ...values } })}
      // A slip that was kept before must not be what the next measure is compared with.
      doubts={(values) => measureDoubts(values, told ?? kind)}
      onDone={onDone}
    >
      {told && kind.source === 'measured' && <Forget kind={kind} onDone={onDone} />}
    </MeasureForm>
  );
}

/** The way back to what is told of a bead; and from there back to what was measured. */
function Forget({ kind, onDone }: { readonly kind: BeadKind; readonly onDone: () => void }) {
  const { message } = App.useApp();
  const wayBack = useWayBack();
  const router = useRouter();
  const put = async (measured: BeadKind | null) => {
    const answer = await ask(forgetMeasuresAction, { id: kind.id, measured });
    if (!answer.ok) return void message.error(answer.message);
    router.refresh();
    if (measured) return;
    wayBack({
      key: kind.id,
      done: `${kind.name} has the catalogue’s sizes again.`,
      run: () => put(kind),
    });
    onDone();
  };
  return <Button onClick={() => void put(null)}>Back to the catalogue’s sizes</Button>;
}
