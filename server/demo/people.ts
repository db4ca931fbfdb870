import type { Lengths, MassSet, RangeMethod } from '../../core/body/index.ts';
import type { CueOutcome, Experience, Reach, Restriction } from '../../core/ladder/index.ts';
import type { Role } from '../../core/terms/index.ts';

/** How the last two sessions on a ladder go; what the decision makes of them is computed, not written here. */
export type Lately = 'as before' | 'strong' | 'easy' | 'hurting' | 'struggling' | 'unwatched' | 'barred';

/** One ladder over some weeks. */
export interface Course {
  ladder: string;
  /** Id of the level the person was placed on. */
  from: string;
  /** What they had done before: their first loads follow from it. */
  experience?: Experience;
  /** Repetitions over the day's target that the person can do at the start (negative: short of it). */
  ability: number;
  /** Repetitions gained a session. */
  gain: number;
  /** Share by which the right side is behind in one-sided work. */
  rightBehind?: number;
  lately?: Lately;
  /** Which of the three sessions of a week; absent: all. */
  days?: readonly number[];
  /** Only the newest so many sessions; absent: all twelve weeks. */
  sessions?: number;
  /** A fault that comes again and again, perhaps on one side. */
  fault?: { slug: string; side: 'left' | 'right' | null };
  role?: Role;
  /** The coach decides against the proposal at the end of the course. */
  against?: { kind: 'hold' | 'move up' | 'step back'; reason: string };
}

/** An invented member of the invented hall. */
export interface DemoPerson {
  name: string;
  squad: 'Juniors' | 'Masters crew' | 'Rescue volunteers';
  statureM: number | null;
  massKg: number | null;
  note: string;
  /** Whom to call, and what a first-aider has to know. */
  emergency?: string;
  firstAid?: string;
  /** Share of sessions that a coach watches. */
  watched: number;
  on: readonly Course[];
  /** Which mass table fits, what was measured of the build, and range tests: weeks ago, method, side, value. */
  build?: {
    massSet: MassSet['name'];
    measured?: Partial<Lengths>;
    tests?: [weeksAgo: number, method: RangeMethod, side: 'left' | 'right', value: number][];
  };
  restriction?: Omit<Restriction, 'id' | 'from'> & { fromDaysAgo: number };
  /** Sets that nobody watched were written down by the person alone. */
  logsOwn?: boolean;
  /** Cues said on the variation of the day, and what came of them. */
  cues?: readonly { ladder: Course['ladder']; outcomes: readonly CueOutcome[] }[];
  /** Answers before work some days ago. */
  asked?: { daysAgo: number; pain: number; sleepH: number; atEase: number };
  /** Stop was pressed in the last session, and nobody has cleared it yet. */
  stopped?: { reach: Reach; words: string };
  /** Levels signed off by the coach, on the ladders named. */
  signedOff?: readonly Course['ladder'][];
}

export const SQUADS = ['Juniors', 'Masters crew', 'Rescue volunteers'] as const;

export const STAFF = [
  { login: 'head', name: 'Mirela Ostrander', role: 'head coach', squads: [...SQUADS] },
  { login: 'coach', name: 'Jonas Brightwater', role: 'coach', squads: ['Juniors', 'Masters crew'] },
  { login: 'relief', name: 'Asel Tarn', role: 'coach', squads: ['Rescue volunteers'] },
  { login: 'viewer', name: 'Front desk', role: 'viewer', squads: [] },
] as const;

/** The coach who trains somebody. */
export const coachOf = ({ squad }: Pick<DemoPerson, 'squad'>): string =>
  squad === 'Rescue volunteers' ? 'Asel Tarn' : 'Jonas Brightwater';

export const PEOPLE: readonly DemoPerson[] = [
  {
    name: 'Ida Farrow',
    squad: 'Juniors',
    statureM: 1.62,
    massKg: 54,
    note: 'Rows bow side. Fourteen: parents have the sheet.',
    watched: 0.95,
    on: [
      {
        ladder: 'bridge-ladder',
        from: 'lift',
        ability: -3,
        gain: 0.8,
        rightBehind: 0,
        lately: 'strong',
        sessions: 16,
      },
    ],
    build: {
      massSet: 'women',
      tests: [
        [6, 'knee to wall', 'left', 0.11],
        [6, 'knee to wall', 'right', 0.1],
      ],
    },
  },
  {
    name: 'Tomas Wrenfield',
    squad: 'Juniors',
    statureM: 1.78,
    massKg: 66,
    note: 'In a hurry; slow him down.',
    watched: 0.9,
    on: [
      {
        ladder: 'bridge-ladder',
        from: 'lift',
        ability: -4,
        gain: 1,
        rightBehind: 0,
        lately: 'as before',
        sessions: 16,
      },
    ],
    build: { massSet: 'men' },
  },
  {
    name: 'Leni Achterdijk',
    squad: 'Juniors',
    statureM: 1.7,
    massKg: 60,
    note: '',
    watched: 0.95,
    on: [
      {
        ladder: 'bridge-ladder',
        from: 'band',
        ability: -2,
        gain: 0.3,
        rightBehind: 0,
        lately: 'easy',
        sessions: 16,
      },
    ],
  },
  {
    name: 'Gudrun Pellworth',
    squad: 'Masters crew',
    statureM: 1.66,
    massKg: 71,
    note: 'Likes to know why.',
    emergency: 'Sister, 0555 0142',
    firstAid: 'Penicillin allergy.',
    watched: 0.9,
    on: [
      {
        ladder: 'bridge-ladder',
        from: 'band',
        ability: -2,
        gain: 0.35,
        rightBehind: 0,
        lately: 'hurting',
        sessions: 16,
      },
    ],
  },
  {
    name: 'Oskar Lindqvane',
    squad: 'Masters crew',
    statureM: 1.86,
    massKg: 88,
    note: 'Old knee on the right, cleared by his physiotherapist.',
    watched: 0.95,
    on: [
      {
        ladder: 'one-leg-bridge-ladder',
        from: 'lift',
        ability: -1,
        gain: 0.7,
        rightBehind: 0.25,
        lately: 'as before',
        sessions: 16,
      },
      { ladder: 'bridge-ladder', from: 'thrust', ability: -2, gain: 0.5, days: [1], sessions: 6 },
    ],
    build: {
      massSet: 'men',
      measured: { thigh: 0.49, shank: 0.45 },
      tests: [
        [12, 'knee to wall', 'left', 0.045],
        [12, 'knee to wall', 'right', 0.02],
        [8, 'knee to wall', 'left', 0.055],
        [8, 'knee to wall', 'right', 0.03],
        [2, 'knee to wall', 'left', 0.065],
        [2, 'knee to wall', 'right', 0.05],
        [8, 'hip angle', 'left', 134],
        [8, 'hip angle', 'right', 130],
      ],
    },
  },
  {
    name: 'Marta Quillon',
    squad: 'Masters crew',
    statureM: 1.59,
    massKg: 63,
    note: '',
    watched: 0.95,
    on: [
      {
        ladder: 'bridge-ladder',
        from: 'band',
        ability: -1,
        gain: 0.6,
        rightBehind: 0.02,
        lately: 'strong',
        sessions: 16,
      },
    ],
    build: {
      massSet: 'women',
      tests: [
        [9, 'knee to wall', 'left', 0.09],
        [9, 'knee to wall', 'right', 0.095],
        [1, 'knee to wall', 'left', 0.1],
        [1, 'knee to wall', 'right', 0.1],
      ],
    },
  },
  {
    name: 'Dario Finchley-Roe',
    squad: 'Rescue volunteers',
    statureM: 1.81,
    massKg: 84,
    note: 'Trains before his shift, often alone.',
    watched: 0.9,
    on: [
      {
        ladder: 'bridge-ladder',
        from: 'lift',
        ability: -3,
        gain: 0.6,
        rightBehind: 0,
        lately: 'unwatched',
        sessions: 16,
      },
    ],
  },
  {
    name: 'Hanneke Vossbeck',
    squad: 'Rescue volunteers',
    statureM: 1.74,
    massKg: 69,
    note: '',
    watched: 0.95,
    on: [
      {
        ladder: 'bridge-ladder',
        from: 'march',
        ability: -2,
        gain: 0.6,
        rightBehind: 0,
        lately: 'barred',
        sessions: 16,
      },
    ],
    build: { massSet: 'women', measured: { thigh: 0.415 } },
  },
  {
    name: 'Rui Tamarindo',
    squad: 'Rescue volunteers',
    statureM: 1.69,
    massKg: 77,
    note: 'Back from a long break.',
    watched: 0.9,
    on: [
      {
        ladder: 'bridge-ladder',
        from: 'band',
        ability: -1,
        gain: 0.15,
        rightBehind: 0,
        lately: 'struggling',
        sessions: 16,
      },
    ],
  },
  {
    name: 'Bea Hollowmere',
    squad: 'Masters crew',
    statureM: null,
    massKg: null,
    note: 'Would rather not be weighed.',
    watched: 0.85,
    on: [
      {
        ladder: 'bridge-ladder',
        from: 'lift',
        ability: -5,
        gain: 0.35,
        rightBehind: 0,
        lately: 'as before',
        sessions: 16,
      },
    ],
  },
  {
    name: 'Nele Sandbrook',
    squad: 'Juniors',
    statureM: 1.64,
    massKg: 55,
    note: 'Began in September; holds on to everything at first.',
    emergency: 'Mother, 0555 0163',
    firstAid: 'Asthma; the inhaler is in the blue bag.',
    watched: 0.95,
    on: [
      { ladder: 'squat-ladder', from: 'sit', ability: -1, gain: 0.6, days: [0, 1] },
      { ladder: 'bridge-ladder', from: 'lift', ability: -3, gain: 0.75, days: [1, 2] },
      { ladder: 'hinge-ladder', from: 'kneeling', ability: -2, gain: 0.6, days: [0, 2], lately: 'easy' },
    ],
    cues: [{ ladder: 'squat-ladder', outcomes: ['same', 'better'] }],
  },
  {
    name: 'Pascal Ouderkerk',
    squad: 'Juniors',
    statureM: 1.81,
    massKg: 70,
    note: 'Long thighs.',
    emergency: 'Father, 0555 0117',
    watched: 0.9,
    on: [
      { ladder: 'squat-ladder', from: 'counterweight', ability: -2, gain: 0.7, lately: 'strong' },
      // Never quite there: the head coach asks why.
      {
        ladder: 'lunge-ladder',
        from: 'free',
        ability: -4,
        gain: 0.02,
        days: [0, 2],
        fault: { slug: 'knee-falls-in', side: 'left' },
      },
    ],
    build: { massSet: 'men', measured: { thigh: 0.48 } },
    cues: [{ ladder: 'lunge-ladder', outcomes: ['same', 'worse'] }],
  },
  {
    name: 'Wiebke Tarrant',
    squad: 'Juniors',
    statureM: 1.71,
    massKg: 62,
    note: '',
    watched: 0.95,
    on: [
      { ladder: 'lunge-ladder', from: 'standing', ability: -2, gain: 0.7, days: [0, 1] },
      { ladder: 'hinge-ladder', from: 'sides', ability: -2, gain: 0.6, days: [1] },
      {
        ladder: 'one-leg-hinge-ladder',
        from: 'kickstand',
        ability: -1,
        gain: 0.7,
        rightBehind: 0.28,
        days: [1, 2],
      },
    ],
  },
  {
    name: 'Jonah Sprigg',
    squad: 'Juniors',
    statureM: 1.76,
    massKg: 68,
    note: 'Trained three years elsewhere.',
    watched: 0.9,
    on: [
      {
        ladder: 'squat-ladder',
        from: 'bar-box',
        ability: -2,
        gain: 0.6,
        days: [0, 2],
        experience: 'trained',
      },
      { ladder: 'lunge-ladder', from: 'loaded', ability: -2, gain: 0.6, days: [1] },
      { ladder: 'hinge-ladder', from: 'sides', ability: -2, gain: 0.6, days: [0, 1] },
      { ladder: 'bridge-ladder', from: 'thrust', ability: -2, gain: 0.6, days: [2] },
      { ladder: 'bench-extension-ladder', from: 'crossed', ability: -2, gain: 0.8, days: [1, 2] },
    ],
    build: { massSet: 'men' },
    asked: { daysAgo: 2, pain: 0, sleepH: 8, atEase: 8 },
  },
  {
    name: 'Amina Castlebay',
    squad: 'Juniors',
    statureM: 1.6,
    massKg: 57,
    note: 'Bridges as a warm-up only.',
    watched: 0.95,
    on: [
      {
        ladder: 'bridge-ladder',
        from: 'lift',
        ability: -1,
        gain: 0.05,
        days: [0, 1, 2],
        role: 'prepare',
        sessions: 20,
      },
      { ladder: 'squat-ladder', from: 'plain', ability: -1, gain: 0.7 },
    ],
  },
  {
    name: 'Lorcan Whitlock',
    squad: 'Masters crew',
    statureM: 1.88,
    massKg: 92,
    note: 'Wants to lift from the floor.',
    watched: 0.95,
    on: [
      {
        ladder: 'hinge-ladder',
        from: 'blocks',
        ability: -1,
        gain: 0.75,
        lately: 'strong',
        days: [0, 2],
        experience: 'trained',
      },
      { ladder: 'squat-ladder', from: 'bar-box', ability: -2, gain: 0.7, days: [0, 1] },
    ],
    build: { massSet: 'men' },
  },
  {
    name: 'Sunniva Graye',
    squad: 'Masters crew',
    statureM: 1.73,
    massKg: 66,
    note: '',
    watched: 0.9,
    on: [
      {
        ladder: 'squat-ladder',
        from: 'touch',
        ability: -2,
        gain: 0.75,
        lately: 'strong',
        against: { kind: 'hold', reason: 'Two more weeks: the regatta is on Saturday.' },
      },
      { ladder: 'bridge-ladder', from: 'march', ability: -2, gain: 0.7, days: [0, 2] },
    ],
    build: { massSet: 'women' },
  },
  {
    name: 'Piet Harrowgate',
    squad: 'Masters crew',
    statureM: 1.79,
    massKg: 83,
    note: 'Away for work every other week.',
    watched: 0.5,
    on: [
      { ladder: 'squat-ladder', from: 'box', ability: -2, gain: 0.7, days: [0], lately: 'unwatched' },
      { ladder: 'hinge-ladder', from: 'empty', ability: -2, gain: 0.7, days: [0] },
    ],
    logsOwn: true,
  },
  {
    name: 'Zelda Marchbanks',
    squad: 'Masters crew',
    statureM: 1.67,
    massKg: 61,
    note: 'Right ankle, strained in October.',
    watched: 0.95,
    on: [
      { ladder: 'lunge-ladder', from: 'reverse', ability: -2, gain: 0.7, days: [0, 1] },
      { ladder: 'squat-ladder', from: 'plain', ability: -2, gain: 0.7 },
      { ladder: 'bridge-ladder', from: 'band', ability: -2, gain: 0.7, days: [2] },
    ],
    restriction: {
      bars: [{ bars: 'depth' }, { bars: 'impact' }],
      fromDaysAgo: 26,
      until: null,
      saidBy: 'the physiotherapist at the health centre',
    },
  },
  {
    name: 'Emre Dunmorrow',
    squad: 'Masters crew',
    statureM: 1.74,
    massKg: 79,
    note: '',
    watched: 0.9,
    on: [
      { ladder: 'squat-ladder', from: 'deep', ability: -2, gain: 0.7, lately: 'hurting' },
      { ladder: 'hinge-ladder', from: 'empty', ability: -2, gain: 0.7, days: [0, 2] },
    ],
    asked: { daysAgo: 3, pain: 2, sleepH: 6, atEase: 6 },
  },
  {
    name: 'Signe Larkhall',
    squad: 'Rescue volunteers',
    statureM: 1.77,
    massKg: 72,
    note: '',
    watched: 0.95,
    on: [
      {
        ladder: 'hinge-ladder',
        from: 'blocks',
        ability: -2,
        gain: 0.75,
        lately: 'strong',
        experience: 'some',
      },
      { ladder: 'lunge-ladder', from: 'forward', ability: -2, gain: 0.7, days: [0, 2], rightBehind: 0.15 },
    ],
    signedOff: ['hinge-ladder'],
  },
  {
    name: 'Tobias Fennick',
    squad: 'Rescue volunteers',
    statureM: 1.84,
    massKg: 95,
    note: 'Carries the stretcher; the back comes first.',
    watched: 0.9,
    on: [
      {
        ladder: 'hinge-ladder',
        from: 'wall',
        ability: -2,
        gain: 0.7,
        fault: { slug: 'back-rounds-load', side: null },
      },
      { ladder: 'bench-extension-ladder', from: 'crossed', ability: -2, gain: 0.7, days: [0, 2] },
      { ladder: 'squat-ladder', from: 'box', ability: -2, gain: 0.7, days: [1, 2] },
    ],
  },
  {
    name: 'Yara Quillfeather',
    squad: 'Rescue volunteers',
    statureM: 1.63,
    massKg: 58,
    note: '',
    watched: 0.95,
    on: [
      {
        ladder: 'lunge-ladder',
        from: 'free',
        ability: -2,
        gain: 0.7,
        lately: 'unwatched',
        against: {
          kind: 'move up',
          reason: 'Lunged for years on her own; the sets before she came here count too.',
        },
      },
      { ladder: 'bridge-ladder', from: 'thrust', ability: -2, gain: 0.5, days: [2] },
      {
        ladder: 'one-leg-bridge-ladder',
        from: 'lift',
        ability: -2,
        gain: 0.7,
        days: [0, 1],
        rightBehind: 0.3,
      },
    ],
  },
  {
    name: 'Mads Overbeck',
    squad: 'Rescue volunteers',
    statureM: 1.9,
    massKg: 88,
    note: 'Shift work: comes when he can.',
    watched: 0.6,
    on: [
      { ladder: 'squat-ladder', from: 'touch', ability: -3, gain: 0.1, days: [1], lately: 'struggling' },
      { ladder: 'bridge-ladder', from: 'thrust', ability: -2, gain: 0.2, days: [1] },
    ],
    logsOwn: true,
  },
  {
    name: 'Ines Vale-Corrigan',
    squad: 'Rescue volunteers',
    statureM: 1.69,
    massKg: 64,
    note: '',
    watched: 0.95,
    stopped: { reach: 'squat', words: 'Sharp at the front of the knee on the way up.' },
    on: [
      { ladder: 'squat-ladder', from: 'sit', ability: -1, gain: 0.8, days: [0, 2], lately: 'easy' },
      { ladder: 'lunge-ladder', from: 'floor', ability: -1, gain: 0.7, days: [0, 1] },
    ],
  },
  {
    name: 'Bram Hollis',
    squad: 'Rescue volunteers',
    statureM: 1.8,
    massKg: 81,
    note: 'New this week; not placed anywhere yet.',
    watched: 1,
    on: [],
  },
];
