import { WOVEN, sectionKey, type Section } from '../weave/path';
import type { ThreadPlan } from './threadPlan';

/** Thread that one pass takes in one part of the work, mm. */
export interface Need {
  readonly section: Section;
  readonly pass: string;
  readonly mm: number;
}

/** What the tail sews is no pass of its own. */
export const BY_THE_TAIL = 'by the tail';

/** What the thread in the work goes to, part by part and pass by pass, in the order of work. */
export function needs({ divisions, tailSewsMm }: Pick<ThreadPlan, 'divisions' | 'tailSewsMm'>): Need[] {
  const sums = new Map<string, Need>();
  const add = (section: Section, pass: string, mm: number) => {
    const key = JSON.stringify([sectionKey(section), pass]);
    sums.set(key, { section, pass, mm: (sums.get(key)?.mm ?? 0) + mm });
  };
  for (const { stretches } of divisions)
    for (const { section, pass, mm } of stretches) add(section, pass, mm);
  add(WOVEN, BY_THE_TAIL, tailSewsMm);
  return [...sums.values()].filter(({ mm }) => mm > 0);
}
