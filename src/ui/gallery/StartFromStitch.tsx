'use client';

import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import { startPieceAction } from '@/server/actions/pieces';
import type { Person } from '@/server/screens';
import { ask } from '../fields/ask';
import { Pick } from '../fields/Pick';
import { useLengths } from '../shell/lengths';
import styles from './gallery.module.css';

const NOBODY = 'nobody';

interface Props {
  readonly piece: PartOfPiece;
  readonly people: readonly Person[];
  /** Whether the choices as they are make a piece. */
  readonly ready: boolean;
}

/** From playing to planning: the stitch as it is now, for somebody. */
export function StartFromStitch({ piece, people, ready }: Props) {
  const { show } = useLengths();
  const router = useRouter();
  const [who, setWho] = useState(NOBODY);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const begin = () =>
    start(async () => {
      const answer = await ask(startPieceAction, {
        structureId: piece.structure.id,
        personId: who === NOBODY ? null : who,
        params: piece.structure.params,
        beads: piece.beads,
        without: piece.without,
      });
      if (answer.ok) router.push(`/plan/${answer.value}`);
      else setProblem(answer.message);
    });
  return (
    <section className={`card ${styles.start}`} aria-label="Start a piece">
      <Pick
        label="Make it for"
        value={who}
        options={[
          { value: NOBODY, label: 'nobody yet' },
          ...people.map(({ id, name, girths: { wrist } }) => ({
            value: id,
            label: wrist === undefined ? name : `${name}, ${show(wrist)}`,
          })),
        ]}
        onChange={setWho}
      />
      <Button type="primary" size="large" block disabled={!ready || busy} onClick={begin}>
        Start a bracelet with it
      </Button>
      {problem && (
        <p role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
    </section>
  );
}
