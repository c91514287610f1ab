'use client';

import { Button } from 'antd';
import { useState } from 'react';
import { WASTES } from '@/core/making/events';
import { ripped, skipKey } from '@/core/making/making';
import { partOf } from '@/core/piece/partOfPiece';
import { CountInput } from '../fields/CountInput';
import { Choice } from '../fields/Choice';
import { Toggle } from '../fields/Toggle';
import { useLooks } from '../piece/looks';
import { Broken } from './Broken';
import type { MatProps } from './matProps';
import styles from './make.module.css';

/** Work that was taken apart, beads that did not come into it, and passes that are left out: the counts follow. */
export function Mistakes(props: MatProps) {
  const { mat, state, here, happens } = props;
  const { part, made, at } = here;
  const [units, setUnits] = useState<number | null>(null);
  const [why, setWhy] = useState<(typeof WASTES)[number]>('lost');
  const looks = useLooks(partOf(mat.piece, part.id));
  const roles = [...new Set(part.steps.flatMap(({ beads }) => beads.map(({ role }) => role)))];
  const [role, setRole] = useState(roles[0] ?? 'A');
  const [count, setCount] = useState<number | null>(null);
  const optional = [...new Set(part.steps.filter((step) => step.optional).map(({ pass }) => pass))];
  const lost = new Map<string, number>();
  for (const waste of state.wastes)
    if (waste.part === part.id) lost.set(waste.role, (lost.get(waste.role) ?? 0) + waste.count);
  return (
    <div className={styles.form}>
      <h3>Ripped back</h3>
      <CountInput label="Units taken out" value={units} least={1} most={1000} onChange={setUnits} />
      <Button
        disabled={units === null || at === 0}
        onClick={() => {
          if (units === null) return;
          happens({ did: 'rip', to: { part: part.id, made, at: ripped(part, at, units) } });
          setUnits(null);
        }}
      >
        Go back to there
      </Button>
      {state.ripped > 0 && <p className="soft">{state.ripped} steps were taken apart so far.</p>}
      <h3>Beads that did not come into the work</h3>
      <Choice
        label="They were"
        value={why}
        options={WASTES.map((one) => ({ value: one, label: one === 'culled' ? 'culled: misshapen' : one }))}
        onChange={setWhy}
      />
      <Choice
        label="Which"
        value={role}
        options={roles.map((one) => ({
          value: one,
          label: one === 'loop' ? 'loop seeds' : `${one}, ${looks(one).bead.colourName}`,
        }))}
        onChange={setRole}
      />
      <CountInput label="How many" value={count} least={1} most={10_000} onChange={setCount} />
      <Button
        disabled={count === null}
        onClick={() => {
          if (count === null) return;
          happens({ did: 'waste', why, part: part.id, role, count });
          setCount(null);
        }}
      >
        Keep
      </Button>
      {why === 'broken' && <Broken {...props} key={part.id} role={role} />}
      {lost.size > 0 && (
        <p className="soft">
          Gone so far: {[...lost].map(([one, n]) => `${n} ${one === 'loop' ? 'loop seeds' : one}`).join(', ')}
          .
        </p>
      )}
      {optional.length > 0 && <h3>Passes that can be left out</h3>}
      {optional.map((pass) => (
        <Toggle
          key={pass}
          label={`Leave out: ${pass}`}
          checked={state.skipped.has(skipKey(part.id, pass))}
          onChange={(on) => happens({ did: 'skip', part: part.id, pass, on })}
        />
      ))}
    </div>
  );
}
