import fc from 'fast-check';
import { AIDS, FELT_KINDS, MOST_AID, REGIONS, SEVERITIES, SIGNERS } from '../terms/index.ts';
import type { Atom, Criterion, OtherAtom, SetAtom, Window } from '../criterion/index.ts';

const whole = (min: number, max: number) => fc.integer({ min, max });
const felt = fc.record({ region: fc.constantFrom(...REGIONS), kind: fc.constantFrom(...FELT_KINDS) });
const optional = <T>(of: fc.Arbitrary<T>) => fc.option(of, { nil: undefined });
/** Members that are undefined are left out, as in a document. */
const tidy = <T extends object>(o: T): T =>
  Object.fromEntries(Object.entries(o).filter(([, v]) => v !== undefined)) as T;

const anyWindow: fc.Arbitrary<Window | undefined> = optional(
  fc.oneof(
    fc.constant<Window>({ over: 'set' }),
    whole(2, 6).map((last): Window => ({ over: 'sessions', last })),
    whole(1, 60).map((last): Window => ({ over: 'days', last })),
  ),
);

const bareSetAtom: fc.Arbitrary<SetAtom> = fc.oneof(
  fc.record({ kind: fc.constant('cleanReps' as const), reps: whole(1, 30), sets: whole(1, 4) }),
  fc.record({ kind: fc.constant('holdS' as const), seconds: whole(1, 90), sets: whole(1, 4) }),
  fc.record({ kind: fc.constant('cleanRounds' as const), rounds: whole(1, 6), sets: whole(1, 3) }),
  fc.record({
    kind: fc.constant('load' as const),
    load: whole(1, 120),
    unit: fc.constantFrom('kg' as const, '% of body mass' as const),
    reps: whole(1, 20),
    sets: whole(1, 4),
  }),
  fc.record({ kind: fc.constant('effortAtMost' as const), effort: whole(0, 10) }),
  fc.record({ kind: fc.constant('tempoKept' as const), percent: whole(1, 100) }),
  fc.record({
    kind: fc.constant('rangeReached' as const),
    sets: whole(1, 4),
    degrees: optional(whole(1, 150)),
  }),
  fc.record({
    kind: fc.constant('faultsAtMost' as const),
    severity: fc.constantFrom(...SEVERITIES),
    count: whole(0, 5),
  }),
  fc.record({ kind: fc.constant('felt' as const), sets: whole(1, 3), felt: optional(felt) }),
  fc.record({ kind: fc.constant('notFelt' as const), felt: optional(felt) }),
  fc.record({ kind: fc.constant('painAtMost' as const), pain: whole(0, 10) }),
  fc
    .constantFrom(...AIDS)
    .chain((aid) => whole(0, MOST_AID(aid)).map((most) => ({ kind: 'aidsAtMost' as const, aid, most }))),
  fc.record({ kind: fc.constant('easeAtLeast' as const), ease: whole(0, 10) }),
);

/** Any atom that reads sets, over any window. */
export const anySetAtom: fc.Arbitrary<SetAtom> = fc
  .tuple(bareSetAtom, anyWindow)
  .map(
    ([atom, within]) =>
      tidy(
        within?.over === 'set' && 'sets' in atom ? { ...atom, sets: 1, within } : { ...atom, within },
      ) as SetAtom,
  );

const slug = fc.constantFrom('one', 'two', 'rear-up', 'wall');
const anyOtherAtom: fc.Arbitrary<OtherAtom> = fc.oneof(
  fc.record({ kind: fc.constant('sideDifferenceAtMost' as const), percent: whole(0, 40) }),
  fc.record({ kind: fc.constant('sessionsHere' as const), sessions: whole(1, 9) }),
  fc.record({ kind: fc.constant('daysHere' as const), days: whole(1, 60) }),
  fc.record({ kind: fc.constant('levelHeld' as const), ladder: slug, level: slug }),
  fc.record({ kind: fc.constant('signedOff' as const), by: fc.constantFrom(...SIGNERS) }),
);

export const anyAtom: fc.Arbitrary<Atom> = fc.oneof(anySetAtom, anyOtherAtom);

/** Trees of the given atoms; `withNot` lets atoms be turned round. */
export function anyCriterion(atoms: fc.Arbitrary<Atom> = anyAtom, withNot = true): fc.Arbitrary<Criterion> {
  return fc.letrec<{ node: Criterion }>((tie) => ({
    node: fc.oneof(
      { maxDepth: 3, depthSize: 'small' },
      atoms as fc.Arbitrary<Criterion>,
      ...(withNot ? [atoms.map((of): Criterion => ({ kind: 'not', of }))] : []),
      fc
        .tuple(
          fc.constantFrom('all' as const, 'any' as const),
          fc.array(tie('node'), { minLength: 1, maxLength: 3 }),
        )
        .map(([kind, of]): Criterion => ({ kind, of })),
      fc
        .tuple(whole(2, 4), tie('node'))
        .map(([sessions, of]): Criterion => ({ kind: 'sessionsRunning', sessions, of })),
    ),
  })).node;
}
