/**
 * An hour of several people under the kit that is there: rounds across, places down. In a round one to three people share
 * a place and go in turns; what needs no contested kit is done in the rest of the round.
 */

/** What a place is, which says how long it takes to set it and to take it over. */
export const PLACE_FORMS = ['rack', 'bench', 'box', 'machine'] as const;
export type PlaceForm = (typeof PLACE_FORMS)[number];

/** Seconds from one person to the next, and to set a place for its group; points of a set-up (common practice; judgement). */
export const ABOUT_FORM: Readonly<
  Record<PlaceForm | 'floor', { turnS: number; setUpS: number; points: number }>
> = {
  rack: { turnS: 20, setUpS: 60, points: 3 },
  bench: { turnS: 20, setUpS: 45, points: 1 },
  box: { turnS: 10, setUpS: 15, points: 1 },
  machine: { turnS: 15, setUpS: 30, points: 1 },
  floor: { turnS: 0, setUpS: 10, points: 0 },
};

/** Contested kit of one kind. */
export interface PlaceKind {
  /** Slug of its equipment. */
  id: string;
  form: PlaceForm;
  name: string;
  count: number;
  /** So many people share one in turns. */
  most: number;
  /** The height of each of them, metres, where that matters. */
  heightsM: readonly number[];
  /** Which of them are there, from 0; absent: all of `count`. */
  numbers?: readonly number[];
}

/** What is written on the places of a kind, from 0. */
export const numbersOf = ({ count, numbers }: Pick<PlaceKind, 'count' | 'numbers'>): readonly number[] =>
  numbers ?? Array.from({ length: count }, (_, i) => i);

/** One way of doing a piece of work. */
export interface WorkOption {
  variation: string;
  name: string;
  /** Kind of place; null: it needs none. */
  at: string | null;
  sets: number;
  /** Seconds of work of one set, both sides. */
  workS: number;
  restS: number;
  /** In all; null: unloaded, or not known. */
  loadKg: number | null;
  /** Own hook notch; null: not known, any does. */
  notch: number | null;
  heightM: number | null;
  /** Counted kit that is no place, with how many of it one person takes. */
  pools: readonly { id: string; count: number }[];
  /** The coach's own hands are needed all the time. */
  hands: boolean;
}

export interface WorkPiece {
  id: string;
  person: string;
  name: string;
  /** 1 usual, 2 the day's main piece, 3 a criterion or a placement is tried. */
  priority: 1 | 2 | 3;
  /** Should come early. */
  heavy: boolean;
  /** Sets that should be watched. */
  watched: number;
  /** They are watched or it is not done: minors under load. */
  mustWatch: boolean;
  /** The variation itself first, then its equals. */
  options: readonly WorkOption[];
  /** Where the plan that is being followed had it, in rounds of this hour; null: it was left out. */
  was?: { round: number; at: string | null } | null;
  /** A wish: this round, or this kind of place. */
  wish?: { round?: number; at?: string | null };
}

export interface HourPerson {
  id: string;
  /** First round in which they are here, from 0. */
  from: number;
}

export interface Hour {
  people: readonly HourPerson[];
  pieces: readonly WorkPiece[];
  places: readonly PlaceKind[];
  floorPlaces: number;
  pools: readonly { id: string; count: number }[];
  totalS: number;
  warmUpS: number;
  changeS: number;
  coach: {
    /** Places that one coach, or several together, can watch at once. */
    atOnce: number;
    /** Share of the time for watching. */
    share: number;
  };
}

/** Common practice: a minute to change, two to six people in view; the share is a judgement. */
export const USUAL = {
  changeS: 60,
  warmUpS: 600,
  totalS: 3600,
  atOnce: 3,
  share: 0.8,
  floorPlaces: 12,
} as const;

/** Room in a round for the order of turns (judgement). */
const SLACK = 0.9;
/** Seconds from one piece to the next of one person (common practice). */
export const MOVE_S = 30;
/** A round is a whole number of half minutes. */
const GRAIN_S = 30;

/** Fewest and most rounds that are looked at, and the length that common practice gives them. */
export const ROUNDS = { least: 1, most: 6, shortestS: 480, longestS: 960 } as const;

/** What is worth how much, in points: about a minute of one person waiting (judgement). */
export const POINTS = {
  dropped: 100,
  equal: 10,
  unseen: 25,
  round: 10,
  otherRound: 5,
  otherPlace: 2,
  wish: 15,
} as const;

/** How far apart two may be who share a place: kilograms, notches, metres (common practice). */
export const TOGETHER = { loadKg: 20, notches: 1, heightM: 0.025 } as const;
/** Sums of seconds and kilograms are compared to so much. */
export const A_HAIR = 1e-9;

export interface RoundTimes {
  lengthS: number;
  /** What is planned into it. */
  capS: number;
}

/** @returns rounds of no length where the hour is too short for so many */
export function roundTimes({ totalS, warmUpS, changeS }: Hour, rounds: number): RoundTimes {
  const net = totalS - warmUpS - (rounds - 1) * changeS;
  return timesOf(net / rounds);
}

/** A round that may last so long: in half minutes, with room in it. */
export function timesOf(seconds: number): RoundTimes {
  const lengthS = Math.max(0, Math.floor(seconds / GRAIN_S) * GRAIN_S);
  return { lengthS, capS: SLACK * lengthS };
}

/** Seconds from the first repetition to the last. */
export const floorS = (o: WorkOption): number => o.sets * o.workS + (o.sets - 1) * o.restS;

/** Seconds that one person takes alone at a place, from setting it on. */
export const soloS = (o: WorkOption, setUpS: number): number => setUpS + floorS(o);

/** Seconds for which somebody holds a place that is shared. */
export const busyS = (o: WorkOption, turnS: number): number => o.sets * (o.workS + turnS);

/** Why something cannot be where it would be cheaper, or at all. */
export type Refused =
  | { why: 'not here yet' }
  | { why: 'too long'; needS: number; roundS: number }
  | { why: 'elsewhere'; with: string }
  | { why: 'person full'; needS: number; leftS: number }
  | { why: 'full'; at: string; number: number; with: string[] }
  | { why: 'time'; at: string; number: number; needS: number; leftS: number }
  | { why: 'load'; at: string; number: number; kg: number; otherKg: number }
  | { why: 'notch'; at: string; number: number; notch: number; otherNotch: number }
  | { why: 'height'; at: string; heightM: number }
  | { why: 'taken'; at: string; count: number }
  | { why: 'no such place'; at: string }
  | { why: 'floor full' }
  | { why: 'pool'; pool: string; count: number }
  | { why: 'hands' };

/** A piece as it is done: by its place in the hour's list, and by which of its options. */
export interface Doing {
  piece: number;
  option: number;
}

/** A place of a round and who shares it. */
export interface Shared {
  kind: number;
  /** Which of its kind, from 0; given last, so that little has to be moved. */
  number: number;
  /** The height that it stands at, where that matters. */
  heightM: number | null;
  doing: Doing[];
}

export interface Round {
  shared: Shared[];
  floor: Doing[];
}

export interface HourPlan {
  rounds: Round[];
  times: RoundTimes;
  /** Pieces that are left out. */
  dropped: number[];
  points: number;
}

export const near = (a: number, b: number, by: number): boolean => Math.abs(a - b) <= by + A_HAIR;
