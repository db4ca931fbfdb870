import type { DeskAnswer, DeskFault } from '../fault/index.ts';
import type { ResolvedAnswer } from '../library/index.ts';

/** An answer as the desk reads it: a cue for any cause, changed as needed. */
export const answer = (text: string, change: Partial<ResolvedAnswer> = {}): ResolvedAnswer => ({
  answerKind: 'cue',
  text,
  cue: null,
  variation: null,
  needsSecondPerson: false,
  equipment: [],
  kit: change.equipment?.map((e) => [e]) ?? [],
  causes: null,
  unfit: null,
  ...change,
});

/** Causes given as "id", "id*3" for a weight, "id=shared" for a name shared with other faults. */
export function deskFault(
  slug: string,
  causes: readonly string[],
  change: Partial<DeskFault> = {},
): DeskFault {
  return {
    slug,
    name: `Fault ${slug}`,
    sign: 'Seen.',
    phase: 'lowering',
    views: ['side'],
    severity: 2,
    causes: causes.map((c) => {
      const [, id = '', weight, alike] = /^([a-z-]+)(?:\*([\d.]+))?(?:=([a-z-]+))?$/.exec(c) ?? [];
      return { id, text: `Cause ${id}.`, weight: weight ? Number(weight) : null, alike: alike ?? null };
    }),
    checks: [],
    answers: [],
    chain: [],
    felt: [],
    whenToStop: 'Stop.',
    shows: null,
    cameraSign: null,
    ...change,
  };
}

/** A check whose results point to causes: `{ mends: ['a'], stays: ['b', 'c'] }`. */
export const deskCheck = (
  text: string,
  results: Record<string, string[]>,
  weights: Record<string, Record<string, number>> = {},
): DeskFault['checks'][number] => ({
  text,
  kit: [],
  results: Object.entries(results).map(([result, pointsTo]) => ({
    result,
    pointsTo,
    weights: Object.entries(weights[result] ?? {}).map(([cause, weight]) => ({ cause, weight })),
  })),
});

/** What of an answer its order and its expected cost are computed from. */
export const priced = (cost: number, ...serves: string[]): Pick<DeskAnswer, 'cost' | 'serves'> => ({
  cost,
  serves: new Set(serves),
});
