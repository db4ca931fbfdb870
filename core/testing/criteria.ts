import { ATOM_KINDS, aboutAtom, paramsOf } from '../criterion/index.ts';
import type { Param, Atom, Criterion, SetAtom, Window } from '../criterion/index.ts';
import fc from 'fast-check';
import { AIDS, FELT_KINDS, MOST_AID, REGIONS } from '../terms/index.ts';

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

const slug = fc.constantFrom('one', 'two', 'rear-up', 'wall');

function anyParam(p: Param): fc.Arbitrary<unknown> {
  switch (p.is) {
    case 'number':
      return whole(...p.usual);
    case 'optional number':
      return optional(whole(...p.usual));
    case 'aid amount':
      return whole(0, Math.min(...AIDS.map(MOST_AID)));
    case 'choice':
      return fc.constantFrom(...p.of);
    case 'felt':
      return optional(felt);
    case 'ladder':
    case 'level':
      return slug;
  }
}
/** An atom of a kind, with anything that is usual in its parameters. */
const anyOf = (kind: Atom['kind']) =>
  fc
    .record(Object.fromEntries(Object.entries(paramsOf(kind)).map(([name, p]) => [name, anyParam(p)])))
    .map((params) => tidy({ kind, ...params }) as Atom);
const kinds = (reads: 'sets' | 'else') => ATOM_KINDS.filter((k) => aboutAtom(k).reads === reads);

/** Any atom that reads sets, over any window. */
export const anySetAtom: fc.Arbitrary<SetAtom> = fc
  .tuple(fc.oneof(...kinds('sets').map(anyOf)), anyWindow)
  .map(
    ([atom, within]) =>
      tidy(
        within?.over === 'set' && 'sets' in atom ? { ...atom, sets: 1, within } : { ...atom, within },
      ) as SetAtom,
  );

const anyOtherAtom = fc.oneof(...kinds('else').map(anyOf));

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
