'use client';

import { App, Button, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useId, useState, useTransition } from 'react';
import { measureDoubts, UNMEASURED, type MeasureDoubt, type MeasuredBead } from '@/core/materials/learn';
import type { BeadKind } from '@/core/materials/material';
import { addBeadAction } from '@/server/actions/materials';
import { ask } from '../fields/ask';
import { useWarnOfLeaving } from '../fields/useWarnOfLeaving';
import { Pick } from '../fields/Pick';
import { beadFields } from './beadFields';
import { Doubts, MeasureFields, Simulated, useMeasures } from './measures';
import styles from './materials.module.css';

/** A bead of one's own: shape and holes as a bead that is known, sizes as they are measured. */
export function AddBead({ kinds }: { readonly kinds: readonly BeadKind[] }) {
  const { message } = App.useApp();
  const router = useRouter();
  const id = useId();
  const [name, setName] = useState('');
  const [like, setLike] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [saving, start] = useTransition();
  const kind = kinds.find((one) => one.id === like);
  const fields = kind ? beadFields(kind) : [];
  // What was typed for a bead with two holes is nothing to one with one.
  const { typed, type, clear, values, wrong } = useMeasures(fields.map(({ key }) => key));
  useWarnOfLeaving(name.trim() !== '' || Object.values(typed).some((text) => text?.trim()));
  const [asked, setAsked] = useState<readonly MeasureDoubt[]>([]);
  const write = (key: keyof MeasuredBead, text: string) => {
    setAsked([]);
    type(key, text);
  };
  const add = (sure: boolean) => {
    if (!kind) return setProblem('Choose the bead that it is most like: shape and holes are taken from it.');
    // In its own size it may be far from the one that it is like: asked is only where one was measured for many.
    const found =
      sure || wrong !== null ? [] : measureDoubts(values, kind).filter(({ perhaps }) => perhaps !== null);
    setAsked(found);
    setProblem(wrong);
    if (wrong !== null || found.length > 0) return;
    start(async () => {
      const answer = await ask(addBeadAction, {
        name,
        like: kind.id,
        measured: { ...UNMEASURED, ...values },
      });
      if (!answer.ok) return setProblem(answer.message);
      void message.success(`${answer.value.name} is among the beads.`);
      setName('');
      clear();
      router.refresh();
    });
  };
  return (
    <details className={styles.own}>
      <summary>A bead of your own</summary>
      <form
        className={styles.measure}
        aria-label="Add a bead"
        onSubmit={(event) => {
          event.preventDefault();
          add(false);
        }}
      >
        <div className={styles.field}>
          <label htmlFor={`${id}-name`}>What you call it</label>
          <Input
            id={`${id}-name`}
            value={name}
            autoComplete="off"
            onChange={(event) => setName(event.target.value)}
          />
        </div>
        <Pick
          label="Most like"
          value={like}
          options={kinds.map((one) => ({ value: one.id, label: one.name }))}
          placeholder="a bead that is known"
          onChange={setLike}
        />
        <MeasureFields fields={fields} typed={typed} onType={write} />
        <Doubts doubts={asked} fields={fields} onType={write} onKeep={() => add(true)} />
        {problem !== null && (
          <p role="alert" className={styles.problem}>
            {problem}
          </p>
        )}
        {kind && <Simulated />}
        <span className={styles.reading}>
          <Button htmlType="submit" loading={saving}>
            Add the bead
          </Button>
        </span>
      </form>
    </details>
  );
}
