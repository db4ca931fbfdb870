/** Landmarks that are followed, in the order in which they are kept. */
export const LANDMARKS = [
  'nose',
  'left shoulder',
  'right shoulder',
  'left elbow',
  'right elbow',
  'left wrist',
  'right wrist',
  'left hip',
  'right hip',
  'left knee',
  'right knee',
  'left ankle',
  'right ankle',
] as const;
export type Landmark = (typeof LANDMARKS)[number];

/** A point in the picture, y downward; null: not found. */
export type Point = readonly [x: number, y: number] | null;

/** Landmarks over time as they were found. */
export interface Track {
  /** Seconds, rising, as the clip or the camera says. */
  timeS: readonly number[];
  points: Readonly<Record<Landmark, readonly Point[]>>;
  /** How sure each is, 0 to 1. */
  scores: Readonly<Record<Landmark, readonly number[]>>;
}

/** A signal on a grid of its own; null: a hole. */
export interface Signal {
  fromS: number;
  /** Samples a second. */
  rate: number;
  values: readonly (number | null)[];
}

export const timeOf = ({ fromS, rate }: Pick<Signal, 'fromS' | 'rate'>, i: number): number =>
  fromS + i / rate;

/** What of a measured set is kept at most: frames of a track, and single pictures. */
export const MOST_KEPT = { frames: 1500, pictures: 6 } as const;
/** From so many sets on, both measured and judged by eye, measuring is taken as checked on the people of a hall. */
export const CHECKED_SETS = 20;
