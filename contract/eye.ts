import Joi from 'joi';
import type { KeptRep, View } from '../core/track/index.ts';
import { LANDMARKS, MOST_KEPT, QUANTITIES } from '../core/track/index.ts';
import { CAMERA_SIGNS, MEASURED_BY } from '../core/terms/index.ts';
import type { EyeTrial } from '../core/fault/index.ts';
import type { CameraSign, MeasuredBy } from '../core/terms/index.ts';
import { day, list, looseText, number, oneOf, shape, slug, text, whole } from './parts.ts';

/** What somebody, or who stands for them, has said to being measured with a camera. */
export interface Consent {
  given: boolean;
  date: string;
  /** Under age: a guardian has said it. */
  minor: boolean;
  /** Pictures may be kept too; of who is under age with the face covered. */
  pictures: boolean;
  guardian: string;
  recordedBy: string;
  /** It was taken back on this day; null: it was not. */
  withdrawnOn: string | null;
}
export type ConsentRequest = Pick<Consent, 'given' | 'minor' | 'pictures' | 'guardian'>;

/** What a coach saw by eye of the set that was measured, before they read what was measured. */
export interface ByEye {
  reps: number | null;
  range: boolean | null;
  tempo: boolean | null;
}

/** What was measured of a set, as it is kept: numbers with their bands; track and pictures only where that was ticked. */
export interface MeasurementRequest {
  personId: string;
  date: string;
  /** The set that it became; null: none was logged of it. */
  setId: string | null;
  variation: string;
  by: MeasuredBy;
  view: View;
  rate: number;
  meanScore: number;
  /** Seconds within which phases are told; null: they are not. */
  phaseBandS: number | null;
  reps: KeptRep[];
  /** As measured, whatever was taken over; null: not told, or too close to call. */
  range: boolean | null;
  tempo: boolean | null;
  signs: CameraSign[];
  byEye: ByEye | null;
  /** A line a frame: seconds, then x, y and how sure of each landmark, pixels, between commas; null: not kept. */
  track: string | null;
  /** Small pictures, cropped to the person, as data addresses; null: not kept. */
  pictures: string[] | null;
}

export interface KeptMeasurement extends Omit<MeasurementRequest, 'track' | 'pictures'> {
  id: string;
  recordedBy: string;
  hasTrack: boolean;
  pictures: string[];
}

/** What is known of one person by the camera. */
export interface PersonEye {
  consent: Consent | null;
  measurements: KeptMeasurement[];
}

/** How measured and judged by eye agree in this hall. */
export interface EyeChecked {
  /** Sets both measured and judged by eye. */
  sets: number;
  reps: { of: number; same: number; meanOff: number | null };
  range: { of: number; same: number };
  tempo: { of: number; same: number };
}

const personId = Joi.string().uuid();
const measure = Joi.alternatives(
  shape({ value: number(-1000, 1000), band: number(0, 1000) }),
  shape({ not: text(60) }),
);
const seconds = () => number(-1, 3600);
const maybe = () => Joi.boolean().allow(null);

export const consentSchema = shape({
  given: Joi.boolean(),
  minor: Joi.boolean(),
  pictures: Joi.boolean(),
  guardian: looseText(200),
});

export const byEyeSchema = shape({ reps: whole(0, 200).allow(null), range: maybe(), tempo: maybe() });

export const measurementSchema = shape({
  personId,
  date: day(),
  setId: Joi.string().uuid().allow(null),
  variation: slug(),
  by: oneOf(MEASURED_BY),
  view: oneOf(['side', 'front', 'oblique', 'unknown']),
  rate: number(0, 240),
  meanScore: number(0, 1),
  phaseBandS: number(0, 10).allow(null),
  reps: list(
    shape({
      fromS: seconds(),
      toS: seconds(),
      workFromS: seconds(),
      workToS: seconds(),
      partial: Joi.boolean(),
      unsure: Joi.boolean(),
      loweringS: seconds(),
      bottomS: seconds().allow(null),
      risingS: seconds(),
      topS: seconds().allow(null),
      at: shape(Object.fromEntries(QUANTITIES.map((q) => [q, measure]))),
    }),
    200,
  ),
  range: maybe(),
  tempo: maybe(),
  signs: list(oneOf(CAMERA_SIGNS), CAMERA_SIGNS.length),
  byEye: byEyeSchema.allow(null),
  track: Joi.string()
    .pattern(
      new RegExp(
        `^-?[0-9.]+(,-?[0-9.]+){${3 * LANDMARKS.length}}(\\n-?[0-9.]+(,-?[0-9.]+){${3 * LANDMARKS.length}})*$`,
      ),
    )
    .max(MOST_KEPT.frames * 300)
    .allow(null),
  pictures: list(
    Joi.string()
      .pattern(/^data:image\/jpeg;base64,[A-Za-z0-9+/=]+$/)
      .max(40_000),
    MOST_KEPT.pictures,
  ).allow(null),
});

/** A clip that a coach judged; who they are the server knows. */
export interface TrialRequest {
  clip: string;
  shown: string | null;
  amount: number;
  offered: string[];
  said: string | null;
}

export const trialSchema = shape({
  clip: text(200),
  shown: slug().allow(null),
  amount: number(0, 2),
  offered: list(slug(), 12).min(1),
  said: slug().allow(null),
});

/** Clips judged, oldest first: one's own, for the head coach everybody's. */
export interface Trials {
  trials: EyeTrial[];
}

export const dropMeasurementSchema = shape({ personId });
