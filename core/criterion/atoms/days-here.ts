import { daysBetween } from '../../terms/index.ts';
import { counted, otherAtom, unknownYet } from '../atom.ts';
import { plural } from '../words.ts';

/** So many days since the arrival at the level. */
export const daysHere = otherAtom({
  kind: 'daysHere',
  name: 'days at this level',
  params: { days: { is: 'number', label: 'days', from: 1, to: 730, whole: true, usual: [1, 60] } },
  blank: { days: 14 },
  either: ['at least', 'fewer than'],
  controls: '{days} days',
  unit: () => ['day', 'days'],
  sentence: (a) => {
    const of = `${plural(a.days, 'day')} at this level`;
    return [of, `fewer than ${of}`];
  },
  needs: () => ['the day of arrival'],
  judge: (a, { asOf }, { at }) => {
    if (at === undefined) return unknownYet(a.days, 'the day of arrival is not known');
    const seen = Math.max(0, daysBetween(at.since, asOf));
    return counted(seen, a.days, `${plural(seen, 'day')} since ${at.since}`, at.since);
  },
});
