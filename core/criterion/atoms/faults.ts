import { severityOf, showsFaults } from '../../log/index.ts';
import type { EvidenceSession, FactsBySlug, LoggedSet } from '../../log/index.ts';
import { SEVERITIES, SEVERITY_WORDS, SIDES } from '../../terms/index.ts';
import type { Severity, Side } from '../../terms/index.ts';
import { setAtom } from '../atom.ts';
import type { EvaluationContext } from '../context.ts';
import { isOneSided, withWarmUp } from '../pool.ts';
import type { Pool } from '../pool.ts';
import { tooShort } from '../reach.ts';
import type { Finding } from '../finding.ts';
import { plural } from '../words.ts';

const faultWords = (severity: Severity) =>
  severity === 3
    ? 'a stop fault'
    : severity === 2
      ? `a fault to ${SEVERITY_WORDS[2]}`
      : 'any fault, even one only noted';

/** So many repetitions with a fault at most. */
export const faultsAtMost = setAtom({
  kind: 'faultsAtMost',
  name: 'faults',
  params: {
    severity: {
      is: 'choice',
      label: 'severity',
      of: SEVERITIES,
      word: (s: Severity) => `${SEVERITY_WORDS[s]}${s < 3 ? ' or worse' : ''}`,
    },
    count: { is: 'number', label: 'repetitions with faults', from: 0, to: 200, whole: true, usual: [0, 5] },
  },
  blank: { severity: 2, count: 0 },
  main: 'count',
  either: ['at most', 'more than'],
  controls: '{count} repetitions, severity {severity}',
  unit: () => ['repetition', 'repetitions'],
  sentence: (a) => {
    const fault = faultWords(a.severity);
    const reps = plural(a.count, 'repetition');
    return a.count === 0
      ? [`no repetition with ${fault}`, `a repetition with ${fault}`]
      : [`at most ${reps} with ${fault}`, `more than ${reps} with ${fault}`];
  },
  needs: () => ['watched sets'],
  watched: true,
  needed: (a) => a.count,
  judge: judgeFaults,
  beforeAnySession: (a, pool, ctx) => {
    const found = judgeFaults(a, pool, ctx);
    return found.judgement === 'not met' ? found : null;
  },
});

function judgeFaults(a: { severity: Severity; count: number }, pool: Pool, ctx: EvaluationContext): Finding {
  const { facts } = ctx;
  // A stop fault in the warm-up or in a drill is one.
  const read = a.severity === 3 ? withWarmUp(pool, ctx) : pool.sessions.flatMap((s) => s.sets);
  // A measured set can show a fault; that there was none it cannot.
  const watched = read.filter(showsFaults);
  const oneSided = read.some((s) => facts.get(s.variation)?.oneSided);
  const sides: (Side | null)[] = oneSided ? [...SIDES] : [null];
  const seenOn = (side: Side | null) => watched.reduce((n, s) => n + faultsOn(s, side, facts, a.severity), 0);
  const seen = Math.max(...sides.map(seenOn));
  const known = pool.sessions.length > 0 && pool.sessions.every((s) => watchedOnEachSide(s, facts));
  const over = seen > a.count;
  return tooShort(pool, {
    judgement: over ? 'not met' : known ? 'met' : 'unknown',
    needed: a.count,
    seen: watched.length ? seen : null,
    margin: watched.length ? a.count - seen : null,
    account: watched.length
      ? `${seen} in ${plural(watched.length, watched.every((s) => s.watched) ? 'watched set' : 'watched or measured set')}`
      : 'not known: no set was watched',
    setIds: watched.map((s) => s.id),
    ask: known || over ? null : oneSided ? 'Watch a set of each side' : 'Watch a set',
    sides: oneSided && over ? SIDES.filter((side) => seenOn(side) > a.count) : [],
  });
}

/** Repetitions of a set with a fault, on one side; a fault without a side is of the side that worked, or of either. */
const faultsOn = (s: LoggedSet, side: Side | null, facts: FactsBySlug, severity: Severity): number =>
  s.faults
    .filter((f) => side === null || (f.side ?? s.side ?? side) === side)
    .filter((f) => severityOf(facts, s.variation, f.fault) >= severity)
    .reduce((n, f) => n + f.reps, 0);

const watchedOnEachSide = (session: EvidenceSession, facts: FactsBySlug): boolean =>
  (isOneSided(session, facts) ? SIDES : [null]).every((side) =>
    session.sets.some((s) => s.watched && (side === null || s.side === side || s.side === null)),
  );
