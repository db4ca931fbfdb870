import { bodySchema } from '../contract/library.ts';
import type { CheckResult } from '../contract/library.ts';
import { REFERENCE_BUILD } from '../core/body/index.ts';
import { adjusted, demandOf, TIE_POINTS } from '../core/demand/index.ts';
import { rowOfSet, SET_COLUMNS, writeLibraryFile } from '../core/exchange/index.ts';
import type { EditionHeader } from '../core/exchange/index.ts';
import { holesFor, judge, lackingIn, lostBetween, runsFor } from '../core/floor/index.ts';
import type { Evidence, PersonRecords, RunPerson } from '../core/floor/index.ts';
import { CURVE, boughtIn, greedy, programOf, recount } from '../core/kit/index.ts';
import type { Hole, Wish } from '../core/kit/index.ts';
import { notThere } from '../core/terms/index.ts';
import type { Piece } from '../core/terms/index.ts';
import type { CurvePoint } from '../contract/fit.ts';
import { solve } from './solve.ts';
import type { Standing } from '../core/ladder/index.ts';
import { breachesOf, KINDS, shelfOf, withChanges } from '../core/library/index.ts';
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

/**
 * What is lost without some pieces; without naming any, what is lost by those that are out of use or overdue today.
 */
function closesOf(
  inForce: ShelfInForce,
  people: readonly RunPerson[],
  today: string,
  without: readonly string[],
) {
  const { kit } = inForce.shelf;
  const as = (pieces: readonly Piece[]): ShelfInForce => ({
    ...inForce,
    shelf: shelfOf(inForce.shelf.everything(), { ...kit, pieces }),
  });
  const back = (p: Piece): Piece => ({ ...p, condition: 'good', nextInspection: null, retireOn: null });
  const [before, after] =
    without.length > 0
      ? [
          inForce,
          as(kit.pieces.map((p) => (without.includes(p.id) ? { ...p, condition: 'out' as const } : p))),
        ]
      : [as(kit.pieces.map((p) => (notThere(p, today) === null ? p : back(p)))), inForce];
  const lost = lostBetween(before, after, people, today);
  const was = new Set(lackingIn(before));
  const variations = lackingIn(after)
    .filter((slug) => !was.has(slug))
    .map((slug) => ({ slug, name: after.shelf.get('variation', slug)?.name ?? slug }));
  return { lost, variations };
}

/** The whole curve takes no longer than this. */
const CURVE_S = 12;

/** What each budget buys at best, never worse than buying by gain for price. */
async function curveOf(holes: readonly Hole[], wishes: readonly Wish[]): Promise<CurvePoint[]> {
  const all = wishes.reduce((sum, w) => sum + w.price, 0);
  if (wishes.length === 0) return [];
  const points: CurvePoint[] = [];
  for (const share of CURVE) {
    const budget = Math.round(share * all * 100) / 100;
    const quick = recount(holes, wishes, greedy(holes, wishes, budget));
    const found = await solve(programOf(holes, wishes, budget), { timeS: CURVE_S / CURVE.length });
    const exact = found.values && recount(holes, wishes, boughtIn(found.values, wishes));
    const better = exact && exact.cost <= budget + 1e-6 && exact.weight >= quick.weight ? exact : null;
    points.push({ budget, purchase: better ?? quick, optimal: better !== null && found.optimal });
  }
  return points;
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

  runs: (inForce: ShelfInForce, { people, today }: { people: readonly RunPerson[]; today: string }) =>
    runsFor(inForce, people, today),

  closes: (
    inForce: ShelfInForce,
    { people, today, without }: { people: readonly RunPerson[]; today: string; without: readonly string[] },
  ) => closesOf(inForce, people, today, without),

  purchases: async (
    inForce: ShelfInForce,
    { people, wishes, today }: { people: readonly RunPerson[]; wishes: readonly Wish[]; today: string },
  ) => {
    const holes = holesFor(inForce, people, wishes, today);
    return { holes, curve: await curveOf(holes, wishes) };
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
export type Result<K extends TaskName> = Awaited<ReturnType<(typeof TASKS)[K]>>;

/** Computes a task, in a worker or, where there is none, at once. */
export type Work = <K extends TaskName>(
  name: K,
  inForce: ShelfInForce,
  given: Given<K>,
) => Promise<Result<K>>;

export async function doTask<K extends TaskName>(
  name: K,
  inForce: ShelfInForce,
  given: Given<K>,
): Promise<Result<K>> {
  const task = TASKS[name] as (inForce: ShelfInForce, given: Given<K>) => Result<K> | Promise<Result<K>>;
  return await task(inForce, given);
}

/** At once, in the process that asks: for tests. */
export const atOnce: Work = (name, inForce, given) => doTask(name, inForce, given);
