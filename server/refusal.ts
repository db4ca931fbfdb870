import type { Problem } from '../contract/problem.ts';

/** A request that is refused: becomes a problem-details answer. */
export class Refusal extends Error {
  readonly status: number;
  readonly extra: Partial<Problem>;
  constructor(status: number, detail: string, extra: Partial<Problem> = {}) {
    super(detail);
    this.status = status;
    this.extra = extra;
  }
}
