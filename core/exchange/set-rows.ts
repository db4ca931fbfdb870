import { FELT_KINDS, LOAD_KINDS, REGIONS, ROLES, SIDES } from '../terms/index.ts';
import type { FeltKind, LoadKind, Region, Role, Side } from '../terms/index.ts';
import type { LoggedSet } from '../log/index.ts';

/** Columns of a file of sets, in order; see docs/exchange.md. */
export const SET_COLUMNS = [
  'person',
  'date',
  'set',
  'variation',
  'role',
  'warm_up',
  'watched',
  'side_test',
  'side',
  'planned_repetitions',
  'repetitions',
  'hold_s',
  'rounds',
  'load_kg',
  'load_kind',
  'effort',
  'tempo_kept',
  'range_reached',
  'range_deg',
  'faults',
  'felt',
  'pain',
  'at_ease',
  'aids',
  'id',
] as const;
export type SetColumn = (typeof SET_COLUMNS)[number];
export type SetRow = Record<SetColumn, string>;

/** What has to be there; every other column may be missing or empty, which means not known. */
export const NEEDED_COLUMNS: readonly SetColumn[] = ['person', 'date', 'variation'];

export interface SetRowProblem {
  /** Line in the file; the header is line 1. */
  line: number;
  column: SetColumn | null;
  problem: string;
}

const yesNo = (b: boolean | null) => (b === null ? '' : b ? 'yes' : 'no');
const plain = (n: number | null) => (n === null ? '' : String(n));
const sided = (side: Side | null) => (side ? ` (${side})` : '');

/** Words that a spreadsheet would run as a formula get an apostrophe before them, and lose it on the way back. */
const guarded = (text: string) => (/^'*[=+\-@\t]/.test(text) ? `'${text}` : text);
const unguarded = (text: string) => (/^'+[=+\-@\t]/.test(text) ? text.slice(1) : text);

/** Marks that tell parts of a cell apart do not stand in the words of one. */
const apart = (text: string, marks: RegExp) => text.replace(marks, ',');

/** A set as a row; '' is what is not known, "none" and "nothing" what was asked and was not there. */
export function rowOfSet(set: LoggedSet, person: string): SetRow {
  return {
    person: guarded(person),
    date: set.date,
    set: String(set.ordinal),
    variation: set.variation,
    role: set.role,
    warm_up: yesNo(set.warmUp),
    watched: yesNo(set.watched),
    side_test: yesNo(set.sideTest),
    side: set.side ?? '',
    planned_repetitions: plain(set.plannedReps),
    repetitions: plain(set.doneReps),
    hold_s: plain(set.holdS),
    rounds: plain(set.rounds),
    load_kg: plain(set.loadKg),
    load_kind: set.loadKind,
    effort: plain(set.effort),
    tempo_kept: yesNo(set.tempoKept),
    range_reached: yesNo(set.rangeReached),
    range_deg: plain(set.rangeDeg),
    faults: set.faults.map((f) => `${f.fault} x${f.reps}${sided(f.side)}`).join('; '),
    felt:
      set.sensations === null
        ? ''
        : set.sensations.map((f) => `${f.kind}: ${f.region}${sided(f.side)}`).join('; ') || 'nothing',
    pain: plain(set.pain),
    at_ease: plain(set.atEase),
    aids: guarded(
      set.aids === null
        ? ''
        : set.aids.map((a) => `${apart(a.name, /[=;]/g)}=${apart(a.setting, /;/g)}`).join('; ') || 'none',
    ),
    id: set.id,
  };
}

/** What the reader has to know of the hall. */
export interface SetRowContext {
  /** The only person of that name; null: nobody, 'several': more than one. */
  person: (name: string) => { id: string } | null | 'several';
  variation: (slug: string) => { revision: number; loadKind: LoadKind } | null;
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
function oneIn<T extends string>(text: string, list: readonly T[]): T | null {
  if (text === '') return null;
  if (!(list as readonly string[]).includes(text))
    throw new Wrong(`"${text}" is none of ${list.join(', ')}.`);
  return text as T;
}
const parts = (text: string) =>
  text
    .split(';')
    .map((p) => p.trim())
    .filter(Boolean);
const SIDE = /^(.*?)(?:\s*\((left|right)\))?$/;

function faultsIn(text: string, has: (slug: string) => boolean): LoggedSet['faults'] {
  return parts(text).map((part) => {
    const [, rest = '', side] = SIDE.exec(part) ?? [];
    const m = /^([a-z0-9-]+)\s*(?:x\s*(\d+))?$/.exec(rest.trim());
    if (!m) throw new Wrong(`"${part}" is not a fault like "knee-in x2 (left)".`);
    if (!has(m[1]!)) throw new Wrong(`The library has no fault "${m[1]}".`);
    const reps = m[2] === undefined ? 1 : Number(m[2]);
    if (reps < 1 || reps > 500) throw new Wrong(`"${part}": repetitions from 1 to 500.`);
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
    const region = rest.slice(at + 1).trim();
    if (at === -1 || !(FELT_KINDS as readonly string[]).includes(kind)) {
      throw new Wrong(`"${part}" is not a sensation like "work: back of hip".`);
    }
    if (!(REGIONS as readonly string[]).includes(region)) throw new Wrong(`There is no region "${region}".`);
    return { kind: kind as FeltKind, region: region as Region, side: (side as Side | undefined) ?? null };
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

/** Whether the text is a day of the calendar as `YYYY-MM-DD`. */
const isDay = (text: string) =>
  /^\d{4}-\d{2}-\d{2}$/.test(text) &&
  !Number.isNaN(Date.parse(`${text}T00:00:00Z`)) &&
  new Date(`${text}T00:00:00Z`).toISOString().startsWith(text);

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
  const at = <T>(column: SetColumn, read: (text: string) => T, otherwise: T): T => {
    try {
      return read((row[column] ?? '').trim());
    } catch (error) {
      if (!(error instanceof Wrong)) throw error;
      say(column, error.message);
      return otherwise;
    }
  };

  const name = unguarded((row.person ?? '').trim());
  const person = name === '' ? null : ctx.person(name);
  if (name === '') say('person', 'Nobody is named.');
  else if (person === null) say('person', `Nobody here is called "${name}".`);
  else if (person === 'several') say('person', `More than one person is called "${name}".`);

  const date = (row.date ?? '').trim();
  if (!isDay(date)) say('date', `"${date}" is not a date like 2026-11-24.`);
  else if (date > ctx.today) say('date', `${date} lies in the future.`);

  const slug = (row.variation ?? '').trim();
  const variation = ctx.variation(slug);
  if (!variation)
    say('variation', slug === '' ? 'No variation is named.' : `The library has no variation "${slug}".`);

  const id = (row.id ?? '').trim().toLowerCase();
  if (id !== '' && !/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(id))
    say('id', `"${id}" is no valid id.`);

  const set: ReadSet = {
    id: id === '' ? null : id,
    personId: person !== null && person !== 'several' ? person.id : '',
    date,
    ordinal: at('set', (t) => numberIn(t, 1, 1000, true), null) ?? ordinal,
    variation: slug,
    variationRevision: variation?.revision ?? 0,
    role: at<Role | null>('role', (t) => oneIn(t, ROLES), null) ?? 'work',
    warmUp: at('warm_up', flagIn, null) ?? false,
    watched: at('watched', flagIn, null) ?? false,
    sideTest: at('side_test', flagIn, null) ?? false,
    side: at<Side | null>('side', (t) => oneIn(t, SIDES), null),
    plannedReps: at('planned_repetitions', (t) => numberIn(t, 0, 500, true), null),
    doneReps: at('repetitions', (t) => numberIn(t, 0, 500, true), null),
    holdS: at('hold_s', (t) => numberIn(t, 0, 7200, false), null),
    rounds: at('rounds', (t) => numberIn(t, 0, 100, true), null),
    loadKg: at('load_kg', (t) => numberIn(t, 0, 1000, false), null),
    loadKind:
      at<LoadKind | null>('load_kind', (t) => oneIn(t, LOAD_KINDS), null) ?? variation?.loadKind ?? 'none',
    effort: at('effort', (t) => numberIn(t, 0, 10, false), null),
    tempoKept: at('tempo_kept', flagIn, null),
    rangeReached: at('range_reached', flagIn, null),
    rangeDeg: at('range_deg', (t) => numberIn(t, -180, 360, false), null),
    faults: at('faults', (t) => faultsIn(t, ctx.hasFault), []),
    sensations: at('felt', feltIn, null),
    pain: at('pain', (t) => numberIn(t, 0, 10, false), null),
    atEase: at('at_ease', (t) => numberIn(t, 0, 10, true), null),
    aids: at('aids', (t) => aidsIn(unguarded(t)), null),
  };
  const amounts = ['repetitions', 'hold_s', 'rounds'] as const;
  if (amounts.every((c) => (row[c] ?? '').trim() === '')) {
    say('repetitions', 'Neither repetitions nor seconds held nor rounds are given.');
  }
  if (!set.watched && set.faults.length > 0) say('faults', 'Faults are seen only in a watched set.');
  return problems.length ? { problems } : { set };
}
