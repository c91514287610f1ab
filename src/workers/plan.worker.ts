import { parentPort } from 'node:worker_threads';
import { answerPlanAsk } from './answerPlanAsk';
import type { FromPlanner, ToPlanner } from './planProtocol';

/** Plans for the server in a thread of its own, so that a save never waits for a plan. */
parentPort?.on('message', ({ id, ask }: ToPlanner) => {
  const answer = (message: FromPlanner) => parentPort?.postMessage(message);
  try {
    answer({ id, ok: true, value: answerPlanAsk(ask) });
  } catch (error) {
    answer({ id, ok: false, why: error instanceof Error ? error.message : String(error) });
  }
});
