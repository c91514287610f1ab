import type { StopBead } from '../weave/path';

/** How the first beads are kept on, in words. */
export const STOP_WORDS: Readonly<Record<StopBead, string>> = {
  foreign: 'one that comes off later',
  pattern: 'the first bead of the work',
  none: 'none: the tail is held',
};
