import type { LevelRuns, Lost } from '../core/floor/index.ts';
import type { FitCard, Hole, Purchase, Wish } from '../core/kit/index.ts';
import type { SettingUsed } from '../core/terms/index.ts';

/** How a variation is set to somebody on the hall's own things. */
export interface FitForPerson {
  /** null: nobody has measured how tall they are. */
  card: FitCard | null;
  /** The load that heights of the bar were computed with, kg in all; null: what the movement is drawn with. */
  loadKg: number | null;
  /** As it was set last, and on which day. */
  last: { settings: SettingUsed[]; date: string } | null;
  /** What has become their own: set alike by the staff in the last two sessions that noted it. */
  own: SettingUsed[];
  /** Taken from the model since nobody measured it, in words. */
  assumed: string[];
}

/** What the hall can run for whom. */
export interface RunsOfHall {
  /** In the order of the cells. */
  people: string[];
  /** Where each of them stands: level by ladder. */
  at: Record<string, string>[];
  levels: LevelRuns[];
}

/** What is lost while some pieces are not there, first to those who train today. */
export interface Closes {
  lost: (Lost & { today: boolean })[];
  /** Movements of the library that the hall cannot do at all while they are not there. */
  variations: { slug: string; name: string }[];
}

/** One budget and the best that it buys. */
export interface CurvePoint {
  budget: number;
  purchase: Purchase;
  /** False: nothing better was found in the time there was. */
  optimal: boolean;
}

/** What is on the list, what it would open and for whom, and what more money opens. */
export interface Purchases {
  wishes: Wish[];
  holes: Hole[];
  /** What the levels of the holes are called. */
  names: Record<string, string>;
  curve: CurvePoint[];
}
