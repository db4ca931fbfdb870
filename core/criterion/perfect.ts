import { AMOUNT_FIELD, SET_FIELDS, amountIn, blankSet } from '../log/index.ts';
import type { Side, IsoDate } from '../terms/index.ts';
import type { Criterion } from './criteria.ts';
import { leavesOf } from './criteria.ts';
import { daysAfter, daysBetween } from '../terms/index.ts';
import { evaluate } from './evaluate.ts';
import type { EvidenceSession, LoggedSet, VariationFacts } from '../log/index.ts';
import type { EvaluationContext } from './context.ts';

/** Days between sessions where too few tell: two to four a week (common practice, no source). */
const USUAL_GAP_DAYS = 3;
/** Farther ahead than this nothing is foretold. */
export const MOST_SESSIONS_AHEAD = 30;

/** A set in which everything that can be asked, seen or measured is as good as it can be. */
function perfectSet(v: VariationFacts, date: IsoDate, ordinal: number, side: Side | null): LoggedSet {
  const { loadKind } = v;
  return {
    id: `${date} ${ordinal}`,
    sessionId: date,
    date,
    variation: v.slug,
    variationRevision: 0,
    ...blankSet(),
    ordinal,
    watched: true,
    side,
    ...amountIn(v.countedIn, SET_FIELDS[AMOUNT_FIELD[v.countedIn]].to),
    loadKg: loadKind === 'none' || loadKind === 'band' ? null : SET_FIELDS.loadKg.to,
    loadKind,
    effort: SET_FIELDS.effort.from,
    tempoKept: true,
    rangeReached: true,
    rangeDeg: SET_FIELDS.rangeDeg.to,
    sensations: v.wanted.map((f) => ({ ...f, side: null })),
    pain: 0,
    atEase: 10,
    aids: [],
  };
}

/** Enough perfect sets for any count the criterion asks. */
function perfectSession(c: Criterion, v: VariationFacts, date: IsoDate): EvidenceSession {
  const most = Math.max(1, ...leavesOf(c).map((a) => ('sets' in a ? a.sets : 1)));
  const sides: (Side | null)[] = v.oneSided ? ['left', 'right'] : [null];
  const sets = Array.from({ length: most }, (_, i) =>
    sides.map((side, j) => perfectSet(v, date, i * sides.length + j + 1, side)),
  ).flat();
  // A sensation that is asked for by name is felt too.
  const named = leavesOf(c).flatMap((a) => (a.kind === 'felt' && a.felt ? [{ ...a.felt, side: null }] : []));
  return { date, sets: sets.map((s) => ({ ...s, sensations: [...(s.sensations ?? []), ...named] })) };
}

/**
 * The fewest further sessions after which the criterion could be met, each of them perfect and at the pace so far:
 * 0 when it is met now, null when it depends on something else (another ladder, a sign-off) or lies beyond thirty.
 */
export function sessionsUntilMet(
  c: Criterion,
  sessions: readonly EvidenceSession[],
  main: VariationFacts,
  ctx: EvaluationContext,
): number | null {
  const gap = paceDays(sessions);
  const ahead = [...sessions];
  const added: EvidenceSession[] = [];
  let today = ctx.today;
  for (let n = 0; n <= MOST_SESSIONS_AHEAD; n++) {
    if (evaluate(c, ahead, { ...withSessions(ctx, sessions, added), today }).judgement === 'met') return n;
    // The next session may be today's, if none was yet.
    const last = ahead.at(-1)?.date;
    today = n === 0 && last !== ctx.today ? ctx.today : daysAfter(today, gap);
    const next = perfectSession(c, main, today);
    ahead.push(next);
    added.push(next);
  }
  return null;
}

/** What else would be known after more sessions: side tests, days, and what pain is read of. */
function withSessions(
  ctx: EvaluationContext,
  before: readonly EvidenceSession[],
  added: readonly EvidenceSession[],
): EvaluationContext {
  const sets = added.flatMap((s) => s.sets);
  const tests = sets.map((s) => ({ ...s, id: `${s.id} test`, sideTest: true }));
  return {
    ...ctx,
    sideTests: [...(ctx.sideTests ?? before.flatMap((s) => s.sets)), ...tests],
    days: [...(ctx.days ?? before.map((s) => s.date)), ...added.map((s) => s.date)],
    ...(ctx.ofPattern ? { ofPattern: [...ctx.ofPattern, ...sets] } : {}),
    ...(ctx.onLadder
      ? { onLadder: { ...ctx.onLadder, sessions: ctx.onLadder.sessions + added.length } }
      : {}),
  };
}

/** The pace is told by the last so many sessions. */
export const PACE_SESSIONS = 4;

/** Usual days between the sessions, at least one. */
export function paceDays(sessions: readonly Pick<EvidenceSession, 'date'>[]): number {
  const newest = sessions.slice(-PACE_SESSIONS);
  const [first, last] = [newest[0]?.date, newest.at(-1)?.date];
  if (!first || !last || first === last) return USUAL_GAP_DAYS;
  return Math.max(1, Math.round(daysBetween(first, last) / (newest.length - 1)));
}
