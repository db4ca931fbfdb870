import fc from 'fast-check';
import { criterionProblems } from '../criterion/index.ts';
import type { Criterion } from '../criterion/index.ts';
import type { DecisionInput, Restriction, TakenWay } from '../ladder/index.ts';
import type { SettledLevel } from '../library/index.ts';
import type { LoggedSet, VariationFacts } from '../log/index.ts';
import { daysAfter } from '../terms/index.ts';
import { anyCriterion } from './criteria.ts';
import { facts, input, ladder, level, set } from './samples.ts';

const TODAY = '2026-03-02';
const ago = (days: number) => daysAfter(TODAY, -days);
const whole = (min: number, max: number) => fc.integer({ min, max });
const often = <T>(usual: T, ...others: T[]) => fc.constantFrom(usual, usual, usual, usual, ...others);
/** The usual in all but a few of a hundred. */
const rarely = <T>(usual: T, ...others: T[]) =>
  fc.oneof(
    { weight: 30, arbitrary: fc.constant(usual) },
    ...others.map((o) => ({ weight: 1, arbitrary: fc.constant(o) })),
  );
const maybe = <T>(of: fc.Arbitrary<T>) => fc.option(of, { nil: null, freq: 4 });

const PLACES = ['front of knee', 'low back', 'shoulder'] as const;
const aFelt = fc.record({
  region: fc.constantFrom('back of hip' as const, 'low back' as const, 'front of knee' as const),
  kind: often('work' as const, 'pain' as const),
  side: fc.constant(null),
});

/** A set of a small world: few days, few loads, few places, so that rules meet. */
const aSet = (dates: string[], variations: string[], counted: VariationFacts['countedIn']) =>
  fc
    .record({
      date: fc.constantFrom(...dates),
      variation: often(variations[0]!, ...variations.slice(1)),
      ordinal: whole(1, 4),
      warmUp: often(false, true),
      watched: often(true, false),
      own: often(false, true),
      sideTest: often(false, false, false, true),
      lighter: often<boolean | null>(null, null, null, true),
      side: fc.constantFrom('left' as const, 'right' as const, null),
      amount: maybe(whole(6, 14)),
      rounds: often<number | null>(null, null, null, 2),
      loadKg: maybe(fc.constantFrom(8, 12, 12, 16)),
      loadKind: often('dumbbell' as const, 'dumbbell' as const, 'kettlebell' as const),
      effort: maybe(whole(4, 10)),
      pain: rarely<number | null>(0, null, null, 2, 2, 4, 4, 8),
      painRegion: maybe(fc.constantFrom(...PLACES)),
      atEase: maybe(whole(4, 10)),
      tempoKept: maybe(fc.boolean()),
      rangeReached: maybe(often(true, false)),
      rangeDeg: maybe(whole(60, 120)),
      faults: fc.array(
        fc.record({
          fault: fc.constantFrom('noted', 'fix', 'fix', 'stop'),
          side: fc.constant(null),
          reps: whole(1, 2),
        }),
        { maxLength: 1 },
      ),
      faulty: often(false, false, true),
      sensations: maybe(fc.array(aFelt, { maxLength: 1 })),
      aids: maybe(
        fc.array(
          whole(0, 2).map((n) => ({ name: 'pads', setting: String(n) })),
          { maxLength: 1 },
        ),
      ),
    })
    .map(({ date, amount, rounds, faulty, faults, own, watched, ...rest }) => {
      const by =
        counted === 'seconds held'
          ? { holdS: amount, doneReps: null }
          : counted === 'rounds'
            ? { rounds: amount === null ? null : Math.ceil(amount / 4), doneReps: null }
            : { doneReps: amount, rounds };
      // Alone nobody watches.
      const seen = own ? { own: true, watched: false } : { watched };
      return set(date, { ...rest, ...by, ...seen, faults: faulty ? faults : [] });
    });

/** Sessions as they should be: all sets of the dose, watched, clean, about as many as asked; slips are rare. */
function goodSets(
  dates: string[],
  id: string,
  of: { counted: VariationFacts['countedIn']; oneSided: boolean; dose: { sets: number; amount: number } },
): fc.Arbitrary<LoggedSet[]> {
  const sides = of.oneSided ? (['left', 'right'] as const) : ([null] as const);
  const one = (date: string, side: 'left' | 'right' | null, ordinal: number) =>
    fc
      .record({
        more: often(0, 0, 1, 2, 3, -1),
        loadKg: rarely<number | null>(12, 16, 8, null),
        effort: maybe(often(6, 4, 5, 6, 7, 8, 9)),
        pain: rarely<number | null>(0, null, 1, 4, 8),
        painRegion: maybe(fc.constantFrom(...PLACES)),
        seen: rarely<'watched' | 'unseen' | 'alone'>('watched', 'unseen', 'alone', 'alone'),
        lighter: rarely<boolean | null>(null, true),
        faults: rarely(0, 1),
        atEase: maybe(whole(6, 10)),
      })
      .map(({ more, seen, faults, ...rest }) => {
        const n = of.dose.amount + more;
        const by =
          of.counted === 'seconds held'
            ? { holdS: n, doneReps: null }
            : of.counted === 'rounds'
              ? { rounds: 2 + Math.max(0, more), doneReps: null }
              : { doneReps: n };
        return set(date, {
          variation: `${id}-main`,
          loadKind: 'dumbbell',
          ...rest,
          ...by,
          side,
          ordinal,
          watched: seen === 'watched',
          ...(seen === 'alone' ? { own: true } : {}),
          faults: faults ? [{ fault: 'fix', side: null, reps: 1 }] : [],
        });
      });
  return fc
    .tuple(
      ...dates.flatMap((date) =>
        Array.from({ length: of.dose.sets }, (_, n) =>
          sides.map((side, i) => one(date, side, n * sides.length + i + 1)),
        ).flat(),
      ),
    )
    .map((sets) => {
      // Nobody watches half of a session alone.
      const alone = new Set(sets.filter((s) => s.own && s.ordinal === 1).map((s) => s.date));
      return sets.map(({ own: _, ...s }) =>
        alone.has(s.date)
          ? { ...s, own: true, watched: false }
          : { ...s, watched: s.watched || s.ordinal > 1 },
      );
    });
}

const aFact = (slug: string): fc.Arbitrary<VariationFacts> =>
  fc
    .record({
      rangeTarget: fc.constantFrom(
        'thigh level' as const,
        'full depth' as const,
        'box or pad height' as const,
      ),
      dominance: fc.constantFrom('hip' as const, 'knee' as const, 'balanced' as const),
      impact: often(false, true),
      loadKind: fc.constantFrom('none' as const, 'dumbbell' as const, 'dumbbell' as const),
      weights: fc.constantFrom(1 as const, 2 as const),
      regions: fc.constantFrom<VariationFacts['regions']>(
        [],
        ['front of knee', 'low back'],
        ['front of knee', 'low back'],
      ),
    })
    .map((change) => facts(slug, { pattern: 'squat', ...change }));

const usualStepBack: Criterion = {
  kind: 'any',
  of: [
    { kind: 'not', of: { kind: 'painAtMost', pain: 3 } },
    { kind: 'not', of: { kind: 'faultsAtMost', severity: 3, count: 0 } },
    {
      kind: 'sessionsRunning',
      sessions: 2,
      of: { kind: 'not', of: { kind: 'cleanReps', reps: 7, sets: 1 } },
    },
  ],
};
const easyAdvance = fc
  .tuple(whole(6, 10), whole(1, 2), fc.boolean())
  .map(([reps, sets, pain]): Criterion => ({
    kind: 'all',
    of: [
      { kind: 'sessionsRunning', sessions: 2, of: { kind: 'cleanReps', reps, sets } },
      ...(pain ? [{ kind: 'painAtMost' as const, pain: 0 }] : []),
    ],
  }));
const anySound = anyCriterion().filter((c) => criterionProblems(c).length === 0);

const aRestriction = fc
  .record({
    bars: fc.constantFrom<Restriction['bars']>(
      [{ bars: 'depth' }],
      [{ bars: 'impact' }],
      [{ bars: 'pattern', pattern: 'squat' }],
      [{ bars: 'all' }],
    ),
    until: fc.constantFrom(null, ago(-10), ago(3)),
    saidBy: often('the physiotherapist', ''),
  })
  .map((r): Restriction => ({ id: 'r', from: ago(20), ...r }));

/** Any case that a decision could be asked about. */
export const anyCase: fc.Arbitrary<DecisionInput> = fc
  .record({
    counted: often<VariationFacts['countedIn']>('repetitions', 'seconds held', 'rounds'),
    oneSided: often(false, true),
    here: whole(0, 3),
    gaps: fc.array(fc.constantFrom(1, 2, 3, 3, 4, 7, 16), { minLength: 1, maxLength: 6 }),
    last: often(0, 2, 20),
    advance: fc.oneof({ weight: 3, arbitrary: easyAdvance }, { weight: 2, arbitrary: anySound }),
    stepBack: fc.oneof(
      { weight: 3, arbitrary: fc.constant(usualStepBack) },
      { weight: 1, arbitrary: anySound },
    ),
    dose: fc.record({
      sets: whole(1, 2),
      amount: whole(6, 10),
      loadKg: fc.constantFrom(undefined, 8, 12),
      aids: often(false, false, true),
    }),
    ways: fc.subarray(['repetitions', 'seconds', 'sets', 'rounds', 'load'] as const, { minLength: 2 }),
    taken: fc.subarray(['repetitions', 'load'] as const, { maxLength: 1 }),
    facts: fc.tuple(aFact('l0-main'), aFact('l1-main'), aFact('l2-main'), aFact('l3-main')),
    restrictions: fc.array(aRestriction, { maxLength: 1 }),
    restricted: often(false, false, true),
    needs: often(false, true),
    held: fc.boolean(),
    massKg: fc.constantFrom(null, 60, 73),
    left: often(false, false, true),
    painBack: often(false, false, true),
    since: fc.constantFrom(60, 60, 60, 9),
    used: often(0, 0, 3),
    earlierSessions: fc.constantFrom(0, 0, 4),
    signed: fc.boolean(),
  })
  .chain((of) => {
    const dates = of.gaps.reduce<string[]>((d, gap) => [daysAfter(d[0]!, -gap), ...d], [ago(of.last)]);
    const id = `l${of.here}`;
    const variations = [`${id}-main`, `${id}-main`, `${id}-main`, 'equal', 'drill', 'other'];
    const messy = fc.array(aSet(dates, variations, of.counted), { maxLength: 14 });
    return fc
      .oneof(
        messy,
        fc
          .tuple(goodSets(dates, id, of), fc.array(aSet(dates, variations, of.counted), { maxLength: 1 }))
          .map((two) => two.flat()),
      )
      .map((sets): DecisionInput => caseOf(of, id, sets));
  });

function caseOf(
  of: {
    counted: VariationFacts['countedIn'];
    oneSided: boolean;
    here: number;
    advance: Criterion;
    stepBack: Criterion;
    dose: { sets: number; amount: number; loadKg: number | undefined; aids: boolean };
    ways: ('repetitions' | 'seconds' | 'sets' | 'rounds' | 'load')[];
    taken: ('repetitions' | 'load')[];
    facts: VariationFacts[];
    restrictions: Restriction[];
    restricted: boolean;
    needs: boolean;
    held: boolean;
    massKg: number | null;
    left: boolean;
    painBack: boolean;
    since: number;
    used: number;
    earlierSessions: number;
    signed: boolean;
  },
  id: string,
  sets: LoggedSet[],
): DecisionInput {
  const held = of.counted === 'seconds held';
  const dose = {
    sets: of.dose.sets,
    restS: 60,
    ...(of.counted === 'repetitions' ? { reps: of.dose.amount } : {}),
    ...(held ? { holdS: of.dose.amount } : {}),
    ...(of.counted === 'rounds' ? { rounds: 2 } : {}),
    ...(of.dose.loadKg && of.counted === 'repetitions' ? { loadKg: of.dose.loadKg } : {}),
    ...(of.dose.aids ? { aids: [{ aid: 'pads' as const, amount: 1 }] } : {}),
  };
  const WAYS = {
    repetitions: { way: 'repetitions', step: 2, upTo: 12 },
    seconds: { way: 'seconds', step: 2, upTo: 12 },
    sets: { way: 'sets', step: 1, upTo: 3 },
    rounds: { way: 'rounds', step: 1, upTo: 5 },
    load: { way: 'load', stepKg: 4, upToKg: 24 },
  } as const;
  const TAKEN: Record<'repetitions' | 'load', TakenWay> = {
    repetitions: { way: 'repetitions', to: of.dose.amount + 1 },
    load: { way: 'load', to: 16 },
  };
  const levels = of.facts.map((_, i): SettledLevel => {
    const own = `l${i}` === id;
    return level(`l${i}`, of.advance, {
      stepBack: of.stepBack,
      dose,
      waysOn: of.ways.map((w) => WAYS[w]),
      equals: own ? ['equal'] : [],
      entryNeeds: of.needs && i > 0 ? [{ ladder: 'hinge', level: 'stick' }] : [],
    });
  });
  const counted = { countedIn: of.counted, oneSided: of.oneSided };
  const about = new Map(of.facts.map((f) => [f.slug, { ...f, ...counted }]));
  const main = about.get(`${id}-main`)!;
  about.set('equal', {
    ...main,
    slug: 'equal',
    loadKind: 'kettlebell',
    rangeTarget: 'thigh level',
    impact: false,
  });
  about.set('drill', facts('drill', { pattern: 'squat' }));
  about.set('other', facts('other', { pattern: 'bridge' }));
  return input({
    ladder: { ...ladder(levels), pattern: 'squat' },
    facts: about,
    loweringS: new Map(),
    standing: {
      level: id,
      since: ago(of.since),
      taken: of.counted === 'repetitions' ? of.taken.map((t) => TAKEN[t]) : [],
      usedUp: sets.slice(0, of.used).map((s) => s.id),
      ...(of.left ? { left: { level: 'l3', date: ago(40) } } : {}),
      ...(of.painBack ? { painBacks: [{ date: ago(30), regions: ['front of knee'] }] } : {}),
    },
    sets,
    earlierSessions: of.earlierSessions,
    massKg: of.massKg,
    loads: { dumbbell: [4, 8, 12, 16, 20, 24], kettlebell: [8, 12, 16, 20, 24] },
    restrictions: of.restricted ? of.restrictions : [],
    heldElsewhere: of.held ? new Set(['hinge/stick', 'two/one']) : new Set(),
    signOffs: of.signed ? [{ ladder: 'steps', level: id, role: 'coach', by: 'A. Tester', date: ago(1) }] : [],
    foretell: false,
    today: TODAY,
  });
}
