import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { AID_WORDS, AIDS } from '../terms/index.ts';
import { anyCriterion } from '../testing/criteria.ts';
import { canBeMet, neverMet, evidenceNeeded } from './evidence-needed.ts';
import { criterionProblems } from './limits.ts';
import { depthOf, leavesOf, simplified, ATOM_KINDS } from './criteria.ts';
import { atomName, sentenceOf } from './sentence.ts';
import type { Atom, Criterion } from './criteria.ts';
import type { Window } from './window.ts';
import { facts } from '../testing/samples.ts';
import { runs } from '../testing/runs.ts';

// A reader of the sentences, written apart from their writer: if it gives back the tree, no two trees share a sentence.

function splitAtTop(text: string, joiner: string): string[] {
  const parts: string[] = [];
  let depth = 0;
  let from = 0;
  for (let i = 0; i < text.length; i++) {
    if (text[i] === '(') depth++;
    if (text[i] === ')') depth--;
    if (depth === 0 && text.startsWith(joiner, i)) {
      parts.push(text.slice(from, i));
      from = i + joiner.length;
    }
  }
  return [...parts, text.slice(from)];
}

function read(text: string): Criterion {
  for (const [kind, joiner] of [
    ['all', '; and '],
    ['any', '; or '],
  ] as const) {
    const parts = splitAtTop(text, joiner);
    if (parts.length > 1) return { kind, of: parts.map(read) };
  }
  const run = /^(.*), in (\d+) sessions? running$/.exec(text);
  if (run) return { kind: 'sessionsRunning', sessions: Number(run[2]), of: read(run[1]!) };
  if (text.startsWith('(') && text.endsWith(')')) return read(text.slice(1, -1));
  return readAtom(text);
}

const WINDOWS: [RegExp, (n: number) => Window][] = [
  [/ in the last set$/, () => ({ over: 'set' })],
  [/ over the last (\d+) sessions?$/, (last) => ({ over: 'sessions', last })],
  [/ in the last (\d+) days?$/, (last) => ({ over: 'days', last })],
];

const severity = (words: string) => (words === 'a stop fault' ? 3 : words === 'a fault to fix' ? 2 : 1);
const FAULT = '(a stop fault|a fault to fix|any fault, even one only noted)';
const unit = (u: string) => (u === 'kg' ? ('kg' as const) : ('% of body mass' as const));
const n = Number;

/** Pattern, whether it is turned round, and the atom. */
const ATOMS: [string, boolean, (m: string[]) => Atom][] = [
  ...([false, true] as const).flatMap((not): [string, boolean, (m: string[]) => Atom][] => {
    const fewer = not ? 'fewer than ' : '';
    const inFewer = not ? 'in fewer than ' : 'in ';
    return [
      [
        `${fewer}(\\d+) sets? of (\\d+) clean repetitions? with at least (\\d+) (kg|% of body mass)`,
        not,
        (m) => ({ kind: 'load', load: n(m[3]), unit: unit(m[4]!), reps: n(m[2]), sets: n(m[1]) }),
      ],
      [
        `${fewer}(\\d+) sets? of (\\d+) clean repetitions?`,
        not,
        (m) => ({ kind: 'cleanReps', reps: n(m[2]), sets: n(m[1]) }),
      ],
      [`${fewer}(\\d+) holds? of (\\d+) s`, not, (m) => ({ kind: 'holdS', seconds: n(m[2]), sets: n(m[1]) })],
      [
        `${fewer}(\\d+) sets? of (\\d+) clean rounds?`,
        not,
        (m) => ({ kind: 'cleanRounds', rounds: n(m[2]), sets: n(m[1]) }),
      ],
      [
        `the full range reached ${inFewer}(\\d+) sets?`,
        not,
        (m) => ({ kind: 'rangeReached', sets: n(m[1]) }),
      ],
      [
        `(\\d+)° reached ${inFewer}(\\d+) sets?`,
        not,
        (m) => ({ kind: 'rangeReached', sets: n(m[2]), degrees: n(m[1]) }),
      ],
      [`felt as wanted ${inFewer}(\\d+) sets?`, not, (m) => ({ kind: 'felt', sets: n(m[1]) })],
      [
        `(work|stretch|pressure|pain) felt in the (.+) ${inFewer}(\\d+) sets?`,
        not,
        (m) => ({ kind: 'felt', sets: n(m[3]), felt: { region: m[2], kind: m[1] } }) as Atom,
      ],
      [`${fewer}(\\d+) sessions? at this level`, not, (m) => ({ kind: 'sessionsHere', sessions: n(m[1]) })],
      [
        `${fewer}(\\d+) weeks? on this ladder with 2 sessions a week`,
        not,
        (m) => ({ kind: 'weeksOnLadder', weeks: n(m[1]) }),
      ],
      [`${fewer}(\\d+) days? at this level`, not, (m) => ({ kind: 'daysHere', days: n(m[1]) })],
      [
        `(\\S+) on (\\S+) ${not ? 'not ' : ''}held`,
        not,
        (m) => ({ kind: 'levelHeld', ladder: m[2]!, level: m[1]! }),
      ],
      [
        `${not ? 'not ' : ''}signed off by (a coach|the head coach)`,
        not,
        (m) => ({ kind: 'signedOff', by: m[1] === 'a coach' ? 'coach' : 'head coach' }),
      ],
      [
        `the tempo kept in ${not ? 'under' : 'at least'} (\\d+) % of sets`,
        not,
        (m) => ({ kind: 'tempoKept', percent: n(m[1]) }),
      ],
      [
        `effort ${not ? 'above' : 'at most'} (\\d+) of 10`,
        not,
        (m) => ({ kind: 'effortAtMost', effort: n(m[1]) }),
      ],
      [`pain ${not ? 'above' : 'at most'} (\\d+) of 10`, not, (m) => ({ kind: 'painAtMost', pain: n(m[1]) })],
      [
        `at ease ${not ? 'below' : 'at least'} (\\d+) of 10`,
        not,
        (m) => ({ kind: 'easeAtLeast', ease: n(m[1]) }),
      ],
      [
        not ? 'left and right more than (\\d+) % apart' : 'left and right within (\\d+) % of each other',
        not,
        (m) => ({ kind: 'sideDifferenceAtMost', percent: n(m[1]) }),
      ],
      [
        `${not ? 'more than' : 'at most'} (\\d+) repetitions? with ${FAULT}`,
        not,
        (m) => ({ kind: 'faultsAtMost', severity: severity(m[2]!), count: n(m[1]) }),
      ],
    ];
  }),
  [
    `no repetition with ${FAULT}`,
    false,
    (m) => ({ kind: 'faultsAtMost', severity: severity(m[1]!), count: 0 }),
  ],
  [
    `a repetition with ${FAULT}`,
    true,
    (m) => ({ kind: 'faultsAtMost', severity: severity(m[1]!), count: 0 }),
  ],
  ['no pain', false, () => ({ kind: 'painAtMost', pain: 0 })],
  ['any pain', true, () => ({ kind: 'painAtMost', pain: 0 })],
  ['nothing unwanted felt', false, () => ({ kind: 'notFelt' })],
  ['something unwanted felt', true, () => ({ kind: 'notFelt' })],
  [
    'no (work|stretch|pressure|pain) felt in the (.+)',
    false,
    (m) => ({ kind: 'notFelt', felt: { region: m[2], kind: m[1] } }) as Atom,
  ],
  [
    '(work|stretch|pressure|pain) felt in the (.+)',
    true,
    (m) => ({ kind: 'notFelt', felt: { region: m[2], kind: m[1] } }) as Atom,
  ],
  ...AIDS.flatMap((aid) =>
    AID_WORDS[aid].flatMap((word, most): [string, boolean, (m: string[]) => Atom][] => [
      [most === 0 ? word : `at most ${word}`, false, () => ({ kind: 'aidsAtMost', aid, most })],
      [`more than ${word}`, true, () => ({ kind: 'aidsAtMost', aid, most })],
    ]),
  ),
];

function readAtom(text: string): Criterion {
  for (const [pattern, window] of WINDOWS) {
    const m = pattern.exec(text);
    if (m) {
      const bare = readAtom(text.slice(0, m.index));
      const within = window(Number(m[1]));
      return bare.kind === 'not'
        ? ({ ...bare, of: { ...bare.of, within } } as Criterion)
        : ({ ...bare, within } as Criterion);
    }
  }
  for (const [pattern, not, make] of ATOMS) {
    const m = new RegExp(`^${pattern}$`).exec(text);
    if (m) return not ? { kind: 'not', of: make(m) } : make(m);
  }
  throw new Error(`Nobody says "${text}".`);
}

describe('sentence and tree', () => {
  it('are one to one, but for brackets that change nothing', () => {
    fc.assert(
      fc.property(anyCriterion(), (c) => {
        expect(read(sentenceOf(c))).toEqual(simplified(c));
        expect(sentenceOf(simplified(c))).toBe(sentenceOf(c));
      }),
      { numRuns: runs(3000) },
    );
  });
  it('say windows, loads, aids and levels as a coach would', () => {
    const rows: [Criterion, string][] = [
      [
        { kind: 'load', load: 50, unit: '% of body mass', reps: 8, sets: 3 },
        '3 sets of 8 clean repetitions with at least 50 % of body mass',
      ],
      [{ kind: 'aidsAtMost', aid: 'pads', most: 0 }, 'no pad'],
      [{ kind: 'aidsAtMost', aid: 'hand support', most: 1 }, 'at most hands touching'],
      [
        { kind: 'felt', sets: 2, within: { over: 'sessions', last: 3 } },
        'felt as wanted in 2 sets over the last 3 sessions',
      ],
      [
        { kind: 'cleanReps', reps: 12, sets: 1, within: { over: 'set' } },
        '1 set of 12 clean repetitions in the last set',
      ],
      [{ kind: 'painAtMost', pain: 0, within: { over: 'days', last: 14 } }, 'no pain in the last 14 days'],
      [
        { kind: 'not', of: { kind: 'levelHeld', ladder: 'hinge', level: 'stick' } },
        'stick on hinge not held',
      ],
      [{ kind: 'signedOff', by: 'head coach' }, 'signed off by the head coach'],
    ];
    for (const [c, sentence] of rows) expect(sentenceOf(c)).toBe(sentence);
    expect(
      sentenceOf({ kind: 'levelHeld', ladder: 'hinge', level: 'stick' }, () => 'Stick hinge (Hinge)'),
    ).toBe('Stick hinge (Hinge) held');
  });
  it('have a name in lists for every kind', () => {
    expect(new Set(ATOM_KINDS.map(atomName)).size).toBe(ATOM_KINDS.length);
  });
});

describe('limits of a criterion', () => {
  const atom: Criterion = { kind: 'painAtMost', pain: 0 };
  const deep = (n: number): Criterion =>
    n === 0 ? atom : { kind: n % 2 ? 'all' : 'any', of: [atom, deep(n - 1)] };
  it('refuses what nobody could read', () => {
    expect(depthOf(deep(5))).toBe(6);
    expect(criterionProblems(deep(5))).toEqual([]);
    expect(criterionProblems(deep(6))[0]).toContain('nested 7 deep');
    const wide = (size: number): Criterion => ({ kind: 'all', of: Array.from({ length: size }, () => atom) });
    expect(criterionProblems(wide(40))).toEqual([]);
    expect(criterionProblems(wide(41))[0]).toContain('asks 41 things');
    expect(leavesOf(wide(41))).toHaveLength(41);
  });
  it('knows that the last set is one set', () => {
    const last = (sets: number): Criterion => ({ kind: 'cleanReps', reps: 8, sets, within: { over: 'set' } });
    expect(criterionProblems(last(1))).toEqual([]);
    expect(criterionProblems(last(2))[0]).toContain('there is one set');
  });
});

describe('the evidence a criterion needs', () => {
  const holds = facts('hold', { countedIn: 'seconds held', hasTempo: false, wanted: [] });
  it('is told for every kind of atom', () => {
    fc.assert(
      fc.property(anyCriterion(), (c) => {
        for (const a of leavesOf(c)) expect(evidenceNeeded(a).length).toBeGreaterThan(0);
      }),
    );
  });
  it.each([
    [{ kind: 'cleanReps', reps: 10, sets: 1 }, 'counted in seconds held'],
    [{ kind: 'cleanRounds', rounds: 2, sets: 1 }, 'not in rounds'],
    [{ kind: 'load', load: 10, unit: 'kg', reps: 5, sets: 1 }, 'not in repetitions'],
    [{ kind: 'tempoKept', percent: 80 }, 'no tempo'],
    [{ kind: 'felt', sets: 1 }, 'does not say where'],
    [{ kind: 'sideDifferenceAtMost', percent: 10 }, 'both sides at once'],
  ] as [Criterion, string][])('%j can never be met by a hold on two legs', (c, why) => {
    expect(neverMet(c, holds).map((x) => x.why)).toEqual([expect.stringContaining(why)]);
    expect(canBeMet(c, holds)).toBe(false);
  });
  it('leaves a way through an "any", and none through an "all"', () => {
    const never: Criterion = { kind: 'cleanReps', reps: 10, sets: 1 };
    const can: Criterion = { kind: 'holdS', seconds: 20, sets: 1 };
    expect(canBeMet({ kind: 'any', of: [never, can] }, holds)).toBe(true);
    expect(canBeMet({ kind: 'all', of: [never, can] }, holds)).toBe(false);
    expect(neverMet({ kind: 'any', of: [never, can] }, holds)).toHaveLength(1);
    expect(canBeMet({ kind: 'load', load: 10, unit: 'kg', reps: 5, sets: 1 }, facts('air'))).toBe(false);
  });
});
