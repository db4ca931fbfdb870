import loadHighs from 'highs';
import type { Highs } from 'highs';
import type { Program } from '../core/kit/index.ts';

let loaded: Promise<Highs> | null = null;
/** Of this thread, once: loading takes longer than most that is solved. */
const solver = () => (loaded ??= loadHighs({ print: () => undefined, printErr: () => undefined }));

/** Values of all columns, and whether nothing better is possible. */
export interface Solved {
  values: number[];
  optimal: boolean;
}

const OPTIMAL = 7;

/**
 * Solves an integer program by HiGHS (Huangfu & Hall, Parallelizing the dual revised simplex method, 2018, value from
 * memory).
 * @param start values of the plan at hand: it is never worse than that
 * @returns null where nothing was found in time
 */
export async function solve(
  p: Program,
  { start, timeS }: { start?: readonly number[]; timeS: number },
): Promise<Solved | null> {
  const highs = await solver();
  const finite = (list: readonly number[]) =>
    list.map((n) => (n === Infinity ? highs.infinity : n === -Infinity ? -highs.infinity : n));
  const model = highs.createModel({
    numCols: p.numCols,
    numRows: p.numRows,
    // It minimises.
    colCost: p.colCost.map((c) => -c),
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
      mip_heuristic_run_feasibility_jump: false,
    });
    if (start) model.setSolution({ colValue: start });
    model.run();
    const values = Array.from(model.getSolution().colValue ?? []);
    return values.length === p.numCols ? { values, optimal: model.getModelStatus() === OPTIMAL } : null;
  } finally {
    // What the solver holds is collected by nobody else.
    model.dispose();
  }
}
