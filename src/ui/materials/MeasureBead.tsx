'use client';

import { App, Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import type { BeadKind } from '@/core/materials/material';
import { measureBeadAction } from '@/server/actions/materials';
import { BEAD_MEASURES, beadFields } from './beadFields';
import { MeasureFields, Simulated, useMeasures } from './measures';
import styles from './materials.module.css';

/** Measures of a kind of bead, typed or read off an instrument; the entry learns. */
export function MeasureBead({ kind, onDone }: { readonly kind: BeadKind; readonly onDone: () => void }) {
  const { message } = App.useApp();
  const router = useRouter();
  const { typed, type, values, wrong } = useMeasures(BEAD_MEASURES);
  const [problem, setProblem] = useState<string | null>(null);
  const [saving, start] = useTransition();
  const save = () =>
    start(async () => {
      if (wrong !== null) return setProblem(wrong);
      const answer = await measureBeadAction({ id: kind.id, measured: values });
      if (!answer.ok) return setProblem(answer.message);
      void message.success(`${kind.name} goes by your measure now.`);
      router.refresh();
      onDone();
    });
  return (
    <form
      className={styles.measure}
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <MeasureFields fields={beadFields(kind)} typed={typed} onType={type} />
      {problem !== null && (
        <p role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
      <Simulated />
      <span className={styles.reading}>
        <Button type="primary" htmlType="submit" loading={saving}>
          Keep these measures
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </span>
    </form>
  );
}
