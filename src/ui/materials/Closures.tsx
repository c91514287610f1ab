'use client';

import { App, Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { simulatedCaliper } from '@/core/materials/instruments';
import { claspClosedMm, type Clasp, type FindingMaterial } from '@/core/materials/material';
import { measureClosureAction } from '@/server/actions/materials';
import { OwnClasp } from '../plan/choices/ends/OwnClasp';
import { useLengths } from '../shell/lengths';
import { MeasureFields, Simulated, useMeasures } from './measures';
import { SOURCE_WORDS } from './sourceWords';
import styles from './materials.module.css';

interface Props {
  readonly clasps: readonly Clasp[];
  readonly findings: readonly FindingMaterial[];
}

type Shelf = keyof Props;

/** What closes a piece, and the small metal parts: what each takes of the length, to be corrected. */
export function Closures({ clasps, findings }: Props) {
  const { message } = App.useApp();
  const [measuring, setMeasuring] = useState<string | null>(null);
  const toggle = (id: string) => setMeasuring(measuring === id ? null : id);
  const done = () => setMeasuring(null);
  return (
    <section className={`card ${styles.card}`} aria-labelledby="closures">
      <h2 id="closures">Clasps and findings</h2>
      <p className="soft">
        What a clasp takes of the finished length, closed. A loop over a ball or a button takes its own
        length, which the plan works out.
      </p>
      <table className={styles.table} aria-label="Clasps">
        <thead>
          <tr>
            <th scope="col">clasp</th>
            <th scope="col">closed</th>
            <th scope="col">loops a side</th>
            <th scope="col">fastened by</th>
            <th scope="col">known from</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {clasps.map((clasp) => (
            <Row
              key={clasp.id}
              shelf="clasps"
              entry={clasp}
              // What closes by a loop of seeds has no length of its own to be measured.
              mm={clasp.buttonsMm === null ? claspClosedMm(clasp) : null}
              facts={[`${clasp.loops}`, clasp.fastening]}
              measuring={measuring === clasp.id}
              onMeasure={() => toggle(clasp.id)}
              onDone={done}
            />
          ))}
        </tbody>
      </table>
      <OwnClasp onAdded={({ name }) => void message.success(`${name} is among the clasps.`)} />
      <table className={styles.table} aria-label="Findings">
        <thead>
          <tr>
            <th scope="col">finding</th>
            <th scope="col">adds</th>
            <th scope="col">wire</th>
            <th scope="col">kind</th>
            <th scope="col">known from</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {findings.map((finding) => (
            <Row
              key={finding.id}
              shelf="findings"
              entry={finding}
              mm={finding.lengthMm}
              facts={[finding.wireMm === null ? 'not known' : finding.wireMm, finding.kind]}
              measuring={measuring === finding.id}
              onMeasure={() => toggle(finding.id)}
              onDone={done}
            />
          ))}
        </tbody>
      </table>
    </section>
  );
}

interface RowProps {
  readonly shelf: Shelf;
  readonly entry: Clasp | FindingMaterial;
  /** The length it takes; null where it has none of its own. */
  readonly mm: number | null;
  /** What else stands in its row; a number is a length, mm. */
  readonly facts: readonly (string | number)[];
  readonly measuring: boolean;
  readonly onMeasure: () => void;
  readonly onDone: () => void;
}

function Row({ shelf, entry, mm, facts, measuring, onMeasure, onDone }: RowProps) {
  const { fine } = useLengths();
  return (
    <>
      <tr>
        <th scope="row">{entry.name}</th>
        <td className="figures">{mm === null ? 'its loop' : fine(mm)}</td>
        {facts.map((fact, i) => (
          <td key={i}>{typeof fact === 'number' ? fine(fact) : fact}</td>
        ))}
        <td>{SOURCE_WORDS[entry.source]}</td>
        <td>
          {mm !== null && (
            <Button aria-expanded={measuring} onClick={onMeasure}>
              Measure<span className="srOnly"> {entry.name}</span>
            </Button>
          )}
        </td>
      </tr>
      {measuring && mm !== null && (
        <tr>
          <td colSpan={4 + facts.length}>
            <Measure shelf={shelf} entry={entry} mm={mm} onDone={onDone} />
          </td>
        </tr>
      )}
    </>
  );
}

/** The measured length of a clasp or a finding. */
function Measure({
  shelf,
  entry,
  mm,
  onDone,
}: Pick<RowProps, 'shelf' | 'entry' | 'onDone'> & { readonly mm: number }) {
  const { message } = App.useApp();
  const router = useRouter();
  const { typed, type, values, wrong } = useMeasures(['mm']);
  const [problem, setProblem] = useState<string | null>(null);
  const [saving, start] = useTransition();
  const label = shelf === 'clasps' ? 'Closed, from loop to loop' : 'What it adds, inside to inside';
  const save = () =>
    start(async () => {
      if (wrong !== null) return setProblem(wrong);
      if (values.mm === null) return setProblem('Write the length that you measured, or read the caliper.');
      const answer = await measureClosureAction({ shelf, id: entry.id, mm: values.mm });
      if (!answer.ok) return setProblem(answer.message);
      void message.success(`${entry.name} goes by your measure now.`);
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
      <MeasureFields
        fields={[{ key: 'mm', label, unit: 'mm', instrument: simulatedCaliper(mm) }]}
        typed={typed}
        onType={type}
      />
      {problem !== null && (
        <p role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
      <Simulated />
      <span className={styles.reading}>
        <Button type="primary" htmlType="submit" loading={saving}>
          Keep this measure
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </span>
    </form>
  );
}
