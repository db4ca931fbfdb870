import { cleanReps } from '../../log/index.ts';
import type { LoggedSet } from '../../log/index.ts';
import { setAtom } from '../atom.ts';
import { REPS, sets, unlessCountedIn } from '../params.ts';
import { setsReaching } from '../reach.ts';
import { plural, said } from '../words.ts';

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
  unit: (a) => [a.unit, a.unit],
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
  needed: (a) => a.load,
  judge: (a, pool, { facts, massKg }) => {
    const ofMass = a.unit === '% of body mass';
    if (ofMass && !massKg) {
      return {
        judgement: 'unknown',
        needed: a.load,
        seen: null,
        margin: null,
        account: 'not known: body mass is not on record',
        setIds: [],
        ask: 'Enter the body mass',
        sides: [],
      };
    }
    const amount = (kg: number) => (ofMass ? Math.round((1000 * kg) / massKg!) / 10 : kg);
    const counts = (s: LoggedSet) => {
      const kind = facts.get(s.variation)?.loadKind;
      return kind === undefined || s.loadKind === kind;
    };
    return setsReaching(pool, facts, {
      setsNeeded: a.sets,
      needed: a.load,
      list: (values) =>
        values.map((v) => (v === 0 ? 'one not clean enough' : `${v} ${ofMass ? '%' : 'kg'}`)).join(', '),
      unknown: 'not watched, or the load was not noted',
      ask: 'Note the load and watch the sets',
      reach: (s) => {
        if (!counts(s)) return { sure: null, possible: null };
        const clean = cleanReps(s, facts);
        const enough = clean === null ? null : clean >= a.reps;
        const kg = s.loadKg === null ? null : amount(s.loadKg);
        // Too few clean repetitions count as no load at all; a load not noted might have been any.
        const sure = enough === false ? 0 : enough === null || kg === null ? null : kg;
        const couldBe = s.watched ? enough !== false : (s.doneReps ?? 0) >= a.reps;
        return { sure, possible: couldBe ? (kg ?? Infinity) : 0 };
      },
    });
  },
});
