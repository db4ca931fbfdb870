export { building } from './program.ts';
export type { Building, Program } from './program.ts';
export { loadSolver } from './solve.ts';
export type { Solve, Solved, SolveOptions } from './solve.ts';
export { seeded } from './seeded.ts';
export { pchipAt, pchipSlopes } from './pchip.ts';
