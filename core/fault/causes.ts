import type { ResolvedFault } from '../library/index.ts';
import type { Experience } from './experience.ts';

/** What the desk reads of a fault. */
export type DeskFault = Pick<
  ResolvedFault,
  | 'slug'
  | 'name'
  | 'sign'
  | 'phase'
  | 'views'
  | 'severity'
  | 'causes'
  | 'checks'
  | 'answers'
  | 'chain'
  | 'felt'
  | 'whenToStop'
  | 'shows'
  | 'cameraSign'
>;

/** A cause as the desk weighs it; the same one may stand behind several of the signs. */
export interface Cause {
  /** The name it shares with other faults, else `fault/id`. */
  key: string;
  text: string;
  of: { fault: string; id: string }[];
}

/** Probability of each cause, by its key; they add up to 1. */
export type Beliefs = ReadonlyMap<string, number>;

/** The library's weights count as so many cases against the hall's own (a judgement, no source). */
export const PRIOR_CASES = 6;
/** How likely a sign is beside a cause that is not listed for it (a judgement, no source). */
export const UNLISTED_SHARE = 0.1;
/** A check shows the wrong result so often, shared among the results (a judgement, no source). */
export const SLIP = 0.1;

export const keyOf = (fault: string, cause: DeskFault['causes'][number]) =>
  cause.alike ?? `${fault}/${cause.id}`;

/** The causes of all signs seen, in the order of the library; those that are alike are one. */
export function causesOf(faults: readonly DeskFault[]): Cause[] {
  const found = new Map<string, Cause>();
  for (const f of faults) {
    for (const c of f.causes) {
      const key = keyOf(f.slug, c);
      const one = found.get(key) ?? { key, text: c.text, of: [] };
      one.of.push({ fault: f.slug, id: c.id });
      found.set(key, one);
    }
  }
  return [...found.values()];
}

export const normalised = (weights: ReadonlyMap<string, number>): Map<string, number> => {
  const sum = [...weights.values()].reduce((a, b) => a + b, 0);
  return new Map([...weights].map(([k, w]) => [k, sum > 0 ? w / sum : 1 / weights.size]));
};

/**
 * How likely each listed cause of one fault is, given its sign: the library's weights (equal where none is given, a
 * missing one among given ones counts 1), taken as PRIOR_CASES cases, and the hall's own cases added.
 * @returns by id of the cause; adds up to 1
 */
export function causeGivenSign(f: DeskFault, experience: Experience): Map<string, number> {
  const weights = normalised(new Map(f.causes.map((c) => [c.id, c.weight ?? 1])));
  const counts = experience.causes[f.slug] ?? {};
  return normalised(
    new Map(f.causes.map((c) => [c.id, PRIOR_CASES * (weights.get(c.id) ?? 0) + (counts[c.id] ?? 0)])),
  );
}

/**
 * Beliefs before anything is checked: the product over the signs of cause given sign, each cause alike beforehand
 * (Bayes' rule with signs independent given the cause). Neither the order of the signs nor how many causes are listed
 * for one of them speaks for it.
 */
export function beliefsFrom(faults: readonly DeskFault[], experience: Experience): Map<string, number> {
  const causes = causesOf(faults);
  const belief = new Map(causes.map((c) => [c.key, 1]));
  for (const f of faults) {
    const given = causeGivenSign(f, experience);
    const listed = causes.some((c) => c.of.some((o) => o.fault === f.slug));
    for (const c of causes) {
      const here = c.of.filter((o) => o.fault === f.slug);
      const share =
        here.length > 0
          ? here.reduce((sum, o) => sum + (given.get(o.id) ?? 0), 0)
          : listed
            ? UNLISTED_SHARE
            : 1;
      belief.set(c.key, belief.get(c.key)! * share);
    }
  }
  return normalised(belief);
}

/**
 * How likely each result of a check is, given a cause: the library's weights where it gives any for the cause, else
 * equal over the results that point to it, else over all; a slip keeps every result possible. Taken as PRIOR_CASES
 * cases, the hall's own added.
 * @returns by result; adds up to 1
 */
export function resultGivenCause(
  f: DeskFault,
  check: DeskFault['checks'][number],
  cause: Cause,
  experience: Experience,
): Map<string, number> {
  const { results } = check;
  const ids = cause.of.filter((o) => o.fault === f.slug).map((o) => o.id);
  const given = results.map((r) =>
    r.weights.filter((w) => ids.includes(w.cause)).reduce((sum, w) => sum + w.weight, 0),
  );
  const pointed = results.map((r) => (r.pointsTo.some((id) => ids.includes(id)) ? 1 : 0));
  const raw = given.some((w) => w > 0) ? given : pointed.some((w) => w > 0) ? pointed : results.map(() => 1);
  const sum = raw.reduce((a, b) => a + b, 0);
  const counts = experience.results[f.slug]?.[check.text] ?? {};
  const mixed = results.map((r, i) => {
    const library = (1 - SLIP) * (raw[i]! / sum) + SLIP / results.length;
    const seen = ids.reduce((n, id) => n + (counts[r.result]?.[id] ?? 0), 0);
    return [r.result, PRIOR_CASES * library + seen] as const;
  });
  return normalised(new Map(mixed));
}

/** Beliefs after something was observed, by Bayes' rule. @param likelihood of it under a cause, above 0 */
export const updated = (beliefs: Beliefs, likelihood: (key: string) => number): Map<string, number> =>
  normalised(new Map([...beliefs].map(([k, p]) => [k, p * likelihood(k)])));
