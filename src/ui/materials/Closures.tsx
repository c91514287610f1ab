'use client';

import { App, Button } from 'antd';
import { useState } from 'react';
import { simulatedCaliper } from '@/core/materials/instruments';
import { isDoubtful } from '@/core/materials/learn';
import { claspClosedMm, type Clasp, type FindingMaterial } from '@/core/materials/material';
import { measureClosureAction } from '@/server/actions/materials';
import { ask } from '../fields/ask';
import { Rows } from '../fields/Rows';
import { OwnClasp } from '../plan/choices/ends/OwnClasp';
import { useLengths } from '../shell/lengths';
import { MeasureForm } from './measures';
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
      <Rows
        label="Clasps"
        heads={['clasp', 'closed', 'loops a side', 'fastened by', 'known from']}
        does="measure"
      >
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
      </Rows>
      <OwnClasp
        hanging={false}
        onAdded={({ name }) => void message.success(`${name} is among the clasps.`)}
      />
      <Rows label="Findings" heads={['finding', 'adds', 'wire', 'kind', 'known from']} does="measure">
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
      </Rows>
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
            <MeasureForm
              name={entry.name}
              fields={[
                {
                  key: 'mm',
                  label: shelf === 'clasps' ? 'Closed, from loop to loop' : 'What it adds, inside to inside',
                  unit: 'mm',
                  instrument: simulatedCaliper(mm),
                },
              ]}
              onSave={(values) => ask(measureClosureAction, { shelf, id: entry.id, mm: values.mm })}
              doubts={({ mm: value }) =>
                value !== null && isDoubtful(value, mm)
                  ? [{ key: 'mm', value, usual: mm, perhaps: null }]
                  : []
              }
              onDone={onDone}
            />
          </td>
        </tr>
      )}
    </>
  );
}
