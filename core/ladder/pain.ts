import { concernsMovement, painRegions } from '../log/index.ts';
import type { FactsBySlug, LoggedSet, VariationFacts } from '../log/index.ts';
import { daysBetween } from '../terms/index.ts';
import type { Dominance, IsoDate, Pattern, RangeTarget, Region, Side } from '../terms/index.ts';

/** Pain that was told of: in a set, before work, at home. */
export interface PainTold {
  date: IsoDate;
  /** Above 0, up to 10. */
  pain: number;
  /** Empty: not told; then it counts as in the pattern. */
  regions: readonly Region[];
  side: Side | null;
  /** Of the movement it was told in; null: before or after work. */
  pattern: Pattern | null;
}

export const painToldIn = (set: LoggedSet, pattern: Pattern | null): PainTold[] =>
  (set.pain ?? 0) > 0
    ? [{ date: set.date, pain: set.pain!, regions: painRegions(set), side: set.painSide, pattern }]
    : [];

/** Whether pain concerns the work of a level: in a place that it uses, or, where no place was told, in its pattern. */
export function concernsLevel(
  p: PainTold,
  main: Pick<VariationFacts, 'regions' | 'pattern'>,
  pattern: Pattern,
): boolean {
  const placed = p.regions.length > 0 && main.regions.length > 0;
  return placed ? concernsMovement(p.regions, main) : p.pattern === null || p.pattern === pattern;
}

/** Pain in one place in three sessions running within so many days is for a doctor (judgement). */
export const RUNNING_DAYS = 14;
/** So is pain in three of the last four within so many days (judgement). */
export const RETURNING_DAYS = 42;

export interface Referral {
  /** Null: the place was not told. */
  region: Region | null;
  dates: IsoDate[];
  account: string;
}

/**
 * Pain that comes back: in one place in three sessions running within 14 days, in three of the last four within 42, or
 * rising over three. It stays so until it is cleared.
 * @param told as far as it concerns the work
 * @param days on which the pattern was trained or pain was told, in any order
 */
export function referralFor(told: readonly PainTold[], days: readonly IsoDate[]): Referral | null {
  const dates = [...new Set([...days, ...told.map((p) => p.date)])].sort();
  const places = new Set(
    told.flatMap((p): (Region | null)[] => (p.regions.length ? [...p.regions] : [null])),
  );
  let found: Referral | null = null;
  for (const region of [...places].sort()) {
    const at = (date: IsoDate) =>
      told
        .filter(
          (p) => p.date === date && (region === null ? p.regions.length === 0 : p.regions.includes(region)),
        )
        .reduce((worst, p) => Math.max(worst, p.pain), 0);
    const on = dates.map((date) => ({ date, pain: at(date) }));
    for (let i = 2; i < on.length; i++) {
      const three = on.slice(i - 2, i + 1);
      const painful = on.slice(Math.max(0, i - 3), i + 1).filter((d) => d.pain > 0);
      const account = why(three, painful);
      const newest = found?.dates.at(-1) ?? '';
      if (account && on[i]!.date >= newest) {
        found = { region, dates: painful.slice(-3).map((d) => d.date), account };
      }
    }
  }
  return found;
}

type At = { date: IsoDate; pain: number };
function why(three: readonly At[], painful: readonly At[]): string | null {
  const span = (of: readonly At[]) => daysBetween(of[0]!.date, of.at(-1)!.date);
  const [a, b, c] = three.map((d) => d.pain) as [number, number, number];
  const running = a > 0 && b > 0 && c > 0;
  if (running && a < b && b < c) return `rising over three sessions (${a}, ${b}, ${c} of 10)`;
  if (running && span(three) <= RUNNING_DAYS) return 'in three sessions running';
  if (painful.length >= 3 && span(painful.slice(-3)) <= RETURNING_DAYS)
    return 'in three of the last four sessions';
  return null;
}

/** How deep a range goes within its pattern; what is not listed is not compared. */
const DEPTH: Partial<Record<RangeTarget, number>> = {
  'small range': 0,
  'box or pad height': 1,
  'load past the knee': 1,
  'until a stretch is felt': 1,
  'thigh level': 2,
  'hover above the floor': 2,
  'trunk level': 2,
  'load to mid-shin': 2,
  'touch the floor': 3,
  'full depth': 3,
  'load to the floor': 3,
};
/** What leans on a place (common practice, no source). */
const LEANS: Partial<Record<Region, Dominance>> = {
  'front of knee': 'knee',
  'side of knee': 'knee',
  'front of thigh': 'knee',
  'side of hip': 'hip',
  'back of hip': 'hip',
  'front of hip or groin': 'hip',
  'back of thigh, high': 'hip',
  'low back': 'hip',
};

/** What of a level is compared after pain. */
export interface AsksOf {
  facts: VariationFacts;
  /** What one weight says, kg. */
  loadKg: number | undefined;
}

/** How much load a level is done with in all; null: with some that has no number. */
const loadIn = ({ facts, loadKg }: AsksOf): number | null =>
  facts.loadKind === 'none' ? 0 : loadKg === undefined ? null : loadKg * facts.weights;

/**
 * Whether a level asks less of what hurt than another and more in nothing: by range, load, impact and what it leans on,
 * never by the computed demand. Where these cannot tell, it does not.
 */
export function asksLessOf(hurt: readonly (Region | null)[], to: AsksOf, from: AsksOf): boolean {
  let less = false;
  let more = false;
  const compare = (a: number | null | undefined, b: number | null | undefined) => {
    if (a === undefined || b === undefined || a === null || b === null) return;
    less ||= a < b;
    more ||= a > b;
  };
  compare(DEPTH[to.facts.rangeTarget], DEPTH[from.facts.rangeTarget]);
  compare(Number(to.facts.impact), Number(from.facts.impact));
  const [load, before] = [loadIn(to), loadIn(from)];
  if (load === null || before === null) {
    // Some load, without a number, is more than none.
    less ||= load === 0 && before === null;
    more ||= load === null && before === 0;
  } else compare(load, before);
  const leans = (of: AsksOf) =>
    new Set(hurt.flatMap((r) => (r !== null && LEANS[r] === of.facts.dominance ? [LEANS[r]] : []))).size;
  compare(leans(to), leans(from));
  return less && !more;
}

export const placeWords = (regions: readonly Region[]) =>
  regions.length ? ` in the ${regions.join(' and ')}` : '';

/** The newest; of one day the worst, and of these one whose place was told. */
export const newestOf = (told: readonly PainTold[]): PainTold | null =>
  [...told].sort(
    (a, b) =>
      b.date.localeCompare(a.date) ||
      b.pain - a.pain ||
      b.regions.length - a.regions.length ||
      a.regions.join().localeCompare(b.regions.join()),
  )[0] ?? null;

export const painsIn = (
  sets: readonly LoggedSet[],
  main: VariationFacts | undefined,
  pattern: Pattern,
  facts: FactsBySlug,
): PainTold[] =>
  sets
    .flatMap((s) => painToldIn(s, facts.get(s.variation)?.pattern ?? pattern))
    .filter((p) => !main || concernsLevel(p, main, pattern));

export function splitByPlace(told: readonly PainTold[], main: VariationFacts | undefined, pattern: Pattern) {
  const here = told.filter((p) => !main || concernsLevel(p, main, pattern));
  // Of other work without a place nothing is said here: its own ladder tells.
  const elsewhere = told.filter((p) => !here.includes(p) && p.regions.length > 0);
  return { here, elsewhere };
}
