/** A mixed integer program: the sum of `colCost` times the columns is made as small as the rows allow. */
export interface Program {
  numCols: number;
  numRows: number;
  colCost: number[];
  colLower: number[];
  colUpper: number[];
  integer: boolean[];
  rowLower: number[];
  rowUpper: number[];
  /** The matrix by rows: where each row starts, its columns, its values. */
  starts: number[];
  indices: number[];
  values: number[];
}

/** Columns and rows of a program, put down one after another. */
export interface Building {
  program: Program;
  /** Its place among the columns. */
  col: (cost: number, of: { upper: number; integer: boolean }) => number;
  /** lower ≤ Σ value·column ≤ upper; one without terms is left out. */
  row: (
    terms: readonly (readonly [col: number, value: number])[],
    bounds: { lower?: number; upper?: number },
  ) => void;
}

export function building(): Building {
  const program: Program = {
    numCols: 0,
    numRows: 0,
    colCost: [],
    colLower: [],
    colUpper: [],
    integer: [],
    rowLower: [],
    rowUpper: [],
    starts: [0],
    indices: [],
    values: [],
  };
  return {
    program,
    col: (cost, { upper, integer }) => {
      program.colCost.push(cost);
      program.colLower.push(0);
      program.colUpper.push(upper);
      program.integer.push(integer);
      return program.numCols++;
    },
    row: (terms, { lower = -Infinity, upper = Infinity }) => {
      if (terms.length === 0) return;
      for (const [i, value] of terms) {
        program.indices.push(i);
        program.values.push(value);
      }
      program.starts.push(program.indices.length);
      program.rowLower.push(lower);
      program.rowUpper.push(upper);
      program.numRows++;
    },
  };
}
