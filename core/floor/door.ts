import type { Judged, Reason } from '../criterion/index.ts';
import type { Decision } from '../ladder/index.ts';
import type { LoggedSet } from '../log/index.ts';
import type { Felt, Region, Side } from '../terms/index.ts';

/** The questions before work, none of them asked. */
export const NOT_ASKED = {
  pain: null,
  painRegion: null,
  painSide: null,
  sleepH: null,
  atEase: null,
  sore: null,
  note: '',
} as const;

declare const shown: unique symbol;
/**
 * Something about a person as its reader may see it. Answers ask for it, and a door alone makes it: what has not gone
 * through one is another type and cannot be sent.
 */
export type Shown<T> = T & { readonly [shown]: true };

const HIDDEN = 'for staff of the squad';

/**
 * The one door through which health goes out: pain, what is felt as pain, and what rests on it are for those who look
 * after the person; everybody else gets the rest. Nothing else hides or shows it.
 */
export interface Door {
  set: <T extends LoggedSet>(set: T) => Shown<T>;
  /** The outcome stays, the numbers go. */
  decision: (d: Decision) => Shown<Decision>;
  /** The answers before work of today. */
  checkIn: <T extends AskedBeforeWork>(row: T) => Shown<T>;
  /** A case of the faults desk. */
  case: <T extends { pain: number | null; note: string; byId: string | null; felt: readonly Felt[] }>(
    row: T,
  ) => Shown<T>;
  /** Trials that placed somebody. */
  trials: <T extends { careful: boolean; trials: { result: string; note: string }[] }>(row: T) => Shown<T>;
  /** Why they are asked before work. */
  ask: (why: string) => string;
  /** What to keep an eye on: of who is covered what is barred, and what was said to them. */
  watch: <W extends { kind: string }>(list: W[]) => W[];
  /** A sentence that exists for those who see pain alone. */
  pain: <T>(found: T | null) => T | null;
}

const pass = <T>(of: T): Shown<T> => of as Shown<T>;
const painless = <F extends { kind: string }>(felt: readonly F[]): F[] =>
  felt.filter((f) => f.kind !== 'pain');

interface AskedBeforeWork {
  pain: number | null;
  painRegion?: Region | null;
  painSide?: Side | null;
  sleepH: number | null;
  atEase: number | null;
  note: string;
}

const OPEN: Door = {
  set: pass,
  decision: pass,
  checkIn: pass,
  case: pass,
  trials: pass,
  ask: (why) => why,
  watch: (list) => list,
  pain: (found) => found,
};

const CLOSED: Door = {
  set: (set) =>
    pass({
      ...set,
      pain: null,
      painRegion: null,
      painSide: null,
      sensations: set.sensations && painless(set.sensations),
    }),
  decision: (d) =>
    pass({
      ...d,
      reasons: d.reasons.map(maskReason),
      missing: d.missing.map(maskReason),
      cause: d.cause === 'pain' ? null : d.cause,
      painRegions: [],
      referral: null,
      plan: { ...d.plan, why: d.plan.why.map(maskReason) },
      advance: maskJudged(d.advance),
      stepBack: maskJudged(d.stepBack),
    }),
  checkIn: (row) => pass({ ...row, ...NOT_ASKED }),
  case: (row) => pass({ ...row, pain: null, note: '', felt: painless(row.felt) }),
  trials: (row) =>
    pass({
      ...row,
      careful: false,
      trials: row.trials.map((t) => (t.result === 'pain' ? { ...t, result: 'not at ease', note: '' } : t)),
    }),
  ask: () => 'A staff member of the squad asks before work.',
  watch: (list) => list,
  pain: () => null,
};

/**
 * For who covers somebody on one day: what they log and hear that day, and no evidence of other days.
 * @param today ISO 8601
 * @param by their id: what they wrote down themselves they read
 */
export const coverDoor = (today: string, by: string): Door => ({
  ...CLOSED,
  set: (set) => (set.date === today ? pass(set) : CLOSED.set(set)),
  checkIn: (row) => pass({ ...row, sleepH: null, atEase: null, note: '' }),
  case: (row) => pass(row.byId === by ? row : { ...row, note: '' }),
  ask: () => 'Ask before work.',
  watch: (list) => list.filter((w) => COVER_WATCHES.has(w.kind)),
});

const COVER_WATCHES: ReadonlySet<string> = new Set(['restriction', 'cue works', 'cue failed']);

/** @param sees whether the reader sees this person's health */
export const doorFor = (sees: boolean): Door => (sees ? OPEN : CLOSED);

function maskJudged(j: Judged): Judged {
  if (!j.health) return j;
  const parts = j.parts.map(maskJudged);
  if (parts.length) return { ...j, parts };
  return { ...j, judgement: 'unknown', seen: null, margin: null, account: HIDDEN };
}

const maskReason = (r: Reason): Reason => (r.health ? { ...r, text: `A health reason, ${HIDDEN}.` } : r);
