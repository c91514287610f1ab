'use client';

import { counted } from '@/core/words/figures';
import type { FilesData } from '@/server/screens';
import { ScreenHeader } from '../shell/ScreenHeader';
import { BringIn } from './BringIn';
import styles from './files.module.css';

const TAKEN = [
  {
    what: 'workspace',
    name: 'Everything, as one file',
    told: 'people, pieces, patterns, swatches, materials, what was made, photographs; JSON',
  },
  { what: 'people', name: 'People', told: 'their newest measures, a line for each; CSV' },
  { what: 'swatches', name: 'Swatches', told: 'stitch and beads in the last column; CSV' },
] as const;

/** What is taken along and brought in, and the copies that are kept. */
export function FilesScreen({ kind, backups, people, pieces }: FilesData) {
  return (
    <>
      <ScreenHeader title="Files" told={`${counted(pieces, 'piece')}, ${people} people`} />
      <section className={`card ${styles.card}`} aria-labelledby="take">
        <h2 id="take">Take along</h2>
        <ul className={styles.list}>
          {TAKEN.map(({ what, name, told }) => (
            <li key={what}>
              <a href={`/api/files/${what}`}>{name}</a> <span className="soft">{told}</span>
            </li>
          ))}
          <li>
            <a href="/api/materials">Materials</a>{' '}
            <span className="soft">beads, threads, clasps, a line for each; CSV</span>
          </li>
        </ul>
        <p className="soft">
          One piece is taken along from its card on the bench, a pattern from its own line there; the sheet,
          the drawing and the quantities of a piece from its plan. Lengths in files are millimetres.
        </p>
      </section>
      <BringIn />
      <section className={`card ${styles.card}`} aria-labelledby="backups">
        <h2 id="backups">Backups</h2>
        {kind === 'server' ? (
          <p>
            Your data is on a PostgreSQL server, which keeps its own backups (<code>pg_dump</code>).
            Everything as one file, above, is a copy that any Ivy Loom reads.
          </p>
        ) : backups.length === 0 ? (
          <p>None is made yet: the first is made at the next start, then every six hours.</p>
        ) : (
          <>
            <p>
              Made by itself every six hours, the last twelve are kept, and the first of each day is tried. To
              put one back, stop Ivy Loom and run <code>npm run restore</code>.
            </p>
            <ul className={styles.backups}>
              {backups.map((on) => (
                <li key={on}>{on}</li>
              ))}
            </ul>
          </>
        )}
      </section>
    </>
  );
}
