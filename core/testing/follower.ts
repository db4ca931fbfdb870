import { decide, nextSet, standingAfter } from '../ladder/index.ts';
import type { Decision, DecisionInput, MoveFact, NextSet } from '../ladder/index.ts';
import type { SignOff } from '../criterion/index.ts';
import type { SettledLadder } from '../library/index.ts';
import { amountIn, blankSet } from '../log/index.ts';
import type { FactsBySlug, LoggedSet } from '../log/index.ts';
import { daysAfter, daysBetween } from '../terms/index.ts';
import type { IsoDate } from '../terms/index.ts';

/** Somebody who does exactly the set that is proposed next, session after session. */
export interface Follower {
  effort: number;
  massKg: number | null;
  /** Days from one session to the next, over and over. */
  gaps: readonly number[];
  /** Every so many sets one repetition lacks. */
  missesEvery?: number;
  /** Every second session is done alone, told from home. */
  secondAlone?: boolean;
  /** So much of the left side's number the right side does in a side test, at first. */
  rightDoes?: number;
}

export interface Climb {
  /** Sessions at each level, in the order of arrival. */
  stays: { level: string; sessions: number; grown: number }[];
  /** What was said on the last day, where they did not come to the top. */
  said: string[];
  arrived: boolean;
  /** From the first day to the last. */
  days: number;
  last: Decision;
  /** The newest proposal. */
  next: NextSet | null;
}

export interface ClimbInput {
  ladder: SettledLadder;
  facts: FactsBySlug;
  loweringS?: ReadonlyMap<string, number>;
  loads?: DecisionInput['loads'];
  kit?: ReadonlySet<string>;
  heldElsewhere?: ReadonlySet<string>;
  /** At most so many sessions. */
  most?: number;
}

const START = '2026-01-05';
/** More of the plan in one session than this is a loop. */
const MOST_SETS = 60;

/** Follows the proposals from the first level until the top is reached or the sessions are used up. */
export function climb(of: ClimbInput, who: Follower): Climb {
  const { ladder, facts, most = 400 } = of;
  const sets: LoggedSet[] = [];
  const moves: MoveFact[] = [
    { kind: 'placed', date: START, toLevel: ladder.levels[0]!.id, taken: null, massKg: who.massKg },
  ];
  const signOffs: SignOff[] = [];
  const stays: Climb['stays'] = [{ level: ladder.levels[0]!.id, sessions: 0, grown: 0 }];
  let today: IsoDate = START;
  let rightDoes = who.rightDoes ?? 1;
  let nth = 0;
  const ask = () =>
    decide({
      ladder,
      facts,
      loweringS: of.loweringS ?? new Map(),
      standing: standingAfter(moves)!,
      // As a server would: the newest of them.
      sets: sets.filter((s) => s.date > daysAfter(today, -120)),
      massKg: who.massKg,
      signOffs,
      ...(of.loads ? { loads: of.loads } : {}),
      kit: of.kit ?? new Set(),
      heldElsewhere: of.heldElsewhere ?? new Set(),
      restrictions: [],
      foretell: false,
      sessionsOnLadder: new Set(sets.map((s) => s.date)).size,
      today,
    });

  const doneAs = (next: NextSet, slug: string, alone: boolean, ordinal: number): LoggedSet => {
    const v = facts.get(slug)!;
    const asked =
      v.countedIn === 'seconds held' ? next.holdS : v.countedIn === 'rounds' ? next.rounds : next.reps;
    nth++;
    const lacks = who.missesEvery && nth % who.missesEvery === 0 && v.countedIn !== 'rounds' ? 1 : 0;
    const share = next.sideTest && next.side === 'right' ? rightDoes : 1;
    const most = next.sideTest ? Math.floor(20 * share) : Math.max(1, (asked ?? 10) - lacks);
    return {
      id: `s${String(nth).padStart(6, '0')}`,
      sessionId: today,
      date: today,
      variation: slug,
      variationRevision: 1,
      ...blankSet(),
      ordinal,
      watched: !alone,
      ...(alone ? { own: true } : {}),
      side: next.side,
      sideTest: next.sideTest,
      lighter: next.lighter || null,
      ...amountIn(v.countedIn, most),
      loadKg: next.loadKg,
      loadKind: v.loadKind,
      effort: next.sideTest ? 10 : who.effort,
      pain: 0,
      tempoKept: true,
      rangeReached: true,
      rangeDeg: 120,
      sensations: v.wanted.map((f) => ({ ...f, side: null })),
      atEase: 9,
      aids: next.aids ?? [],
    };
  };

  let last = ask();
  let proposal: NextSet | null = null;
  for (let session = 0; session < most; session++) {
    today = session === 0 ? START : daysAfter(today, who.gaps[(session - 1) % who.gaps.length]!);
    const alone = who.secondAlone === true && session % 2 === 1;
    const plan = ask();
    const slug = plan.variation ?? ladder.levels.find((l) => l.id === plan.fromLevel)!.main;
    for (let n = 1; n <= MOST_SETS; n++) {
      const next = nextSet(sets, facts.get(slug)!, plan.plan, today);
      proposal = next;
      if (next.done) break;
      // Alone nobody makes a side test that would count.
      sets.push(doneAs(next, slug, alone, n));
      if (n === MOST_SETS) throw new Error(`The plan of ${today} has no end.`);
    }
    // An extra set on the weaker side brings it on.
    if (plan.plan.extraSide === 'right') rightDoes = Math.min(1, rightDoes + 0.02);
    stays.at(-1)!.sessions++;
    last = ask();
    if (last.missing.some((r) => /signed off/.test(r.text)) && last.outcome !== 'move up') {
      signOffs.push({
        ladder: ladder.slug,
        level: last.fromLevel,
        role: 'head coach',
        by: 'Mira',
        date: today,
      });
      last = ask();
    }
    if (last.outcome === 'hold' || last.outcome === 'stop and refer') {
      const top = last.fromLevel === ladder.levels.at(-1)!.id;
      if (top && last.reasons.some((r) => /once a week/.test(r.text))) {
        return { stays, said: [], arrived: true, days: daysBetween(START, today), last, next: proposal };
      }
      continue;
    }
    const to = last.toLevel ?? last.fromLevel;
    moves.push({
      kind: last.outcome,
      date: today,
      fromLevel: last.fromLevel,
      toLevel: to,
      taken: last.outcome === 'grow' ? last.grow.next : last.less,
      cause: last.cause,
      painRegions: last.painRegions,
      massKg: who.massKg,
      setIds: last.setIds,
    });
    if (last.outcome === 'grow') stays.at(-1)!.grown++;
    if (to !== last.fromLevel) stays.push({ level: to, sessions: 0, grown: 0 });
  }
  const arrived = last.fromLevel === ladder.levels.at(-1)!.id;
  return {
    stays,
    said: last.reasons.map((r) => r.text),
    arrived,
    days: daysBetween(START, today),
    last,
    next: proposal,
  };
}
