'use client';

import { useState } from 'react';
import { counted } from '@/core/words/figures';
import { measuredGauge } from '@/core/fit/swatch';
import { keyOfSwatch, readingsOf } from '@/core/records/swatches';
import { structureById } from '@/core/structures/registry';
import type { StoredPiece, StoredSwatch } from '@/server/screens';
import { useAtHand } from '../shell/atHand';
import { Begin, ScreenHeader } from '../shell/ScreenHeader';
import { UnreadableThings } from '../shell/Unreadable';
import { AddSwatch } from './AddSwatch';
import { GaugeCard } from './GaugeCard';
import styles from './swatches.module.css';

/** Measured swatches, those of one stitch and one set of beads together: what gauges stand on. */
export function SwatchesScreen({ pieces }: { readonly pieces: readonly StoredPiece[] }) {
  const { swatches, unreadableSwatches } = useAtHand();
  const [adding, setAdding] = useState(false);
  const gauges = together(swatches);
  return (
    <div className={styles.screen}>
      <ScreenHeader
        title="Swatches"
        told={
          swatches.length === 0
            ? 'none yet'
            : `${counted(swatches.length, 'swatch', 'swatches')}, ${counted(gauges.length, 'gauge')}`
        }
      >
        <Begin disabled={pieces.length === 0} begun={adding} onBegin={() => setAdding(!adding)}>
          Record a swatch
        </Begin>
      </ScreenHeader>
      {adding && (
        <AddSwatch pieces={pieces} onAdded={() => setAdding(false)} onCancel={() => setAdding(false)} />
      )}
      {swatches.length === 0 && (
        <section className={`card ${styles.empty}`}>
          <h2>Your own work, on a ruler</h2>
          <p>
            Work a few units in the beads you mean to use, lay them on a ruler, and record how many units
            measure how long. Every plan in the same stitch and beads then goes by your hand instead of by
            tables.{' '}
            {pieces.length === 0 ? 'Plan a piece first: a swatch takes its stitch and beads from it.' : ''}
          </p>
        </section>
      )}
      <UnreadableThings things={unreadableSwatches} />
      {gauges.map((gauge) => (
        <GaugeCard
          key={gauge.key}
          title={structureById(gauge.first.doc.structure.id)?.name ?? 'Unknown stitch'}
          swatches={gauge.swatches}
          gauge={measuredGauge(readingsOf(gauge.swatches.map(({ doc }) => doc)))}
        />
      ))}
    </div>
  );
}

interface Together {
  readonly key: string;
  readonly first: StoredSwatch;
  readonly swatches: readonly StoredSwatch[];
}

/** Swatches of one stitch, in beads of the same sizes and the same thread, make one gauge. */
function together(swatches: readonly StoredSwatch[]): Together[] {
  const groups = new Map<string, StoredSwatch[]>();
  for (const swatch of swatches) {
    const key = `${keyOfSwatch(swatch.doc)?.key ?? swatch.id}/${swatch.doc.thread.id}`;
    groups.set(key, [...(groups.get(key) ?? []), swatch]);
  }
  return [...groups].flatMap(([key, all]) => (all[0] ? [{ key, first: all[0], swatches: all }] : []));
}
