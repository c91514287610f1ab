'use client';

import { App, Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { sameChoices } from '@/core/making/mat';
import type { Piece } from '@/core/piece/piece';
import { wordProblem } from '@/core/words/problems';
import { useAtHand } from '../shell/atHand';
import { useLengths } from '../shell/lengths';
import { useLookups } from '../shell/useLookups';
import { layOut } from './layOut';

interface Props {
  readonly id: string;
  readonly piece: Piece;
  /** What lies of it on the mat; null where it is not being made. */
  readonly onMat: Piece | null;
}

/** The plan goes to the mat, and from then on to its steps; changed, it can be laid there anew. */
export function ToTheMat({ id, piece, onMat }: Props) {
  const { message } = App.useApp();
  const { style } = useLengths();
  const { settings } = useAtHand();
  const lookups = useLookups();
  const router = useRouter();
  const [laying, setLaying] = useState(false);
  const changed = onMat !== null && !sameChoices(piece, onMat);
  const lay = async () => {
    setLaying(true);
    const laid = await layOut(id, piece, { ...lookups, habits: settings }, onMat !== null);
    setLaying(false);
    if (laid.ok) return router.push(`/make/${id}`);
    void message.error('problem' in laid ? wordProblem(laid.problem, style) : laid.message);
  };
  return (
    <>
      {onMat && (
        <Button
          type={changed ? 'default' : 'primary'}
          href={`/make/${id}`}
          onClick={(event) => {
            event.preventDefault();
            router.push(`/make/${id}`);
          }}
        >
          Go on making
        </Button>
      )}
      {(onMat === null || changed) && (
        <Button type="primary" loading={laying} onClick={() => void lay()}>
          {onMat === null ? 'To the mat' : 'Lay it on the mat anew'}
        </Button>
      )}
    </>
  );
}
