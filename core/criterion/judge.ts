import { NOTHING_YET, unknownYet } from './atom.ts';
import type { EvaluationContext, Found, Seen } from './context.ts';
import { aboutAtom } from './criteria.ts';
import type { Atom } from './criteria.ts';
import { poolOf } from './pool.ts';
import { plural } from './words.ts';

/** Judges an atom on the level's sessions (ascending), as seen from the last of them. */
export function judgeAtom(atom: Atom, seen: Seen, ctx: EvaluationContext): Found {
  const about = aboutAtom(atom.kind);
  if (about.reads === 'else') return about.judge(atom, seen, ctx);
  const within = 'within' in atom ? atom.within : undefined;
  const pool = poolOf(within, seen, ctx.facts, about.watched === true);
  const last = pool.sessions.at(-1);
  if (last) return { ...about.judge(atom, pool, ctx), date: last.date };
  // Pain and stop faults may have shown in the warm-up before anything else was done.
  const early = about.beforeAnySession?.(atom, pool, ctx);
  if (early) return { ...early, date: seen.asOf };
  const days = within?.over === 'days' && seen.sessions.length > 0 ? within.last : null;
  if (days !== null)
    return unknownYet(about.needed(atom), `nothing logged in the last ${plural(days, 'day')}`);
  return seen.sessions.length > 0
    ? unknownYet(about.needed(atom), 'nothing was watched yet', 'Watch a session')
    : unknownYet(about.needed(atom), NOTHING_YET);
}
