'use client';

import { App } from 'antd';
import { useRouter } from 'next/navigation';
import { putAwayAction, type Shelf } from '@/server/actions/archive';
import { ask } from './ask';
import { useWayBack } from './useWayBack';

/** What is a record is archived; what was merely set beside, or a slip in measuring, is removed. */
const DONE: Readonly<Record<Shelf, string>> = {
  piece: 'archived',
  pattern: 'archived',
  person: 'archived',
  swatch: 'archived',
  measure: 'removed',
  mat: 'off the mat',
  variant: 'removed',
};

/** Puts things of a shelf away, by id and name, and offers to put each back. */
export function useUndo(shelf: Shelf) {
  const { message } = App.useApp();
  const router = useRouter();
  const wayBack = useWayBack();
  return async (id: string, name: string): Promise<void> => {
    const answer = await ask(putAwayAction, { shelf, id, away: true });
    if (!answer.ok) return void message.error(answer.message);
    router.refresh();
    wayBack({
      key: id,
      done: `${name} is ${DONE[shelf]}.`,
      async run() {
        const back = await ask(putAwayAction, { shelf, id, away: false });
        if (!back.ok) void message.error(back.message);
        router.refresh();
      },
    });
  };
}
