import type { OnLadder, Shown } from '../core/floor/index.ts';
import { AID_TEXT, FAULT_REPS, FELT_LISTS, SET_FIELDS, setFields } from '../core/log/index.ts';
import type { AidUsed, SetFieldAbout, LoggedSet } from '../core/log/index.ts';
import Joi from 'joi';
import { FORMS, ROLES, SETTING_NAMES, SIDES, STAGES, settingsRefused } from '../core/terms/index.ts';
import type { Form, Role, SettingUsed, Stage } from '../core/terms/index.ts';
import type { Decision, Experience, MoveKind, Outcome, TakenWay } from '../core/ladder/index.ts';
import type { SignOff } from '../core/criterion/index.ts';
import { EXPERIENCES, OUTCOMES } from '../core/ladder/index.ts';
import { day, list, looseText, number, oneOf, shape, slug, strict, text, whole } from './parts.ts';

/** A set as it is sent: the session is found from person and date. */
export type SetRequest = Omit<LoggedSet, 'id' | 'sessionId'> & {
  personId: string;
  /** 1 for a new set, one more for every correction. */
  edit: number;
};

const side = oneOf(SIDES).allow(null);
/** Repetitions of a set that showed faults. */
export const faultCounts = list(
  shape({ fault: slug(), side, reps: whole(FAULT_REPS.from, FAULT_REPS.to) }),
  SET_FIELDS.faults.most,
);
/** Where and how something was felt. */
export const feltSchema = (most: number) =>
  list(
    shape(
      { region: oneOf(FELT_LISTS.region), kind: oneOf(FELT_LISTS.kind), side },
      // What an older version sends does not know of it.
      { leg: oneOf(FELT_LISTS.leg).allow(null).default(null) },
    ),
    most,
  );
/** No word of a setting is longer. */
const SETTING_TEXT = 60;
const ITEMS = {
  faults: () => faultCounts,
  sensations: (most: number) => feltSchema(most),
  aids: (most: number) =>
    list(shape({ name: text(AID_TEXT.name), setting: looseText(AID_TEXT.setting) }), most),
  settings: (most: number) =>
    list(
      shape(
        {
          name: oneOf(SETTING_NAMES),
          value: Joi.alternatives(Joi.number(), Joi.string().max(SETTING_TEXT)),
          side,
        },
        { as: Joi.string().valid('computed') },
      ),
      most,
    ).custom((used: SettingUsed[], helpers) => {
      const refused = settingsRefused(used);
      return refused ? helpers.message({ custom: `{{#label}}: ${refused}` }) : used;
    }),
};

function schemaOfField(f: SetFieldAbout): Joi.Schema {
  const of =
    f.is === 'number'
      ? (f.whole ? whole : number)(f.from, f.to)
      : f.is === 'flag'
        ? Joi.boolean()
        : f.is === 'choice'
          ? oneOf(f.of)
          : ITEMS[f.is](f.most);
  return f.blank === null ? of.allow(null).default(null) : of;
}

const fieldsOf = (unknownable: boolean) =>
  Object.fromEntries(
    setFields().flatMap(([name, f]) =>
      (f.blank === null) === unknownable ? [[name, schemaOfField(f)]] : [],
    ),
  );

export const setSchema = shape(
  {
    personId: Joi.string().uuid(),
    date: day(),
    edit: whole(1, 100_000),
    variation: slug(),
    variationRevision: whole(1, 1_000_000),
    ...fieldsOf(false),
  },
  // A parcel of an older version may not know of a field: what it leaves out is not known.
  fieldsOf(true),
).prefs(strict);

export const deleteSetSchema = shape({ edit: whole(2, 100_000) }).prefs(strict);
export interface DeleteSetRequest {
  edit: number;
}

export interface StoredSet extends LoggedSet {
  edit: number;
  loggedBy: string;
  /** Logged by the person alone: never counts as watched. */
  own: boolean;
}

export interface SetResult {
  id: string;
  edit: number;
  /** Confirmed moves that had counted the set as it was. */
  flaggedMoves: string[];
  receivedAt: string;
}

export interface MoveRow {
  id: string;
  date: string;
  ladder: string;
  kind: MoveKind;
  fromLevel: string | null;
  toLevel: string;
  taken: TakenWay | null;
  role: Role | null;
  stage: Stage | null;
  form: Form | null;
  proposed: Outcome | null;
  reason: string;
  by: string;
  stateNumber: number;
  evidence: Shown<Decision> | null;
  flags: { setId: string; what: string; at: string }[];
}

export interface PersonOnLadders {
  /** Of the newest sessions; older ones are asked for. */
  sets: Shown<StoredSet>[];
  /** Sessions in all, and the date to ask before for more; null when there are none. */
  sessions: number;
  moreSessions: string | null;
  ladders: OnLadder[];
  moves: MoveRow[];
  signOffs: SignOff[];
  /** Aids and settings as they were last used, by variation. */
  settings: { variation: string; date: string; aids: AidUsed[]; settings: SettingUsed[] }[];
}

export const placeSchema = shape(
  { ladder: slug(), level: slug(), reason: text(400) },
  { role: oneOf(ROLES), stage: oneOf(STAGES), experience: oneOf(EXPERIENCES) },
).prefs(strict);
export interface PlaceRequest {
  ladder: string;
  level: string;
  reason: string;
  /** Absent: as work, at the stage of the level. */
  role?: Role;
  stage?: Stage;
  /** What they had done before: first loads follow from it. */
  experience?: Experience;
}

/** From now on in sets, or in intervals. */
export const formSchema = shape({ ladder: slug(), form: oneOf(FORMS), reason: looseText(400) }).prefs(strict);
export interface FormRequest {
  ladder: string;
  form: Form;
  reason: string;
}

export const confirmSchema = shape({
  ladder: slug(),
  /** What the coach had before their eyes; refused if the computation has moved on. */
  proposed: oneOf(OUTCOMES),
  chosen: oneOf(OUTCOMES),
  /** Level to go to, for a move that changes it. */
  level: slug().allow(null),
  reason: looseText(600),
}).prefs(strict);
export interface ConfirmRequest {
  ladder: string;
  proposed: Outcome;
  chosen: Outcome;
  level: string | null;
  reason: string;
}
