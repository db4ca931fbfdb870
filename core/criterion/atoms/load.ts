import { cleanReps, totalKg } from '../../log/index.ts';
import type { LoggedSet } from '../../log/index.ts';
import { setAtom } from '../atom.ts';
import { REPS, sets, unlessCountedIn } from '../params.ts';
import { setsReaching } from '../reach.ts';
import { NOT_WATCHED_OR_COUNTED, WATCH_AND_COUNT, heavyEnough, mostReps } from './at-load.ts';
import { listed, plural, said } from '../words.ts';

/** What a load is measured in. */
const LOAD_UNITS = ['kg', '% of body mass'] as const;

/** Sets of so many clean repetitions with at least so much, of the variation's own load kind. */
export const load = setAtom({
  kind: 'load',
  name: 'load',
  params: {
    load: { is: 'number', label: 'load', from: 0.25, to: 500, whole: false, usual: [1, 120] },
    unit: { is: 'choice', label: 'load in', of: LOAD_UNITS },
    reps: REPS,
    sets: sets(),
  },
  blank: { load: 20, unit: 'kg', reps: 8, sets: 2 },
  main: 'load',
  either: ['at least', 'fewer than'],
  controls: '{sets} sets of {reps} with {load} {unit}',
  unit: () => ['kg', 'kg'],
  sentence: (a) => {
    const reps = plural(a.reps, 'clean repetition');
    const of = `${plural(a.sets, 'set')} of ${reps} with at least ${said(a.load)} ${a.unit}`;
    return [of, `fewer than ${of}`];
  },
  needs: (a) => [
    'load and repetitions of watched sets',
    'faults seen',
    ...(a.unit === '% of body mass' ? ['body mass'] : []),
  ],
  never: (_, v) =>
    unlessCountedIn(v, 'repetitions') ??
    (v.loadKind === 'none' || v.loadKind === 'band' ? `${v.name} carries no load in kg.` : null),
  threshold: (a, massKg) => ({
    'clean repetitions': a.reps,
    load: a.unit === 'kg' ? a.load : massKg === null ? null : (a.load * massKg) / 100,
  }),
  watched: true,
  needed: (a) => a.load,
  judge: (a, pool, ctx) => {
    const { facts, massKg, main } = ctx;
    if (ctx.aim === 'step back') {
      // Poor is who does few repetitions, with whatever they were given.
      return setsReaching(pool, facts, {
        setsNeeded: a.sets,
        needed: a.reps,
        list: listed('clean'),
        unknown: NOT_WATCHED_OR_COUNTED,
        ask: WATCH_AND_COUNT,
        reach: (s) => ({ sure: cleanReps(s, facts), possible: mostReps(s, facts) }),
      });
    }
    const ofMass = a.unit === '% of body mass';
    if (ofMass && !massKg) {
      return {
        judgement: 'unknown',
        needed: a.load,
        seen: null,
        margin: null,
        account: 'the body mass is not on record',
        setIds: [],
        ask: 'Weigh them, or enter the body mass',
        sides: [],
      };
    }
    const weights = main?.weights ?? 1;
    const share = ofMass ? shareKg(a.load, massKg!, weights, ctx.loads, ctx.shares) : null;
    const neededKg = (share?.kg ?? a.load) * weights;
    const kinds = (s: LoggedSet) => s.loadKind === (main ?? facts.get(s.variation))?.loadKind;
    const found = setsReaching(pool, facts, {
      setsNeeded: a.sets,
      needed: neededKg,
      list: (values) => {
        const heavy = values.filter((v) => v > 0).map((v) => `${tidyKg(v / weights)} kg`);
        const few = values.length - heavy.length;
        return [...heavy, ...(few > 0 ? [`${few} with too few clean repetitions`] : [])].join(', ');
      },
      unknown: 'not watched, or the load was not noted',
      ask: 'Note the load and watch the sets',
      reach: (s) => {
        if (!kinds(s)) return { sure: null, possible: null };
        const clean = cleanReps(s, facts);
        const kg = totalKg(s, facts);
        // Too few clean repetitions count as no load at all; a load not noted might have been any.
        const sure = clean === null ? null : clean < a.reps ? 0 : kg === null ? null : rounded(kg, neededKg);
        return { sure, possible: mostReps(s, facts) >= a.reps ? rounded(kg ?? Infinity, neededKg) : 0 };
      },
    });
    if (!share)
      return {
        ...found,
        needed: a.load,
        seen: perWeight(found.seen, weights),
        margin: perWeight(found.margin, weights),
      };
    return {
      ...found,
      needed: share.kg,
      seen: perWeight(found.seen, weights),
      margin: perWeight(found.margin, weights),
      account: `${found.account}; ${a.load} % of ${massKg} kg is ${tidyKg(share.exactKg)} kg${weights === 2 ? ' in each hand' : ''}, so ${tidyKg(share.kg)} kg`,
    };
  },
});

const tidyKg = (kg: number): string => String(Math.round(100 * kg) / 100);
const perWeight = (kg: number | null, weights: 1 | 2): number | null => (kg === null ? null : kg / weights);
/** What is heavy enough to the gram reads as what is needed. */
const rounded = (kg: number, neededKg: number) => (heavyEnough(kg, neededKg) ? Math.max(kg, neededKg) : kg);

/**
 * What one weight has to say for a share of the body mass: the nearest that there is, the lighter of two as near.
 * @param fixed what shares became on the day they were fixed, by the percentage: it stays so when the hall buys or sells
 * @returns kg of one weight, as it exists and exactly
 */
export function shareKg(
  percent: number,
  massKg: number,
  weights: 1 | 2,
  loads: readonly number[] | undefined,
  fixed?: Readonly<Record<string, number>>,
): { kg: number; exactKg: number } {
  const exactKg = (percent * massKg) / 100 / weights;
  const known = fixed?.[percent];
  if (known !== undefined) return { kg: known, exactKg };
  const kg = (loads ?? []).reduce<number | null>(
    (best, l) =>
      best === null ||
      Math.abs(l - exactKg) < Math.abs(best - exactKg) ||
      (Math.abs(l - exactKg) === Math.abs(best - exactKg) && l < best)
        ? l
        : best,
    null,
  );
  return { kg: kg ?? exactKg, exactKg };
}
