import { faultyReps } from '../../log/index.ts';
import { NOT_WATCHED_OR_COUNTED, WATCH_AND_COUNT } from './at-load.ts';
import { setAtom } from '../atom.ts';
import { sets, unlessCountedIn } from '../params.ts';
import { setsReaching } from '../reach.ts';
import { plural } from '../words.ts';

/** So many sets of so many clean rounds. */
export const cleanRounds = setAtom({
  kind: 'cleanRounds',
  name: 'clean rounds',
  params: {
    rounds: { is: 'number', label: 'clean rounds', from: 1, to: 50, whole: true, usual: [1, 6] },
    sets: sets(),
  },
  blank: { rounds: 5, sets: 1 },
  main: 'rounds',
  either: ['at least', 'fewer than'],
  controls: '{sets} sets of {rounds} rounds',
  unit: () => ['round', 'rounds'],
  sentence: (a) => {
    const of = `${plural(a.sets, 'set')} of ${plural(a.rounds, 'clean round')}`;
    return [of, `fewer than ${of}`];
  },
  needs: () => ['rounds of watched sets', 'faults seen'],
  never: (_, v) => unlessCountedIn(v, 'rounds'),
  threshold: (a) => ({ rounds: a.rounds }),
  watched: true,
  needed: (a) => a.rounds,
  judge: (a, pool, { facts }) =>
    setsReaching(pool, facts, {
      setsNeeded: a.sets,
      needed: a.rounds,
      list: (values) => `clean rounds: ${values.join(', ')}`,
      unknown: NOT_WATCHED_OR_COUNTED,
      ask: WATCH_AND_COUNT,
      reach: (s) => {
        // A fault spoils the round it was seen in; at most one round a repetition.
        const clean = s.rounds === null ? null : Math.max(0, s.rounds - faultyReps(s, facts, 2));
        return {
          sure: s.watched ? clean : null,
          possible: s.watched ? (clean ?? Infinity) : (s.rounds ?? Infinity),
        };
      },
    }),
});
