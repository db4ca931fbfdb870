import type { FitCard } from '../core/kit/index.ts';
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
