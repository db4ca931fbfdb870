import type { Side } from '../library/index.ts';
import type { Atom, Criterion } from './criteria.ts';
import { isAtom } from './criteria.ts';
import { cleanReps, faultyReps } from './evidence.ts';
import type { EvidenceSession, FactsBySlug, IsoDate, LoggedSet } from './evidence.ts';
import { sentenceOf } from './sentence.ts';
import { sideDifference } from './sides.ts';

export type Judgement = 'met' | 'not met' | 'unknown';

/** A criterion judged: what was needed, what was seen and when, and which sets count. */
export interface Judged {
  criterion: Criterion;
  sentence: string;
  judgement: Judgement;
  /** Sub-criteria; for a run of sessions one entry per session, newest first. */
  parts: Judged[];
  /** Numbers of an atom in its own unit; null where nothing is known. */
  needed: number | null;
  seen: number | null;
  /** How far seen is on the good side of needed (negative: short by). */
  margin: number | null;
  /** What was seen, or what is missing, in words. */
  account: string;
  date: IsoDate | null;
  setIds: string[];
  /** Rests on pain, which only staff of the squad may see. */
  health: boolean;
}

export interface EvaluationContext {
  facts: FactsBySlug;
  today: IsoDate;
}

/** Kleene's strong three-valued conjunction: one "not met" decides, then any unknown. */
export function allOf(states: readonly Judgement[]): Judgement {
  if (states.includes('not met')) return 'not met';
  return states.includes('unknown') ? 'unknown' : 'met';
}

/** Kleene's strong three-valued disjunction. */
export function anyOf(states: readonly Judgement[]): Judgement {
  if (states.includes('met')) return 'met';
  return states.includes('unknown') ? 'unknown' : 'not met';
}

const opposite: Record<Judgement, Judgement> = { met: 'not met', 'not met': 'met', unknown: 'unknown' };

/**
 * Judges a criterion on the level's sessions (ascending by date), as seen from the last of them.
 * Without any session everything is unknown.
 */
export function evaluate(c: Criterion, sessions: readonly EvidenceSession[], ctx: EvaluationContext): Judged {
  if (isAtom(c)) return judgeAtom(c, sessions, ctx);
  const group = (judgement: Judgement, parts: Judged[], account: string): Judged => ({
    criterion: c,
    sentence: sentenceOf(c),
    judgement,
    parts,
    needed: null,
    seen: null,
    margin: null,
    account,
    date: parts[0]?.date ?? null,
    setIds: [...new Set(parts.flatMap((p) => p.setIds))],
    health: parts.some((p) => p.health),
  });
  switch (c.kind) {
    case 'not': {
      const inner = judgeAtom(c.of, sessions, ctx);
      return { ...inner, criterion: c, sentence: sentenceOf(c), judgement: opposite[inner.judgement] };
    }
    case 'all':
    case 'any': {
      const parts = c.of.map((part) => evaluate(part, sessions, ctx));
      const states = parts.map((p) => p.judgement);
      return group(c.kind === 'all' ? allOf(states) : anyOf(states), parts, '');
    }
    case 'sessionsRunning': {
      const parts: Judged[] = [];
      for (let back = 0; back < c.sessions && back < sessions.length; back++) {
        parts.push(evaluate(c.of, sessions.slice(0, sessions.length - back), ctx));
      }
      const states = parts.map((p) => p.judgement);
      const held = states.findIndex((s) => s !== 'met');
      const run = held === -1 ? states.length : held;
      const enough = parts.length === c.sessions;
      // Too few sessions is a fact, not an unknown: the run has not been held yet.
      const judgement = parts.length === 0 ? 'unknown' : enough ? allOf(states) : 'not met';
      const result = group(judgement, parts, `held in ${run} of ${c.sessions} sessions running`);
      return { ...result, needed: c.sessions, seen: run, margin: run - c.sessions };
    }
  }
}

/** Leaves of a judged tree: what the interface lists one by one. */
export function atomsOf(judged: Judged): Judged[] {
  const c = judged.criterion;
  return isAtom(c) || c.kind === 'not' ? [judged] : judged.parts.flatMap(atomsOf);
}

interface AtomFinding {
  judgement: Judgement;
  needed: number;
  seen: number | null;
  margin: number | null;
  account: string;
  setIds: string[];
  date?: IsoDate;
}

function judgeAtom(atom: Atom, sessions: readonly EvidenceSession[], ctx: EvaluationContext): Judged {
  const session = sessions.at(-1);
  const finding: AtomFinding = session
    ? judgeIn(atom, session, sessions, ctx)
    : {
        judgement: 'unknown',
        needed: neededOf(atom),
        seen: null,
        margin: null,
        account: 'nothing logged at this level yet',
        setIds: [],
      };
  return {
    criterion: atom,
    sentence: sentenceOf(atom),
    parts: [],
    date: session?.date ?? null,
    health: atom.kind === 'painAtMost',
    ...finding,
  };
}

function neededOf(atom: Atom): number {
  switch (atom.kind) {
    case 'cleanReps':
      return atom.reps;
    case 'holdS':
      return atom.seconds;
    case 'effortAtMost':
      return atom.effort;
    case 'faultsAtMost':
      return atom.count;
    case 'painAtMost':
      return atom.pain;
    case 'sideDifferenceAtMost':
      return atom.percent;
  }
}

function judgeIn(
  atom: Atom,
  session: EvidenceSession,
  sessions: readonly EvidenceSession[],
  ctx: EvaluationContext,
): AtomFinding {
  switch (atom.kind) {
    case 'cleanReps':
      return setsReaching(session, ctx.facts, atom.sets, atom.reps, 'clean', (s) => ({
        sure: cleanReps(s, ctx.facts),
        possible: s.watched ? cleanReps(s, ctx.facts) : s.doneReps,
      }));
    case 'holdS':
      // A hold with a fault to fix in it was not held in position.
      return setsReaching(session, ctx.facts, atom.sets, atom.seconds, 's', (s) => ({
        sure: s.watched && s.holdS !== null ? (faultyReps(s, ctx.facts, 2) > 0 ? 0 : s.holdS) : null,
        possible: s.watched && faultyReps(s, ctx.facts, 2) > 0 ? 0 : s.holdS,
      }));
    case 'effortAtMost':
      return highestAsked(session, atom.effort, (s) => s.effort, 'effort');
    case 'painAtMost':
      return highestAsked(session, atom.pain, (s) => s.pain, 'pain');
    case 'faultsAtMost': {
      const watched = session.sets.filter((s) => s.watched);
      const seen = watched.reduce((n, s) => n + faultyReps(s, ctx.facts, atom.severity), 0);
      const unknown = watched.length === 0;
      return {
        judgement: unknown ? 'unknown' : seen <= atom.count ? 'met' : 'not met',
        needed: atom.count,
        seen: unknown ? null : seen,
        margin: unknown ? null : atom.count - seen,
        account: unknown
          ? 'not known: no set was watched'
          : `${seen} in ${watched.length} watched ${watched.length === 1 ? 'set' : 'sets'}`,
        setIds: watched.map((s) => s.id),
      };
    }
    case 'sideDifferenceAtMost': {
      const diff = sideDifference(sessions, ctx.facts, ctx.today);
      if (!diff) {
        return {
          judgement: 'unknown',
          needed: atom.percent,
          seen: null,
          margin: null,
          account: 'not known: no side test of both sides in the last 28 days',
          setIds: [],
        };
      }
      const unit = diff.unit === 's' ? ' s' : '';
      return {
        judgement: diff.withinTolerance || diff.percent <= atom.percent ? 'met' : 'not met',
        needed: atom.percent,
        seen: diff.percent,
        margin: atom.percent - diff.percent,
        account:
          `left ${diff.left}${unit}, right ${diff.right}${unit}: ${diff.percent.toFixed(0)} % apart` +
          (diff.withinTolerance && diff.percent > atom.percent ? ', one repetition is within tolerance' : ''),
        setIds: diff.setIds,
        date: diff.date,
      };
    }
  }
}

interface Reach {
  /** Known value of the set, null when it may not be used. */
  sure: number | null;
  /** The most it could have been, had it been watched. */
  possible: number | null;
}

/** "At least so many sets reach so much", the worse side deciding in one-sided work. */
function setsReaching(
  session: EvidenceSession,
  facts: FactsBySlug,
  setsNeeded: number,
  needed: number,
  unit: 'clean' | 's',
  reach: (set: LoggedSet) => Reach,
): AtomFinding {
  const oneSided = session.sets.some((s) => facts.get(s.variation)?.oneSided);
  const groups: (Side | null)[] = oneSided ? ['left', 'right'] : [null];
  const findings = groups.map((side) => {
    // Sets done on both legs at once count for either side; a side left blank might be either.
    const own = session.sets.filter((s) => side === null || s.side === side || s.side === null);
    const certain = own.filter((s) => side === null || s.side === side || !facts.get(s.variation)?.oneSided);
    const values = certain
      .map((s) => ({ id: s.id, value: reach(s).sure }))
      .filter((v): v is { id: string; value: number } => v.value !== null)
      .sort((a, b) => b.value - a.value);
    const sure = values.filter((v) => v.value >= needed).length;
    const possible = own.filter((s) => (reach(s).possible ?? 0) >= needed).length;
    const judgement: Judgement =
      sure >= setsNeeded ? 'met' : possible >= setsNeeded || values.length === 0 ? 'unknown' : 'not met';
    const where = side ? `${side} ` : '';
    // A hold left early by a fault counts nothing, but was not nothing.
    const shown =
      unit === 's'
        ? values.map((v) => (v.value === 0 ? 'one not clean' : `${v.value} s`)).join(', ')
        : `${values.map((v) => v.value).join(', ')} clean`;
    return {
      judgement,
      sure,
      kth: values[setsNeeded - 1]?.value ?? null,
      account: values.length
        ? `${where}${shown}`
        : `${where}not known: ${own.length ? 'not watched' : 'nothing logged'}`,
      ids: values.map((v) => v.id),
    };
  });
  const worst = [...findings].sort((a, b) => a.sure - b.sure || (a.kth ?? -1) - (b.kth ?? -1))[0]!;
  return {
    judgement: allOf(findings.map((f) => f.judgement)),
    needed,
    seen: worst.kth,
    margin: worst.kth === null ? null : worst.kth - needed,
    account: findings.map((f) => f.account).join('; '),
    setIds: findings.flatMap((f) => f.ids),
  };
}

/**
 * "At most", for what is asked rather than seen: the highest answer of the session counts, and the
 * last set must have been asked about, since a number given before it says nothing about it.
 */
function highestAsked(
  session: EvidenceSession,
  limit: number,
  answer: (set: LoggedSet) => number | null,
  word: string,
): AtomFinding {
  const asked = session.sets.filter((s) => answer(s) !== null);
  const highest = asked.length ? Math.max(...asked.map((s) => answer(s)!)) : null;
  const lastAsked = session.sets.length > 0 && answer(session.sets.at(-1)!) !== null;
  const judgement: Judgement =
    highest !== null && highest > limit ? 'not met' : highest !== null && lastAsked ? 'met' : 'unknown';
  return {
    judgement,
    needed: limit,
    seen: highest,
    margin: highest === null ? null : limit - highest,
    account:
      judgement === 'unknown'
        ? `not known: ${word} was not asked after the last set`
        : `${word} ${highest} of 10`,
    setIds: asked.map((s) => s.id),
  };
}
