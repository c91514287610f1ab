import type { Happening } from '@/core/making/events';
import type { Here, Making } from '@/core/making/making';
import type { Mat } from '@/core/making/mat';

/** What every part of the screen goes by at which something can be told of the work. */
export interface MatProps {
  readonly mat: Mat;
  readonly state: Making;
  readonly here: Here;
  readonly happens: (what: Happening) => void;
}
