import type { Aid } from '../terms/index.ts';

/** How a level grows before the next one is asked for; tried in the order of the level's list. */
export type WayOn =
  | { way: 'repetitions'; step: number; upTo: number }
  | { way: 'seconds'; step: number; upTo: number }
  | { way: 'sets'; step: number; upTo: number }
  | { way: 'rounds'; step: number; upTo: number }
  | { way: 'load'; stepKg: number; upToKg: number; equipment?: string }
  | { way: 'slower lowering'; stepS: number; upToS: number }
  /** One step less of an aid at a time, from what the level starts with. */
  | { way: 'less aid'; aid: Aid; downTo: number }
  | { way: 'fewer aids'; aid: string };
