import type { EvidenceSession } from '../log/index.ts';
import type { IsoDate } from '../terms/index.ts';
import { NOTHING_YET, unknownYet } from './atom.ts';
import type { EvaluationContext, Found } from './context.ts';
import { aboutAtom } from './criteria.ts';
import type { Atom } from './criteria.ts';
import { poolOf } from './pool.ts';
import { plural } from './words.ts';

/** Judges an atom on the level's sessions (ascending), as seen from the last of them. */
export function judgeAtom(
  atom: Atom,
  sessions: readonly EvidenceSession[],
  ctx: EvaluationContext,
  asOf: IsoDate,
): Found {
  const about = aboutAtom(atom.kind);
  if (about.reads === 'else') return about.judge(atom, { sessions, asOf }, ctx);
  const within = 'within' in atom ? atom.within : undefined;
  const pool = poolOf(within, sessions, ctx.facts, asOf);
  const last = pool.sessions.at(-1);
  if (!last) {
    const days = within?.over === 'days' && sessions.length > 0 ? within.last : null;
    return unknownYet(
      about.needed(atom),
      days === null ? NOTHING_YET : `nothing logged in the last ${plural(days, 'day')}`,
    );
  }
  return { ...about.judge(atom, pool, ctx), date: last.date };
}
