import { SIDES } from '../terms/index.ts';
import { dayOf, cleanReps, levelEvidence } from '../log/index.ts';
import type { LoadKind, Region, Role, Stage, IsoDate } from '../terms/index.ts';
import type { SettledLadder, SettledLevel } from '../library/index.ts';
import type {
  Criterion,
  Judged,
  EvaluationContext,
  SignOff,
  Reason,
  NameOfLevel,
} from '../criterion/index.ts';
import {
  looksBack,
  evaluate,
  missingFrom,
  plain,
  reasonsFor,
  PACE_SESSIONS,
  sessionsUntilMet,
  isOneSided,
} from '../criterion/index.ts';
import type { EvidenceSession, FactsBySlug, LoggedSet } from '../log/index.ts';
import { barring, barSentence, isInForce } from './restriction.ts';
import type { Restriction } from './restriction.ts';
import { clearanceFor, countsAfter, reachWords, stopSentence, stopsFor, widest } from './stop.ts';
import type { Clearance, Stop } from './stop.ts';
import { kitAtHand, nextStep, targetAt, takenWaySentence } from './target.ts';
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
  /** The person's sets of at least the evidence window, in any order; those of other variations are ignored. */
  sets: readonly LoggedSet[];
  /** Sessions at this level older than the sets given. */
  earlierSessions?: number;
  /** Days on which pain was reported, in any set or before work; absent: as the sets given say. */
  painfulDays?: readonly IsoDate[];
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

export interface GrowFinding {
  rule: 'two-for-two' | 'easy effort' | null;
  account: string;
  next: TakenWay | null;
  setIds: string[];
}

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
  /** What stands between the person and the next level, in words. */
  missing: Reason[];
  /** The fewest further sessions after which the advance can be met; 0: it is; null: it hangs on something else, or was not asked for. */
  earliestSessions: number | null;
  target: Target;
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

  const cleared = clearanceFor(input.clearances ?? [], ladder.pattern);
  const sets = input.sets.filter((s) => countsAfter(cleared, s));
  const sessions = levelEvidence(sets, [level.main, ...level.equals], standing.since);
  const ctx: EvaluationContext = {
    facts,
    today,
    massKg: input.massKg ?? null,
    at: { ladder: ladder.slug, level: level.id, since: standing.since },
    earlierSessions: input.earlierSessions ?? 0,
    held: input.heldElsewhere,
    signOffs: input.signOffs ?? [],
    ...(input.nameOf ? { nameOf: input.nameOf } : {}),
  };
  const asked = askedWords(level, standing);
  const advance = evaluate(asked.advance, sessions, ctx);
  const stepBack = evaluate(asked.stepBack, sessions, ctx);
  const target = targetAt(level.dose, standing.taken);
  const grow = growFinding(input, level, target, sessions);
  const restrictions = input.restrictions.filter((r) => isInForce(r, today));
  const choice = chooseVariation(level, input, restrictions);
  const main = facts.get(level.main);
  const earliestSessions =
    advance.judgement === 'met'
      ? 0
      : main && input.foretell !== false
        ? sessionsUntilMet(asked.advance, sessions, main, ctx)
        : null;

  const result = (outcome: Outcome, toLevel: SettledLevel | null, reasons: Reason[]): Decision => ({
    outcome,
    ladder: ladder.slug,
    fromLevel: level.id,
    toLevel: toLevel?.id ?? null,
    reasons,
    advance,
    stepBack,
    grow,
    missing: missingFrom(advance, input.nameOf),
    earliestSessions,
    target,
    variation: choice.variation,
    variationNote: choice.note,
    restrictions: restrictions.map((r) => ({ id: r.id, text: restrictionSentence(r) })),
    sessionDates: sessions.map((s) => s.date),
    setIds: [...new Set([...advance.setIds, ...stepBack.setIds, ...grow.setIds])],
  });

  const stops = stopsFor(input.stops ?? [], ladder.pattern);
  if (stops.length > 0) {
    return result('stop and refer', null, [
      ...stops.slice(-STOPS_TOLD).map((s) => ({ text: `${stopSentence(s)}.`, health: true })),
      plain(`${reachWords(widest(stops))} until the head coach clears it.`),
    ]);
  }

  const everything = restrictions.find((r) => r.bars.some((b) => b.bars === 'all'));
  if (everything) {
    return result('stop and refer', null, [plain(`Barred: ${restrictionSentence(everything)}.`)]);
  }

  const permitted = (l: SettledLevel) =>
    [l.main, ...l.equals].some((v) => {
      const f = facts.get(v);
      return f !== undefined && barring(restrictions, f).length === 0;
    });
  const lower = ladder.levels.slice(0, index).reverse().find(permitted) ?? null;

  if (!permitted(level)) {
    const why = restrictions.map(restrictionSentence).join('; ');
    return lower
      ? result('step back', lower, [plain(`Everything at this level is barred (${why}).`)])
      : result('stop and refer', null, [plain(`No permitted level here or below (${why}).`)]);
  }

  if (stepBack.judgement === 'met') {
    const because = reasonsFor(stepBack);
    if (lower) return result('step back', lower, because);
    if (because.some((r) => r.health)) {
      return result('stop and refer', null, [...because, plain('There is no easier level to go back to.')]);
    }
    return result('step back', null, [
      ...because,
      plain('This is the lowest level: do less of it, or use an equal.'),
    ]);
  }

  const blockers: Reason[] = [];
  const painful = (input.painfulDays ?? painfulDays(sets)).filter(
    (d) => cleared === null || d > cleared.date || (d === cleared.date && painfulDays(sets).includes(d)),
  );
  const painDate = painInWindow(painful, sessions, asked.advance);
  if (painDate) blockers.push({ text: `Pain was reported on ${painDate}; settle that first.`, health: true });

  if (advance.judgement === 'met') {
    const next = ladder.levels[index + 1];
    if (!next) blockers.push(plain('This is the top of the ladder.'));
    else {
      if (!permitted(next)) {
        blockers.push(
          plain(`The next level is barred (${restrictions.map(restrictionSentence).join('; ')}).`),
        );
      }
      for (const need of next.entryNeeds) {
        if (!input.heldElsewhere.has(`${need.ladder}/${need.level}`)) {
          const name =
            input.nameOf?.(need.ladder, need.level) ?? `${need.level} on the ladder ${need.ladder}`;
          blockers.push(plain(`The next level needs ${name} first.`));
        }
      }
      if (blockers.length === 0) {
        return result('move up', next, [plain(`All that ${level.name} asks has been met.`)]);
      }
    }
  }

  if (advance.judgement !== 'met' && grow.rule && grow.next && !painDate) {
    return result('grow', null, [
      plain(`${grow.account}. Next here: ${takenWaySentence(grow.next)}.`),
      ...blockers,
    ]);
  }
  const missing = sessions.length
    ? missingFrom(advance, input.nameOf)
    : [plain('Nothing logged at this level yet.')];
  return result('hold', null, [...blockers, ...missing]);
}

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

/** Days on which pain was reported in any of the sets. */
export const painfulDays = (sets: readonly Pick<LoggedSet, 'date' | 'pain'>[]): IsoDate[] => [
  ...new Set(sets.filter((s) => (s.pain ?? 0) > 0).map((s) => s.date)),
];

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

/** The newest day of pain among those the advance would rest on; warm-up sets count here too. */
function painInWindow(
  days: readonly IsoDate[],
  sessions: readonly EvidenceSession[],
  advance: Criterion,
): IsoDate | null {
  const back = looksBack(advance).sessions;
  const first = sessions.at(-Math.min(sessions.length, back))?.date;
  if (!first) return null;
  return days.filter((d) => d >= first).reduce<IsoDate | null>((a, d) => (a && a > d ? a : d), null);
}

/**
 * Two-for-two: two or more repetitions over the target in the last set, two sessions running
 * (the "2-for-2 rule", Baechle & Earle, Essentials of Strength Training and Conditioning; from memory).
 * Easy effort: at most 5 of 10 in two sessions running (common practice, no source).
 */
function growFinding(
  input: DecisionInput,
  level: SettledLevel,
  target: Target,
  sessions: readonly EvidenceSession[],
): GrowFinding {
  const kit = input.kit;
  const lowering = input.loweringS.get(level.main) ?? 0;
  const next =
    level.waysOn.map((w) => nextStep(w, target, lowering, kit)).find((step) => step !== null) ?? null;
  const lastTwo = sessions.slice(-2);
  const setIds = lastTwo.flatMap((s) => s.sets.map((x) => x.id));
  if (lastTwo.length < 2) {
    return { rule: null, account: 'Fewer than two sessions at this level', next, setIds: [] };
  }

  const over = (s: EvidenceSession) =>
    target.reps !== undefined && lastClean(s, input.facts).every((x) => (x ?? -1) >= target.reps! + 2);
  if (lastTwo.every(over)) {
    return {
      rule: 'two-for-two',
      account: 'Two or more clean repetitions over the target in the last set, two sessions running',
      next,
      setIds,
    };
  }
  const easy = evaluate(
    { kind: 'sessionsRunning', sessions: 2, of: { kind: 'effortAtMost', effort: 5 } },
    sessions,
    { facts: input.facts, today: input.today },
  );
  if (easy.judgement === 'met') {
    return {
      rule: 'easy effort',
      account: 'Effort was at most 5 of 10 in two sessions running',
      next,
      setIds,
    };
  }
  return { rule: null, account: 'Neither two-for-two nor two easy sessions running', next, setIds: [] };
}

/** Clean repetitions of the last set, of each side where sides are logged apart; null where unknown. */
function lastClean(session: EvidenceSession, facts: FactsBySlug): (number | null)[] {
  const clean = (s: LoggedSet | undefined) => (s ? cleanReps(s, facts) : null);
  const day = dayOf(session.sets);
  return isOneSided(session, facts)
    ? SIDES.map((side) => clean(day.of(side).at(-1)))
    : [clean(day.sets.at(-1))];
}
