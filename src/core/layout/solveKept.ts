import { isDressed, type KeptLayout, type ToLayOut } from './kept';
import { solveDressed } from './solveDressed';
import { solveLayout } from './solveLayout';
import type { SolveOptions } from './solver/solve';

/** Solves whatever is to be laid out: from 5 ms to some seconds, so call it from a worker or on the server. */
export const solveKept = (request: ToLayOut, options: SolveOptions = {}): KeptLayout =>
  isDressed(request) ? solveDressed(request, { starts: 1, ...options }) : solveLayout(request, options);
