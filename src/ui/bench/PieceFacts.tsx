'use client';

import { finishedWords } from '@/core/words/closings';
import { useMemo } from 'react';
import { cardOf, type Card } from '@/core/plan/card';
import { planOrFault } from '@/core/plan/plan';
import type { Piece } from '@/core/piece/piece';
import { wordProblem } from '@/core/words/problems';
import { PieceStrip } from '../piece/PieceDrawing';
import { sitWords } from '../plan/SlipHead';
import { useLengths } from '../shell/lengths';
import { Safely } from '../shell/Safely';
import { useAfterPaint } from '../shell/useAfterPaint';
import { useLookups } from '../shell/useLookups';
import styles from './Bench.module.css';
import { partOf } from '@/core/piece/partOfPiece';

/** Count, length, beads and thread of a piece; or what stands in the way of them. */
export function CardFacts({ card }: { readonly card: Card }) {
  const { show, thread, style } = useLengths();
  return (
    <div className={styles.facts}>
      {card.ok ? (
        <>
          <p>
            <strong className={styles.count}>{card.units}</strong> {card.counted}
          </p>
          <p className="figures">
            {show(card.finishedMm)} {finishedWords(card.closing, card.oneEnd)}
            {card.sit && `, ${sitWords(card.sit)}`}
            <br />
            {card.beads} beads, {thread(card.threadMm)} of thread
          </p>
        </>
      ) : (
        <p className={styles.problem}>{wordProblem(card.problem, style)}</p>
      )}
    </div>
  );
}

const NO_PICTURE = <p className="soft">This could not be drawn. Its plan opens all the same.</p>;

/** Its little true picture, drawn once the words are there. */
export function CardPicture({ piece }: { readonly piece: Piece }) {
  const drawn = useAfterPaint(piece);
  return (
    <div className={styles.picture}>
      {drawn && (
        <Safely otherwise={NO_PICTURE}>
          <Picture piece={drawn} />
        </Safely>
      )}
    </div>
  );
}

function Picture({ piece }: { readonly piece: Piece }) {
  const lookups = useLookups();
  const plan = useMemo(() => planOrFault(piece, lookups), [piece, lookups]);
  return plan.ok && <PieceStrip piece={partOf(piece)} plan={plan} />;
}

/** Picture and facts of a piece that is planned here. */
export function PlannedFacts({ piece }: { readonly piece: Piece }) {
  const lookups = useLookups();
  const card = useMemo(() => cardOf(planOrFault(piece, lookups)), [piece, lookups]);
  return (
    <>
      <CardPicture piece={piece} />
      <CardFacts card={card} />
    </>
  );
}
