'use client';

import { Button } from 'antd';
import { useMemo } from 'react';
import { planPiece } from '@/core/plan/plan';
import { partOf } from '@/core/piece/partOfPiece';
import type { Piece } from '@/core/piece/piece';
import { useLayouts } from '../layouts/useLayouts';
import { PieceStrip } from '../piece/PieceDrawing';
import styles from './gallery.module.css';

interface Props {
  readonly examples: readonly Piece[];
  readonly onTake: (example: Piece) => void;
}

/** Whole pieces in this stitch; their beads and parameters can be taken over. */
export function Examples({ examples, onTake }: Props) {
  if (examples.length === 0) return null;
  return (
    <section className={`card ${styles.examples}`} aria-labelledby="made-in-it">
      <h2 id="made-in-it">Made in it</h2>
      <ul>
        {examples.map((piece) => (
          <li key={piece.name}>
            <h3>{piece.name}</h3>
            <Strip piece={piece} />
            <Button onClick={() => onTake(piece)}>
              Play with these beads <span className="srOnly">of {piece.name}</span>
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Planned once: it does not follow what is played with beside it. */
function Strip({ piece }: { readonly piece: Piece }) {
  const { layouts } = useLayouts();
  const plan = useMemo(() => planPiece(piece, { layouts }), [piece, layouts]);
  return plan.ok ? <PieceStrip piece={partOf(piece)} plan={plan} /> : null;
}
