'use client';

import { KIND_FACTS, type Kind } from '@/core/body/kinds';
import { dropMm, nameOfLength } from '@/core/body/necklace';
import { wordWearPart } from '@/core/words/wear';
import { shownParts } from '@/core/length/length';
import type { Plan } from '@/core/plan/plan';
import { useLengths } from '../../../shell/lengths';
import { Term } from '../../../glossary/Term';
import styles from '../choices.module.css';

/** Whether a kind of piece goes round something and is closed there. */
const closes = (kind: Kind) => kind !== 'lariat' && kind !== 'earring';

/** What the wished length is made of, added up. */
export function WearLedger({ plan: { wear, kind, chosen } }: { readonly plan: Plan }) {
  const { show, change, style } = useLengths();
  const { place } = KIND_FACTS[kind];
  const shown = shownParts(
    wear.parts.map(({ mm }) => mm),
    style,
  );
  const [first, ...more] = wear.parts.map(({ what }, i) => ({ what, mm: shown[i] ?? 0 }));
  return (
    <dl className={styles.facts}>
      {first && (
        <div>
          <dt>{wordWearPart(first.what, kind, place)}</dt>
          <dd className="figures">{show(first.mm)}</dd>
        </div>
      )}
      {more.map(({ what, mm }) => (
        <div key={what}>
          <dt>{what === 'ease' ? <Term word="ease" /> : wordWearPart(what, kind, place)}</dt>
          <dd className="figures">{change(mm)}</dd>
        </div>
      ))}
      <div className={styles.sum}>
        <dt>target length, finished{closes(kind) ? ' and closed' : ''}</dt>
        <dd className="figures">{show(wear.wishMm)}</dd>
      </div>
      <div>
        <dt>still fits between</dt>
        <dd className="figures">
          {show(wear.band.minMm)} and {show(wear.band.maxMm)}
        </dd>
      </div>
      {kind === 'necklace' && (
        <div>
          <dt>{nameOfLength(chosen.finishedMm)} length</dt>
          <dd className="figures">
            {wear.bodyMm === null
              ? ''
              : `falls ${show(dropMm(wear.bodyMm, chosen.finishedMm))} below the neck`}
          </dd>
        </div>
      )}
    </dl>
  );
}
