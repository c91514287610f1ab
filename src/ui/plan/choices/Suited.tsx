'use client';

import { Button } from 'antd';
import { useMemo } from 'react';
import { bodiesOnThread } from '@/core/piece/part';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import { boundStitch } from '@/core/structures/registry';
import styles from './choices.module.css';

interface Props {
  readonly part: PartOfPiece;
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

/** Where sizes do not suit each other in a stitch: what it says of that, and one press that does what would suit. */
export function Suited({ part, onChange }: Props) {
  const { structure } = part;
  const found = useMemo(() => {
    const bound = boundStitch(structure);
    if (!bound.ok || !bound.weaveable.suited) return null;
    const body = bodiesOnThread(part);
    const { advise, suitedWords = 'Make it lie flat' } = bound.weaveable;
    return { advice: advise?.(body) ?? [], params: bound.weaveable.suited(body), words: suitedWords };
  }, [structure, part]);
  if (!found || found.advice.length === 0) return null;
  const { advice, params, words } = found;
  return (
    <section className={styles.role} aria-label="What suits these beads">
      {advice.map((line) => (
        <p key={line}>{line}</p>
      ))}
      {params && (
        <Button
          onClick={() =>
            onChange({ structure: { ...structure, params: { ...structure.params, ...params } } })
          }
        >
          {words}
        </Button>
      )}
    </section>
  );
}
