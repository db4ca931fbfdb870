import { aboutAtom, isAtom, needsWatching } from './criteria.ts';
import type { Side, IsoDate } from '../terms/index.ts';
import type { Criterion } from './criteria.ts';
import { wasWatched } from '../log/index.ts';
import type { EvidenceSession } from '../log/index.ts';
import { judgeAtom } from './judge.ts';
import type { EvaluationContext, Seen } from './context.ts';
import { sentenceOf } from './sentence.ts';
import type { NameOfLevel } from './words.ts';
import { allOf, anyOf, opposite } from './three-valued.ts';
import type { Judgement } from './three-valued.ts';

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
  /** What to ask, watch or measure where it is not known. */
  ask: string | null;
  /** Sides that fall short in one-sided work. */
  sides: Side[];
  date: IsoDate | null;
  setIds: string[];
  /** Rests on pain, which only staff of the squad may see. */
  health: boolean;
  /** Pain was felt, where what was felt is asked for. */
  painful?: boolean;
}

const NO_NAMES: NameOfLevel = (ladder, level) => `${level} on ${ladder}`;
const said = new WeakMap<NameOfLevel, WeakMap<Criterion, string>>();

/** The sentence of a criterion, put together once for all that are judged by it: criteria never change. */
function saidOnce(c: Criterion, nameOf: NameOfLevel = NO_NAMES): string {
  const known = said.get(nameOf) ?? new WeakMap<Criterion, string>();
  said.set(nameOf, known);
  const found = known.get(c) ?? sentenceOf(c, nameOf);
  known.set(c, found);
  return found;
}

/**
 * Judges a criterion on the level's sessions (ascending by date), as seen from the last of them.
 * Without any session everything that is read from sets is unknown. A session in which nothing was watched is left out
 * of what shows only to somebody who watches, and of every run that asks for any of it.
 */
export const evaluate = (
  c: Criterion,
  sessions: readonly EvidenceSession[],
  ctx: EvaluationContext,
  asOf: IsoDate = ctx.today,
): Judged => judged(c, { sessions, asOf, end: asOf }, ctx, new Map());

/** What was judged inside a run, by what was seen: criteria ask the same again and again. */
type Memo = Map<Criterion, Map<string, Judged>>;

function judgedOnce(c: Criterion, seen: Seen, ctx: EvaluationContext, memo: Memo): Judged {
  const key = `${seen.sessions.length} ${seen.sessions.at(-1)?.date ?? ''} ${seen.asOf} ${seen.end}`;
  const own = memo.get(c) ?? new Map<string, Judged>();
  memo.set(c, own);
  const found = own.get(key) ?? judged(c, seen, ctx, memo);
  own.set(key, found);
  return found;
}

function judged(c: Criterion, seen: Seen, ctx: EvaluationContext, memo: Memo): Judged {
  const sentence = saidOnce(c, ctx.nameOf);
  if (isAtom(c) || c.kind === 'not') {
    const atom = c.kind === 'not' ? c.of : c;
    const { health, ...found } = judgeAtom(atom, seen, ctx);
    return {
      criterion: c,
      sentence,
      parts: [],
      health: health ?? aboutAtom(atom.kind).health?.(atom) ?? false,
      ...found,
      judgement: c.kind === 'not' ? opposite[found.judgement] : found.judgement,
    };
  }
  const group = (judgement: Judgement, parts: Judged[], account: string): Judged => ({
    criterion: c,
    sentence,
    judgement,
    parts,
    needed: null,
    seen: null,
    margin: null,
    account,
    ask: null,
    sides: [],
    date: parts[0]?.date ?? null,
    setIds: [...new Set(parts.flatMap((p) => p.setIds))],
    health: parts.some((p) => p.health),
  });
  if (c.kind !== 'sessionsRunning') {
    const parts = c.of.map((part) => judged(part, seen, ctx, memo));
    const states = parts.map((p) => p.judgement);
    return group(c.kind === 'all' ? allOf(states) : anyOf(states), parts, '');
  }
  const sessions = needsWatching(c.of) ? seen.sessions.filter(wasWatched) : seen.sessions;
  const parts: Judged[] = [];
  for (let back = 0; back < c.sessions && back < sessions.length; back++) {
    const upTo = sessions.slice(0, sessions.length - back);
    const last = upTo.at(-1)!.date;
    parts.push(
      judgedOnce(
        c.of,
        back === 0 ? { ...seen, sessions: upTo } : { sessions: upTo, asOf: last, end: last },
        ctx,
        memo,
      ),
    );
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

/** Leaves of a judged tree: what the interface lists one by one. */
export function atomsOf(judged: Judged): Judged[] {
  const c = judged.criterion;
  return isAtom(c) || c.kind === 'not' ? [judged] : judged.parts.flatMap(atomsOf);
}
