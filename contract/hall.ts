import Joi from 'joi';
import type { EditionHeader } from '../core/exchange/index.ts';
import { PLACEMENT_WAYS } from '../core/ladder/index.ts';
import type { PlacementWay } from '../core/ladder/index.ts';
import type { DateStyle } from '../core/terms/index.ts';
import type { Me, StaffRole } from './access.ts';
import { STAFF_ROLES, newPassword } from './access.ts';
import { hallValues } from './hall-values.ts';
import { list, number, shape, strict, text, whole } from './parts.ts';

export interface HallSettings {
  name: string;
  timeZone: string;
  paper: 'A4' | 'Letter';
  massUnit: 'kg' | 'lb';
  lengthUnit: 'cm' | 'in';
  /** How days are written. */
  dates: DateStyle;
  /** Ways on without load confirm themselves when the evidence opens them; a move of the level never does. */
  growsByItself: boolean;
  /** How trials for placing are chosen. */
  placementWay: PlacementWay;
  /** Height of the sole of the shoes that are worn, metres; 0: barefoot. What is fitted rises by it. */
  soleM: number;
}

/** What the application needs to start: who is signed in and which hall this is. */
export interface Start {
  /** No account yet: the first head coach has to be made. */
  empty: boolean;
  /** The first account needs the code on the server's console. */
  needsCode: boolean;
  hall: (HallSettings & { today: string; demo: boolean }) | null;
  edition: EditionHeader | null;
  me: Me | null;
  demoAccounts: { login: string; role: StaffRole; name: string; password: string }[];
}

/** Lets an open tablet know whether what it sent is safe (see README, power cuts). */
export interface Heartbeat {
  /** Changes whenever the server has started anew. */
  boot: string;
  /** Sets received before this moment are in a snapshot; null: there is none yet. */
  snapshotAt: string | null;
  now: string;
}

/** Of a usual training shoe (judgement). */
const SOLE_M = 0.025;
const SOLE_MOST_M = 0.1;

export const hallSettingsSchema = shape(
  {
    name: text(120),
    timeZone: hallValues.timeZone,
    paper: hallValues.paper,
    massUnit: hallValues.massUnit,
    lengthUnit: hallValues.lengthUnit,
  },
  {
    dates: hallValues.dates.default('en-GB'),
    growsByItself: Joi.boolean().default(false),
    placementWay: Joi.string()
      .valid(...PLACEMENT_WAYS)
      .default('information'),
    soleM: number(0, SOLE_MOST_M).default(SOLE_M),
  },
).prefs(strict);

export interface StaffMember {
  id: string;
  login: string;
  name: string;
  role: StaffRole;
  active: boolean;
  squadIds: string[];
}

const uuid = () => Joi.string().uuid();
const staffMembers = {
  login: text(80).min(2),
  name: text(120),
  role: Joi.string().valid(...STAFF_ROLES),
  squadIds: list(uuid(), 100),
};
export const newStaffSchema = shape({ ...staffMembers, password: newPassword }).prefs(strict);
export const staffSchema = shape({ ...staffMembers, active: Joi.boolean() }, { password: newPassword }).prefs(
  strict,
);
export type NewStaff = Omit<StaffMember, 'id' | 'active'> & { password: string };
export type StaffEdit = Omit<StaffMember, 'id'> & { password?: string };

export const squadSchema = shape({ name: text(80) }, { trainingDays: list(whole(1, 7), 7) }).prefs(strict);
export interface Squad {
  id: string;
  name: string;
  /** Weekdays on which it trains, Monday 1 to Sunday 7; empty: any day. */
  trainingDays: number[];
}
export type SquadRequest = Pick<Squad, 'name'> & { trainingDays?: number[] };
