'use client';

import { Button } from 'antd';
import { planPiece } from '@/core/plan';
import type { Piece } from '@/core/piece';
import { useLayouts } from '../layouts/useLayouts';
import { PieceStrip } from '../piece/PieceDrawing';
import styles from './gallery.module.css';

interface Props {
  readonly examples: readonly Piece[];
  readonly onTake: (example: Piece) => void;
}

/** Whole pieces in this stitch; their beads and parameters can be taken over. */
export function Examples({ examples, onTake }: Props) {
  const { layouts } = useLayouts();
  if (examples.length === 0) return null;
  return (
    <section className={`card ${styles.examples}`} aria-labelledby="made-in-it">
      <h2 id="made-in-it">Made in it</h2>
      <ul>
        {examples.map((piece) => {
          const plan = planPiece(piece, layouts);
          return (
            <li key={piece.name}>
              <h3>{piece.name}</h3>
              {plan.ok && <PieceStrip piece={piece} plan={plan} />}
              <Button onClick={() => onTake(piece)}>
                Play with these beads <span className="srOnly">of {piece.name}</span>
              </Button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
