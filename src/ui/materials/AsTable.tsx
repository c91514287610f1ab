'use client';

import { App } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { FileProblem } from '@/core/files/workspaceFile';
import { MOST_TABLE_LETTERS, MOST_TABLE_ROWS, TABLE_TOO_LONG } from '@/core/materials/table';
import { bringMaterialsAction } from '@/server/actions/materials';
import { ask } from '../fields/ask';
import { ChooseFile } from '../fields/ChooseFile';
import styles from './materials.module.css';

/** Problems that are told one by one. */
const TOLD = 40;

/** The catalogue as a table: taken along, and brought in. */
export function AsTable() {
  const { message } = App.useApp();
  const router = useRouter();
  const [problems, setProblems] = useState<readonly FileProblem[]>([]);
  const refuse = (why: string) => setProblems([{ path: 'the whole file', why }]);
  const bring = async (file: File) => {
    // Told before it is read and sent: a character takes four bytes at most.
    if (file.size > 4 * MOST_TABLE_LETTERS) return refuse(TABLE_TOO_LONG);
    const answer = await ask(bringMaterialsAction, await file.text());
    if (!answer.ok) return refuse(answer.message);
    setProblems(answer.value.problems);
    if (answer.value.kept > 0)
      void message.success(`${answer.value.kept} materials were brought in. Those you had are corrected.`);
    router.refresh();
  };
  return (
    <section className={`card ${styles.card}`} aria-labelledby="as-table">
      <h2 id="as-table">As a table</h2>
      <p>
        <a href="/api/materials" download="ivy-loom-materials.csv">
          Download everything as CSV
        </a>
        , change it in any spreadsheet, and bring it in again. Lengths are in millimetres; a row with an id
        that is known corrects it. At most {MOST_TABLE_ROWS} rows at once.
      </p>
      <ChooseFile label="Bring a CSV in" accept=".csv,text/csv" onFile={(file) => void bring(file)} />
      {problems.length > 0 && (
        <ul role="alert" className={styles.problem}>
          <li>Nothing was brought in. Mend this, and bring the file in again:</li>
          {problems.slice(0, TOLD).map(({ path, why }) => (
            <li key={`${path} ${why}`}>
              <strong>{path}</strong>: {why}
            </li>
          ))}
          {problems.length > TOLD && <li>and {problems.length - TOLD} more like these.</li>}
        </ul>
      )}
    </section>
  );
}
