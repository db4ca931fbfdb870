import loadHighs from 'highs';
import type { Highs } from 'highs';
import type { Program } from './program.ts';

/** Values of all columns, and how much better another solution could be. */
export interface Solved {
  /** null: none was found in time. */
  values: number[] | null;
  optimal: boolean;
  /** No solution costs less than this; -Infinity: nothing is proven. */
  bound: number;
}

export interface SolveOptions {
  /** Values of the plan at hand: what is found is never worse. */
  start?: readonly number[] | undefined;
  timeS: number;
  /** Share of the best at which a better one is no longer looked for. */
  gap?: number;
}

export type Solve = (p: Program, options: SolveOptions) => Solved;

const OPTIMAL = 7;

/**
 * Loads HiGHS (Huangfu & Hall, Parallelizing the dual revised simplex method, 2018, value from memory) and gives what
 * solves with it. Solving holds its thread until it is done; the time limit may be overrun by a second.
 * @param wasmUrl where a browser finds the compiled code
 */
export async function loadSolver(wasmUrl?: string): Promise<Solve> {
  const highs = await loadHighs({
    print: () => undefined,
    printErr: () => undefined,
    ...(wasmUrl === undefined ? {} : { locateFile: () => wasmUrl }),
  });
  return (p, options) => solveWith(highs, p, options);
}

function solveWith(highs: Highs, p: Program, { start, timeS, gap }: SolveOptions): Solved {
  const finite = (list: readonly number[]) =>
    list.map((n) => (n === Infinity ? highs.infinity : n === -Infinity ? -highs.infinity : n));
  const model = highs.createModel({
    numCols: p.numCols,
    numRows: p.numRows,
    colCost: p.colCost,
    colLower: finite(p.colLower),
    colUpper: finite(p.colUpper),
    rowLower: finite(p.rowLower),
    rowUpper: finite(p.rowUpper),
    matrix: {
      format: 'csr',
      numCols: p.numCols,
      numRows: p.numRows,
      starts: p.starts,
      indices: p.indices,
      values: p.values,
    },
    integrality: p.integer.map((whole) => (whole ? 1 : 0)),
  });
  try {
    model.options.set({
      output_flag: false,
      time_limit: timeS,
      // With a plan to start from it only costs time.
      mip_heuristic_run_feasibility_jump: false,
      ...(gap === undefined ? {} : { mip_rel_gap: gap }),
    });
    if (start) model.setSolution({ colValue: start });
    model.run();
    const values = Array.from(model.getSolution().colValue ?? []);
    const bound = Number(model.info.get('mip_dual_bound'));
    const cost = (x: readonly number[]) => x.reduce((sum, v, i) => sum + v * p.colCost[i]!, 0);
    const found = values.length === p.numCols && Number.isFinite(cost(values)) ? values : null;
    const optimal = model.getModelStatus() === OPTIMAL;
    return { values: found, optimal, bound: Number.isFinite(bound) ? bound : -Infinity };
  } finally {
    // What the solver holds is collected by nobody else.
    model.dispose();
  }
}
