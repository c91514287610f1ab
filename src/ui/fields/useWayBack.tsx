'use client';

import { CloseOutlined } from '@ant-design/icons';
import { App, Button } from 'antd';

/** How long the way back is offered, s: time to finish the row, look up and reach for it. */
const OFFERED_S = 60;

interface WayBack {
  /** One that is offered anew takes the place of the one before. */
  readonly key: string;
  /** What was done, in a sentence. */
  readonly done: string;
  /** What the button says; "Undo" where nothing is said. */
  readonly back?: string;
  readonly run: () => Promise<unknown>;
}

/** Tells what was done, with a button that takes it back, until that is pressed, or the message is closed. */
export function useWayBack() {
  const { message } = App.useApp();
  return ({ key, done, back = 'Undo', run }: WayBack): void =>
    void message.open({
      key,
      duration: OFFERED_S,
      type: 'success',
      content: (
        <>
          {done}{' '}
          <Button
            size="small"
            onClick={() => {
              message.destroy(key);
              void run();
            }}
          >
            {back}
          </Button>{' '}
          <Button
            size="small"
            type="text"
            icon={<CloseOutlined aria-hidden />}
            aria-label="Close this message"
            onClick={() => message.destroy(key)}
          />
        </>
      ),
    });
}
