import { bySetOrder, sideDifference, sideTests, wasWatched, weakerSide } from '../log/index.ts';
import type { IsoDate, LoadKind, Region, Role, Stage } from '../terms/index.ts';
import { daysBetween } from '../terms/index.ts';
import type { SettledLadder, SettledLevel } from '../library/index.ts';
import type {
  Atom,
  Criterion,
  Judged,
  EvaluationContext,
  SignOff,
  Reason,
  NameOfLevel,
} from '../criterion/index.ts';
import {
  PACE_SESSIONS,
  causesOf,
  evaluate,
  looksBack,
  missingFrom,
  needsWatching,
  plain,
  reasonsFor,
  sessionsUntilMet,
} from '../criterion/index.ts';
import type { FactsBySlug, LoggedSet, SideDifference, VariationFacts } from '../log/index.ts';
import { absence } from './absence.ts';
import { countsAt, floorOf, isLoaded } from './counts.ts';
import { growFinding, raisedTo } from './grow.ts';
import type { GrowFinding } from './grow.ts';
import { loadsOf } from './loads.ts';
import { asksLessOf, concernsLevel, painToldIn, referralFor } from './pain.ts';
import type { PainTold, Referral } from './pain.ts';
import { aStepLower, asksLess, lastDone } from './plan.ts';
import type { Plan } from './plan.ts';
import { barring, barSentence, isInForce } from './restriction.ts';
import type { Restriction } from './restriction.ts';
import {
  STOPPING_PAIN,
  clearanceFor,
  countsAfter,
  reachWords,
  stopSentence,
  stopsFor,
  stopsNow,
  widest,
} from './stop.ts';
import type { Clearance, Stop } from './stop.ts';
import { kitAtHand, lessOfTheSame, takenWaySentence, targetAt } from './target.ts';
import type { TakenWay, Target } from './target.ts';

export const OUTCOMES = ['stop and refer', 'step back', 'move up', 'grow', 'hold'] as const;
export type Outcome = (typeof OUTCOMES)[number];

export interface Standing {
  level: string;
  /** Date of the last confirmed arrival. */
  since: IsoDate;
  /** Ways on confirmed since then, in order. */
  taken: TakenWay[];
  /** In what role the person does the ladder; absent: as work. */
  role?: Role;
  /** The stage they are read at; absent: that of the level. */
  stage?: Stage;
  /** First arrival on the ladder. */
  first?: IsoDate;
  /** Body mass when they arrived at the level: shares of it are fixed by it; absent: as it is now. */
  massKg?: number | null;
  /** Sets that a way on or a move has stood on: they open nothing a second time. */
  usedUp?: readonly string[];
  /** The level that was left because it was barred, and the day. */
  left?: { level: string; date: IsoDate };
  /** When they were stepped back for pain, and where it was. */
  painBacks?: readonly { date: IsoDate; regions: readonly Region[] }[];
}

export interface DecisionInput {
  ladder: SettledLadder;
  facts: FactsBySlug;
  /** Lowering time in seconds of each variation's tempo. */
  loweringS: ReadonlyMap<string, number>;
  standing: Standing;
  /** The person's sets of the pattern, of at least the evidence window, in any order. */
  sets: readonly LoggedSet[];
  /** Sessions at this level older than the sets given. */
  earlierSessions?: number;
  /** Pain that was told of otherwise than in the sets given: before work, in other work. */
  told?: readonly PainTold[];
  /** Days on which the pattern was trained, also before the sets given. */
  days?: readonly IsoDate[];
  /** The last day on which anything of the pattern was watched; absent: as the sets given say. */
  lastWatched?: IsoDate | null;
  /** Sessions on the ladder since the first arrival on it. */
  sessionsOnLadder?: number;
  massKg?: number | null;
  /** What one weight of a kind can be, kg; absent: the usual steps. */
  loads?: Partial<Record<LoadKind, readonly number[]>>;
  signOffs?: readonly SignOff[];
  nameOf?: NameOfLevel;
  /** False leaves out how soon the advance can be met, which takes longer than the decision itself. */
  foretell?: boolean;
  restrictions: readonly Restriction[];
  /** Those that nobody has cleared. */
  stops?: readonly Stop[];
  clearances?: readonly Clearance[];
  /** Slugs of the equipment at hand. */
  kit: ReadonlySet<string>;
  /** Levels held on other ladders, as `ladder/level`. */
  heldElsewhere: ReadonlySet<string>;
  today: IsoDate;
}

/** So many stops are told in words; one evening may bring several. */
const STOPS_TOLD = 2;
/** Moving up stands on something newer than so many days (judgement). */
export const FRESH_DAYS = 28;
/** A second step back for pain in one place within so many days is a stop (judgement). */
export const PAIN_BACK_DAYS = 42;
/** A side test is due when the last is older than so many days (common practice, no source). */
export const SIDE_TEST_DUE_DAYS = 21;
/** One that showed a difference is done again after so many days (judgement). */
const SIDE_TEST_AGAIN_DAYS = 7;
/** Alone for longer than so many days: be seen once (judgement). */
export const UNSEEN_DAYS = 14;

/** Why somebody is stepped back. */
export const BACK_CAUSES = ['pain', 'stop fault', 'too much', 'barred'] as const;
export type BackCause = (typeof BACK_CAUSES)[number];

export interface Decision {
  outcome: Outcome;
  ladder: string;
  fromLevel: string;
  /** Level to go to; null when the outcome changes no level or there is none to go to. */
  toLevel: string | null;
  reasons: Reason[];
  advance: Judged;
  stepBack: Judged;
  grow: GrowFinding;
  /** Why it is a step back. */
  cause: BackCause | null;
  /** Where it hurt, of a step back for pain. */
  painRegions: Region[];
  /** Less of the same, instead of a level lower; absent with no level to go to: the last way on is taken back. */
  less: TakenWay | null;
  /** Barred levels that a move up passes over: the head coach confirms it. */
  passesOver: string[];
  /** Pain that comes back: for a doctor or physiotherapist. */
  referral: Referral | null;
  /** Everything here is barred for a while. */
  paused: { until: IsoDate | null } | null;
  sides: SideDifference | null;
  /** What stands between the person and the next level, in words. */
  missing: Reason[];
  /** The fewest further sessions after which the advance can be met; 0: it is; null: it hangs on something else, or was not asked for. */
  earliestSessions: number | null;
  target: Target;
  /** What is done today. */
  plan: Plan;
  /** Variation to do now: the main one, or the nearest permitted equal that the kit allows. */
  variation: string | null;
  /** Why it is not the main one, in words. */
  variationNote: string | null;
  restrictions: { id: string; text: string }[];
  sessionDates: IsoDate[];
  setIds: string[];
}

/**
 * The decision for one person on one ladder. Pure: the same input gives the same output.
 * First that applies: stop and refer, step back, move up, grow inside the level, hold.
 * @throws Error when the standing names a level that the ladder does not have.
 */
export function decide(input: DecisionInput): Decision {
  const { ladder, facts, standing, today } = input;
  const index = ladder.levels.findIndex((l) => l.id === standing.level);
  const level = ladder.levels[index];
  if (!level) throw new Error(`Ladder ${ladder.slug} has no level ${standing.level}.`);
  const main = facts.get(level.main);
  const restrictions = barringHere(input);
  const permitted = (l: SettledLevel) => permits(l, restrictions, facts);
  const asked = askedWords(level, standing);
  const cleared = clearanceFor(input.clearances ?? [], ladder.pattern);
  const sets = input.sets
    .filter((s) => countsAfter(cleared, s))
    .sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : bySetOrder(a, b)));
  const usedUp = new Set(standing.usedUp ?? []);
  const counted = countsAt({
    pattern: ladder.pattern,
    level,
    since: standing.since,
    facts,
    sets,
    usedUp,
    barred: (v) => isBarred(v, restrictions, facts),
  });
  const loads = main ? loadsOf(main.loadKind, input.loads) : [];
  const floorKg = floorOf(level, asked.advance, facts);
  const ctx: EvaluationContext = {
    facts,
    today,
    massKg: standing.massKg ?? input.massKg ?? null,
    at: { ladder: ladder.slug, level: level.id, since: standing.since },
    ...(main ? { main } : {}),
    loads,
    ofPattern: counted.ofPattern,
    sideTests: counted.sideTests,
    days: counted.sessions.map((s) => s.date),
    earlierSessions: input.earlierSessions ?? 0,
    held: input.heldElsewhere,
    signOffs: input.signOffs ?? [],
    onLadder: {
      since: standing.first ?? standing.since,
      sessions: input.sessionsOnLadder ?? counted.days.length,
    },
    ...(input.nameOf ? { nameOf: input.nameOf } : {}),
  };
  const up: EvaluationContext = { ...ctx, ...(floorKg === undefined ? {} : { floorKg }) };
  const advance = evaluate(asked.advance, counted.forAdvance, up);
  const stepBack = evaluate(asked.stepBack, counted.whole, { ...ctx, aim: 'step back' });

  const told = [
    ...sets.flatMap((s) =>
      painToldIn(s, facts.get(s.variation)?.pattern ?? (isHere(s, level) ? ladder.pattern : null)),
    ),
    ...(input.told ?? []).filter((p) => cleared === null || p.date > cleared.date),
  ].filter((p) => p.date <= today);
  const pains = splitByPlace(told, main, ladder.pattern);
  const days = [...counted.days, ...(input.days ?? [])];
  const first = counted.sessions.at(-Math.max(2, looksBack(asked.advance).sessions)) ?? counted.sessions[0];
  const from = first?.date ?? standing.since;
  const limit = painAllowed(asked.advance);
  const hurting = newestOf(pains.here.filter((p) => p.date >= from && p.pain > limit));
  const referral = referralFor(
    pains.here,
    days.filter((d) => cleared === null || d > cleared.date),
  );
  const away = absence(days, today);

  const target = targetAt(level.dose, standing.taken);
  const ofMain = counted.whole.map((s) => ({ ...s, sets: s.sets.filter((x) => x.variation === level.main) }));
  const seen = ofMain.filter((s) => s.sets.length > 0);
  const working =
    main && !hurting && !referral ? raisedTo(target, level, seen, { main, facts, target }) : target;
  const grow: GrowFinding = main
    ? growFinding({
        level,
        main,
        facts,
        advance: asked.advance,
        target,
        working,
        taken: standing.taken,
        loweringS: input.loweringS.get(level.main) ?? 0,
        sessions: counted.forAdvance,
        usedUp,
        kit: input.kit,
        loads: input.loads,
      })
    : { rule: null, account: 'The movement is not in the library', next: null, setIds: [] };
  const sides = sideDifference(counted.sideTests, facts, today);
  const plan = planOf();
  const choice = chooseVariation(level, input, restrictions);
  const earliestSessions =
    advance.judgement === 'met'
      ? 0
      : main && input.foretell !== false
        ? sessionsUntilMet(asked.advance, counted.forAdvance, main, up)
        : null;
  const remarks = remarksOf();

  const result = (
    outcome: Outcome,
    toLevel: SettledLevel | null,
    reasons: Reason[],
    more: Partial<Decision> = {},
  ): Decision => ({
    outcome,
    ladder: ladder.slug,
    fromLevel: level.id,
    toLevel: toLevel?.id ?? null,
    reasons: [...reasons, ...remarks],
    advance,
    stepBack,
    grow,
    cause: null,
    painRegions: [],
    less: null,
    passesOver: [],
    referral,
    paused: null,
    sides,
    missing: missingFrom(advance, input.nameOf),
    earliestSessions,
    target,
    plan,
    variation: choice.variation,
    variationNote: choice.note,
    restrictions: restrictions.map((r) => ({ id: r.id, text: restrictionSentence(r) })),
    sessionDates: counted.sessions.map((s) => s.date),
    setIds: [...new Set([...advance.setIds, ...stepBack.setIds, ...grow.setIds])],
    ...more,
  });

  return stopped() ?? barredHere() ?? steppedBack() ?? movedUp() ?? grown() ?? held();

  function stopped(): Decision | null {
    const stops = stopsFor(input.stops ?? [], ladder.pattern);
    if (stops.length > 0) {
      return result('stop and refer', null, [
        ...stops.slice(-STOPS_TOLD).map((s) => ({ text: `${stopSentence(s)}.`, health: true })),
        plain(`${reachWords(widest(stops))} until the head coach clears it.`),
      ]);
    }
    const severe = sets.find((s) => stopsNow(s.pain, s.date, today));
    if (severe) {
      return result('stop and refer', null, [
        {
          text: `Pain ${severe.pain} of 10 on ${severe.date}: from ${STOPPING_PAIN} on nothing more is done until the head coach clears it.`,
          health: true,
        },
      ]);
    }
    const endless = restrictions.find(
      (r) => r.bars.some((b) => b.bars === 'all') && (r.until === null || r.saidBy.trim() === ''),
    );
    return endless
      ? result('stop and refer', null, [plain(`Barred: ${restrictionSentence(endless)}.`)])
      : null;
  }

  function lower(): SettledLevel[] {
    return ladder.levels.slice(0, index).reverse().filter(permitted);
  }

  function barredHere(): Decision | null {
    if (permitted(level!)) return null;
    const why = restrictions.map(restrictionSentence).join('; ');
    const [below] = lower();
    if (below) {
      return result('step back', below, [plain(`Everything at this level is barred (${why}).`)], {
        cause: 'barred',
      });
    }
    const ends = restrictions.map((r) => r.until);
    const until = ends.includes(null) ? null : (ends.sort().at(-1) ?? null);
    return result(
      'hold',
      null,
      [plain(`Paused ${until === null ? 'until it is lifted' : `until ${until}`}: ${why}.`)],
      {
        paused: { until },
      },
    );
  }

  function steppedBack(): Decision | null {
    if (stepBack.judgement !== 'met') return null;
    const because = reasonsFor(stepBack);
    const causes = causesOf(stepBack);
    const below = lower();
    if (causes.has('pain')) return backForPain(because, below);
    const cause: BackCause = causes.has('stop fault') ? 'stop fault' : 'too much';
    const [lowest] = below;
    if (cause === 'too much' && standing.taken.length > 0) {
      const before = targetAt(level!.dose, standing.taken.slice(0, -1));
      return result(
        'step back',
        null,
        [...because, plain(`The last way on was too much: back to ${targetWords(before)}.`)],
        { cause },
      );
    }
    if (lowest) return result('step back', lowest, because, { cause });
    const less = lessOfTheSame(target);
    return result(
      'step back',
      null,
      [
        ...because,
        plain(
          `This is the lowest level: ${less ? takenWaySentence(less) : 'do less of it'}, or use an equal.`,
        ),
      ],
      { cause, less },
    );
  }

  function backForPain(because: Reason[], below: SettledLevel[]): Decision {
    const last = counted.whole.at(-1)?.date ?? standing.since;
    const recent = painsIn(
      counted.ofPattern.filter((s) => s.date >= last),
      main,
      ladder.pattern,
      facts,
    );
    const hurt = [
      ...new Set(recent.flatMap((p): (Region | null)[] => (p.regions.length ? [...p.regions] : [null]))),
    ];
    const painRegions = hurt.filter((r) => r !== null);
    const before = (standing.painBacks ?? []).find(
      (b) =>
        daysBetween(b.date, today) <= PAIN_BACK_DAYS &&
        (b.regions.length === 0 ? hurt.includes(null) : b.regions.some((r) => hurt.includes(r))),
    );
    if (before) {
      return result(
        'stop and refer',
        null,
        [
          ...because,
          {
            text: `Stepped back for pain${placeWords(painRegions)} on ${before.date} already: a second time within ${PAIN_BACK_DAYS} days is for a doctor or physiotherapist.`,
            health: true,
          },
        ],
        { cause: 'pain', painRegions },
      );
    }
    if (below.length === 0) {
      return result('stop and refer', null, [...because, plain('There is no easier level to go back to.')], {
        cause: 'pain',
        painRegions,
      });
    }
    const here = main && { facts: main, loadKg: level!.dose.loadKg };
    const to = below.find((l) => {
      const f = facts.get(l.main);
      return here && f && asksLessOf(hurt, { facts: f, loadKg: l.dose.loadKg }, here);
    });
    if (to) return result('step back', to, because, { cause: 'pain', painRegions });
    const less = standing.taken.length > 0 ? null : lessOfTheSame(target);
    const lessWords = less
      ? takenWaySentence(less)
      : standing.taken.length > 0
        ? `less of the same, back to ${targetWords(targetAt(level!.dose, standing.taken.slice(0, -1)))}`
        : 'less of the same';
    return result(
      'step back',
      null,
      [...because, plain(`Nothing below asks less of what hurt: ${lessWords}.`)],
      { cause: 'pain', painRegions, less },
    );
  }

  /** What keeps from more of any kind, in words. */
  function against(): Reason[] {
    if (referral) {
      return [
        {
          text: `Pain${placeWords(referral.region ? [referral.region] : [])} ${referral.account} (${referral.dates.join(', ')}): ask a doctor or physiotherapist. The next set asks less until it is cleared.`,
          health: true,
        },
      ];
    }
    if (hurting) {
      return [
        {
          text: `Pain${placeWords(hurting.regions)} was reported on ${hurting.date}; settle that first.`,
          health: true,
        },
      ];
    }
    return away === null ? [] : [plain(`Away for ${away} days: begin a step lower today, then go on.`)];
  }

  function movedUp(): Decision | null {
    if (against().length > 0) return null;
    const offered = offeredAgain();
    if (offered) {
      return result('move up', offered, [
        plain(
          `${nameAt(standing.left!.level)} was left because it was barred, and is free again: begin one step lower.`,
        ),
      ]);
    }
    if (advance.judgement !== 'met' || stale() !== null) return null;
    const next = above();
    if (!next || needsOf(next).length > 0) return null;
    const passesOver = ladder.levels.slice(index + 1, ladder.levels.indexOf(next)).map((l) => l.id);
    return result(
      'move up',
      next,
      [
        plain(`All that ${level!.name} asks has been met.`),
        ...(passesOver.length > 0
          ? [
              plain(
                `${passesOver.map(nameAt).join(', ')} ${passesOver.length === 1 ? 'is' : 'are'} barred and passed over: the head coach confirms.`,
              ),
            ]
          : []),
      ],
      { passesOver },
    );
  }

  function offeredAgain(): SettledLevel | null {
    const left = ladder.levels.findIndex((l) => l.id === standing.left?.level);
    if (left <= index || !permitted(ladder.levels[left]!)) return null;
    const again = ladder.levels
      .slice(index + 1, left)
      .filter(permitted)
      .at(-1);
    return again && needsOf(again).length === 0 ? again : null;
  }

  function above(): SettledLevel | undefined {
    return ladder.levels.slice(index + 1).find(permitted);
  }

  function needsOf(l: SettledLevel): string[] {
    return l.entryNeeds
      .filter((n) => !input.heldElsewhere.has(`${n.ladder}/${n.level}`))
      .map((n) => input.nameOf?.(n.ladder, n.level) ?? `${n.level} on the ladder ${n.ladder}`);
  }

  function nameAt(id: string): string {
    return ladder.levels.find((l) => l.id === id)?.name ?? id;
  }

  /** Why what was met is too old to move up on; null where it is not. */
  function stale(): string | null {
    const sessions = needsWatching(asked.advance)
      ? counted.forAdvance.filter(wasWatched)
      : counted.forAdvance;
    const on = sessions.slice(-longestRun(asked.advance));
    const fresh = on.filter((s) => daysBetween(s.date, today) <= FRESH_DAYS);
    if (on.length === 0) return 'Nothing that counts has been logged at this level yet.';
    if (fresh.length === 0)
      return `The last of it was on ${on.at(-1)!.date}, more than ${FRESH_DAYS} days ago: show it once more.`;
    return isLoaded(level!) && fresh.length < on.length
      ? `With a load all of it has to be of the last ${FRESH_DAYS} days: show it once more.`
      : null;
  }

  function blockers(): Reason[] {
    const found = against();
    if (advance.judgement !== 'met') return found;
    const old = stale();
    if (old) return [...found, plain(old)];
    const next = above();
    if (next) return [...found, ...needsOf(next).map((n) => plain(`The next level needs ${n} first.`))];
    const rest = ladder.levels.slice(index + 1);
    return [
      ...found,
      plain(
        rest.length === 0
          ? 'This is the top of the ladder.'
          : `Every level above is barred (${restrictions.map(restrictionSentence).join('; ')}).`,
      ),
    ];
  }

  function grown(): Decision | null {
    if (against().length > 0 || !grow.rule || !grow.next) return null;
    return result('grow', null, [
      plain(`${grow.account}. Next here: ${takenWaySentence(grow.next)}.`),
      ...blockers(),
    ]);
  }

  function held(): Decision {
    const kept =
      advance.judgement === 'met' && !above() && grow.next === null && against().length === 0
        ? [plain('Keep it: the same work, once a week.')]
        : [];
    const missing =
      counted.sessions.length > 0
        ? missingFrom(advance, input.nameOf)
        : [plain('Nothing logged at this level yet.')];
    // What would open a way on, where nothing else is said to be lacking.
    const wayOn =
      grow.rule === null && grow.next !== null && advance.judgement !== 'met' && counted.sessions.length >= 2
        ? [plain(`No way on yet: ${grow.account[0]!.toLowerCase()}${grow.account.slice(1)}.`)]
        : [];
    return result('hold', null, [...blockers(), ...kept, ...missing, ...wayOn]);
  }

  function planOf(): Plan {
    const why: Reason[] = [];
    let asks = working;
    let lighter = false;
    const sideLimit = sideLimitOf(asked.advance);
    const showed = sideTests(counted.sideTests, facts);
    const apart = (d: SideDifference) => !d.withinTolerance && d.percent > (sideLimit ?? 0);
    const lastTwo = showed.slice(-2);
    const weaker = weakerSide(
      counted.ofPattern.filter((s) => isHere(s, level!)),
      facts,
      today,
    );
    const extraSide =
      sideLimit !== null && lastTwo.length === 2 && lastTwo.every(apart) && weaker ? weaker.side : null;
    if (referral) {
      asks = main ? aStepLower(target, main, input.loads) : target;
      lighter = true;
      why.push({
        text: 'Less than planned: pain that comes back is for a doctor or physiotherapist first.',
        health: true,
      });
    } else if (hurting) {
      why.push({ text: `No more than planned after the pain of ${hurting.date}.`, health: true });
    } else if (away !== null) {
      asks = main ? aStepLower(working, main, input.loads) : working;
      lighter = true;
      why.push(plain(`A step lower for once: ${away} days away.`));
    } else if (asksLess(target, working)) {
      why.push(plain('No less than what was clean the last time.'));
    }
    const sideTest = sideTestDue(sideLimit, showed, apart);
    if (sideTest) why.push(plain('A side test is due: each side to the first repetition that is not clean.'));
    if (extraSide)
      why.push(plain(`The ${extraSide} was behind in two side tests: one extra set on the ${extraSide}.`));
    return {
      target: asks,
      last: lastDone(sets, level!.main, today),
      why,
      lighter,
      sideTest,
      extraSide,
      weaker,
    };
  }

  function sideTestDue(
    sideLimit: number | null,
    showed: readonly SideDifference[],
    apart: (d: SideDifference) => boolean,
  ): boolean {
    if (sideLimit === null || hurting || referral || away !== null) return false;
    const newest = showed.at(-1);
    const age = daysBetween(newest?.date ?? standing.since, today);
    if (age > SIDE_TEST_DUE_DAYS) return true;
    if (newest && (!apart(newest) || age < SIDE_TEST_AGAIN_DAYS)) return false;
    const rest = withoutSides(asked.advance);
    return evaluate(rest, counted.forAdvance, up).judgement === 'met';
  }

  /** What is told whatever the outcome. */
  function remarksOf(): Reason[] {
    const elsewhere = newestOf(pains.elsewhere.filter((p) => p.date >= from));
    const lost = needsOf(level!);
    const lastWatched =
      input.lastWatched ??
      sets.filter((s) => s.watched).reduce<IsoDate | null>((d, s) => (d && d > s.date ? d : s.date), null);
    const alone = counted.sessions.filter(
      (s) => s.sets.every((x) => !x.watched) && s.date > (lastWatched ?? ''),
    );
    const unseen = alone.length > 0 && daysBetween(lastWatched ?? alone[0]!.date, today) > UNSEEN_DAYS;
    return [
      ...(elsewhere
        ? [
            {
              text: `Pain${placeWords(elsewhere.regions)} on ${elsewhere.date}, which this work does not use: ask about it.`,
              health: true,
            },
          ]
        : []),
      ...(lost.length > 0 && counted.sessions.length > 0
        ? [plain(`This level was entered with ${lost.join(' and ')}, no longer held.`)]
        : []),
      ...(unseen
        ? [
            plain(
              `Nobody has watched for more than ${UNSEEN_DAYS} days: be seen once, or send a measured set.`,
            ),
          ]
        : []),
      ...(plan.sideTest ? [plain('A side test is due.')] : []),
    ];
  }
}

const isHere = (s: LoggedSet, level: SettledLevel) =>
  s.variation === level.main || level.equals.includes(s.variation);

/** A target as it is said, e.g. "10 repetitions with 12 kg". */
function targetWords(t: Target): string {
  const amount =
    t.reps !== undefined
      ? `${t.reps} repetitions`
      : t.holdS !== undefined
        ? `${t.holdS} s`
        : t.rounds !== undefined
          ? `${t.rounds} rounds`
          : `${t.sets} sets`;
  return t.loadKg ? `${amount} with ${t.loadKg} kg` : amount;
}

const placeWords = (regions: readonly Region[]) => (regions.length ? ` in the ${regions.join(' and ')}` : '');

/** The newest; of one day the worst, and of these one whose place was told. */
const newestOf = (told: readonly PainTold[]): PainTold | null =>
  [...told].sort(
    (a, b) =>
      b.date.localeCompare(a.date) ||
      b.pain - a.pain ||
      b.regions.length - a.regions.length ||
      a.regions.join().localeCompare(b.regions.join()),
  )[0] ?? null;

const painsIn = (
  sets: readonly LoggedSet[],
  main: VariationFacts | undefined,
  pattern: SettledLadder['pattern'],
  facts: FactsBySlug,
): PainTold[] =>
  sets
    .flatMap((s) => painToldIn(s, facts.get(s.variation)?.pattern ?? pattern))
    .filter((p) => !main || concernsLevel(p, main, pattern));

function splitByPlace(
  told: readonly PainTold[],
  main: VariationFacts | undefined,
  pattern: SettledLadder['pattern'],
) {
  const here = told.filter((p) => !main || concernsLevel(p, main, pattern));
  // Of other work without a place nothing is said here: its own ladder tells.
  const elsewhere = told.filter((p) => !here.includes(p) && p.regions.length > 0);
  return { here, elsewhere };
}

/** The pain that the advance lets pass; none where it does not speak of any. */
function painAllowed(c: Criterion): number {
  const limits = positives(c).flatMap((a) => (a.kind === 'painAtMost' ? [a.pain] : []));
  return limits.length ? Math.min(...limits) : 0;
}

/** The difference between the sides that the advance lets pass; null where it does not speak of it. */
function sideLimitOf(c: Criterion): number | null {
  const limits = positives(c).flatMap((a) => (a.kind === 'sideDifferenceAtMost' ? [a.percent] : []));
  return limits.length ? Math.min(...limits) : null;
}

/** The atoms that are wanted: not those that are turned round. */
const positives = (c: Criterion): Atom[] =>
  c.kind === 'not'
    ? []
    : c.kind === 'all' || c.kind === 'any'
      ? c.of.flatMap(positives)
      : c.kind === 'sessionsRunning'
        ? positives(c.of)
        : [c];

/** The criterion without what it says of the sides. */
function withoutSides(c: Criterion): Criterion {
  if (c.kind === 'sideDifferenceAtMost') return { kind: 'all', of: [] };
  if (c.kind === 'all' || c.kind === 'any') return { ...c, of: c.of.map(withoutSides) };
  return c.kind === 'sessionsRunning' ? { ...c, of: withoutSides(c.of) } : c;
}

/** Sessions of the longest run that is asked for; at least one. */
const longestRun = (c: Criterion): number =>
  c.kind === 'sessionsRunning'
    ? c.sessions
    : c.kind === 'all' || c.kind === 'any'
      ? Math.max(1, ...c.of.map(longestRun))
      : 1;

const isBarred = (variation: string, restrictions: readonly Restriction[], facts: FactsBySlug): boolean => {
  const f = facts.get(variation);
  return !f || barring(restrictions, f).length > 0;
};
const permits = (l: SettledLevel, restrictions: readonly Restriction[], facts: FactsBySlug): boolean =>
  [l.main, ...l.equals].some((v) => !isBarred(v, restrictions, facts));

/** The restrictions in force that bar anything of the ladder. */
function barringHere({ ladder, facts, restrictions, today }: DecisionInput): Restriction[] {
  const own = ladder.levels.flatMap((l) => [l.main, ...l.equals]).flatMap((v) => facts.get(v) ?? []);
  return restrictions.filter((r) => isInForce(r, today) && own.some((f) => barring([r], f).length > 0));
}

/** Levels that are permitted to somebody, by their ids. */
export const permittedLevels = (
  ladder: SettledLadder,
  facts: FactsBySlug,
  restrictions: readonly Restriction[],
  today: IsoDate,
): Set<string> => {
  const inForce = restrictions.filter((r) => isInForce(r, today));
  return new Set(ladder.levels.filter((l) => permits(l, inForce, facts)).map((l) => l.id));
};

/** What is asked of somebody on the level: its own criteria, or those of the first variant that fits their role and stage. */
export function askedWords(
  level: SettledLevel,
  standing: Pick<Standing, 'role' | 'stage'>,
): { advance: Criterion; stepBack: Criterion } {
  const role = standing.role ?? 'work';
  const stage = standing.stage ?? level.stage;
  const fits = level.variants?.find((v) => (v.role ?? role) === role && (v.stage ?? stage) === stage);
  return fits ?? level;
}

/** How much evidence a decision on the level reads at most: so many sessions, and all of so many days. */
export function evidenceWindow(level: SettledLevel, standing: Pick<Standing, 'role' | 'stage'>) {
  const { advance, stepBack } = askedWords(level, standing);
  const a = looksBack(advance);
  const b = looksBack(stepBack);
  // Growing inside the level looks at two sessions, the pace at a few.
  return { sessions: Math.max(a.sessions, b.sessions, PACE_SESSIONS), days: Math.max(a.days, b.days) };
}

/** The restriction as a phrase, e.g. "every bridge until 2026-12-01, said by the physiotherapist". */
export function restrictionSentence(r: Restriction): string {
  const until = r.until ? ` until ${r.until}` : ' until lifted';
  return `${r.bars.map(barSentence).join(', ')}${until}, said by ${r.saidBy}`;
}

function chooseVariation(level: SettledLevel, input: DecisionInput, restrictions: readonly Restriction[]) {
  const options = [level.main, ...level.equals];
  const fit = options.map((slug) => {
    const f = input.facts.get(slug);
    return {
      slug,
      name: f?.name ?? slug,
      barred: !f || barring(restrictions, f).length > 0,
      kit: f !== undefined && kitAtHand(f, input.kit),
    };
  });
  const allowed = fit.filter((o) => !o.barred);
  const chosen = allowed.find((o) => o.kit) ?? allowed[0];
  if (!chosen) return { variation: null, note: 'Everything at this level is barred.' };
  if (!chosen.kit) return { variation: chosen.slug, note: `The kit for ${chosen.name} is not at hand.` };
  if (chosen.slug === level.main) return { variation: chosen.slug, note: null };
  const main = fit[0]!;
  return {
    variation: chosen.slug,
    note: `${chosen.name} instead of ${main.name}: ${main.barred ? 'that is barred' : 'its kit is not at hand'}.`,
  };
}
