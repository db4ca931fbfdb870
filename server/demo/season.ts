import type { Ladder } from '../../core/library/index.ts';
import { standingAfter, targetAt } from '../../core/ladder/index.ts';
import type { LoggedSet, Restriction, Target } from '../../core/ladder/index.ts';
import type { ShelfInForce } from '../library/index.ts';
import { judge, revisionsRead } from '../log/index.ts';
import type { MoveRecord } from '../log/index.ts';
import type { DemoPerson } from './people.ts';
import { uuidFrom } from '../../core/testing/seeded.ts';

const SESSIONS = 16;
/** Days between sessions, over and over: Monday, Wednesday, Saturday. */
const GAPS = [2, 3, 2];
/** Coaches confirm what is proposed until then; the last sessions are left to be decided. */
const LEFT_OPEN = 3;

export interface Season {
  sets: (LoggedSet & { loggedBy: string })[];
  sessions: { id: string; date: string }[];
  moves: MoveRecord[];
  restrictions: Restriction[];
}

const dayBefore = (date: string, days: number) =>
  new Date(Date.parse(`${date}T12:00:00Z`) - days * 86_400_000).toISOString().slice(0, 10);

const clamp = (low: number, value: number, high: number) => Math.max(low, Math.min(high, value));

/**
 * Some weeks of one person's training, by a seeded generator: ability grows session by session and
 * falls back when the level rises; the moves in between are what the shipped decision proposed.
 */
export function seasonOf(
  who: DemoPerson,
  personId: string,
  ladder: Ladder,
  inForce: ShelfInForce,
  today: string,
  random: () => number,
): Season {
  const noise = (spread: number) => (random() + random() - 1) * spread;
  const dates: string[] = [];
  for (let i = 0, back = 1; i < SESSIONS; i++) {
    dates.unshift(dayBefore(today, back));
    back += GAPS[i % GAPS.length]!;
  }
  const coach = who.squad === 'Rescue volunteers' ? 'Asel Tarn' : 'Jonas Brightwater';
  const season: Season = { sets: [], sessions: [], moves: [], restrictions: [] };
  let ability = who.ability;
  const reads = revisionsRead(inForce, ladder);

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
      stateNumber: inForce.state,
      revisions: reads,
      setIds: move.evidence?.setIds ?? [],
      ...move,
    });

  addMove(dates[0]!, {
    kind: 'placed',
    fromLevel: null,
    toLevel: ladder.levels[who.startsAt]!.id,
    taken: null,
    proposed: null,
    reason: 'At ease here on the first day.',
    evidence: null,
  });

  dates.forEach((date, n) => {
    const late = n >= SESSIONS - 2;
    const standing = standingAfter(season.moves)!;
    const level = ladder.levels.find((l) => l.id === standing.level)!;
    const session = { id: uuidFrom(random), date };
    season.sessions.push(session);
    ability += who.gain;
    const mood = late ? who.lately : 'as before';
    season.sets.push(
      ...setsOf({ who, level: level.main, target: targetAt(level.dose, standing.taken), mood, ability }),
    );
    if (n < SESSIONS - LEFT_OPEN) confirmProposal(date);

    function setsOf(day: {
      who: DemoPerson;
      level: string;
      target: Target;
      mood: DemoPerson['lately'];
      ability: number;
    }) {
      const variation = inForce.shelf.get('variation', day.level)!;
      const sides = variation.laterality === 'one leg' ? (['left', 'right'] as const) : [null];
      const watched = day.mood === 'unwatched' ? false : day.mood !== 'as before' || random() < who.watched;
      const made: (LoggedSet & { loggedBy: string })[] = [];
      let ordinal = 1;
      for (let set = 1; set <= day.target.sets; set++) {
        for (const side of sides) {
          const last = set === day.target.sets && side === sides.at(-1);
          made.push(oneSet(set, side, last));
        }
      }
      return made;

      function oneSet(set: number, side: 'left' | 'right' | null, last: boolean) {
        const { reps, holdS } = day.target;
        const spare =
          day.mood === 'strong' ? 8 : day.mood === 'easy' ? 0 : day.mood === 'struggling' ? -9 : day.ability;
        const tired = (set - 1) * 0.6;
        const lag = side === 'right' ? who.rightBehind : 0;
        const can = (spare - tired + noise(day.mood === 'as before' ? 1.6 : 0.6)) * (holdS ? 2.5 : 1);
        const full = (holdS ?? reps ?? 10) + can;
        const scaled = Math.round(Math.max(2, full * (1 - lag)));
        const ceiling =
          day.mood === 'easy'
            ? (holdS ?? reps ?? 10)
            : day.mood === 'strong'
              ? 99
              : (holdS ?? reps ?? 10) + (holdS ? 10 : 3);
        const done = Math.min(scaled, ceiling);
        const unclean = watched && day.mood === 'as before' && random() < 0.3 ? 1 : 0;
        const effort =
          day.mood === 'easy'
            ? 4
            : day.mood === 'strong'
              ? 6
              : clamp(4, Math.round(7.5 - can * 0.35 + noise(1)), 10);
        const pain = day.mood === 'hurting' && last ? 5 : last && random() < 0.85 ? 0 : null;
        return {
          id: uuidFrom(random),
          sessionId: session.id,
          date,
          ordinal: ordinal++,
          variation: variation.slug,
          variationRevision: inForce.revisions.get(`variation/${variation.slug}`) ?? 1,
          role: 'work' as const,
          warmUp: false,
          watched,
          // Every second week the first set of each side is a side test.
          sideTest: side !== null && set === 1 && n % 4 === 3,
          side,
          plannedReps: reps ?? null,
          doneReps: holdS === undefined ? done : null,
          holdS: holdS === undefined ? null : done,
          rounds: null,
          loadKg: null,
          loadKind: variation.loadKind,
          // Somebody training alone is asked nothing.
          effort: day.mood !== 'unwatched' && (last || random() < 0.4) ? effort : null,
          tempoKept: null,
          rangeReached: watched ? true : null,
          rangeDeg: null,
          faults: unclean ? [{ fault: faultFor(), side, reps: 1 }] : [],
          sensations:
            last && random() < 0.6
              ? [{ region: 'back of hip' as const, kind: 'work' as const, side: null }]
              : null,
          pain:
            day.mood === 'unwatched'
              ? null
              : day.mood === 'strong' || day.mood === 'easy'
                ? last
                  ? 0
                  : null
                : pain,
          atEase: null,
          aids: null,
          loggedBy: coach,
        };
      }
      function faultFor() {
        const usual = variation.faults.filter((f) => f.fault !== 'sharp-pain');
        return usual[Math.floor(random() * usual.length)]!.fault;
      }
    }
  });

  if (who.lately === 'barred') {
    season.restrictions.push({
      id: uuidFrom(random),
      bars: [{ bars: 'all' }],
      from: dates.at(-1)!,
      until: dayBefore(today, -12),
      saidBy: 'the physiotherapist at the health centre',
    });
  }
  return season;

  function confirmProposal(date: string): void {
    const { decision } = judge(inForce, ladder, { ...season, moves: season.moves }, date);
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
    if (decision.outcome === 'grow' && who.lately === 'easy') return;
    addMove(date, {
      ...common,
      kind: decision.outcome,
      toLevel: decision.toLevel ?? decision.fromLevel,
      taken: decision.outcome === 'grow' ? decision.grow.next : null,
      reason: '',
    });
    if (decision.outcome === 'move up') ability = Math.min(ability, -2.5);
    if (decision.outcome === 'step back') ability = Math.max(ability, 0);
    if (decision.outcome === 'grow') ability -= 1;
  }
}
