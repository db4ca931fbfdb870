import { aboutAtom, isAtom } from './criteria.ts';
import type { Judged } from './evaluate.ts';
import { atomsOf } from './evaluate.ts';
import { sentenceOf } from './sentence.ts';
import { withoutNotKnown } from './words.ts';
import type { NameOfLevel } from './words.ts';

/** A reason in words; `health` marks what only staff of the squad may read. */
export interface Reason {
  text: string;
  health: boolean;
}

export const plain = (text: string): Reason => ({ text, health: false });

export const capital = (s: string) => `${s[0]?.toUpperCase() ?? ''}${s.slice(1)}`;

/** What made a step-back criterion hold, part by part. */
export function reasonsFor(met: Judged): Reason[] {
  const c = met.criterion;
  if (c.kind === 'any' || c.kind === 'all') {
    return met.parts.filter((p) => p.judgement === 'met').flatMap(reasonsFor);
  }
  const dates = (c.kind === 'sessionsRunning' ? met.parts : [met]).flatMap((p) => p.date ?? []);
  const when = dates.length > 0 ? dates.join(' and ') : 'now';
  return [{ text: `${capital(met.sentence)} (${when}: ${accountOf(met)}).`, health: met.health }];
}

/** What kind of thing made a step-back criterion hold. */
export type Cause = 'pain' | 'stop fault' | 'too much';
export function causesOf(met: Judged): Set<Cause> {
  const c = met.criterion;
  if (c.kind === 'any' || c.kind === 'all') {
    return new Set(met.parts.filter((p) => p.judgement === 'met').flatMap((p) => [...causesOf(p)]));
  }
  if (c.kind === 'sessionsRunning') return new Set(met.parts.flatMap((p) => [...causesOf(p)]));
  if (c.kind !== 'not') return new Set(['too much']);
  const { of } = c;
  if (of.kind === 'painAtMost' || (of.kind === 'notFelt' && met.painful)) return new Set(['pain']);
  return new Set([of.kind === 'faultsAtMost' && of.severity === 3 ? 'stop fault' : 'too much']);
}

const accountOf = (j: Judged): string =>
  j.parts.length ? j.parts.map(accountOf).filter(Boolean).join(' / ') : j.account;

const ONE_OF = 'One of: ';

/** What an advance still lacks, part by part; a run of sessions says how many are left, the unknown what to ask. */
export function missingFrom(judged: Judged, nameOf?: NameOfLevel): Reason[] {
  if (judged.judgement === 'met') return [];
  const c = judged.criterion;
  if (c.kind === 'all') return judged.parts.flatMap((p) => missingFrom(p, nameOf));
  if (c.kind === 'any') {
    const ways = judged.parts
      .flatMap((p) => missingFrom(p, nameOf))
      .map((r) => (r.text.startsWith(ONE_OF) ? r.text.slice(ONE_OF.length) : r.text));
    return [{ text: `${ONE_OF}${ways.join(' ')}`, health: judged.health }];
  }
  if (c.kind === 'sessionsRunning') {
    const newest = judged.parts[0];
    if (!newest || newest.judgement === 'met') {
      const left = c.sessions - (judged.seen ?? 0);
      const lines = `${left} more ${left === 1 ? 'session' : 'sessions'} running with ${sentenceOf(c.of, nameOf)}`;
      const older = judged.parts.find((p) => p.judgement === 'unknown');
      const but = older
        ? `; ${older.date ? `on ${older.date} ` : ''}it is not known: ${withoutNotKnown(accountOf(older))}`
        : '';
      return [{ text: `${lines}${but}.`, health: judged.health }];
    }
    return atomsOf(newest)
      .filter((a) => a.judgement !== 'met')
      .map((a) => ({
        text: `${missingAtom(a).replace(/\.$/, '')}, in ${c.sessions} sessions running.`,
        health: a.health,
      }));
  }
  return [{ text: missingAtom(judged), health: judged.health }];
}

function missingAtom(j: Judged): string {
  // Between the sides it is the one behind that is named.
  const c = j.criterion;
  const about = isAtom(c) ? aboutAtom(c.kind) : null;
  const between = about?.reads === 'else' && about.between === true;
  const side =
    j.sides.length === 1 ? (between ? `; the ${j.sides[0]} is behind` : ` on the ${j.sides[0]}`) : '';
  const when = j.date ? `${j.date}: ` : '';
  return j.judgement === 'unknown' && j.ask !== null
    ? `Needs ${j.sentence}${side}: ${j.ask[0]!.toLowerCase()}${j.ask.slice(1)} (${when}${j.account}).`
    : `Needs ${j.sentence}${side} (${when}seen ${j.account}).`;
}
