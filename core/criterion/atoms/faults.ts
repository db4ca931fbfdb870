import { faultyReps } from '../../log/index.ts';
import { SEVERITIES, SEVERITY_WORDS } from '../../terms/index.ts';
import type { Severity } from '../../terms/index.ts';
import { setAtom } from '../atom.ts';
import { tooShort } from '../reach.ts';
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
  needed: (a) => a.count,
  judge: (a, pool, { facts }) => {
    const watched = pool.sessions.flatMap((s) => s.sets.filter((x) => x.watched));
    const seen = watched.reduce((n, s) => n + faultyReps(s, facts, a.severity), 0);
    const unknown = pool.sessions.some((s) => s.sets.every((x) => !x.watched));
    const over = seen > a.count;
    return tooShort(pool, {
      judgement: over ? 'not met' : unknown ? 'unknown' : 'met',
      needed: a.count,
      seen: watched.length ? seen : null,
      margin: watched.length ? a.count - seen : null,
      account: watched.length
        ? `${seen} in ${plural(watched.length, 'watched set')}`
        : 'not known: no set was watched',
      setIds: watched.map((s) => s.id),
      ask: unknown && !over ? 'Watch a set' : null,
      sides: [],
    });
  },
});
