import Joi from 'joi';
import type { BarKit } from '../core/kit/index.ts';
import type { HallPlaces, LedWarmUp, NeededPiece } from '../core/floor/index.ts';
import type { Hour, HourPlan, PlaceKind, Watcher } from '../core/plan/index.ts';
import { list, looseText, number, shape, strict, text, whole } from './parts.ts';

/** Who are there and what each of them needs today, under the kit that the hall has. */
export interface HourNeeds extends HallPlaces {
  date: string;
  pieces: NeededPiece[];
  /** The bar whose plates are counted when it goes from one load to the next; null: none is noted. */
  bar: BarKit | null;
  /** Seconds of the longest warm-up of them. */
  warmUpS: number;
}

export interface WarmUps {
  date: string;
  people: LedWarmUp[];
}

/** A round of the hour: when it begins, from the start of the warm-up, and how long it lasts, seconds. */
export interface Span {
  fromS: number;
  lengthS: number;
}

/** An hour as it is kept: what was planned from, the plan, and what came between. */
export interface HourBody {
  hour: Omit<Hour, 'pieces'> & { pieces: NeededPiece[] };
  plan: HourPlan;
  spans: Span[];
  watchers: Watcher[];
  /** null: nothing was proven. */
  bound: number | null;
  /** People who have left. */
  gone: string[];
}

export interface HourRow {
  id: string;
  name: string;
  by: string;
  people: string[];
  startedAt: string | null;
  endedAt: string | null;
}

export interface StoredHour extends HourRow {
  /** The server’s clock at this answer: every screen goes by it. */
  at: string;
  date: string;
  edit: number;
  /** Pieces that nobody does now: what stops or bars them came after the plan. */
  notNow: string[];
  bar: BarKit | null;
  body: HourBody;
}

export const MOST_PEOPLE = 24;
const MOST_PIECES = 150;
const MOST_ROUNDS = 8;
const MOST_PLACES = 20;
const seconds = () => number(0, 4 * 3600);
const index = () => whole(0, MOST_PIECES - 1);
const doing = () => shape({ piece: index(), option: whole(0, 19) });
const kindAt = () => whole(0, MOST_PLACES - 1);

/** What a coach says of a piece; what it is, the server knows. */
export interface PieceSaid {
  id: string;
  priority: 1 | 2 | 3;
  watched: number;
  mustWatch: boolean;
  heavy: boolean;
  wish?: { round?: number; at?: string | null };
  /** The easier movement may be done instead. */
  insteadToo?: boolean;
}

/** An hour as it is sent: pieces by their ids, so that nobody can be given work that is not theirs. */
export interface HourRequest {
  edit: number;
  name: string;
  startedAt: string | null;
  endedAt: string | null;
  people: Hour['people'];
  pieces: PieceSaid[];
  places: Pick<PlaceKind, 'id' | 'count' | 'most' | 'heightsM' | 'numbers'>[];
  floorPlaces: number;
  totalS: number;
  warmUpS: number;
  changeS: number;
  share: number;
  watchers: Watcher[];
  plan: HourPlan;
  spans: Span[];
  bound: number | null;
  gone: string[];
}

const instant = () => Joi.string().isoDate().max(40).allow(null);
const personId = () => Joi.string().uuid();

export const hourSchema = shape({
  edit: whole(0, 1_000_000),
  name: text(120),
  startedAt: instant(),
  endedAt: instant(),
  people: list(shape({ id: personId(), from: whole(0, MOST_ROUNDS) }), MOST_PEOPLE).min(1),
  pieces: list(
    shape(
      {
        id: text(200),
        priority: Joi.number().valid(1, 2, 3),
        watched: whole(0, 20),
        mustWatch: Joi.boolean(),
        heavy: Joi.boolean(),
      },
      {
        wish: shape({}, { round: whole(0, MOST_ROUNDS), at: looseText(80).allow(null) }),
        insteadToo: Joi.boolean(),
      },
    ),
    MOST_PIECES,
  ),
  places: list(
    shape(
      { id: text(80), count: whole(0, 100), most: whole(1, 6), heightsM: list(number(0, 3), 100) },
      { numbers: list(whole(0, 99), 100) },
    ),
    MOST_PLACES,
  ),
  floorPlaces: whole(0, 200),
  totalS: seconds(),
  warmUpS: seconds(),
  changeS: number(0, 900),
  share: number(0, 1),
  watchers: list(shape({ name: text(120), atOnce: whole(0, 12) }), 10),
  plan: shape({
    rounds: list(
      shape({
        shared: list(
          shape({
            kind: kindAt(),
            number: whole(0, 99),
            heightM: number(0, 3).allow(null),
            doing: list(doing(), 6),
          }),
          100,
        ),
        floor: list(doing(), MOST_PIECES),
      }),
      MOST_ROUNDS,
    ),
    times: shape({ lengthS: seconds(), capS: seconds() }),
    dropped: list(index(), MOST_PIECES),
    points: number(0, 1_000_000),
  }),
  spans: list(shape({ fromS: seconds(), lengthS: seconds() }), MOST_ROUNDS),
  bound: number(0, 1_000_000).allow(null),
  gone: list(personId(), MOST_PEOPLE),
}).prefs(strict);

export const dropHourSchema = shape({ edit: whole(0, 1_000_000) }).prefs(strict);
