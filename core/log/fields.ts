import { FELT_KINDS, LEGS, LOAD_KINDS, MEASURED_BY, REGIONS, ROLES, SIDES } from '../terms/index.ts';
import type {
  CountedIn,
  FeltKind,
  Leg,
  LoadKind,
  MeasuredBy,
  Region,
  Role,
  SettingUsed,
  Side,
} from '../terms/index.ts';

/**
 * What is written down of a set, field by field. This is the one place: the type, the schema of requests, the file of
 * sets, the columns and summaries of the database, the paper row and the forms are made from it. A blank of null means
 * that the field may be unknown: not asked, not measured, not watched.
 */
interface About {
  /** Its column in a file of sets. */
  column: string;
  /** How it is asked for; absent: it is not asked for by a control of its own. */
  label?: string;
  /** Told of a set when it is done (the form), or known before it (the plan). */
  told: 'done' | 'planned';
  /** Seldom told: its place among those that a form keeps shut. */
  more?: number;
}
export interface NumberField extends About {
  is: 'number';
  blank: number | null;
  whole: boolean;
  from: number;
  to: number;
  /** What it is measured in; absent: points or repetitions. */
  unit?: string;
}
export interface FlagField extends About {
  is: 'flag';
  blank: boolean | null;
}
export interface ChoiceField extends About {
  is: 'choice';
  blank: string | null;
  of: readonly string[];
}
/** A list with a form of its own. */
export interface ListField extends About {
  is: 'faults' | 'sensations' | 'aids' | 'settings';
  blank: readonly [] | null;
  most: number;
}
export type SetFieldAbout = NumberField | FlagField | ChoiceField | ListField;

export const SET_FIELDS = {
  /** Place within the session; the order of entry is not used. */
  ordinal: { is: 'number', column: 'set', told: 'planned', blank: 1, whole: true, from: 1, to: 1000 },
  role: { is: 'choice', column: 'role', told: 'planned', blank: 'work', of: ROLES },
  warmUp: { is: 'flag', column: 'warm_up', label: 'Warm-up set', told: 'done', more: 5, blank: false },
  /** The session was made lighter on purpose: after an absence, in a lighter week, by the coach's choice. */
  lighter: {
    is: 'flag',
    column: 'lighter',
    label: 'Lighter on purpose today',
    told: 'done',
    more: 6,
    blank: null,
  },
  watched: { is: 'flag', column: 'watched', told: 'done', blank: false },
  sideTest: {
    is: 'flag',
    column: 'side_test',
    label: 'Side test, to the first unclean one',
    told: 'done',
    blank: false,
  },
  side: { is: 'choice', column: 'side', label: 'Side', told: 'done', blank: null, of: SIDES },
  plannedReps: {
    is: 'number',
    column: 'planned_repetitions',
    told: 'planned',
    blank: null,
    whole: true,
    from: 0,
    to: 500,
  },
  doneReps: {
    is: 'number',
    column: 'repetitions',
    label: 'Repetitions done',
    told: 'done',
    blank: null,
    whole: true,
    from: 0,
    to: 500,
  },
  holdS: {
    is: 'number',
    column: 'hold_s',
    label: 'Seconds held',
    told: 'done',
    blank: null,
    whole: false,
    from: 0,
    to: 7200,
    unit: 's',
  },
  rounds: {
    is: 'number',
    column: 'rounds',
    label: 'Rounds',
    told: 'done',
    blank: null,
    whole: true,
    from: 0,
    to: 100,
  },
  /** Seconds of work in a round; where the sides change within it, half of them each. */
  workS: {
    is: 'number',
    column: 'work_s',
    label: 'Seconds of work a round',
    told: 'done',
    more: 7,
    blank: null,
    whole: false,
    from: 0,
    to: 3600,
    unit: 's',
  },
  /** Breaths of a hold, beside its seconds. */
  breaths: {
    is: 'number',
    column: 'breaths',
    label: 'Breaths of the hold',
    told: 'done',
    more: 8,
    blank: null,
    whole: true,
    from: 0,
    to: 300,
  },
  loadKg: {
    is: 'number',
    column: 'load_kg',
    label: 'Load',
    told: 'done',
    blank: null,
    whole: false,
    from: 0,
    to: 1000,
    unit: 'kg',
  },
  loadKind: { is: 'choice', column: 'load_kind', told: 'planned', blank: 'none', of: LOAD_KINDS },
  effort: {
    is: 'number',
    column: 'effort',
    label: 'Effort, 0 to 10 (ask after the last set)',
    told: 'done',
    blank: null,
    whole: false,
    from: 0,
    to: 10,
  },
  tempoKept: {
    is: 'flag',
    column: 'tempo_kept',
    label: 'Tempo kept?',
    told: 'done',
    more: 2,
    blank: null,
  },
  rangeReached: {
    is: 'flag',
    column: 'range_reached',
    label: 'Full range?',
    told: 'done',
    more: 3,
    blank: null,
  },
  rangeDeg: {
    is: 'number',
    column: 'range_deg',
    label: 'Angle measured',
    told: 'done',
    more: 4,
    blank: null,
    whole: false,
    from: -180,
    to: 360,
    unit: 'degrees',
  },
  /** Within which the angle was measured; null: nobody said. */
  rangeBandDeg: {
    is: 'number',
    column: 'range_band_deg',
    label: 'Angle, give or take',
    told: 'done',
    more: 5,
    blank: null,
    whole: false,
    from: 0,
    to: 90,
    unit: 'degrees',
  },
  /** By what it was measured; null: nothing of it was. It does not make the set a watched one. */
  measuredBy: { is: 'choice', column: 'measured_by', told: 'planned', blank: null, of: MEASURED_BY },
  faults: { is: 'faults', column: 'faults', told: 'done', blank: [], most: 40 },
  sensations: { is: 'sensations', column: 'felt', told: 'done', blank: null, most: 40 },
  pain: {
    is: 'number',
    column: 'pain',
    label: 'Pain, 0 to 10 (ask; 0 is no pain)',
    told: 'done',
    blank: null,
    whole: false,
    from: 0,
    to: 10,
  },
  /** Where it hurt; not known: somewhere in what the movement uses. */
  painRegion: { is: 'choice', column: 'pain_region', told: 'done', blank: null, of: REGIONS },
  painSide: { is: 'choice', column: 'pain_side', told: 'done', blank: null, of: SIDES },
  atEase: {
    is: 'number',
    column: 'at_ease',
    label: 'At ease, 0 to 10',
    told: 'done',
    more: 1,
    blank: null,
    whole: true,
    from: 0,
    to: 10,
  },
  aids: { is: 'aids', column: 'aids', told: 'done', blank: null, most: 20 },
  /** What was set on the floor or on a piece of kit. */
  settings: { is: 'settings', column: 'settings', told: 'done', blank: null, most: 20 },
} as const satisfies Record<string, SetFieldAbout>;

export type SetFields = typeof SET_FIELDS;
export type SetField = keyof SetFields;
/** What the form fills in when a set is done. */
export type DoneField = { [K in SetField]: SetFields[K]['told'] extends 'done' ? K : never }[SetField];

/** Repetitions of a set that showed a fault. */
export interface FaultCount {
  fault: string;
  side: Side | null;
  reps: number;
}
/** Where and how something was felt. */
export interface Sensation {
  region: Region;
  kind: FeltKind;
  side: Side | null;
  /** In a split stance, of which leg; null: nobody said. */
  leg?: Leg | null;
}
/** Help that was used. */
export interface AidUsed {
  name: string;
  setting: string;
}
interface Choices {
  role: Role;
  side: Side;
  loadKind: LoadKind;
  painRegion: Region;
  painSide: Side;
  measuredBy: MeasuredBy;
}
interface Items {
  faults: FaultCount;
  sensations: Sensation;
  aids: AidUsed;
  settings: SettingUsed;
}
type OrNull<F extends SetFieldAbout, T> = null extends F['blank'] ? T | null : T;
type ValueOf<K extends SetField, F extends SetFieldAbout = SetFields[K]> = F extends { is: 'number' }
  ? OrNull<F, number>
  : F extends { is: 'flag' }
    ? OrNull<F, boolean>
    : F extends { is: 'choice'; of: readonly (infer T)[] }
      ? OrNull<F, K extends keyof Choices ? Choices[K] : T>
      : F extends { is: keyof Items }
        ? OrNull<F, Items[F['is']][]>
        : never;

/** The fields of a set with their types. */
export type SetValues = { -readonly [K in SetField]: ValueOf<K> };

/** Bounds of what the lists hold. */
export const FAULT_REPS = { from: 1, to: SET_FIELDS.doneReps.to } as const;
export const AID_TEXT = { name: 80, setting: 120 } as const;
export const FELT_LISTS = { region: REGIONS, kind: FELT_KINDS, leg: LEGS } as const;

export const SET_FIELD_NAMES = Object.keys(SET_FIELDS) as SetField[];
const isDone = (name: SetField): name is DoneField => SET_FIELDS[name].told === 'done';
export const DONE_FIELDS: readonly DoneField[] = SET_FIELD_NAMES.filter(isDone);

/** The fields as one list, with what each is. */
export const setFields = (): [SetField, SetFieldAbout][] =>
  SET_FIELD_NAMES.map((name) => [name, SET_FIELDS[name]]);

/** A set of which nothing is known but that it was done. */
export const blankSet = (): SetValues =>
  Object.fromEntries(
    setFields().map(([name, { blank }]) => [name, Array.isArray(blank) ? [] : blank]),
  ) as unknown as SetValues;

/** Some of the fields of something that has them. */
export const pickFields = <K extends SetField>(
  of: Pick<SetValues, K>,
  names: readonly K[],
): Pick<SetValues, K> => Object.fromEntries(names.map((n) => [n, of[n]])) as unknown as Pick<SetValues, K>;

/** The field that says how much was done, by what a variation is counted in. */
export const AMOUNT_FIELD = {
  repetitions: 'doneReps',
  'seconds held': 'holdS',
  rounds: 'rounds',
} as const satisfies Record<CountedIn, DoneField>;
export type AmountField = (typeof AMOUNT_FIELD)[CountedIn];
export const AMOUNT_FIELDS: readonly AmountField[] = Object.values(AMOUNT_FIELD);

/** How much was done, in what the variation is counted in; the other two stay unknown. */
export const amountIn = (counted: CountedIn, amount: number | null): Pick<SetValues, AmountField> => ({
  doneReps: null,
  holdS: null,
  rounds: null,
  [AMOUNT_FIELD[counted]]: amount,
});

/** How much was done, whatever it is counted in; null where it was not written down. */
export const amountOf = (s: Pick<SetValues, AmountField>): number | null => s.doneReps ?? s.holdS ?? s.rounds;
