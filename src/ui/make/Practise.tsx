'use client';

import { App, Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { BeadKind } from '@/core/materials/material';
import type { Piece } from '@/core/piece/piece';
import { practiceOf } from '@/core/plan/practice';
import { wordProblem } from '@/core/words/problems';
import { asOwnPiece } from '../outbox/outbox';
import { useLengths } from '../shell/lengths';
import { useLookups } from '../shell/useLookups';

/** The same plan in larger beads and contrasting colours, as a piece of its own. */
export function Practise({ piece, kinds }: { readonly piece: Piece; readonly kinds: readonly BeadKind[] }) {
  const { message } = App.useApp();
  const { style } = useLengths();
  const lookups = useLookups();
  const router = useRouter();
  const [making, setMaking] = useState(false);
  const make = async () => {
    const practice = practiceOf(piece, kinds, lookups);
    if (!practice.ok) return void message.error(wordProblem(practice.problem, style));
    setMaking(true);
    const answer = await asOwnPiece(practice.piece);
    setMaking(false);
    if (answer.ok) return router.push(`/plan/${answer.id}`);
    void message.error(answer.message);
  };
  return (
    <Button
      loading={making}
      title="A few units in larger beads and contrasting colours, as a piece of its own"
      onClick={() => void make()}
    >
      Practise it first
    </Button>
  );
}
