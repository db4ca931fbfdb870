import { settingsFor } from './settings.ts';
import { sidesApart } from '../../core/terms/index.ts';
import { judge, ofLibrary, readingOfLadder, recordsFrom, revisionsRead } from '../../core/floor/index.ts';
import { amountIn, blankSet } from '../../core/log/index.ts';
import type { Ladder, ShelfInForce, Variation } from '../../core/library/index.ts';
import type { Side } from '../../core/terms/index.ts';
import { sharesAt, standingAfter, targetAt } from '../../core/ladder/index.ts';
import type { LoggedSet } from '../../core/log/index.ts';
import type { Restriction, Standing, Target } from '../../core/ladder/index.ts';
import type { SignOff } from '../../core/criterion/index.ts';
import type { MoveRecord } from '../log/index.ts';
import { coachOf } from './people.ts';
import type { Course, DemoPerson, Lately } from './people.ts';
import { uuidFrom } from '../../core/testing/seeded.ts';

const WEEKS = 12;
const SESSIONS_A_WEEK = 3;
/** Days between sessions, over and over: Monday, Wednesday, Saturday. */
const GAPS = [2, 3, 2];
/** Coaches confirm what is proposed until then; the last sessions are left to be decided. */
const LEFT_OPEN = 3;

export interface Season {
  sets: (LoggedSet & { loggedBy: string; own: boolean })[];
  sessions: { id: string; date: string }[];
  moves: MoveRecord[];
  restrictions: Restriction[];
  signOffs: (SignOff & { id: string })[];
}

const dayBefore = (date: string, days: number) =>
  new Date(Date.parse(`${date}T12:00:00Z`) - days * 86_400_000).toISOString().slice(0, 10);

const clamp = (low: number, value: number, high: number) => Math.max(low, Math.min(high, value));

/** The dates of the season, the oldest first; the last is yesterday. */
function datesBefore(today: string): string[] {
  const dates: string[] = [];
  for (let i = 0, back = 1; i < WEEKS * SESSIONS_A_WEEK; i++) {
    dates.unshift(dayBefore(today, back));
    back += GAPS[i % GAPS.length]!;
  }
  return dates;
}

/** The dates on which somebody follows a course. */
function datesOf(course: Course, all: readonly string[]): string[] {
  const dates = all.filter((_, i) => course.days?.includes(i % SESSIONS_A_WEEK) ?? true);
  return course.sessions === undefined ? dates : dates.slice(-course.sessions);
}

/**
 * Twelve weeks of one person's training, by a seeded generator: ability grows session by session and falls back when
 * the level rises; the moves in between are what the shipped decision proposed.
 */
export function seasonOf(
  who: DemoPerson,
  personId: string,
  inForce: ShelfInForce,
  today: string,
  random: () => number,
): Season {
  const season: Season = { sets: [], sessions: [], moves: [], restrictions: [], signOffs: [] };
  const all = datesBefore(today);
  const coach = coachOf(who);
  const bars = who.restriction;
  if (bars) {
    const { fromDaysAgo, ...rest } = bars;
    season.restrictions.push({ id: uuidFrom(random), from: dayBefore(today, fromDaysAgo), ...rest });
  }
  if (who.on.some((c) => c.lately === 'barred')) {
    season.restrictions.push({
      id: uuidFrom(random),
      bars: [{ bars: 'all' }],
      from: all.at(-1)!,
      until: dayBefore(today, -12),
      saidBy: 'the physiotherapist at the health centre',
    });
  }
  const sessionOn = (date: string) => {
    const found = season.sessions.find((s) => s.date === date);
    if (found) return found.id;
    season.sessions.push({ id: uuidFrom(random), date });
    return season.sessions.at(-1)!.id;
  };
  for (const course of who.on) {
    const ladder = inForce.shelf.get('ladder', course.ladder);
    if (!ladder) throw new Error(`The demo library has no ladder "${course.ladder}".`);
    follow({
      who,
      course,
      ladder,
      personId,
      inForce,
      coach,
      random,
      season,
      sessionOn,
      dates: datesOf(course, all),
    });
  }
  season.moves.sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : a.sequence - b.sequence));
  return season;
}

interface Following {
  who: DemoPerson;
  course: Course;
  ladder: Ladder;
  personId: string;
  inForce: ShelfInForce;
  coach: string;
  random: () => number;
  season: Season;
  sessionOn: (date: string) => string;
  dates: readonly string[];
}

function follow({
  who,
  course,
  ladder,
  personId,
  inForce,
  coach,
  random,
  season,
  sessionOn,
  dates,
}: Following) {
  const reads = revisionsRead(inForce, ladder);
  const { settled: loaded, facts } = readingOfLadder(
    inForce,
    ladder,
    {},
    { massKg: who.massKg, ...(course.experience ? { experience: course.experience } : {}) },
  );
  const lately = course.lately ?? 'as before';
  let ability = course.ability;
  const own = () => season.moves.filter((m) => m.ladder === ladder.slug);

  const arrivedWith = ({ kind, fromLevel, toLevel }: Pick<MoveRecord, 'kind' | 'fromLevel' | 'toLevel'>) => {
    const to = loaded.levels.find((l) => l.id === toLevel);
    if (!to || (kind !== 'placed' && fromLevel === toLevel)) return null;
    return sharesAt(to, facts.get(to.main), { massKg: who.massKg, loads: ofLibrary(inForce).loads });
  };
  const addMove = (
    date: string,
    move: Pick<MoveRecord, 'kind' | 'fromLevel' | 'toLevel' | 'taken' | 'proposed' | 'reason' | 'evidence'>,
  ) =>
    season.moves.push({
      id: uuidFrom(random),
      personId,
      ladder: ladder.slug,
      sequence: season.moves.length + 1,
      date,
      by: coach,
      at: `${date}T18:00:00.000Z`,
      cause: move.kind === 'step back' ? (move.evidence?.cause ?? null) : null,
      painRegions:
        move.kind === 'step back' && move.evidence?.cause === 'pain' ? move.evidence.painRegions : null,
      massKg: who.massKg,
      shares: arrivedWith(move),
      role: move.kind === 'placed' ? (course.role ?? null) : null,
      stage: null,
      form: null,
      experience: move.kind === 'placed' ? (course.experience ?? null) : null,
      stateNumber: inForce.state,
      revisions: reads,
      setIds: move.evidence?.setIds ?? [],
      ...move,
    });

  addMove(dates[0]!, {
    kind: 'placed',
    fromLevel: null,
    toLevel: course.from,
    taken: null,
    proposed: null,
    reason: course.role === 'prepare' ? 'As a warm-up before the work.' : 'At ease here on the first day.',
    evidence: null,
  });

  dates.forEach((date, n) => {
    const standing = standingAfter(own())!;
    const level = loaded.levels.find((l) => l.id === standing.level)!;
    ability += course.gain;
    const mood = n >= dates.length - 2 ? lately : 'as before';
    const variation = inForce.shelf.get('variation', level.main)!;
    const day = {
      date,
      n,
      variation,
      target: targetAt(level.dose, standing.taken),
      mood,
      ability,
      learning: level.stage === 'learning',
    };
    season.sets.push(...setsOn(day, sessionOn(date)));
    const last = n === dates.length - 1;
    if (course.against && last) goAgainst(date, course.against, standing);
    else if (n < dates.length - LEFT_OPEN) confirmProposal(date);
  });
  if (who.signedOff?.includes(course.ladder)) {
    const level = standingAfter(own())!.level;
    season.signOffs.push({
      id: uuidFrom(random),
      ladder: ladder.slug,
      level,
      role: 'coach',
      by: coach,
      date: dates.at(-1)!,
    });
  }

  interface Day {
    date: string;
    n: number;
    variation: Variation;
    target: Target;
    mood: Lately;
    ability: number;
    learning: boolean;
  }

  function setsOn(day: Day, sessionId: string): Season['sets'] {
    const sides: (Side | null)[] = sidesApart(day.variation) ? ['left', 'right'] : [null];
    const watched = day.mood === 'unwatched' ? false : day.mood !== 'as before' || random() < who.watched;
    let ordinal = season.sets.filter((s) => s.date === day.date).length;
    const at = { watched, sessionId };
    // Every second week each side is tested before the work.
    const tests =
      watched && sides.length === 2 && day.n % 4 === 3
        ? sides.map((side) =>
            oneSet(day, { ...at, set: 0, side, last: false, test: true, ordinal: ++ordinal }),
          )
        : [];
    const work = Array.from({ length: day.target.sets }, (_, set) =>
      sides.map((side) => {
        const last = set === day.target.sets - 1 && side === sides.at(-1);
        return oneSet(day, { ...at, set, side, last, test: false, ordinal: ++ordinal });
      }),
    ).flat();
    return [...tests, ...work];
  }

  function oneSet(
    day: Day,
    at: {
      set: number;
      side: Side | null;
      last: boolean;
      test: boolean;
      watched: boolean;
      sessionId: string;
      ordinal: number;
    },
  ): Season['sets'][number] {
    const noise = (spread: number) => (random() + random() - 1) * spread;
    const { variation, mood, target } = day;
    const { side, last, watched } = at;
    const counted = variation.countedIn;
    const asked =
      counted === 'seconds held' ? target.holdS : counted === 'rounds' ? target.rounds : target.reps;
    const aim = asked ?? 10;
    const held = counted === 'seconds held';
    const spare = mood === 'strong' ? 8 : mood === 'easy' ? 0 : mood === 'struggling' ? -9 : day.ability;
    const can = (spare - at.set * 0.6 + noise(mood === 'as before' ? 1.6 : 0.6)) * (held ? 2.5 : 1);
    const lag = side === 'right' ? (course.rightBehind ?? 0) : 0;
    const scaled = Math.round(Math.max(counted === 'rounds' ? 1 : 2, (aim + can) * (1 - lag)));
    const ceiling = mood === 'easy' ? aim : mood === 'strong' ? 99 : aim + (held ? 10 : 3);
    const done = Math.min(scaled, ceiling);
    const known = variation.faults.map((f) => ({
      slug: f.fault,
      severity: f.severity ?? inForce.shelf.get('fault', f.fault)?.severity ?? 2,
    }));
    // What ends a set comes only where somebody is given it as their own.
    const usual = known.flatMap((f) => (f.severity < 3 ? [f.slug] : []));
    const recurring = course.fault && known.some((f) => f.slug === course.fault?.slug) ? course.fault : null;
    const again =
      watched && recurring && (recurring.side === null || recurring.side === side) && at.set === 0;
    const unclean = watched && !again && mood === 'as before' && usual.length > 0 && random() < 0.3;
    const effort =
      mood === 'easy' ? 4 : mood === 'strong' ? 6 : clamp(4, Math.round(7.5 - can * 0.35 + noise(1)), 10);
    const pain = mood === 'hurting' && last ? 5 : last && random() < 0.85 ? 0 : null;
    const calm = mood === 'strong' || mood === 'easy';
    const alone = mood === 'unwatched' || !watched;
    const aids: { name: string; setting: string }[] = (target.aids ?? []).map((a) => ({
      name: a.aid,
      setting: String(a.amount),
    }));
    return {
      id: uuidFrom(random),
      sessionId: at.sessionId,
      date: day.date,
      ...blankSet(),
      ordinal: at.ordinal,
      variation: variation.slug,
      variationRevision: inForce.revisions.get(`variation/${variation.slug}`) ?? 1,
      role: course.role ?? 'work',
      watched,
      sideTest: at.test,
      side,
      plannedReps: counted === 'repetitions' ? (target.reps ?? null) : null,
      ...amountIn(counted, done),
      loadKg: target.loadKg ?? null,
      loadKind: variation.loadKind,
      // Somebody training alone is asked nothing.
      effort: mood !== 'unwatched' && (last || random() < 0.4) ? effort : null,
      tempoKept: watched && random() < 0.6 ? can > -2 : null,
      rangeReached: watched ? can > -4 || random() < 0.7 : null,
      faults: again
        ? [{ fault: recurring.slug, side, reps: 1 }]
        : unclean
          ? // The sheet names the commonest first.
            [{ fault: usual[Math.floor(random() ** 2 * usual.length)]!, side, reps: 1 }]
          : [],
      sensations: sensed(),
      pain: mood === 'unwatched' ? null : calm ? (last ? 0 : null) : pain,
      atEase: day.learning && last && !alone ? clamp(3, Math.round(6.5 + can * 0.4 + noise(1)), 10) : null,
      aids: aids.length > 0 ? aids : null,
      settings: alone ? null : settingsFor(variation, who.statureM ?? 1.7),
      loggedBy: alone && who.logsOwn ? `${who.name} (own)` : coach,
      own: alone && (who.logsOwn ?? false),
    };

    function sensed(): LoggedSet['sensations'] {
      const wanted = variation.wanted[0];
      if (!last || alone || !wanted || random() > 0.6) return null;
      const { region, kind, leg = null } = wanted;
      return [{ region, kind, side: null, leg }];
    }
  }

  function decisionOn(date: string) {
    const mine = {
      sets: season.sets,
      moves: own(),
      restrictions: season.restrictions,
      massKg: who.massKg,
      patternOf: (v: string) => inForce.shelf.get('variation', v)?.pattern ?? null,
    };
    return judge({ inForce, today: date }, ladder, recordsFrom(mine), { foretell: false }).decision;
  }

  function goAgainst(date: string, against: NonNullable<Course['against']>, standing: Standing): void {
    const decision = decisionOn(date);
    if (!decision || decision.outcome === against.kind) return;
    const here = ladder.levels.findIndex((l) => l.id === standing.level);
    const to = against.kind === 'hold' ? here : against.kind === 'move up' ? here + 1 : here - 1;
    addMove(date, {
      kind: against.kind,
      fromLevel: standing.level,
      toLevel: ladder.levels[to]?.id ?? standing.level,
      taken: null,
      proposed: decision.outcome,
      evidence: decision,
      reason: against.reason,
    });
  }

  function confirmProposal(date: string): void {
    const decision = decisionOn(date);
    if (!decision || decision.outcome === 'hold' || decision.outcome === 'stop and refer') return;
    const common = { fromLevel: decision.fromLevel, proposed: decision.outcome, evidence: decision };
    // Now and then a coach waits a session longer than the tool would.
    const waits = decision.outcome === 'move up' && random() < 0.25;
    if (waits) {
      addMove(date, {
        ...common,
        kind: 'hold',
        toLevel: decision.fromLevel,
        taken: null,
        reason: 'One more session: it was the end of a regatta week.',
      });
      return;
    }
    if (decision.outcome === 'grow' && lately === 'easy') return;
    addMove(date, {
      ...common,
      kind: decision.outcome,
      toLevel: decision.toLevel ?? decision.fromLevel,
      taken: decision.outcome === 'grow' ? decision.grow.next : decision.less,
      reason: '',
    });
    if (decision.outcome === 'move up') ability = Math.min(ability, -2.5);
    if (decision.outcome === 'step back') ability = Math.max(ability, 0);
    if (decision.outcome === 'grow') ability -= 1;
  }
}
