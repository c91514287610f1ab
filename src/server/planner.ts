import { Worker } from 'node:worker_threads';
import type { FromPlanner, PlanAnswer, PlanAsk, ToPlanner } from '@/workers/planProtocol';

interface Waiting {
  readonly resolve: (value: never) => void;
  readonly reject: (error: Error) => void;
}

/** One thread that plans for the server, started when it is first needed. */
interface Planner {
  readonly worker: Worker;
  readonly waiting: Map<number, Waiting>;
  asked: number;
}

// Kept on globalThis: pages and routes are separate bundles, and each would start a thread of its own.
const held = globalThis as typeof globalThis & { ivyloomPlanner?: Planner };

function start(): Planner {
  const worker = new Worker(new URL('../workers/plan.worker.ts', import.meta.url));
  const planner: Planner = { worker, waiting: new Map(), asked: 0 };
  const ended = (error: Error) => {
    if (held.ivyloomPlanner === planner) delete held.ivyloomPlanner;
    for (const { reject } of planner.waiting.values()) reject(error);
    planner.waiting.clear();
  };
  worker.on('message', (answer: FromPlanner) => {
    const one = planner.waiting.get(answer.id);
    planner.waiting.delete(answer.id);
    if (answer.ok) one?.resolve(answer.value as never);
    else one?.reject(new Error(answer.why));
  });
  worker.on('error', ended);
  worker.on('exit', (code) => ended(new Error(`The planning thread ended (${code}).`)));
  worker.unref();
  return planner;
}

/** Has something worked out in the planning thread. Rejects where it cannot be. */
export function planned<A extends PlanAsk>(ask: A): Promise<PlanAnswer<A>> {
  const planner = (held.ivyloomPlanner ??= start());
  const id = ++planner.asked;
  return new Promise((resolve, reject) => {
    planner.waiting.set(id, { resolve, reject });
    planner.worker.postMessage({ id, ask } satisfies ToPlanner);
  });
}
