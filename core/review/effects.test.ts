import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { madeUpLibrary, madeUpShelf } from '../testing/library.ts';
import { cue, fault, ladder, level, question, shelf, variation } from '../testing/samples.ts';
import { seeded } from '../testing/seeded.ts';
import { sentenceOf } from '../criterion/index.ts';
import type { RuledCriterion } from '../criterion/index.ts';
import {
  blankBody,
  breachesOf,
  mergeCues,
  mergeEdits,
  resolve,
  resolveLadder,
  withChanges,
} from '../library/index.ts';
import { sheetLines } from '../sheets/index.ts';
import { effectsOf } from './effects.ts';
import { STAGES } from '../terms/index.ts';
import type { Body, HouseQuestion, Line, Shelf } from '../library/index.ts';
import { runs } from '../testing/runs.ts';

const under = (text: string, ...answers: string[]): Line => ({ text, holdsUnder: { q: answers } });

const ADVANCE = { kind: 'cleanReps', reps: 10, sets: 2 } as const;

describe('one changed answer', () => {
  // Everything a house answer decides, on one sheet: cues, stance, figure, toes, faults and a criterion.
  const q = (answer: string, change: Partial<HouseQuestion> = {}) =>
    question('q', { hall: { answer, why: '' }, ...change });
  const advance: RuledCriterion = {
    kind: 'sessionsRunning',
    sessions: 2,
    of: {
      kind: 'cleanReps',
      reps: { question: 'q', byAnswer: { a: 10, b: 8 }, otherwise: 12 },
      sets: 2,
    },
  };
  const rest: Body[] = [
    cue('only-a', { line: under('Only a', 'a') }),
    cue('only-b', { line: under('Only b', 'b') }),
    cue('always'),
    fault('f', { name: 'Knees ahead', sign: under('Seen under a', 'a') }),
    variation('v', {
      name: 'The squat',
      cues: ['only-a', 'only-b', 'always'],
      faults: [{ fault: 'f' }],
      stance: [under('Stand so', 'a'), under('Stand otherwise', 'b')],
      toeOutDeg: { question: 'q', byAnswer: { a: 5, b: 15 }, otherwise: 0 },
      mechanics: {
        type: 'squat',
        legs: 2,
        thighDeg: { question: 'q', byAnswer: { a: 90, b: 110 }, otherwise: 90 },
        hands: 'forward',
        loadPlace: 'none',
      },
    }),
    variation('untouched', { purpose: [{ text: 'Same under both.' }] }),
  ];
  const steps = {
    ...ladder([level('one', { kind: 'painAtMost', pain: 0 }, { main: 'v', stage: 'learning' })]),
    levels: [{ ...level('one', { kind: 'painAtMost', pain: 0 }, { main: 'v', stage: 'learning' }), advance }],
  };
  const library = (question: HouseQuestion): Shelf => shelf(question, ...rest, steps);
  const change = (before: HouseQuestion, after: HouseQuestion) =>
    effectsOf(library(before), library(after), [after]);

  it('is told sheet by sheet: lines, faults, figure, toes and the criterion', () => {
    const { sheets, criteria, looked } = change(q('a'), q('b'));
    // The other sheet leans on nothing that the question decides.
    expect(looked).toBe(1);
    expect(sheets).toHaveLength(1);
    const [s] = sheets;
    expect(s).toMatchObject({ variation: 'v', name: 'The squat', stage: null });
    const lines = (list: { section: string; text: string }[]) => list.map((l) => `${l.section}: ${l.text}`);
    expect(lines(s!.dropped)).toEqual(['Stance: Stand so', 'Stance: Toes out by 5°.', 'Cues: Only a']);
    expect(lines(s!.takenUp)).toEqual([
      'Stance: Stand otherwise',
      'Stance: Toes out by 15°.',
      'Cues: Only b',
    ]);
    expect(s!.faultsGone).toEqual(['Knees ahead']);
    expect(s!.figure).toMatchObject({ before: { thighDeg: 90 }, after: { thighDeg: 110 } });
    expect(s!.toeOutDeg).toEqual({ before: 5, after: 15 });
    expect(criteria).toEqual([
      {
        ladder: 'steps',
        ladderName: 'steps',
        level: 'one',
        criterion: 'advance',
        before: '2 sets of 10 clean repetitions, in 2 sessions running',
        after: '2 sets of 8 clean repetitions, in 2 sessions running',
      },
    ]);
  });

  it('has no effect where nothing depends on it, and the reverse change turns the lists round', () => {
    expect(change(q('a'), q('a', { hall: { answer: 'a', why: 'Said better.' } }))).toMatchObject({
      sheets: [],
      criteria: [],
    });
    const there = change(q('a'), q('b')).sheets[0]!;
    const back = change(q('b'), q('a')).sheets[0]!;
    expect(back.dropped).toEqual(there.takenUp);
    expect(back.faultsNew).toEqual(there.faultsGone);
  });

  it('names the stage where only that stage reads otherwise', () => {
    const { sheets, criteria } = change(
      q('a'),
      q('a', { byStage: [{ stage: 'learning', answer: 'b', why: '' }] }),
    );
    expect(sheets.map((s) => s.stage)).toEqual(['learning']);
    // The level is for learners, so its criterion follows too.
    expect(criteria).toHaveLength(1);
  });

  it('settles a ladder for an athlete with an answer of their own', () => {
    const s = library(q('a'));
    const words = (answers: Record<string, string>) =>
      sentenceOf(resolveLadder(s.get('ladder', 'steps')!, s, answers).levels[0]!.advance);
    expect(words({})).toContain('10 clean repetitions');
    expect(words({ q: 'b' })).toContain('8 clean repetitions');
    expect(words({ q: 'c' })).toContain('12 clean repetitions');
    expect(sentenceOf(advance)).toBe(
      '2 sets of 12 (10 while q is a, 8 while q is b) clean repetitions, in 2 sessions running',
    );
  });
});

describe('effects of other documents', () => {
  it('reach every sheet that draws on them, through a fault too', () => {
    const f = fault('f', {
      answers: [
        { answerKind: 'cue', line: { text: 'Say it' }, cue: 'c', needsSecondPerson: false, equipment: [] },
      ],
    });
    const before = shelf(
      cue('c'),
      f,
      variation('v', { cues: ['c'] }),
      variation('w', { faults: [{ fault: 'f' }] }),
      variation('x'),
    );
    const after = cue('c', { line: { text: 'Said better' } });
    const effects = effectsOf(before, withChanges(before, [after]), [after]);
    expect(effects.looked).toBe(2);
    expect(effects.sheets.map((s) => [s.variation, s.takenUp.map((l) => l.text)])).toEqual([
      ['v', ['Said better']],
    ]);
  });

  it('tell a new order apart from new words', () => {
    const before = shelf(cue('a'), cue('b'), variation('v', { cues: ['a', 'b'] }));
    const turned = variation('v', { cues: ['b', 'a'] });
    const [s] = effectsOf(before, withChanges(before, [turned]), [turned]).sheets;
    expect(s).toMatchObject({ dropped: [], takenUp: [], reordered: ['Cues'] });
  });
});

describe('no sheet prints a line that contradicts the rule in force', () => {
  it('whatever answers are changed to, for every stage and for an athlete’s own', () => {
    const texts = (s: Shelf) => {
      const guarded = new Map<string, Line[]>();
      const free = new Set<string>();
      const walk = (value: unknown): void => {
        if (Array.isArray(value)) value.forEach(walk);
        else if (typeof value === 'object' && value !== null) {
          if ('text' in value && typeof value.text === 'string') {
            const line = value as Line;
            if (line.holdsUnder) guarded.set(line.text, [...(guarded.get(line.text) ?? []), line]);
            else free.add(line.text);
          } else Object.values(value).forEach(walk);
        }
      };
      s.everything().forEach(walk);
      return { guarded, free };
    };
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 10_000 }), fc.infiniteStream(fc.nat()), (seed, picks) => {
        const bodies = madeUpLibrary(seeded(seed), { variations: 8, cues: 20, questions: 5 });
        const pick = <T>(list: readonly T[]) => list[picks.next().value % list.length]!;
        const changed = bodies.map((b) =>
          b.kind === 'houseQuestion' ? { ...b, hall: { answer: pick(b.answers).id, why: '' } } : b,
        );
        const s = shelf(...changed);
        expect(breachesOf(s)).toEqual([]);
        const { guarded, free } = texts(s);
        const own = Object.fromEntries(
          s
            .all('houseQuestion')
            .filter((_, i) => i % 2 === 0)
            .map((q) => [q.slug, pick(q.answers).id]),
        );
        let printed = 0;
        for (const v of s.all('variation')) {
          for (const person of [undefined, ...STAGES.map((stage) => ({ stage, answers: own }))]) {
            const r = resolve(v, s, person);
            for (const { text } of sheetLines('screen', r)) {
              printed++;
              if (free.has(text)) continue;
              for (const g of guarded.get(text) ?? []) {
                for (const [question, allowed] of Object.entries(g.holdsUnder ?? {})) {
                  expect(allowed).toContain(r.answers[question]!.answer);
                }
              }
            }
          }
        }
        expect(printed).toBeGreaterThan(100);
      }),
      { numRuns: runs(25) },
    );
  });

  it('not even inside a fault: causes, checks, gates and answers that name a dropped cue', () => {
    const f = fault('f', {
      causes: [
        { id: 'x', line: under('Cause under a', 'a') },
        { id: 'y', line: { text: 'Cause always' } },
      ],
      checks: [
        {
          line: { text: 'Look' },
          results: [
            { result: 'mends', pointsTo: ['x'] },
            { result: 'stays', pointsTo: ['x', 'y'] },
          ],
        },
      ],
      answers: [
        {
          answerKind: 'cue',
          line: { text: 'Say the cue' },
          cue: 'c',
          needsSecondPerson: false,
          equipment: [],
        },
        { answerKind: 'set-up change', line: { text: 'Widen' }, needsSecondPerson: false, equipment: [] },
      ],
      chain: [{ line: { text: 'Drill' }, gate: under('Gate under a', 'a') }],
    });
    const s = (answer: string) =>
      shelf(
        question('q', { hall: { answer, why: '' } }),
        cue('c', { line: under('Cue under a', 'a') }),
        f,
        variation('v', { faults: [{ fault: 'f' }] }),
      );
    const read = (answer: string) => resolve(s(answer).get('variation', 'v')!, s(answer)).faults[0]!;
    expect(read('a')).toMatchObject({
      causes: [{ text: 'Cause under a' }, { text: 'Cause always' }],
      answers: [{ text: 'Say the cue' }, { text: 'Widen' }],
      chain: [{ gate: 'Gate under a' }],
    });
    expect(read('b').causes.map((c) => c.text)).toEqual(['Cause always']);
    expect(read('b').checks[0]!.results).toEqual([{ result: 'stays', pointsTo: ['y'], weights: [] }]);
    expect(read('b').answers.map((a) => a.text)).toEqual(['Widen']);
    expect(read('b').chain).toEqual([]);
  });
});

describe('what an answer is for', () => {
  it('follows the causes that stand; an answer whose causes are all dropped is none', () => {
    const f = fault('f', {
      causes: [
        { id: 'x', line: under('Cause under a', 'a'), weight: 2 },
        { id: 'y', line: { text: 'Cause always' }, alike: 'shared' },
      ],
      answers: [
        {
          answerKind: 'cue',
          line: { text: 'For x' },
          causes: ['x'],
          needsSecondPerson: false,
          equipment: [],
        },
        {
          answerKind: 'cue',
          line: { text: 'Both' },
          causes: ['x', 'y'],
          needsSecondPerson: false,
          equipment: [],
        },
        { answerKind: 'cue', line: { text: 'Any' }, needsSecondPerson: true, equipment: ['box', 'gone'] },
      ],
    });
    const read = (answer: string) => {
      const s = shelf(
        question('q', { hall: { answer, why: '' } }),
        blankBody('equipment', 'box', 'Box', 'A'),
        f,
        variation('v', { faults: [{ fault: 'f' }] }),
      );
      return resolve(s.get('variation', 'v')!, s).faults[0]!;
    };
    expect(read('a').causes.map((c) => [c.id, c.weight, c.alike])).toEqual([
      ['x', 2, null],
      ['y', null, 'shared'],
    ]);
    expect(read('a').answers.map((a) => a.causes)).toEqual([['x'], ['x', 'y'], null]);
    expect(read('b').answers.map((a) => [a.text, a.causes])).toEqual([
      ['Both', ['y']],
      ['Any', null],
    ]);
    expect(read('a').answers[2]!.equipment).toEqual([{ slug: 'box', name: 'Box', inHall: 1 }]);
  });

  it('is unfit where it leads to the variation itself, to another pattern or to something harder', () => {
    const to = (slug: string) => ({
      answerKind: 'easier variation' as const,
      line: { text: slug },
      variation: slug,
      needsSecondPerson: false,
      equipment: [],
    });
    const s = shelf(
      fault('f', { answers: ['low', 'mid', 'high', 'other', 'off'].map(to) }),
      ...['low', 'mid', 'high', 'off'].map((v) => variation(v, { faults: [{ fault: 'f' }] })),
      variation('other', { pattern: 'squat' }),
      ladder(['low', 'mid', 'high'].map((v) => level(v, ADVANCE, { main: v }))),
    );
    const unfit = resolve(s.get('variation', 'mid')!, s).faults[0]!.answers.map((a) => a.unfit);
    expect(unfit).toEqual([
      null,
      'that is what is done',
      'it stands higher on the ladder',
      'another pattern',
      null,
    ]);
  });

  it('names only causes that there are, each once', () => {
    const broken = fault('f', {
      causes: [
        { id: 'x', line: { text: 'One' } },
        { id: 'x', line: { text: 'Two' } },
      ],
      checks: [
        {
          line: { text: 'Look' },
          results: [{ result: 'mends', pointsTo: ['y'], weights: [{ cause: 'z', weight: 1 }] }],
        },
      ],
      answers: [
        { answerKind: 'cue', line: { text: 'Say' }, causes: ['w'], needsSecondPerson: false, equipment: [] },
      ],
    });
    expect(breachesOf(shelf(broken)).map((b) => [b.path, b.problem])).toEqual([
      ['causes', 'Two causes are called "x".'],
      ['checks[0].results[0].pointsTo', 'There is no cause "y".'],
      ['checks[0].results[0].weights', 'There is no cause "z".'],
      ['answers[0].causes', 'There is no cause "w".'],
    ]);
  });
});

describe('merging cues', () => {
  it('keeps every sheet’s number of cues, less one where both stood, and leaves nothing pointing at the old one', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 10_000 }), fc.nat(19), fc.nat(19), (seed, i, j) => {
        fc.pre(i !== j);
        const s = madeUpShelf(seeded(seed), { variations: 10, cues: 20, questions: 2 });
        const [drop, keep] = [`cue-${i}`, `cue-${j}`];
        const after = withChanges(s, mergeCues(s, drop, keep));
        expect(breachesOf(after)).toEqual([]);
        for (const v of s.all('variation')) {
          const both = v.cues.includes(drop) && v.cues.includes(keep) ? 1 : 0;
          const now = after.get('variation', v.slug)!;
          expect(now.cues).toHaveLength(v.cues.length - both);
          expect(now.cues.includes(keep)).toBe(v.cues.includes(drop) || v.cues.includes(keep));
          expect({ ...now, cues: [] }).toEqual({ ...v, cues: [] });
        }
        expect(after.get('cue', drop)!.retired).toBe(true);
        expect(JSON.stringify(after.all('fault'))).not.toContain(`"cue":"${drop}"`);
      }),
      { numRuns: runs(30) },
    );
  });

  it('keeps the better rank of the two, and says what it cannot do', () => {
    const s = shelf(
      cue('a'),
      cue('b'),
      cue('c'),
      cue('old', { retired: true }),
      variation('v', { cues: ['a', 'c', 'b'] }),
    );
    const changed = mergeCues(s, 'a', 'b');
    expect(changed.map((b) => b.slug)).toEqual(['a', 'v']);
    expect((changed[1] as { cues: string[] }).cues).toEqual(['b', 'c']);
    expect(() => mergeCues(s, 'a', 'a')).toThrow('itself');
    expect(() => mergeCues(s, 'a', 'gone')).toThrow('There is no cue "gone".');
    expect(() => mergeCues(s, 'old', 'a')).toThrow('retired');
  });
});

describe('two edits of one revision', () => {
  const base = variation('v', { purpose: [{ text: 'For all.' }], cues: ['a'], impact: false });

  it('are put together member by member', () => {
    const mine = { ...base, name: 'Mine' };
    const theirs = { ...base, cues: ['a', 'b'] };
    expect(mergeEdits(base, mine, theirs)).toEqual({
      body: { ...base, name: 'Mine', cues: ['a', 'b'] },
      conflicts: [],
    });
  });

  it('name what both changed to something else, and keep mine there', () => {
    const mine = { ...base, name: 'Mine', impact: true };
    const theirs = { ...base, name: 'Theirs', impact: true };
    expect(mergeEdits(base, mine, theirs)).toEqual({
      body: { ...base, name: 'Mine', impact: true },
      conflicts: ['name'],
    });
  });

  it('lose no word of either: each stands in the result or its member is named as a conflict', () => {
    const text = fc
      .array(fc.constantFrom('heels', 'down', 'slow', 'and', 'tall', 'now'), { minLength: 1, maxLength: 6 })
      .map((w) => w.join(' '));
    const edit = fc.record(
      {
        name: text,
        purpose: fc.array(
          text.map((t) => ({ text: t })),
          { maxLength: 4 },
        ),
        impact: fc.boolean(),
      },
      { requiredKeys: [] },
    );
    const wordsOf = (v: unknown) => JSON.stringify(v ?? '').match(/\w+/g) ?? [];
    fc.assert(
      fc.property(edit, edit, edit, (b, m, t) => {
        const from = { ...base, ...b };
        const [mine, theirs] = [
          { ...from, ...m },
          { ...from, ...t },
        ];
        const { body, conflicts } = mergeEdits(from, mine, theirs);
        const read = (of: object, key: string) => (of as Record<string, unknown>)[key];
        for (const key of ['name', 'purpose', 'impact']) {
          const [was, left, right, got] = [from, mine, theirs, body].map((x) => read(x, key));
          if (conflicts.includes(key)) {
            expect(got).toEqual(left);
            continue;
          }
          const before = new Set(wordsOf(was));
          for (const word of [...wordsOf(left), ...wordsOf(right)])
            if (!before.has(word)) expect(wordsOf(got)).toContain(word);
          if (JSON.stringify(left) === JSON.stringify(was)) expect(got).toEqual(right);
          if (JSON.stringify(right) === JSON.stringify(was)) expect(got).toEqual(left);
        }
      }),
    );
  });

  it('are put together word by word within a line, and line by line within a list', () => {
    const from = {
      ...base,
      purpose: [{ text: 'Sit down between the heels.' }, { text: 'For all.' }],
      cues: ['a', 'b'],
    };
    const mine = {
      ...from,
      purpose: [{ text: 'Sit slowly down between the heels.' }, { text: 'For all.' }],
      cues: ['own', 'a', 'b'],
    };
    const theirs = {
      ...from,
      purpose: [{ text: 'Sit down between both heels.' }, { text: 'For all.' }, { text: 'Not for long.' }],
      cues: ['a', 'b', 'c'],
    };
    expect(mergeEdits(from, mine, theirs)).toEqual({
      body: {
        ...from,
        purpose: [
          { text: 'Sit slowly down between both heels.' },
          { text: 'For all.' },
          { text: 'Not for long.' },
        ],
        cues: ['own', 'a', 'b', 'c'],
      },
      conflicts: [],
    });
    // The same word to something else: somebody has to choose.
    const other = {
      ...from,
      purpose: [{ text: 'Sit quickly down between the heels.' }, { text: 'For all.' }],
    };
    expect(mergeEdits(from, mine, other).conflicts).toEqual(['purpose']);
  });

  it('take away what one side took away', () => {
    const dated = { ...base, reviewBy: '2027-01-01' };
    expect(mergeEdits(dated, base, dated).body).toEqual(base);
    expect(mergeEdits(dated, dated, base).body).toEqual(base);
  });
});
