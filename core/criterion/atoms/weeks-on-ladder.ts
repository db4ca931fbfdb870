import { daysBetween } from '../../terms/index.ts';
import { fact, otherAtom, unknownYet } from '../atom.ts';
import { plural, said } from '../words.ts';

/** Sessions a week that weeks on a ladder are counted with (common practice, no source). */
const A_WEEK = 2;

/** So many weeks since the first arrival on the ladder, with two sessions for each of them. */
export const weeksOnLadder = otherAtom({
  kind: 'weeksOnLadder',
  name: 'weeks on the ladder',
  params: { weeks: { is: 'number', label: 'weeks', from: 1, to: 52, whole: true, usual: [1, 12] } },
  // Three to four weeks without load come first (common practice, no source).
  blank: { weeks: 4 },
  main: 'weeks',
  either: ['at least', 'fewer than'],
  controls: '{weeks} weeks',
  unit: () => ['week', 'weeks'],
  sentence: (a) => {
    const of = `${plural(a.weeks, 'week')} on this ladder with ${A_WEEK} sessions a week`;
    return [of, `fewer than ${of}`];
  },
  needs: () => ['the first day on the ladder'],
  judge: ({ weeks }, { asOf }, { onLadder }) => {
    if (!onLadder) return unknownYet(weeks, 'the first day on the ladder is not known');
    const seen = Math.floor(Math.max(0, daysBetween(onLadder.since, asOf)) / 7);
    const sessions = onLadder.sessions;
    const enough = sessions >= A_WEEK * weeks;
    const found = fact(
      seen >= weeks && enough,
      `${plural(seen, 'week')} since ${onLadder.since}, ${plural(sessions, 'session')} of ${said(A_WEEK * weeks)}`,
      onLadder.since,
    );
    return { ...found, needed: weeks, seen, margin: seen - weeks };
  },
});
