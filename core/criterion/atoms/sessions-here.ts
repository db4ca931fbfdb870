import { counted, otherAtom } from '../atom.ts';
import { plural } from '../words.ts';

/** So many sessions at the level. */
export const sessionsHere = otherAtom({
  kind: 'sessionsHere',
  name: 'sessions at this level',
  params: { sessions: { is: 'number', label: 'sessions', from: 1, to: 100, whole: true, usual: [1, 9] } },
  blank: { sessions: 3 },
  either: ['at least', 'fewer than'],
  controls: '{sessions} sessions',
  unit: () => ['session', 'sessions'],
  sentence: (a) => {
    const of = `${plural(a.sessions, 'session')} at this level`;
    return [of, `fewer than ${of}`];
  },
  needs: () => ['the day of arrival'],
  judge: (a, { sessions, end }, { earlierSessions = 0, days = sessions.map((s) => s.date) }) => {
    const own = days.filter((d) => d <= end);
    const seen = earlierSessions + own.length;
    return counted(seen, a.sessions, plural(seen, 'session'), own.at(-1) ?? null);
  },
});
