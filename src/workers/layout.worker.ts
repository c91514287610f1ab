import { solveKept } from '@/core/layout/solveKept';
import type { FromLayout, ToLayout } from './layoutProtocol';

/** Solves layouts off the window's own thread; the window ends the worker to cancel. */
const answer = (message: FromLayout) => self.postMessage(message);

self.onmessage = ({ data }: MessageEvent<ToLayout>) => {
  const { key } = data;
  try {
    const layout = solveKept(data, {
      onProgress: (done, of) => answer({ kind: 'progress', key, done, of }),
    });
    answer({ kind: 'solved', key, layout });
  } catch (error) {
    answer({ kind: 'failed', key, message: error instanceof Error ? error.message : String(error) });
  }
};
