import { loadSolver } from '../core/program/index.ts';
import type { Program, Solve, Solved, SolveOptions } from '../core/program/index.ts';

let loaded: Promise<Solve> | null = null;

/** Solves in this thread, which loads the solver once: that takes longer than most that is solved. */
export const solve = async (p: Program, options: SolveOptions): Promise<Solved> =>
  (await (loaded ??= loadSolver()))(p, options);
