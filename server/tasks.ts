import { bodySchema } from '../contract/library.ts';
import type { CheckResult } from '../contract/library.ts';
import { REFERENCE_BUILD } from '../core/body/index.ts';
import { adjusted, demandOf, TIE_POINTS } from '../core/demand/index.ts';
import { rowOfSet, SET_COLUMNS, writeLibraryFile } from '../core/exchange/index.ts';
import type { EditionHeader } from '../core/exchange/index.ts';
import { judge } from '../core/floor/index.ts';
import type { Evidence, PersonRecords } from '../core/floor/index.ts';
import type { Standing } from '../core/ladder/index.ts';
import { breachesOf, KINDS, withChanges } from '../core/library/index.ts';
import type { Body, Ladder, Shelf, ShelfInForce } from '../core/library/index.ts';
import type { LoggedSet } from '../core/log/index.ts';
import { effectsOf, findingsOfChange, healthOf } from '../core/review/index.ts';
import type { Finding, HealthInput } from '../core/review/index.ts';
import Papa from 'papaparse';
import { fieldOf } from './problem-field.ts';

// What takes long is computed here, apart from requests: pure, from what it is given and a state of the library.

const inputOn = (today: string): HealthInput => ({
  today,
  tiePoints: TIE_POINTS,
  points: (v, mechanics) =>
    adjusted({
      demand: demandOf(REFERENCE_BUILD, mechanics),
      adjustment: v.demandAdjustment?.points ?? 0,
    }),
});

// A shelf never changes once read: its health differs only with the day.
const known = new WeakMap<Shelf, { today: string; findings: Finding[] }>();

function healthOn(shelf: Shelf, today: string): Finding[] {
  const before = known.get(shelf);
  if (before?.today === today) return before.findings;
  const findings = healthOf(shelf, inputOn(today));
  known.set(shelf, { today, findings });
  return findings;
}

/** What these documents would do if they were in force; what cannot be read is told by field. */
function checked(shelf: Shelf, items: readonly Body[], today: string): CheckResult {
  const errors: CheckResult['errors'] = [];
  for (const item of items) {
    const document = KINDS.includes(item.kind) ? `${item.kind}/${String(item.slug)}` : 'document';
    for (const d of bodySchema.validate(item).error?.details ?? []) {
      errors.push({ document, ...fieldOf(d) });
    }
  }
  if (errors.length > 0) return { errors, breaches: [], findings: [], effects: null };
  const after = withChanges(shelf, items);
  const breaches = breachesOf(after);
  const findings =
    breaches.length > 0 ? [] : findingsOfChange(() => healthOn(shelf, today), after, items, inputOn(today));
  return { errors, breaches, findings, effects: effectsOf(shelf, after, items) };
}

/** Records as they can be handed over: the evidence of one ladder beside them. */
export type PlainRecords = Omit<PersonRecords, 'evidence'>;

// A cell that begins like a formula is text to a spreadsheet too: it gets an apostrophe, which reading takes off again.
const FILE = { newline: '\r\n', escapeFormulae: true };

export const TASKS = {
  health: ({ shelf }: ShelfInForce, { today }: { today: string }) => healthOn(shelf, today),

  check: ({ shelf }: ShelfInForce, { items, today }: { items: readonly Body[]; today: string }) =>
    checked(shelf, items, today),

  effects: ({ shelf }: ShelfInForce, { bodies }: { bodies: readonly Body[] }) =>
    effectsOf(shelf, withChanges(shelf, bodies), [...bodies]),

  judge: (
    inForce: ShelfInForce,
    of: { ladder: Ladder; records: PlainRecords; evidence: Evidence; standing: Standing; today: string },
  ) => {
    const { ladder, records, evidence, standing, today } = of;
    return judge({ inForce, today }, ladder, { ...records, evidence: () => evidence }, { standing });
  },

  libraryFile: ({ shelf }: ShelfInForce, { edition }: { edition: EditionHeader }) =>
    writeLibraryFile(edition, shelf.everything()),

  setsFile: (_: ShelfInForce, { rows }: { rows: readonly { name: string; set: LoggedSet }[] }) => {
    const data = rows.map(({ name, set }) => {
      const row = rowOfSet(set, name);
      return SET_COLUMNS.map((c) => row[c]);
    });
    return `${Papa.unparse({ fields: [...SET_COLUMNS], data }, FILE)}\r\n`;
  },
};

export type TaskName = keyof typeof TASKS;
export type Given<K extends TaskName> = Parameters<(typeof TASKS)[K]>[1];
export type Result<K extends TaskName> = ReturnType<(typeof TASKS)[K]>;

/** Computes a task, in a worker or, where there is none, at once. */
export type Work = <K extends TaskName>(
  name: K,
  inForce: ShelfInForce,
  given: Given<K>,
) => Promise<Result<K>>;

export function doTask<K extends TaskName>(name: K, inForce: ShelfInForce, given: Given<K>): Result<K> {
  const task = TASKS[name] as (inForce: ShelfInForce, given: Given<K>) => Result<K>;
  return task(inForce, given);
}

/** At once, in the process that asks: for tests. */
export const atOnce: Work = (name, inForce, given) =>
  new Promise((done) => done(doTask(name, inForce, given)));
