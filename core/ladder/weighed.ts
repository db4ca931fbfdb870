import { bySetOrder, sideDifference } from '../log/index.ts';
import type { LoggedSet } from '../log/index.ts';
import type { SettledLevel } from '../library/index.ts';
import type { EvaluationContext } from '../criterion/index.ts';
import { evaluate, looksBack } from '../criterion/index.ts';
import { absence } from './absence.ts';
import { arrivalLoad, ladderForMass } from './arrival.ts';
import { askedWords, painAllowed } from './asks.ts';
import { countsAt, floorOf, floorsOfEquals } from './counts.ts';
import type { DecisionInput } from './decision.ts';
import { growFinding, raisedTo } from './grow.ts';
import type { GrowFinding } from './grow.ts';
import { loadsOf } from './loads.ts';
import { newestOf, painToldIn, referralFor, splitByPlace } from './pain.ts';
import { barringHere, chooseVariation, isBarred, permits } from './permits.ts';
import { clearanceFor, countsAfter } from './stop.ts';
import { targetAt } from './target.ts';

/** What a log amounts to at the level somebody stands on: everything that an outcome is decided by. */
export type Weighed = ReturnType<typeof weigh>;

/** @throws Error when the standing names a level that the ladder does not have. */
export function weigh(given: DecisionInput) {
  const { facts, standing, today } = given;
  const carrier = {
    massKg: standing.massKg ?? given.massKg ?? null,
    experience: standing.experience ?? null,
    loads: given.loads,
    fixed: standing.shares ? { level: standing.level, shares: standing.shares } : null,
  };
  const ladder = ladderForMass(given.ladder, facts, carrier);
  const input: DecisionInput = { ...given, ladder };
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
    massKg: carrier.massKg,
    at: { ladder: ladder.slug, level: level.id, since: standing.since },
    ...(main ? { main } : {}),
    loads,
    ...(standing.shares ? { shares: standing.shares } : {}),
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
  const up: EvaluationContext = {
    ...ctx,
    ...(floorKg === undefined ? {} : { floorKg, floorsOfEquals: floorsOfEquals(level, facts) }),
  };
  const advance = evaluate(asked.advance, counted.forAdvance, up);
  const stepBack = evaluate(asked.stepBack, counted.whole, { ...ctx, aim: 'step back' });

  const told = [
    ...sets.flatMap((s) => {
      const pattern = facts.get(s.variation)?.pattern ?? (isHere(s, level) ? ladder.pattern : null);
      return pattern === null ? [] : painToldIn(s, pattern);
    }),
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
  return {
    input,
    ladder,
    facts,
    standing,
    today,
    index,
    level,
    main,
    restrictions,
    permitted,
    asked,
    sets,
    counted,
    up,
    advance,
    stepBack,
    pains,
    from,
    hurting,
    referral,
    away,
    target,
    working,
    grow,
    sides,
    choice: chooseVariation(level, input, restrictions),
    firstLoad: arrivalLoad(level, main, carrier),
  };
}

export function above(w: Weighed): SettledLevel | undefined {
  const { ladder, index, permitted } = w;
  return ladder.levels.slice(index + 1).find(permitted);
}

export function lower(w: Weighed): SettledLevel[] {
  const { ladder, index, permitted } = w;
  return ladder.levels.slice(0, index).reverse().filter(permitted);
}

/**
 * What a level asks of other ladders and is not held, by name.
 * @param opened also what the branch was opened from, on whatever level of it
 */
export function needsOf(w: Weighed, l: SettledLevel, opened = false): string[] {
  const { input, ladder } = w;
  const trunk = opened && l !== ladder.levels[0] && ladder.branchOf ? [ladder.branchOf] : [];
  return [...trunk, ...l.entryNeeds]
    .filter((n) => !input.heldElsewhere.has(`${n.ladder}/${n.level}`))
    .map((n) => input.nameOf?.(n.ladder, n.level) ?? `${n.level} on the ladder ${n.ladder}`);
}

export function nameAt(w: Weighed, id: string): string {
  const { ladder } = w;
  return ladder.levels.find((l) => l.id === id)?.name ?? id;
}

export const isHere = (s: Pick<LoggedSet, 'variation'>, level: SettledLevel) =>
  s.variation === level.main || level.equals.includes(s.variation);
