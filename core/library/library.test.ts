import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cue, fault, ladder, level, question, shelf, variation } from '../testing/samples.ts';
import { answerInForce, isTaught, resolve, resolveLadder } from './resolve.ts';
import { breachesOf, withChanges } from './integrity.ts';
import { holdsFor } from './predicate.ts';
import { referencesOf } from './references.ts';
import { variationNamed } from './named.ts';
import type { Body, HouseQuestion, Ladder } from './documents.ts';
import type { Predicate } from './predicates.ts';

describe('house answers in force', () => {
  // Precedence: hall < stage < loaded/unloaded < variation < athlete; each row adds a scope.
  const scopes: [Partial<HouseQuestion>, Record<string, string>, string, string][] = [
    [{}, {}, 'a', 'hall'],
    [{ byStage: [{ stage: 'sound', answer: 'b', why: '' }] }, {}, 'b', 'stage'],
    [{ byStage: [{ stage: 'learning', answer: 'b', why: '' }] }, {}, 'a', 'hall'],
    [
      {
        byStage: [{ stage: 'sound', answer: 'b', why: '' }],
        byLoad: [{ loaded: true, answer: 'c', why: '' }],
      },
      {},
      'c',
      'load',
    ],
    [{ byLoad: [{ loaded: false, answer: 'c', why: '' }] }, {}, 'a', 'hall'],
    // Some loads only, and whole patterns.
    [{ byLoad: [{ loaded: true, kinds: ['plate', 'bar'], answer: 'c', why: '' }] }, {}, 'c', 'load'],
    [{ byLoad: [{ loaded: true, kinds: ['plate'], answer: 'c', why: '' }] }, {}, 'a', 'hall'],
    [{ byPattern: [{ pattern: 'squat', answer: 'd', why: '' }] }, {}, 'a', 'hall'],
    [
      {
        byStage: [{ stage: 'sound', answer: 'b', why: '' }],
        byPattern: [{ pattern: 'bridge', answer: 'd', why: '' }],
      },
      {},
      'd',
      'pattern',
    ],
    [
      {
        byPattern: [{ pattern: 'bridge', answer: 'd', why: '' }],
        byLoad: [{ loaded: true, answer: 'c', why: '' }],
      },
      {},
      'c',
      'load',
    ],
    [
      {
        byLoad: [{ loaded: true, answer: 'c', why: '' }],
        byVariation: [{ variation: 'v', answer: 'd', why: '' }],
      },
      {},
      'd',
      'variation',
    ],
    [{ byVariation: [{ variation: 'v', answer: 'd', why: '' }] }, { q: 'e' }, 'e', 'athlete'],
  ];
  it.each(scopes)('%j with own answers %j is %s from the %s', (change, answers, answer, scope) => {
    const v = variation('v', { loadKind: 'bar' });
    expect(answerInForce(question('q', change), v, { stage: 'sound', answers })).toEqual({ answer, scope });
  });
});

describe('resolve', () => {
  const under = (text: string, ...answers: string[]) => ({ text, holdsUnder: { q: answers } });
  const library = (answer: string, ...more: Body[]) =>
    shelf(
      question('q', { hall: { answer, why: '' } }),
      cue('always'),
      cue('only-a', { line: under('Only a', 'a') }),
      cue('only-b', { line: under('Only b', 'b') }),
      cue('for-learners', { stages: ['learning'] }),
      fault('f', { sign: under('Seen under a', 'a'), severity: 2 }),
      ...more,
    );
  const v = variation('v', {
    cues: ['only-b', 'only-a', 'always', 'for-learners'],
    faults: [{ fault: 'f', severity: 3 }],
    stance: [under('Stand so', 'a'), under('Stand otherwise', 'b')],
    toeOutDeg: { question: 'q', byAnswer: { a: 5, b: 15 }, otherwise: 0 },
  });

  it('lets cues, stance, numbers and faults follow the answer, and keeps what it dropped', () => {
    const a = resolve(v, library('a'));
    const b = resolve(v, library('b'));
    expect(a.cues.map((c) => c.text)).toEqual(['Only a', 'Cue always', 'Cue for-learners']);
    expect(b.cues.map((c) => c.text)).toEqual(['Only b', 'Cue always', 'Cue for-learners']);
    expect([a.lines.stance, b.lines.stance]).toEqual([['Stand so'], ['Stand otherwise']]);
    expect([a.toeOutDeg, b.toeOutDeg]).toEqual([5, 15]);
    expect([a.faults.map((f) => f.severity), b.faults]).toEqual([[3], []]);
    expect(b.dropped).toContainEqual({ field: 'stance', text: 'Stand so', because: 'q: b' });
  });

  it('gives the cues that suit the stage', () => {
    const cues = resolve(v, library('a'), { stage: 'advanced', answers: {} }).cues;
    expect(cues.map((c) => c.slug)).not.toContain('for-learners');
  });

  it('never prints a line that contradicts the answers in force', () => {
    const answers = fc.constantFrom('a', 'b', 'c');
    fc.assert(
      fc.property(
        answers,
        answers,
        fc.uniqueArray(answers, { minLength: 1 }),
        (hall, byVariation, allowed) => {
          const lines = [under('The line', ...allowed)];
          const q = question('q', {
            hall: { answer: hall, why: '' },
            byVariation: [{ variation: 'v', answer: byVariation, why: '' }],
          });
          const shown = resolve(variation('v', { purpose: lines }), shelf(q)).lines.purpose;
          expect(shown.length === 1).toBe(allowed.includes(byVariation));
        },
      ),
    );
  });

  it('carries the cautions whose predicate holds, whatever the answers', () => {
    const caution = (slug: string, appliesTo: Predicate): Body => ({
      kind: 'caution',
      slug,
      retired: false,
      author: 'A. Tester',
      name: slug,
      lines: [under('Take care', 'b')],
      appliesTo,
    });
    const s = library(
      'a',
      caution('all', { test: 'every variation' }),
      caution('squats', { test: 'pattern', is: ['squat'] }),
      caution('extra', { test: 'impact' }),
    );
    const r = resolve({ ...v, extraCautions: ['extra'] }, s);
    expect(r.cautions.map((c) => [c.slug, c.lines])).toEqual([
      ['extra', ['Take care']],
      ['all', ['Take care']],
    ]);
    // What says nothing of the movement itself comes last.
    expect(r.cautions.map((c) => c.everywhere)).toEqual([false, true]);
  });
});

describe('predicates', () => {
  const v = variation('v', {
    equipmentAll: [{ equipment: 'mat', count: 1, setUp: [] }],
    roles: ['teach', 'work'],
  });
  it.each([
    [{ test: 'pattern', is: ['bridge', 'squat'] }, true],
    [{ test: 'equipment', is: ['bench'] }, false],
    [{ test: 'equipment', is: ['mat'] }, true],
    [{ test: 'role', is: ['prepare'] }, false],
    [{ test: 'not', of: { test: 'impact' } }, true],
    [{ test: 'all', of: [{ test: 'every variation' }, { test: 'impact' }] }, false],
    [{ test: 'any', of: [{ test: 'impact' }, { test: 'load kind', is: ['none'] }] }, true],
  ] as [Predicate, boolean][])('%j is %s', (p, expected) => {
    expect(holdsFor(p, v)).toBe(expected);
  });
});

describe('integrity', () => {
  const problems = (...bodies: Body[]) =>
    breachesOf(shelf(...bodies)).map((b) => `${b.document} ${b.path}: ${b.problem}`);
  const anything = { kind: 'cleanReps', reps: 1, sets: 1 } as const;

  it('finds references that lead nowhere, wherever they stand', () => {
    expect(problems(variation('v', { cues: ['gone'], drills: ['v'] }))).toEqual([
      'variation/v cues[0]: There is no cue "gone".',
    ]);
    expect(problems(cue('c', { addresses: 'gone' }))).toHaveLength(1);
    expect(problems(ladder([level('one', anything)]))).toEqual([
      'ladder/steps levels[0].main: There is no variation "one-main".',
    ]);
  });

  it('finds answers that a question does not have', () => {
    const v = variation('v', { stance: [{ text: 'x', holdsUnder: { q: ['a', 'zzz'] } }] });
    expect(problems(question('q'), v)).toEqual([
      'variation/v stance[0].holdsUnder.q: The house question "q" has no answer "zzz".',
    ]);
    expect(problems(question('q', { hall: { answer: 'zzz', why: '' } }))).toEqual([
      'houseQuestion/q hall.answer: There is no answer "zzz".',
    ]);
  });

  it('refuses to retire what is in use, and lets go what is not', () => {
    const v = variation('v', { cues: ['c'] });
    expect(problems(v, cue('c', { retired: true }))).toEqual([
      'variation/v cues[0]: The cue "c" is retired.',
    ]);
    expect(problems({ ...v, retired: true }, cue('c', { retired: true }))).toEqual([]);
  });

  it('finds levels that need each other', () => {
    const need = (to: string) => [{ ladder: to, level: 'one' }];
    const first = ladder([level('one', anything, { main: 'v', entryNeeds: need('b') })], 'a');
    const second = ladder([level('one', anything, { main: 'v', entryNeeds: need('a') })], 'b');
    expect(problems(variation('v'), first, second).join()).toContain(
      'These levels need each other: a/one → b/one → a/one.',
    );
    const sound = ladder([level('one', anything, { main: 'v' })], 'a');
    expect(problems(variation('v'), sound, second)).toEqual([]);
  });

  it('lets a branch leave a trunk of its pattern below the top, and nothing else', () => {
    const v = variation('v');
    const at = (id: string) => level(id, anything, { main: 'v' });
    const trunk = ladder([at('one'), at('two')], 'trunk');
    const branch = (change: Partial<Ladder>) => ({
      ...ladder([at('side')], 'branch'),
      branchOf: { ladder: 'trunk', level: 'one' },
      ...change,
    });
    const found = (change: Partial<Ladder>, ...more: Body[]) =>
      problems(v, trunk, branch(change), ...more).join();
    expect(found({})).toBe('');
    expect(found({ branchOf: { ladder: 'gone', level: 'one' } })).toContain('There is no ladder "gone"');
    expect(found({ branchOf: { ladder: 'trunk', level: 'x' } })).toContain('has no level "x"');
    expect(found({ branchOf: { ladder: 'trunk', level: 'two' } })).toContain('is the top of the trunk');
    expect(found({ branchOf: { ladder: 'branch', level: 'side' } })).toContain('no branch of itself');
    expect(found({ pattern: 'hinge' })).toContain('the pattern of its trunk');
    const twig = { ...branch({ branchOf: { ladder: 'branch', level: 'side' } }), slug: 'twig' };
    expect(found({}, twig)).toContain('is a branch itself');
    expect(problems(v, { ...trunk, retired: true }, branch({})).join()).toContain('is retired');
    // The trunk may ask nothing of a branch that opens no sooner.
    const needy = ladder(
      [{ ...at('one'), entryNeeds: [{ ladder: 'branch', level: 'side' }] }, at('two')],
      'trunk',
    );
    expect(problems(v, needy, branch({})).join()).toContain('need each other');
  });

  it('is taught only while something that it is for holds under the answers', () => {
    const only = {
      ...ladder([level('one', anything, { main: 'v' })]),
      purpose: [{ text: 'For a while.', holdsUnder: { q: ['a'] } }],
    };
    const stock = (of: Partial<HouseQuestion>) => shelf(variation('v'), question('q', of));
    expect(isTaught(only, stock({}))).toBe(true);
    expect(isTaught(only, stock({ hall: { answer: 'b', why: '' } }))).toBe(false);
    // One athlete may be answered otherwise than the hall.
    expect(isTaught(only, stock({}), { q: 'b' })).toBe(false);
    expect(isTaught(only, stock({ hall: { answer: 'b', why: '' } }), { q: 'a' })).toBe(true);
    expect(resolveLadder(only, stock({}), { q: 'b' }).purpose).toEqual([]);
    expect(
      isTaught({ ...only, purpose: [...only.purpose, { text: 'Always.' }] }, stock({}), { q: 'b' }),
    ).toBe(true);
  });

  it('asks what a branch opens with at its first level alone', () => {
    const at = (id: string) => level(id, anything, { main: 'v' });
    const branch = { ...ladder([at('one'), at('two')]), branchOf: { ladder: 'trunk', level: 'held' } };
    expect(resolveLadder(branch, shelf(variation('v'))).levels.map((l) => l.entryNeeds)).toEqual([
      [{ ladder: 'trunk', level: 'held' }],
      [],
    ]);
  });

  it('judges the library as it would stand after a change', () => {
    const before = shelf(variation('v'));
    expect(breachesOf(withChanges(before, [variation('v', { cues: ['c'] })]))).toHaveLength(1);
    expect(breachesOf(withChanges(before, [variation('v', { cues: ['c'] }), cue('c')]))).toEqual([]);
  });

  it('sees every reference of a fault', () => {
    const f = fault('f', {
      answers: [
        {
          answerKind: 'cue',
          line: { text: 'x' },
          cue: 'c',
          variation: 'v',
          needsSecondPerson: false,
          equipment: ['e'],
        },
      ],
      chain: [{ line: { text: 'x' }, gate: { text: 'y' }, variation: 'w' }],
    });
    expect(referencesOf(f).map((r) => `${r.kind}/${r.slug}`)).toEqual([
      'cue/c',
      'variation/v',
      'equipment/e',
      'variation/w',
    ]);
  });
});

describe('a movement by its name', () => {
  const own = shelf(
    variation('pistol', {
      name: 'Pistol squat',
      shortName: 'Pistol',
      alsoCalled: ['single-leg squat', 'SL squat'],
    }),
    variation('box', { name: 'Box squat', shortName: 'Box squat', alsoCalled: ['SL squat'] }),
  );
  it.each([
    ['pistol', 'pistol'],
    ['PISTOL squat', 'pistol'],
    ['Single leg squat', 'pistol'],
    ['box squat', 'box'],
  ])('%s is %s', (typed, slug) => {
    expect(variationNamed(own, typed)).toMatchObject({ slug });
  });
  it('is nobody, or several, where it is', () => {
    expect(variationNamed(own, 'deadlift')).toBeNull();
    expect(variationNamed(own, '')).toBeNull();
    expect(variationNamed(own, 'sl squat')).toBe('several');
  });
});
