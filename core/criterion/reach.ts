import type { Side } from '../terms/index.ts';
import type { FactsBySlug, LoggedSet } from '../log/index.ts';
import { isOneSided } from './pool.ts';
import type { Pool } from './pool.ts';
import { allOf } from './three-valued.ts';
import type { Finding } from './finding.ts';
import type { Judgement } from './three-valued.ts';
import { ofSets } from './words.ts';

export interface Reach {
  /** Known value of the set, null when it may not be used. */
  sure: number | null;
  /** The most it could have been, had it been watched, asked or measured; null: it counts for nothing. */
  possible: number | null;
}

interface Counting {
  setsNeeded: number;
  needed: number;
  /** How known values are listed, e.g. "12, 9 clean". */
  list: (values: number[]) => string;
  /** Why nothing is known although something was logged, and what to do about it. */
  unknown: string;
  ask: string;
  reach: (set: LoggedSet) => Reach;
  /** A set reaches it or not, so that what is needed and seen are numbers of sets. */
  yesOrNo?: boolean;
}

/** "At least so many sets reach so much", the worse side deciding in one-sided work. */
export function setsReaching(pool: Pool, facts: FactsBySlug, c: Counting): Finding {
  const sets = pool.sessions.flatMap((s) => s.sets);
  const oneSided = pool.sessions.some((s) => isOneSided(s, facts));
  const groups: (Side | null)[] = oneSided ? ['left', 'right'] : [null];
  const findings = groups.map((side) => {
    // Sets done on both legs at once count for either side; a side left blank might be either.
    const own = sets.filter((s) => side === null || s.side === side || s.side === null);
    const certain = own.filter((s) => side === null || s.side === side || !facts.get(s.variation)?.oneSided);
    const values = certain
      .map((s) => ({ id: s.id, value: c.reach(s).sure }))
      .filter((v): v is { id: string; value: number } => v.value !== null)
      .sort((a, b) => b.value - a.value);
    const sure = values.filter((v) => v.value >= c.needed).length;
    const possible = own.filter((s) => (c.reach(s).possible ?? -1) >= c.needed).length;
    const judgement: Judgement =
      sure >= c.setsNeeded ? 'met' : possible >= c.setsNeeded || values.length === 0 ? 'unknown' : 'not met';
    const where = side ? `${side} ` : '';
    return {
      side,
      judgement,
      sure,
      kth: values[c.setsNeeded - 1]?.value ?? null,
      account: values.length
        ? `${where}${c.list(values.map((v) => v.value))}`
        : `${where}not known: ${own.length ? c.unknown : 'nothing logged'}`,
      ids: values.map((v) => v.id),
    };
  });
  const worst = [...findings].sort((a, b) => a.sure - b.sure || (a.kth ?? -1) - (b.kth ?? -1))[0]!;
  const judgement = allOf(findings.map((f) => f.judgement));
  const known = findings.every((f) => f.ids.length > 0);
  const needed = c.yesOrNo ? c.setsNeeded : c.needed;
  const seen = c.yesOrNo ? (known ? worst.sure : null) : worst.kth;
  return {
    judgement,
    needed,
    seen,
    margin: seen === null ? null : seen - needed,
    account: findings.map((f) => f.account).join('; '),
    setIds: findings.flatMap((f) => f.ids),
    ask: judgement === 'unknown' ? c.ask : null,
    sides: findings.flatMap((f) => (f.side && f.judgement !== 'met' ? [f.side] : [])),
  };
}

interface Asked {
  limit: number;
  /** 'most': no answer may be above the limit; 'least': none below it. */
  is: 'most' | 'least';
  answer: (set: LoggedSet) => number | null;
  account: (extreme: number) => string;
  /** What was not asked, e.g. "effort was not asked after the last set". */
  unknown: string;
  ask: string;
  /** Which sets have to be known: what changes from set to set only after the last one, what is set up in each. */
  knownIn?: 'last set' | 'every set';
}

/**
 * A limit on what is asked rather than seen: the worst answer of the window counts, and in each of its sessions the
 * last set must have been asked about, since a number given before it says nothing about it.
 */
export function worstAnswer(pool: Pool, c: Asked): Finding {
  const sets = pool.sessions.flatMap((s) => s.sets);
  const asked = sets.filter((s) => c.answer(s) !== null);
  const answers = asked.map((s) => c.answer(s)!);
  const worst = answers.length ? (c.is === 'most' ? Math.max(...answers) : Math.min(...answers)) : null;
  const margin = worst === null ? null : c.is === 'most' ? c.limit - worst : worst - c.limit;
  const known = pool.sessions.every((s) =>
    (c.knownIn === 'every set' ? s.sets : s.sets.slice(-1)).every((x) => c.answer(x) !== null),
  );
  const broken = margin !== null && margin < 0;
  const judgement: Judgement = broken ? 'not met' : worst !== null && known ? 'met' : 'unknown';
  return tooShort(pool, {
    judgement,
    needed: c.limit,
    seen: worst,
    margin,
    account: judgement === 'unknown' ? `not known: ${c.unknown}` : c.account(worst!),
    setIds: asked.map((s) => s.id),
    ask: judgement === 'unknown' ? c.ask : null,
    sides: [],
  });
}

/** What holds so far does not hold over N sessions before there were N. */
export function tooShort(pool: Pool, finding: Finding): Finding {
  if (pool.short === 0 || finding.judgement !== 'met') return finding;
  const so = pool.sessions.length;
  const account = `${finding.account}, in ${so} of ${so + pool.short} sessions so far`;
  return { ...finding, judgement: 'unknown', account, ask: 'Go on: more sessions are needed to tell' };
}

/** The share of sets of which something is known to hold. */
export function shareOfSets(
  pool: Pool,
  percent: number,
  holds: (set: LoggedSet) => boolean | null,
  words: { of: string; unknown: string; ask: string },
): Finding {
  const sets = pool.sessions.flatMap((s) => s.sets);
  const known = sets.filter((s) => holds(s) !== null);
  const yes = known.filter((s) => holds(s)).length;
  const share = (n: number) => (100 * n) / sets.length;
  const unknown = sets.length - known.length;
  const judgement: Judgement =
    share(yes) >= percent ? 'met' : share(yes + unknown) >= percent ? 'unknown' : 'not met';
  const seen = known.length === 0 ? null : share(yes);
  return tooShort(pool, {
    judgement,
    needed: percent,
    seen,
    margin: seen === null ? null : seen - percent,
    account:
      known.length === 0
        ? `not known: ${words.unknown}`
        : `${words.of} in ${ofSets(yes, sets.length)}${unknown ? `, ${unknown} not noted` : ''}`,
    setIds: known.map((s) => s.id),
    ask: judgement === 'unknown' ? words.ask : null,
    sides: [],
  });
}
