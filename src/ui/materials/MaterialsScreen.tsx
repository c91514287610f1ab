'use client';

import { useState } from 'react';
import { MM_PER_INCH } from '@/core/length/length';
import type { StoredCatalogue } from '@/server/screens';
import { Rows } from '../fields/Rows';
import { hasWords } from '../fields/sought';
import { useLengths } from '../shell/lengths';
import { Find, ScreenHeader } from '../shell/ScreenHeader';
import { UnreadableThings } from '../shell/Unreadable';
import { AddBead } from './AddBead';
import { AddThread } from './AddThread';
import { AsTable } from './AsTable';
import { BeadRow } from './BeadRow';
import { Closures } from './Closures';
import { SOURCE_WORDS } from './sourceWords';
import styles from './materials.module.css';

/** Beads, threads, needles, clasps and findings at hand: what plans reckon with, to be corrected by one's own measures. */
export function MaterialsScreen({
  catalogue: { beads, threads, needles, clasps, findings, unreadable },
}: {
  readonly catalogue: StoredCatalogue;
}) {
  const { unit } = useLengths();
  const [sought, setSought] = useState('');
  const [measuring, setMeasuring] = useState<string | null>(null);
  const found = beads.filter(({ name, shape, source }) =>
    hasWords(sought, name, shape, SOURCE_WORDS[source]),
  );
  return (
    <div className={styles.screen}>
      <ScreenHeader
        title="Materials"
        told={
          found.length === beads.length
            ? `${beads.length} kinds of bead`
            : `${found.length} of ${beads.length} kinds of bead`
        }
      >
        <Find
          label="Find a bead"
          hint="Find by name, shape, or where it is known from"
          sought={sought}
          onSeek={setSought}
        />
      </ScreenHeader>
      <p className="soft">
        Most sizes are typical ones, not measured. Measure what you have: ten on a needle beside a ruler, a
        hundred on a scale. Pieces already begun keep the bead as it was; their plans offer the new sizes.
      </p>
      <section className={`card ${styles.card}`} aria-labelledby="beads">
        <h2 id="beads">Beads</h2>
        <AddBead kinds={beads} />
        {found.length === 0 ? (
          <p>No bead has “{sought}” in its name or shape.</p>
        ) : (
          <Rows
            heads={[
              'bead',
              'along the hole',
              'diameter',
              'hole',
              unit === 'in' ? 'an inch' : '10 cm',
              'a gram',
              'known from',
            ]}
            does="measure"
          >
            {found.map((kind) => (
              <BeadRow
                key={kind.id}
                kind={kind}
                measuring={measuring === kind.id}
                onMeasure={(on) => setMeasuring(on ? kind.id : null)}
              />
            ))}
          </Rows>
        )}
      </section>
      <section className={`card ${styles.card}`} aria-labelledby="threads">
        <h2 id="threads">Threads and needles</h2>
        <div className={styles.two}>
          <Diameters label="Threads" rows={threads} />
          <Diameters label="Needles" rows={needles} />
        </div>
        <AddThread />
      </section>
      <Closures clasps={clasps} findings={findings} />
      <UnreadableThings things={unreadable} />
      <AsTable />
    </div>
  );
}

interface DiametersProps {
  readonly label: string;
  readonly rows: readonly {
    readonly id: string;
    readonly name: string;
    readonly diameterMm: number;
    readonly source: keyof typeof SOURCE_WORDS;
  }[];
}

/** Thickness in both units: weights and letters contradict each other, the diameter does not. */
const Diameters = ({ label, rows }: DiametersProps) => {
  const { figure } = useLengths();
  return (
    <Rows label={label} heads={[label.toLowerCase(), 'mm', 'inch', 'known from']}>
      {rows.map(({ id, name, diameterMm, source }) => (
        <tr key={id}>
          <th scope="row">{name}</th>
          <td className="figures">{figure(diameterMm, 2)}</td>
          <td className="figures">{figure(diameterMm / MM_PER_INCH, 3)}</td>
          <td>{SOURCE_WORDS[source]}</td>
        </tr>
      ))}
    </Rows>
  );
};
