'use client';

import { App, Button } from 'antd';
import { useRouter } from 'next/navigation';
import type { Answer } from '@/server/answer';

/**
 * Does something that puts a thing away, and offers to put it back.
 * @param act puts the thing with this id away (true) or back (false)
 */
export function useUndo(act: (id: string, away: boolean) => Promise<Answer<null>>) {
  const { message } = App.useApp();
  const router = useRouter();
  return async (id: string, name: string): Promise<void> => {
    const answer = await act(id, true);
    if (!answer.ok) return void message.error(answer.message);
    router.refresh();
    const putBack = async () => {
      const back = await act(id, false);
      message.destroy(id);
      if (!back.ok) void message.error(back.message);
      router.refresh();
    };
    void message.open({
      key: id,
      duration: 12,
      type: 'success',
      content: (
        <>
          {name} is put away.{' '}
          <Button size="small" onClick={() => void putBack()}>
            Put it back
          </Button>
        </>
      ),
    });
  };
}
