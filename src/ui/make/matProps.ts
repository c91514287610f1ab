import type { Happening } from '@/core/making/events';
import type { Here, Making } from '@/core/making/making';
import type { Mat } from '@/core/making/mat';
import type { Pictures } from './pictures';

/** What every part of the screen goes by at which something can be told of the work. */
export interface MatProps {
  readonly matId: string;
  readonly mat: Mat;
  readonly state: Making;
  readonly here: Here;
  /** The plan again as it was; null until that is done, and where this version weaves otherwise. */
  readonly pictures: Pictures | null;
  readonly happens: (what: Happening) => void;
}
