import { cleanReps, faultyReps, totalKg, wasWatched } from '../log/index.ts';
import type { EvidenceSession, FactsBySlug, LoggedSet, VariationFacts } from '../log/index.ts';
import { aidUsed, isOneSided, leavesOf, ofSets } from '../criterion/index.ts';
import type { Criterion } from '../criterion/index.ts';
import type { SettledLevel } from '../library/index.ts';
import { SIDES, daysBetween } from '../terms/index.ts';
import type { Side } from '../terms/index.ts';
import { floorsOfEquals } from './counts.ts';
import type { Loads } from './loads.ts';
import { amountAsked, nextStep } from './target.ts';
import type { TakenWay, Target } from './target.ts';

export const GROW_RULES = ['two-for-two', 'easy effort', 'target met', 'rounds', 'alone'] as const;
export type GrowRule = (typeof GROW_RULES)[number];

export interface GrowFinding {
  rule: GrowRule | null;
  /** The sessions that would count have opened a way on already. */
  usedUp?: true;
  account: string;
  next: TakenWay | null;
  setIds: string[];
}

/** Above this effort, of 10, enough is enough (common practice, no source). */
const EFFORT_TO_GROW = 8;
/** At most this effort, of 10, is easy (common practice, no source). */
const EASY_EFFORT = 5;
/** At most this effort, of 10, somebody who trains alone goes on by one step (judgement). */
const ALONE_EFFORT = 6;
/** Rounds grow on the interval sessions of so many days, at least two (common practice, no source). */
const ROUNDS_DAYS = 7;

export interface GrowInput {
  level: SettledLevel;
  main: VariationFacts;
  facts: FactsBySlug;
  advance: Criterion;
  /** What is asked now. */
  target: Target;
  /** The same, raised to what was last met. */
  working: Target;
  /** With the ways on taken, in order. */
  taken: readonly TakenWay[];
  /** Lowering time of the tempo, s. */
  loweringS: number;
  /** The level's sessions that count (ascending), those made lighter left out. */
  sessions: readonly EvidenceSession[];
  usedUp: ReadonlySet<string>;
  kit: ReadonlySet<string>;
  loads: Loads | undefined;
}

/**
 * Whether the level grows, by which rule and to what. Over the last two sessions that were watched, both unused:
 * two-for-two (Baechle & Earle, Essentials of Strength Training and Conditioning, the "2-for-2 rule", from memory), easy
 * effort, or simply the target met (both common practice, no source). Rounds grow by the week; alone at home one step in
 * repetitions stays open.
 */
export function growFinding(of: GrowInput): GrowFinding {
  const open = waysOpen(of);
  const none = (account: string): GrowFinding => ({ rule: null, account, next: open[0] ?? null, setIds: [] });
  const found = (
    rule: GrowRule,
    account: string,
    next: TakenWay | undefined,
    from: readonly EvidenceSession[],
  ) => ({
    rule,
    account,
    next: next ?? null,
    setIds: from.flatMap((s) => s.sets.map((x) => x.id)),
  });
  if (of.target.rounds !== undefined && of.main.countedIn === 'rounds') {
    const { week, short, used } = cleanWeek(of);
    return short
      ? { ...none(short), ...(used ? { usedUp: true as const } : {}) }
      : found('rounds', 'Every interval session of seven days was clean', open[0], week);
  }
  const alone = growsAlone(of);
  if (alone) {
    const reps = open.find((w) => w.way === 'repetitions');
    if (reps)
      return found('alone', 'Two sessions alone with all that was asked, at effort 6 or less', reps, alone);
  }
  const watched = of.sessions.filter(wasWatched);
  const two = watched.slice(-2);
  if (two.length < 2) {
    return none(
      of.sessions.length >= 2
        ? 'Fewer than two sessions were watched at this level'
        : 'Fewer than two sessions at this level',
    );
  }
  if (two.some((s) => s.sets.some((x) => of.usedUp.has(x.id)))) {
    return {
      ...none('Fewer than two sessions since the last way on, which used those before'),
      usedUp: true,
    };
  }
  const short = two.map((s) => whyNotMet(s, of)).find((w) => w !== null);
  if (short) return none(short);
  const over = (s: EvidenceSession) =>
    lastSets(s, of).every((x) => (cleanAmount(x, of) ?? 0) >= goalOf(of)! + 2);
  const easy = (s: EvidenceSession) => {
    const efforts = s.sets.flatMap((x) => x.effort ?? []);
    return efforts.length > 0 && Math.max(...efforts) <= EASY_EFFORT;
  };
  if (of.target.reps !== undefined && of.main.countedIn === 'repetitions' && two.every(over)) {
    return found(
      'two-for-two',
      'Two or more clean repetitions over the target in the last set, two sessions running',
      open.find((w) => w.way === 'load') ?? open[0],
      two,
    );
  }
  const heavierDue = of.taken.some((t) => t.way === 'load') && two.every((s) => meetsCriterion(s, of));
  const next = (heavierDue ? open.find((w) => w.way === 'load') : undefined) ?? open[0];
  return two.every(easy)
    ? found('easy effort', 'All that was asked, at effort 5 of 10 or less, two sessions running', next, two)
    : found('target met', 'All that was asked, clean, two sessions running', next, two);
}

const WAY_OF = { reps: 'repetitions', holdS: 'seconds', rounds: 'rounds' } as const;

/** Every way on that is still open, in the order of the level, each with where it leads. */
function waysOpen({ level, working, loweringS, kit, main, loads }: GrowInput): TakenWay[] {
  const [asked, now] = [amountAsked(level.dose), amountAsked(working)];
  if (asked && now && now.amount < asked.amount) {
    // After less of the same the first way on leads half of the way back to the dose.
    return [{ way: WAY_OF[asked.of], to: Math.ceil((now.amount + asked.amount) / 2) }];
  }
  return level.waysOn.flatMap(
    (w) => nextStep(w, working, loweringS, kit, { kind: main.loadKind, loads }) ?? [],
  );
}

type Looked = Pick<GrowInput, 'main' | 'facts' | 'target'>;

const sidesOf = (session: EvidenceSession, facts: FactsBySlug): readonly (Side | null)[] =>
  isOneSided(session, facts) ? SIDES : [null];
const ofSide = (session: EvidenceSession, side: Side | null): LoggedSet[] =>
  session.sets.filter((s) => side === null || s.side === side);
const lastSets = (session: EvidenceSession, { facts }: Looked): LoggedSet[] =>
  sidesOf(session, facts).flatMap((side) => ofSide(session, side).slice(-1));

const amountIn = (s: LoggedSet, { main }: Looked): number | null =>
  main.countedIn === 'seconds held' ? s.holdS : s.doneReps;
const goalOf = ({ main, target }: Looked): number | undefined =>
  main.countedIn === 'seconds held' ? target.holdS : target.reps;

/** What a set counts for: of a watched one what was clean; a hold with a fault is not. Null: nobody noted how much. */
function cleanAmount(s: LoggedSet, of: Looked): number | null {
  const done = amountIn(s, of);
  if (done === null || !s.watched) return done;
  const faulty = faultyReps(s, of.facts, 2);
  if (of.main.countedIn === 'seconds held') return faulty > 0 ? null : done;
  return Math.max(0, done - faulty);
}

/** How many sets of a session the criterion looks at: so many have to be watched, the last among them. */
function setsToWatch(advance: Criterion, target: Target): number {
  const named = leavesOf(advance).flatMap((a) =>
    a.kind === 'cleanReps' || a.kind === 'holdS' || a.kind === 'cleanRounds' || a.kind === 'load'
      ? [a.sets]
      : [],
  );
  return Math.min(target.sets, named.length ? Math.max(...named) : target.sets);
}

/** Why a session does not meet the target, as a clause; null where it does. One repetition of the session, of each side, may lack. */
function whyNotMet(session: EvidenceSession, of: GrowInput, mustSee = true): string | null {
  const { target, facts, main } = of;
  const goal = goalOf(of);
  const on = `On ${session.date}`;
  if (goal === undefined) return 'The level has no target that could grow';
  const lacking: number[][] = [];
  for (const side of sidesOf(session, facts)) {
    const own = ofSide(session, side);
    const where = side ? ` on the ${side}` : '';
    if (own.length < target.sets) return `${on} ${ofSets(own.length, target.sets)} were done${where}`;
    const counts = own.map((s) => cleanAmount(s, of) ?? -1);
    // Of more sets than were asked the best count.
    const kept = [...counts].sort((a, b) => b - a)[target.sets - 1]!;
    const best = counts.filter((n) => n >= kept).slice(0, target.sets);
    if (best.some((n) => n < 0)) {
      return own.some((s) => amountIn(s, of) === null)
        ? `${on} it was not noted how many were done${where}`
        : `${on} a hold was not clean${where}`;
    }
    lacking.push(best.map((n) => Math.max(0, goal - n)));
    if (mustSee) {
      const toWatch = setsToWatch(of.advance, target);
      if (own.filter((s) => s.watched).length < toWatch || !own.at(-1)!.watched) {
        return `${on} too few sets were watched${where}: ${toWatch} are needed, the last among them`;
      }
    }
  }
  const short = shortBy(lacking);
  if (short > 1) {
    return main.countedIn === 'seconds held'
      ? `${on} ${short} s of the target were lacking`
      : `${on} ${short} repetitions of the target were lacking or not clean`;
  }
  if (target.loadKg && session.sets.some((s) => !atTargetLoad(s, target.loadKg!, of))) {
    return `${on} it was done with less than the ${target.loadKg} kg asked`;
  }
  const aided = (target.aids ?? []).find(({ aid, amount }) =>
    session.sets.some((s) => (aidUsed(s, aid) ?? 0) > amount && s.aids !== null),
  );
  if (aided) return `${on} there was more help (${aided.aid}) than planned`;
  if (target.loweringS !== null && session.sets.some((s) => s.tempoKept === false)) {
    return `${on} the slower lowering was not kept`;
  }
  if (session.sets.some((s) => (s.effort ?? 0) > EFFORT_TO_GROW)) {
    return `${on} effort was above ${EFFORT_TO_GROW} of 10`;
  }
  if (session.sets.at(-1)!.pain === null) return `${on} pain was not asked after the last set`;
  return null;
}

/**
 * What lacks of a session, set by set of each side. The stronger side does no more than the weaker one did: what both
 * lack in the same set is the weaker one's alone, whichever that is.
 */
function shortBy([first = [], second]: readonly number[][]): number {
  const sum = (of: readonly number[]) => of.reduce((n, x) => n + x, 0);
  if (!second) return sum(first);
  const after = (a: readonly number[], b: readonly number[]) =>
    Math.max(sum(a), sum(b.map((n, i) => Math.max(0, n - (a[i] ?? 0)))));
  return Math.min(after(first, second), after(second, first));
}

function atTargetLoad(s: LoggedSet, loadKg: number, { main, facts, level }: GrowInput): boolean {
  const kg = totalKg(s, facts);
  // An equal with another kind of load meets the load of arrival with its own; what was grown to is the main one's.
  const own = floorsOfEquals(level, facts).get(s.variation);
  if (own !== undefined && loadKg === level.dose.loadKg) {
    return s.loadKind === facts.get(s.variation)?.loadKind && kg !== null && kg >= own - 0.001;
  }
  return s.loadKind === main.loadKind && kg !== null && kg >= loadKg * main.weights - 0.001;
}

/** The sets and repetitions that the criterion asks, at the load of the target. */
function meetsCriterion(session: EvidenceSession, of: GrowInput): boolean {
  const asked = leavesOf(of.advance).flatMap((a) =>
    a.kind === 'cleanReps' || a.kind === 'load' ? [{ reps: a.reps, sets: a.sets }] : [],
  );
  return (
    asked.length > 0 &&
    asked.every(({ reps, sets }) =>
      sidesOf(session, of.facts).every(
        (side) => ofSide(session, side).filter((s) => (cleanReps(s, of.facts) ?? 0) >= reps).length >= sets,
      ),
    )
  );
}

/** The last two sessions, where both were done alone with all that was asked and nobody has grown on any since. */
function growsAlone(of: GrowInput): EvidenceSession[] | null {
  const two = of.sessions.slice(-2);
  const lastSeen = of.sessions.filter(wasWatched).at(-1)?.date ?? '';
  const grown = of.sessions.some((s) => s.date > lastSeen && s.sets.some((x) => of.usedUp.has(x.id)));
  if (two.length < 2 || grown) return null;
  const alone = two.every(
    (s) =>
      s.sets.every(
        (x) => x.own === true && !x.watched && (x.effort ?? 0) <= ALONE_EFFORT && !of.usedUp.has(x.id),
      ) &&
      s.sets.at(-1)!.effort !== null &&
      whyNotMet(s, of, false) === null,
  );
  return alone ? two : null;
}

/** The interval sessions of the last seven days; or what keeps them from a round more. */
function cleanWeek(of: GrowInput): { week: EvidenceSession[]; short: string | null; used: boolean } {
  const watched = of.sessions.filter(wasWatched);
  const last = watched.at(-1)?.date;
  const week = last ? watched.filter((s) => daysBetween(s.date, last) < ROUNDS_DAYS) : [];
  const not = (short: string, used = false) => ({ week, short, used });
  if (week.length < 2)
    return not('A round more needs two clean interval sessions, watched, within seven days');
  if (week.some((s) => s.sets.some((x) => of.usedUp.has(x.id)))) {
    return not('Not all interval sessions of seven days are since the last way on', true);
  }
  for (const s of week) {
    const whole = sidesOf(s, of.facts).every((side) =>
      s.sets.some(
        (x) => (side === null || x.side === side) && x.watched && (x.rounds ?? 0) >= of.target.rounds!,
      ),
    );
    if (!whole) return not(`On ${s.date} the rounds asked were not all done and watched`);
    if (s.sets.some((x) => faultyReps(x, of.facts, 2) > 0))
      return not(`On ${s.date} the rounds were not clean`);
    if (s.sets.at(-1)!.pain === null) return not(`On ${s.date} pain was not asked after the last set`);
  }
  return { week, short: null, used: false };
}

/**
 * The target raised to what the newest watched session met clean in every set, at the first dose or more: nobody is asked
 * for less than that without a reason.
 * @param sessions of the main variation, ascending
 */
export function raisedTo(
  target: Target,
  level: SettledLevel,
  sessions: readonly EvidenceSession[],
  of: Looked,
): Target {
  const asked = amountAsked(level.dose);
  const session = sessions.filter(wasWatched).at(-1);
  if (!session || !asked || asked.of === 'rounds' || goalOf(of) === undefined) return target;
  const { sets } = session;
  if (sets.some((s) => !s.watched || faultyReps(s, of.facts, 2) > 0 || amountIn(s, of) === null))
    return target;
  if (sidesOf(session, of.facts).some((side) => ofSide(session, side).length < target.sets)) return target;
  const least = Math.min(...sets.map((s) => amountIn(s, of)!));
  if (least < asked.amount) return target;
  const more = { [asked.of]: Math.max(least, goalOf(of)!) };
  const kgs = sets.map((s) => (s.loadKind === of.main.loadKind ? s.loadKg : null));
  if (kgs.some((kg) => kg === null)) return target.loadKg ? target : { ...target, ...more };
  const kg = Math.min(...kgs.map((n) => n!));
  const now = target.loadKg ?? 0;
  // At a heavier load it is as many as were done there.
  if (kg > now) return { ...target, loadKg: kg, [asked.of]: least };
  return kg === now ? { ...target, ...more } : target;
}
