import type { FaultCase } from './case.ts';

type Counts = Record<string, number>;

/** What the hall's own cases say, as counts; fractions where one case speaks for several causes. */
export interface Experience {
  /** fault → cause → cases in which an answer to that cause helped. */
  causes: Record<string, Counts>;
  /** fault → check → result → cause → such cases in which the check gave the result. */
  results: Record<string, Record<string, Record<string, Counts>>>;
}

export const NO_EXPERIENCE: Experience = { causes: {}, results: {} };

/**
 * The hall's counts. A case tells a cause only by the answer that made it better: each cause that the answer is for
 * gets an equal share of the case. What the desk believed plays no part, so that its beliefs never feed themselves.
 */
export function experienceOf(cases: readonly Pick<FaultCase, 'checks' | 'tried'>[]): Experience {
  const of: Experience = { causes: {}, results: {} };
  for (const { checks, tried } of cases) {
    const helped = tried.find((t) => t.outcome === 'better');
    if (!helped?.causes?.length) continue;
    const share = 1 / helped.causes.length;
    for (const cause of helped.causes) {
      const causes = (of.causes[helped.fault] ??= {});
      causes[cause] = (causes[cause] ?? 0) + share;
      for (const c of checks) {
        if (c.fault !== helped.fault || c.result === null) continue;
        const result = (((of.results[c.fault] ??= {})[c.check] ??= {})[c.result] ??= {});
        result[cause] = (result[cause] ?? 0) + share;
      }
    }
  }
  return of;
}
