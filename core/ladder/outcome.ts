import { missingFrom, plain, sessionsUntilMet } from '../criterion/index.ts';
import type { Reason } from '../criterion/index.ts';
import type { SettledLevel } from '../library/index.ts';
import { daysBetween } from '../terms/index.ts';
import type { IsoDate } from '../terms/index.ts';
import type { Decision, Outcome } from './decision.ts';
import { newestOf, placeWords } from './pain.ts';
import { restrictionSentence } from './permits.ts';
import { planOf } from './plan-today.ts';
import type { Plan } from './plan.ts';
import { needsOf } from './weighed.ts';
import type { Weighed } from './weighed.ts';

/** Alone for longer than so many days: be seen once (judgement). */
const UNSEEN_DAYS = 14;

/** The outcome with everything that it was decided by. */
export function resultOf(
  w: Weighed,
  outcome: Outcome,
  toLevel: SettledLevel | null,
  reasons: Reason[],
  more: Partial<Decision> = {},
): Decision {
  const {
    input,
    ladder,
    level,
    main,
    restrictions,
    asked,
    counted,
    up,
    advance,
    stepBack,
    grow,
    sides,
    target,
    referral,
    choice,
  } = w;
  const plan = planOf(w);
  const earliestSessions =
    advance.judgement === 'met'
      ? 0
      : main && input.foretell !== false
        ? sessionsUntilMet(asked.advance, counted.forAdvance, main, up)
        : null;
  return {
    outcome,
    ladder: ladder.slug,
    fromLevel: level.id,
    toLevel: toLevel?.id ?? null,
    reasons: [...reasons, ...remarksOf(w, plan)],
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
  };
}

/** What is told whatever the outcome. */
function remarksOf(w: Weighed, plan: Plan): Reason[] {
  const { input, today, level, sets, counted, pains, from } = w;
  const elsewhere = newestOf(pains.elsewhere.filter((p) => p.date >= from));
  const lost = needsOf(w, level, true);
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
      ? [plain(`Nobody has watched for more than ${UNSEEN_DAYS} days: be seen once, or send a measured set.`)]
      : []),
    ...(plan.sideTest ? [plain('A side test is due.')] : []),
  ];
}
