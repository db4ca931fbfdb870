import { blankBody, blankLevel, shelfOf } from '../library/index.ts';
import type {
  Body,
  BodyOf,
  Cue,
  HoldsUnder,
  HouseQuestion,
  Kind,
  Line,
  Shelf,
  Variation,
} from '../library/index.ts';
import type { Mechanics } from '../posture/index.ts';
import type { Pattern, RuledNumber } from '../terms/index.ts';
import { CUE_KINDS, PATTERNS, PHASES, REGIONS, STAGES, VIEWS } from '../terms/index.ts';

/** How many of each kind a made-up library has. */
export interface LibrarySize {
  variations: number;
  cues: number;
  faults?: number;
  equipment?: number;
  questions?: number;
}

const AUTHOR = 'A. Generator';
const THINGS =
  'hips knees chest ribs heels toes floor bar shoulders pelvis shins weight feet elbows chin tailbone thighs wall bench box band belt pockets sternum breastbone ankles spine neck back arms hands'.split(
    ' ',
  );
const DOINGS =
  'push pull drive reach press lift sink slide open close spread screw grip brace drop float carry drag point lead hold keep send stack anchor root tuck lock unlock soften squeeze'.split(
    ' ',
  );
const WHERE =
  'back down up apart forward home level quiet long tall wide even together straight slowly hard early late first last again'.split(
    ' ',
  );

/**
 * A made-up library, sound and of any size: the same for the same random numbers. Its words are strung together, so it
 * is for measuring and for properties, never for reading.
 * @param random numbers from 0 to below 1
 */
export function madeUpLibrary(random: () => number, size: LibrarySize): Body[] {
  const { faults = Math.ceil(size.cues / 10), equipment = 12, questions = 12 } = size;
  const whole = (below: number) => Math.floor(random() * below);
  const one = <T>(list: readonly T[]): T => list[whole(list.length)]!;
  const some = <T>(list: readonly T[], most: number): T[] =>
    list.length === 0 ? [] : [...new Set(Array.from({ length: whole(most + 1) }, () => one(list)))];
  const blank = <K extends Kind>(kind: K, slug: string, name: string) =>
    blankBody(kind, slug, name, AUTHOR) as BodyOf<K>;
  const phrase = () => `${one(DOINGS)} the ${one(THINGS)} ${one(WHERE)}, ${one(THINGS)} ${one(WHERE)}`;

  const asked: HouseQuestion[] = Array.from({ length: questions }, (_, i) => {
    const q = blank('houseQuestion', `question-${i}`, `Where does the ${THINGS[i % THINGS.length]} go?`);
    const answers = ['this', 'that', 'other'].map((id) => ({ id, name: id, reasons: [{ text: phrase() }] }));
    const scoped = { answer: one(answers).id, why: phrase() };
    return {
      ...q,
      answers,
      hall: { answer: one(answers).id, why: phrase() },
      byStage: random() < 0.3 ? [{ stage: one(STAGES), ...scoped }] : [],
      byLoad: random() < 0.3 ? [{ loaded: random() < 0.5, ...scoped }] : [],
    };
  });
  const under = (): HoldsUnder => {
    const q = one(asked);
    const answers = q.answers.map((a) => a.id).filter(() => random() < 0.6);
    return { [q.slug]: answers.length > 0 ? answers : [q.hall.answer] };
  };
  const line = (): Line =>
    asked.length > 0 && random() < 0.2 ? { text: phrase(), holdsUnder: under() } : { text: phrase() };
  const lines = (most: number): Line[] => Array.from({ length: 1 + whole(most) }, line);
  const ruled = (from: number, to: number): RuledNumber => {
    const number = () => Math.round(from + random() * (to - from));
    if (asked.length === 0 || random() < 0.7) return number();
    const q = one(asked);
    return {
      question: q.slug,
      byAnswer: Object.fromEntries(q.answers.map((a) => [a.id, number()])),
      otherwise: number(),
    };
  };

  const kit = Array.from({ length: equipment }, (_, i) => ({
    ...blank('equipment', `piece-${i}`, `Piece ${i}`),
    setUp: lines(1),
    homeSubstitutes: random() < 0.5 ? [{ text: phrase() }] : [],
  }));
  const cues: Cue[] = [];
  for (let i = 0; i < size.cues; i++) {
    // Some are an earlier cue in other words, as coaches write them.
    const words = i > 0 && random() < 0.05 ? one(cues).line.text.split(' ') : null;
    if (words) words[whole(words.length)] = one(WHERE);
    cues.push({
      ...blank('cue', `cue-${i}`, ''),
      line: words ? { text: words.join(' ') } : line(),
      phase: one(PHASES),
      cueKind: one(CUE_KINDS),
      view: one(VIEWS),
    });
  }
  const wrongs = Array.from({ length: faults }, (_, i) => ({
    ...blank('fault', `fault-${i}`, `The ${one(THINGS)} ${one(WHERE)} ${i}`),
    sign: line(),
    causes: [
      { id: 'first', line: line() },
      { id: 'second', line: line() },
    ],
    checks: [
      {
        line: line(),
        results: [
          { result: phrase(), pointsTo: ['first'] },
          { result: phrase(), pointsTo: ['second'] },
        ],
      },
    ],
    answers: Array.from({ length: 1 + whole(3) }, () => ({
      answerKind: 'cue' as const,
      line: line(),
      ...(cues.length > 0 && random() < 0.5 ? { cue: one(cues).slug } : {}),
      needsSecondPerson: false,
      equipment: [],
    })),
    whenToStop: { text: phrase() },
    chain: random() < 0.2 ? [{ line: line(), gate: line() }] : [],
  }));
  const mechanics = (pattern: Pattern): Mechanics => {
    switch (pattern) {
      case 'squat':
        return { type: 'squat', legs: 2, thighDeg: ruled(60, 100), hands: 'forward', loadPlace: 'none' };
      case 'hinge':
        return {
          type: 'hinge',
          legs: 2,
          trunkDeg: ruled(40, 85),
          kneeDeg: ruled(5, 25),
          hands: 'at the sides',
          loadPlace: 'none',
        };
      case 'bridge':
        return {
          type: 'bridge',
          legs: random() < 0.5 ? 1 : 2,
          loadPlace: 'none',
          feetFartherDeg: ruled(-10, 20),
          hold: false,
        };
      case 'lunge':
        return {
          type: 'lunge',
          stepOfRightAngleStep: 0.9 + random() / 4,
          frontShankDeg: whole(10),
          trunkDeg: ruled(0, 25),
          dynamics: one(['static', 'reverse', 'forward'] as const),
          loadPlace: 'none',
        };
    }
  };
  const variations: Variation[] = Array.from({ length: size.variations }, (_, i) => {
    const pattern = PATTERNS[i % PATTERNS.length]!;
    return {
      ...blank('variation', `variation-${i}`, `${pattern}, ${one(DOINGS)} ${one(WHERE)} ${i}`),
      pattern,
      dominance: one(['knee', 'hip', 'balanced'] as const),
      muscles: ['gluteus maximus'],
      purpose: lines(2),
      reasonsToChoose: lines(1),
      rangeNotes: lines(1),
      stance: lines(2),
      gaze: lines(1),
      breathing: lines(1),
      gettingIn: lines(2),
      gettingOut: lines(1),
      ifItGoesWrong: lines(1),
      runThrough: lines(4),
      dose: [{ role: 'work', sets: 2, repsFrom: 8, repsTo: 12, restS: 60, notes: [] }],
      cues: cues.length > 0 ? [one(cues).slug, ...some(cues, 11).map((c) => c.slug)].filter(unique) : [],
      faults: some(wrongs, 5).map((f) => ({ fault: f.slug })),
      equipmentAll: some(kit, 2).map((e) => ({ equipment: e.slug, count: 1, setUp: lines(1) })),
      wanted: [{ region: one(REGIONS), kind: 'work' }],
      mechanics: mechanics(pattern),
    };
  });
  const ladders = PATTERNS.flatMap((pattern) => {
    const own = variations.filter((v) => v.pattern === pattern).slice(0, 12);
    if (own.length === 0) return [];
    return [
      {
        ...blank('ladder', `${pattern}-steps`, `${pattern} steps`),
        pattern,
        purpose: [{ text: phrase() }],
        levels: own.map((v, i) => ({
          ...blankLevel(`level-${i}`, `Level ${i}`),
          main: v.slug,
          advance: { kind: 'cleanReps' as const, reps: ruled(6, 15), sets: 2 },
        })),
      },
    ];
  });
  const caution = {
    ...blank('caution', 'anyone', 'Anyone'),
    lines: [{ text: 'Sharp or rising pain ends the set.' }],
  };
  return [...asked, ...kit, caution, ...cues, ...wrongs, ...variations, ...ladders];
}

const unique = <T>(x: T, i: number, list: T[]) => list.indexOf(x) === i;

export const madeUpShelf = (random: () => number, size: LibrarySize): Shelf =>
  shelfOf(madeUpLibrary(random, size));
