import { AMOUNT_FIELDS, FAULT_REPS, SET_FIELDS, blankSet, setFields } from '../log/index.ts';
import type {
  AidUsed,
  FaultCount,
  Sensation,
  SetField,
  SetFieldAbout,
  SetValues,
  LoggedSet,
} from '../log/index.ts';
import {
  FELT_KINDS,
  REGIONS,
  SETTING_NAMES,
  aboutSetting,
  placeOfFelt,
  settingsRefused,
} from '../terms/index.ts';
import { guarded, unguarded } from './cells.ts';
import type { FeltKind, Leg, LoadKind, Region, Setting, SettingUsed, Side } from '../terms/index.ts';

const { ordinal, ...OTHERS } = SET_FIELDS;
type FieldColumn = (typeof SET_FIELDS)[SetField]['column'];
export type SetColumn = 'person' | 'date' | 'variation' | 'id' | FieldColumn;

/** Columns of a file of sets, in order; see docs/exchange.md. */
export const SET_COLUMNS: readonly SetColumn[] = [
  'person',
  'date',
  ordinal.column,
  'variation',
  ...Object.values(OTHERS).map((f) => f.column),
  'id',
];
export type SetRow = Record<SetColumn, string>;

/** What has to be there; every other column may be missing or empty, which means not known. */
export const NEEDED_COLUMNS: readonly SetColumn[] = ['person', 'date', 'variation'];

export interface SetRowProblem {
  /** Line in the file; the header is line 1. */
  line: number;
  column: SetColumn | null;
  problem: string;
}

const sided = (side: Side | null) => (side ? ` (${side})` : '');

/** Marks that tell parts of a cell apart do not stand in the words of one. */
const apart = (text: string, marks: RegExp) => text.replace(marks, ',');

/** A list in a cell: what is asked and was not there has a word of its own, since an empty cell is not known. */
const LISTED = {
  faults: (of: FaultCount[]) => of.map((f) => `${f.fault} x${f.reps}${sided(f.side)}`).join('; '),
  sensations: (of: Sensation[]) =>
    of.map((f) => `${f.kind}: ${placeOfFelt(f)}${sided(f.side)}`).join('; ') || 'nothing',
  aids: (of: AidUsed[]) =>
    guarded(of.map((a) => `${apart(a.name, /[=;]/g)}=${apart(a.setting, /;/g)}`).join('; ') || 'none'),
  settings: (of: SettingUsed[]) =>
    of.map((s) => `${s.name}=${s.value}${s.as ? ` (${s.as})` : ''}${sided(s.side)}`).join('; ') || 'none',
};

function cellOf(set: SetValues, name: SetField): string {
  if (name === 'faults') return LISTED.faults(set.faults);
  if (name === 'sensations') return set.sensations ? LISTED.sensations(set.sensations) : '';
  if (name === 'aids') return set.aids ? LISTED.aids(set.aids) : '';
  if (name === 'settings') return set.settings ? LISTED.settings(set.settings) : '';
  const value = set[name];
  return value === null ? '' : typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value);
}

/** A set as a row; '' is what is not known, "none" and "nothing" what was asked and was not there. */
export function rowOfSet(set: LoggedSet, person: string): SetRow {
  const cells: Partial<SetRow> = {
    person: guarded(person),
    date: set.date,
    variation: set.variation,
    id: set.id,
  };
  for (const [name] of setFields()) cells[SET_FIELDS[name].column] = cellOf(set, name);
  return Object.fromEntries(SET_COLUMNS.map((c) => [c, cells[c] ?? ''])) as SetRow;
}

/** What the reader has to know of the hall. */
export interface SetRowContext {
  /** The only person of that name; null: nobody, 'several': more than one. */
  person: (name: string) => { id: string } | null | 'several';
  /** By its slug or any of its names. */
  variation: (name: string) => { slug: string; revision: number; loadKind: LoadKind } | null | 'several';
  hasFault: (slug: string) => boolean;
  today: string;
}

export type ReadSet = Omit<LoggedSet, 'sessionId' | 'id'> & { id: string | null; personId: string };

class Wrong extends Error {}

const numberIn = (text: string, from: number, to: number, whole: boolean): number | null => {
  if (text === '') return null;
  const n = Number(text.replace(',', '.'));
  if (!Number.isFinite(n)) throw new Wrong(`"${text}" is no number.`);
  if (n < from || n > to) throw new Wrong(`${text} is not between ${from} and ${to}.`);
  if (whole && !Number.isInteger(n)) throw new Wrong(`${text} is not a whole number.`);
  return n;
};
const flagIn = (text: string): boolean | null => {
  if (text === '') return null;
  if (/^(yes|y|1|true)$/i.test(text)) return true;
  if (/^(no|n|0|false)$/i.test(text)) return false;
  throw new Wrong(`"${text}" is neither yes nor no.`);
};
function oneIn(text: string, list: readonly string[]): string | null {
  if (text === '') return null;
  if (!list.includes(text)) throw new Wrong(`"${text}" is none of ${list.join(', ')}.`);
  return text;
}
const parts = (text: string) =>
  text
    .split(';')
    .map((p) => p.trim())
    .filter(Boolean);
const SIDE = /^(.*?)(?:\s*\((left|right)\))?$/;
const COMPUTED = /\s*\(computed\)$/;
const LEG = /^(.*?)(?:,\s*(front|rear) leg)?$/;

function faultsIn(text: string, has: (slug: string) => boolean): LoggedSet['faults'] {
  return parts(text).map((part) => {
    const [, rest = '', side] = SIDE.exec(part) ?? [];
    const m = /^([a-z0-9-]+)\s*(?:x\s*(\d+))?$/.exec(rest.trim());
    if (!m) throw new Wrong(`"${part}" is not a fault like "knee-in x2 (left)".`);
    if (!has(m[1]!)) throw new Wrong(`The library has no fault "${m[1]}".`);
    const reps = m[2] === undefined ? 1 : Number(m[2]);
    if (reps < FAULT_REPS.from || reps > FAULT_REPS.to)
      throw new Wrong(`"${part}": repetitions from ${FAULT_REPS.from} to ${FAULT_REPS.to}.`);
    return { fault: m[1]!, side: (side as Side | undefined) ?? null, reps };
  });
}

function feltIn(text: string): LoggedSet['sensations'] {
  if (text === '') return null;
  if (text === 'nothing') return [];
  return parts(text).map((part) => {
    const [, rest = '', side] = SIDE.exec(part) ?? [];
    const at = rest.indexOf(':');
    const kind = rest.slice(0, at).trim();
    const [, region = '', leg] = LEG.exec(rest.slice(at + 1).trim()) ?? [];
    if (at === -1 || !(FELT_KINDS as readonly string[]).includes(kind)) {
      throw new Wrong(`"${part}" is not a sensation like "work: back of hip".`);
    }
    if (!(REGIONS as readonly string[]).includes(region)) throw new Wrong(`There is no region "${region}".`);
    return {
      kind: kind as FeltKind,
      region: region as Region,
      side: (side as Side | undefined) ?? null,
      leg: (leg as Leg | undefined) ?? null,
    };
  });
}

function aidsIn(text: string): LoggedSet['aids'] {
  if (text === '') return null;
  if (text === 'none') return [];
  return parts(text).map((part) => {
    const at = part.indexOf('=');
    if (at < 1) throw new Wrong(`"${part}" is not an aid like "pads=2".`);
    return { name: part.slice(0, at).trim(), setting: part.slice(at + 1).trim() };
  });
}

function settingsIn(text: string): LoggedSet['settings'] {
  if (text === '') return null;
  if (text === 'none') return [];
  const found = parts(text).map((part): SettingUsed => {
    const [, rest = '', side] = SIDE.exec(part) ?? [];
    const [name = '', value = ''] = rest
      .replace(COMPUTED, '')
      .split('=')
      .map((t) => t.trim());
    if (value === '') throw new Wrong(`"${part}" is not a setting like "rack hooks=7 (left)".`);
    if (!(SETTING_NAMES as readonly string[]).includes(name))
      throw new Wrong(`"${name}" is none of the settings ${SETTING_NAMES.join(', ')}.`);
    const setting = name as Setting;
    return {
      name: setting,
      value: aboutSetting(setting).is === 'word' ? value : Number(value.replace(',', '.')),
      side: (side as Side | undefined) ?? null,
      ...(COMPUTED.test(rest) && { as: 'computed' }),
    };
  });
  const refused = settingsRefused(found);
  if (refused) throw new Wrong(refused);
  return found;
}

/** Whether the text is a day of the calendar as `YYYY-MM-DD`. */
const isDay = (text: string) =>
  /^\d{4}-\d{2}-\d{2}$/.test(text) &&
  !Number.isNaN(Date.parse(`${text}T00:00:00Z`)) &&
  new Date(`${text}T00:00:00Z`).toISOString().startsWith(text);

/** Reads the cell of one field; an empty one is null. @throws Wrong */
function valueIn(f: SetFieldAbout, text: string, ctx: SetRowContext): unknown {
  switch (f.is) {
    case 'number':
      return numberIn(text, f.from, f.to, f.whole);
    case 'flag':
      return flagIn(text);
    case 'choice':
      return oneIn(text, f.of);
    case 'faults':
      return faultsIn(text, ctx.hasFault);
    case 'sensations':
      return feltIn(text);
    case 'aids':
      return aidsIn(unguarded(text));
    case 'settings':
      return settingsIn(text);
  }
}

/**
 * A row as a set, or everything that is wrong with it. Numbers may be written with a decimal comma.
 * @param ordinal place within the session where the row names none
 */
export function setOfRow(
  row: Partial<SetRow>,
  line: number,
  ordinal: number,
  ctx: SetRowContext,
): { set: ReadSet } | { problems: SetRowProblem[] } {
  const problems: SetRowProblem[] = [];
  const say = (column: SetColumn, problem: string) => problems.push({ line, column, problem });
  const name = unguarded((row.person ?? '').trim());
  const person = name === '' ? null : ctx.person(name);
  if (name === '') say('person', 'Nobody is named.');
  else if (person === null) say('person', `Nobody here is called "${name}".`);
  else if (person === 'several') say('person', `More than one person is called "${name}".`);

  const date = (row.date ?? '').trim();
  if (!isDay(date)) say('date', `"${date}" is not a date like 2026-11-24.`);
  else if (date > ctx.today) say('date', `${date} lies in the future.`);

  const movement = (row.variation ?? '').trim();
  const named = movement === '' ? null : ctx.variation(movement);
  const variation = named === 'several' ? null : named;
  if (movement === '') say('variation', 'No variation is named.');
  else if (named === 'several') say('variation', `More than one variation is called "${movement}".`);
  else if (named === null) say('variation', `The library has no variation "${movement}".`);

  const id = (row.id ?? '').trim().toLowerCase();
  if (id !== '' && !/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(id))
    say('id', `"${id}" is no valid id.`);

  const read: Record<string, unknown> = {};
  for (const [field, f] of setFields()) {
    const column = SET_FIELDS[field].column;
    try {
      const value = valueIn(f, (row[column] ?? '').trim(), ctx);
      if (value !== null) read[field] = value;
    } catch (error) {
      if (!(error instanceof Wrong)) throw error;
      say(column, error.message);
    }
  }
  const set: ReadSet = {
    ...blankSet(),
    ordinal,
    loadKind: variation?.loadKind ?? 'none',
    // Each was read by what its field is.
    ...(read as Partial<SetValues>),
    id: id === '' ? null : id,
    personId: person !== null && person !== 'several' ? person.id : '',
    date,
    variation: variation?.slug ?? movement,
    variationRevision: variation?.revision ?? 0,
  };
  if (AMOUNT_FIELDS.every((f) => (row[SET_FIELDS[f].column] ?? '').trim() === '')) {
    say('repetitions', 'Neither repetitions nor seconds held nor rounds are given.');
  }
  if (!set.watched && !set.measuredBy && set.faults.length > 0)
    say('faults', 'Faults are seen only in a watched or measured set.');
  return problems.length ? { problems } : { set };
}
