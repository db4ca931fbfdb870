import { amountOf, dayOf, weakerSide, bySetOrder, lastAids, lastSettings } from '../log/index.ts';
import type { Side, IsoDate, SettingUsed } from '../terms/index.ts';
import type { LoggedSet, VariationFacts } from '../log/index.ts';
import { isAid, otherSide } from '../terms/index.ts';
import type { Plan } from './plan.ts';

/** The set to do next, filled in as far as target and log tell. */
export interface NextSet {
  variation: string;
  side: Side | null;
  /** It is to be a side test: this side to the first repetition that is not clean. */
  sideTest: boolean;
  /** Which set of the target this is, each side counted on its own; beyond `of` the target is done. */
  number: number;
  of: number;
  reps: number | null;
  holdS: number | null;
  rounds: number | null;
  /** Seconds of work in a round; null: nothing is said. */
  workS: number | null;
  loadKg: number | null;
  /** Aids as planned now, others as last time; null where none are known. */
  aids: { name: string; setting: string }[] | null;
  /** What is set on the floor or the kit, as last time; null where nothing is known. */
  settings: SettingUsed[] | null;
  /** The day that aids and settings come from. */
  settingsFrom: IsoDate | null;
  /** What was done last, in words. */
  last: string | null;
  /** To be marked as made lighter on purpose. */
  lighter: boolean;
  /** Why this side and this number, as sentences. */
  why: string[];
  /** True when every set of the target is done. */
  done: boolean;
}

/**
 * What to do next: in one-sided work the weaker side begins and sets the stronger side's number (common practice,
 * no source); sides alternate within the day. Settings come back as they were, aids as they are planned now.
 * @param sets the person's sets, in any order, of the day and of as many days before as are at hand
 * @param plan null: the movement is on no level they stand on
 */
export function nextSet(
  sets: readonly LoggedSet[],
  v: Pick<VariationFacts, 'slug' | 'oneSided' | 'countedIn' | 'severities'>,
  plan: Plan | null,
  date: IsoDate,
): NextSet {
  const own = sets.filter((s) => s.variation === v.slug && !s.warmUp);
  const ofDay = own.filter((s) => s.date === date);
  const day = dayOf(ofDay.filter((s) => !s.sideTest));
  const today = day.sets;
  const target = plan?.target ?? null;
  const of = target?.sets ?? 1;
  const why: string[] = (plan?.why ?? []).map((r) => r.text);
  let reps = v.countedIn === 'repetitions' ? (target?.reps ?? null) : null;
  let holdS = v.countedIn === 'seconds held' ? (target?.holdS ?? null) : null;
  const rounds = v.countedIn === 'rounds' ? (target?.rounds ?? null) : null;

  let side: Side | null = null;
  let number = today.length + 1;
  let ofSide = of;
  let done = today.length >= of;
  let sideTest = false;
  if (v.oneSided) {
    const weaker = plan?.weaker === undefined ? weakerSide(own, new Map([[v.slug, v]]), date) : plan.weaker;
    const first = weaker?.side ?? 'left';
    const other = otherSide(first);
    const count = (s: Side) => day.of(s).length;
    const asked = (s: Side) => (plan?.extraSide === s ? of + 1 : of);
    // The side with a set more goes on alone when the other is done.
    side = count(first) <= count(other) ? first : other;
    if (
      count(side) >= asked(side) &&
      count(side === first ? other : first) < asked(side === first ? other : first)
    ) {
      side = side === first ? other : first;
    }
    number = count(side) + 1;
    ofSide = asked(side);
    done = count('left') >= asked('left') && count('right') >= asked('right');
    if (weaker && today.length === 0) {
      const by = weaker.tested ? 'in the side test' : 'last time';
      why.push(
        `The ${first} side first: it did ${Math.min(weaker.left, weaker.right)}, the ${other} ${Math.max(weaker.left, weaker.right)} ${by}.`,
      );
    }
    const untested = [first, other].find((s) => !ofDay.some((x) => x.sideTest && x.side === s));
    if (plan?.sideTest && untested && today.length === 0) {
      sideTest = true;
      side = untested;
      number = 1;
      ofSide = 1;
      done = false;
    }
    // The stronger side does as many as the weaker has just done, and no more than is asked.
    const partner = !sideTest && side === other ? day.of(first)[number - 1] : undefined;
    if (partner) {
      const did = amountOf(partner) ?? 0;
      if (reps !== null && did < reps) {
        reps = did;
        why.push(`As many as the ${first} side did: ${did}.`);
      }
      if (holdS !== null && did < holdS) {
        holdS = did;
        why.push(`As long as the ${first} side held: ${did} s.`);
      }
    }
  }

  const last = lastAids(own, v.slug);
  const planned = (target?.aids ?? []).map((a) => ({ name: a.aid, setting: String(a.amount) }));
  const set = lastSettings(own, v.slug, side);
  const kept = (last?.used ?? []).filter((a) => !planned.some((p) => p.name === a.name));
  for (const { aid, amount } of target?.aids ?? []) {
    const before = last?.used.find((a) => a.name === aid);
    if (before && isAid(before.name) && Number(before.setting) > amount) {
      why.push(`Less of ${aid} than last time: ${amount} instead of ${before.setting}.`);
    }
  }
  const loads = own
    .filter((s) => s.loadKg !== null)
    .sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : bySetOrder(a, b)));
  return {
    variation: v.slug,
    side,
    sideTest,
    number,
    of: ofSide,
    reps,
    holdS,
    rounds,
    workS: rounds === null ? null : (target?.workS ?? null),
    loadKg: target?.loadKg ?? loads.at(-1)?.loadKg ?? null,
    aids: planned.length + kept.length > 0 || last ? [...planned, ...kept] : null,
    settings: set?.used ?? null,
    settingsFrom: [last?.date, set?.date].reduce<IsoDate | null>(
      (d, x) => (x && (!d || x > d) ? x : d),
      null,
    ),
    last: plan?.last ?? null,
    lighter: plan?.lighter ?? false,
    why,
    done,
  };
}

/** Days of a variation that the next set may follow from. */
const FOLLOWED_DAYS = 3;

/** The sets that the next one follows from: of the newest days before the date, of the last side test, and those that told aids or settings last. */
export function setsToFollow(sets: readonly LoggedSet[], variation: string, date: IsoDate): LoggedSet[] {
  const own = sets.filter((s) => s.variation === variation && s.date < date);
  const days = (of: readonly LoggedSet[]) => [...new Set(of.map((s) => s.date))].sort();
  const keep = new Set([
    ...days(own).slice(-FOLLOWED_DAYS),
    days(own.filter((s) => s.aids !== null)).at(-1),
    days(own.filter((s) => s.settings !== null)).at(-1),
    days(own.filter((s) => s.sideTest)).at(-1),
  ]);
  return own.filter((s) => keep.has(s.date));
}
