import { blankSet } from '../log/index.ts';
import { blankBody, shelfOf } from '../library/index.ts';
import type {
  Body,
  BodyOf,
  Cue,
  Kind,
  Fault,
  HouseQuestion,
  SettledLadder,
  SettledLevel,
  Shelf,
  Variation,
} from '../library/index.ts';
import type { Criterion } from '../criterion/index.ts';
import type { DecisionInput } from '../ladder/index.ts';
import type { LoggedSet, VariationFacts } from '../log/index.ts';

const AUTHOR = 'A. Tester';
const blank = <K extends Kind>(kind: K, slug: string) => blankBody(kind, slug, slug, AUTHOR) as BodyOf<K>;

export function variation(slug: string, change: Partial<Variation> = {}): Variation {
  return { ...blank('variation', slug), ...change };
}

export function cue(slug: string, change: Partial<Cue> = {}): Cue {
  return { ...blank('cue', slug), line: { text: `Cue ${slug}` }, ...change };
}

export function fault(slug: string, change: Partial<Fault> = {}): Fault {
  return { ...blank('fault', slug), sign: { text: 'Seen.' }, whenToStop: { text: 'Stop.' }, ...change };
}

export function question(slug: string, change: Partial<HouseQuestion> = {}): HouseQuestion {
  return {
    ...blank('houseQuestion', slug),
    answers: ['a', 'b', 'c', 'd', 'e'].map((id) => ({ id, name: id, reasons: [] })),
    hall: { answer: 'a', why: '' },
    ...change,
  };
}

export function level(id: string, advance: Criterion, change: Partial<SettledLevel> = {}): SettledLevel {
  return {
    id,
    name: id,
    stage: 'sound',
    main: `${id}-main`,
    equals: [],
    dose: { sets: 2, reps: 10, restS: 60 },
    entryNeeds: [],
    advance,
    stepBack: {
      kind: 'any',
      of: [
        { kind: 'not', of: { kind: 'painAtMost', pain: 3 } },
        { kind: 'not', of: { kind: 'faultsAtMost', severity: 3, count: 0 } },
        {
          kind: 'sessionsRunning',
          sessions: 2,
          of: { kind: 'not', of: { kind: 'cleanReps', reps: 5, sets: 1 } },
        },
      ],
    },
    waysOn: [{ way: 'repetitions', step: 2, upTo: 14 }],
    usualStayWeeks: { from: 1, to: 2 },
    ...change,
  };
}

export function ladder(levels: SettledLevel[], slug = 'steps'): SettledLadder {
  return { ...blank('ladder', slug), levels };
}

export const shelf = (...bodies: Body[]): Shelf => shelfOf(bodies);

export function facts(slug: string, change: Partial<VariationFacts> = {}): VariationFacts {
  return {
    slug,
    name: slug,
    pattern: 'bridge',
    loadPlace: 'none',
    rangeTarget: 'straight line',
    impact: false,
    oneSided: false,
    alternating: false,
    regions: [],
    dominance: 'hip',
    equipmentGroups: [],
    severities: { noted: 1, fix: 2, stop: 3 },
    countedIn: 'repetitions',
    loadKind: 'none',
    weights: 1,
    aids: [],
    hasTempo: true,
    wanted: [{ region: 'back of hip', kind: 'work' }],
    unwanted: [{ region: 'low back', kind: 'work' }],
    ...change,
  };
}

let nextId = 0;

/** A watched working set of ten clean repetitions, effort 6, no pain; changed as needed. */
export function set(date: string, change: Partial<LoggedSet> = {}): LoggedSet {
  return {
    id: `set-${String(nextId++).padStart(6, '0')}`,
    sessionId: `session-${date}`,
    date,
    variation: 'one-main',
    variationRevision: 1,
    ...blankSet(),
    watched: true,
    plannedReps: 10,
    doneReps: 10,
    effort: 6,
    pain: 0,
    ...change,
  };
}

/** A decision about somebody on the first of three levels, with nothing logged; changed as needed. */
export function input(change: Partial<DecisionInput> = {}): DecisionInput {
  const asks: Criterion = {
    kind: 'all',
    of: [
      { kind: 'sessionsRunning', sessions: 2, of: { kind: 'cleanReps', reps: 12, sets: 2 } },
      { kind: 'painAtMost', pain: 0 },
    ],
  };
  const steps = ladder([level('one', asks), level('two', asks), level('three', asks)]);
  return {
    ladder: steps,
    facts: new Map(steps.levels.map((l) => [l.main, facts(l.main)])),
    loweringS: new Map(steps.levels.map((l) => [l.main, 2])),
    standing: { level: 'one', since: '2026-01-01', taken: [] },
    sets: [],
    restrictions: [],
    kit: new Set(),
    heldElsewhere: new Set(),
    today: '2026-01-12',
    ...change,
  };
}
