'use client';

import Link from 'next/link';
import { useEffect, useMemo, useState } from 'react';
import { structureById } from '@/core/structures/registry';
import { rolesOf } from '@/core/structures/structure';
import { partOf, type PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { wordProblem } from '@/core/words/problems';
import type { GalleryData } from '@/server/screens';
import { layingOut, layoutStore } from '../layouts/layoutStore';
import { useLayouts } from '../layouts/useLayouts';
import { BeadsChoice } from '../plan/choices/BeadsChoice';
import { PassToggles } from '../plan/choices/PassToggles';
import { StructureFields } from '../plan/choices/StructureFields';
import { useLengths } from '../shell/lengths';
import { Examples } from './Examples';
import { planSample, samplePiece } from './sample';
import { StartFromStitch } from './StartFromStitch';
import { WithTerms } from '../glossary/WithTerms';
import { StitchNumbers } from './StitchNumbers';
import { StitchPicture } from './StitchPicture';
import styles from './gallery.module.css';

interface Props extends GalleryData {
  readonly structureId: string;
}

/** One stitch to play with: its picture and numbers follow every choice, and its path is played move by move. */
export function StitchScreen({ structureId, people, catalogue, examples }: Props) {
  const structure = structureById(structureId);
  const [piece, setPiece] = useState(() => samplePiece(structureId));
  const { style } = useLengths();
  const known = useLayouts();
  const { layouts } = known;
  const plan = useMemo(() => planSample(piece, layouts), [piece, layouts]);
  const toLayOut = plan.ok ? plan.toLayOut : null;
  useEffect(() => layoutStore.want(toLayOut), [toLayOut]);
  useEffect(() => () => layoutStore.want(null), []);
  /** The last sample that stood stays in view while a choice is being mended. */
  const [last, setLast] = useState<{ piece: PartOfPiece; plan: Plan } | null>(
    plan.ok ? { piece, plan } : null,
  );
  if (plan.ok && last?.plan !== plan) setLast({ piece, plan });
  const shown = plan.ok ? { piece, plan } : last;
  const change = (part: Partial<PartOfPiece>) => setPiece({ ...piece, ...part });
  if (!structure) return null;
  const bound = plan.ok ? plan.weaveable : structure.bind(structure.defaults);

  return (
    <div className={styles.stitch}>
      <header className={styles.header}>
        <Link href="/gallery" className={styles.back}>
          ← Gallery
        </Link>
        <h1>{structure.name}</h1>
        <p className="soft">
          <WithTerms text={structure.about} />
        </p>
      </header>
      {!plan.ok && (
        <p role="alert" className={styles.problem}>
          {wordProblem(plan.problem, style)} What you see is the last that worked.
        </p>
      )}
      <div className={styles.columns}>
        <section className={`card ${styles.play}`} aria-labelledby="play-with-it">
          <h2 id="play-with-it">Play with it</h2>
          <StructureFields piece={piece} onChange={change} />
          {plan.ok && <PassToggles passes={plan.optionalPasses} piece={piece} onChange={change} />}
          <details className={styles.beads}>
            <summary>Other beads</summary>
            <BeadsChoice
              plan={null}
              piece={piece}
              parts={bound.parts}
              roles={rolesOf(bound)}
              kinds={catalogue.beads}
              onChange={change}
            />
          </details>
        </section>
        {shown && <StitchPicture {...shown} />}
        <aside className={styles.side}>
          {shown && <StitchNumbers plan={shown.plan} layingOut={layingOut(known, toLayOut)} />}
          <StartFromStitch piece={piece} people={people} ready={plan.ok} />
          <section className={`card ${styles.notes}`} aria-labelledby="what-to-expect">
            <h2 id="what-to-expect">What to expect</h2>
            <dl>
              {structure.looks.map(({ after, look }) => (
                <div key={after}>
                  <dt>After {after}</dt>
                  <dd>
                    <WithTerms text={look} />
                  </dd>
                </div>
              ))}
            </dl>
            <h2>What to watch</h2>
            <ul>
              {structure.watch.map((line) => (
                <li key={line}>
                  <WithTerms text={line} />
                </li>
              ))}
            </ul>
            <p>
              <strong>Thread:</strong> {structure.thread}
            </p>
          </section>
          <Examples
            examples={examples.filter((one) => partOf(one).structure.id === structureId)}
            onTake={(example) => {
              const { structure, beads, without } = partOf(example);
              setPiece({ ...piece, structure, beads, without });
            }}
          />
        </aside>
      </div>
    </div>
  );
}
