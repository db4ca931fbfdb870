import type { Lengths, MassSet, RangeMethod } from '../../core/body/index.ts';

/** How the last two sessions go; what the decision makes of them is computed, not written here. */
export type Lately = 'as before' | 'strong' | 'easy' | 'hurting' | 'struggling' | 'unwatched' | 'barred';

/** An invented member of the invented hall. */
export interface DemoPerson {
  name: string;
  squad: 'Juniors' | 'Masters crew' | 'Rescue volunteers';
  statureM: number | null;
  massKg: number | null;
  note: string;
  /** Index of the level the person was placed on. */
  startsAt: number;
  /** Repetitions over the day's target that the person can do at the start (negative: short of it). */
  ability: number;
  /** Repetitions gained a session. */
  gain: number;
  /** Share by which the right side is behind in one-sided work. */
  rightBehind: number;
  watched: number;
  lately: Lately;
  /** Which mass table fits, what was measured of the build, and range tests: weeks ago, method, side, value. */
  build?: {
    massSet: MassSet['name'];
    measured?: Partial<Lengths>;
    tests?: [weeksAgo: number, method: RangeMethod, side: 'left' | 'right', value: number][];
  };
}

export const SQUADS = ['Juniors', 'Masters crew', 'Rescue volunteers'] as const;

export const STAFF = [
  { login: 'head', name: 'Mirela Ostrander', role: 'head coach', squads: [...SQUADS] },
  { login: 'coach', name: 'Jonas Brightwater', role: 'coach', squads: ['Juniors', 'Masters crew'] },
  { login: 'relief', name: 'Asel Tarn', role: 'coach', squads: ['Rescue volunteers'] },
  { login: 'viewer', name: 'Front desk', role: 'viewer', squads: [] },
] as const;

export const PEOPLE: readonly DemoPerson[] = [
  {
    name: 'Ida Farrow',
    squad: 'Juniors',
    statureM: 1.62,
    massKg: 54,
    note: 'Rows bow side. Fourteen: parents have the sheet.',
    startsAt: 0,
    ability: -3,
    gain: 0.8,
    rightBehind: 0,
    watched: 0.95,
    lately: 'strong',
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
    startsAt: 0,
    ability: -4,
    gain: 1,
    rightBehind: 0,
    watched: 0.9,
    lately: 'as before',
    build: { massSet: 'men' },
  },
  {
    name: 'Leni Achterdijk',
    squad: 'Juniors',
    statureM: 1.7,
    massKg: 60,
    note: '',
    startsAt: 2,
    ability: -2,
    gain: 0.3,
    rightBehind: 0,
    watched: 0.95,
    lately: 'easy',
  },
  {
    name: 'Gudrun Pellworth',
    squad: 'Masters crew',
    statureM: 1.66,
    massKg: 71,
    note: 'Likes to know why.',
    startsAt: 2,
    ability: -2,
    gain: 0.35,
    rightBehind: 0,
    watched: 0.9,
    lately: 'hurting',
  },
  {
    name: 'Oskar Lindqvane',
    squad: 'Masters crew',
    statureM: 1.86,
    massKg: 88,
    note: 'Old knee on the right, cleared by his physiotherapist.',
    startsAt: 2,
    ability: -1,
    gain: 0.7,
    rightBehind: 0.25,
    watched: 0.95,
    lately: 'as before',
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
    startsAt: 2,
    ability: -1,
    gain: 0.6,
    rightBehind: 0.02,
    watched: 0.95,
    lately: 'strong',
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
    startsAt: 0,
    ability: -3,
    gain: 0.6,
    rightBehind: 0,
    watched: 0.9,
    lately: 'unwatched',
  },
  {
    name: 'Hanneke Vossbeck',
    squad: 'Rescue volunteers',
    statureM: 1.74,
    massKg: 69,
    note: '',
    startsAt: 3,
    ability: -2,
    gain: 0.6,
    rightBehind: 0,
    watched: 0.95,
    lately: 'barred',
    build: { massSet: 'women', measured: { thigh: 0.415 } },
  },
  {
    name: 'Rui Tamarindo',
    squad: 'Rescue volunteers',
    statureM: 1.69,
    massKg: 77,
    note: 'Back from a long break.',
    startsAt: 2,
    ability: -1,
    gain: 0.15,
    rightBehind: 0,
    watched: 0.9,
    lately: 'struggling',
  },
  {
    name: 'Bea Hollowmere',
    squad: 'Masters crew',
    statureM: null,
    massKg: null,
    note: 'Would rather not be weighed.',
    startsAt: 0,
    ability: -5,
    gain: 0.35,
    rightBehind: 0,
    watched: 0.85,
    lately: 'as before',
  },
];
