import { cleanReps as cleanIn } from '../../log/index.ts';
import { setAtom } from '../atom.ts';
import { REPS, sets, unlessCountedIn } from '../params.ts';
import { setsReaching } from '../reach.ts';
import { listed, plural } from '../words.ts';

/** So many sets of so many clean repetitions. */
export const cleanReps = setAtom({
  kind: 'cleanReps',
  name: 'clean repetitions',
  params: { reps: REPS, sets: sets() },
  blank: { reps: 12, sets: 2 },
  main: 'reps',
  either: ['at least', 'fewer than'],
  controls: '{sets} sets of {reps}',
  unit: () => ['repetition', 'repetitions'],
  sentence: (a) => {
    const of = `${plural(a.sets, 'set')} of ${plural(a.reps, 'clean repetition')}`;
    return [of, `fewer than ${of}`];
  },
  needs: () => ['repetitions of watched sets', 'faults seen'],
  never: (_, v) => unlessCountedIn(v, 'repetitions'),
  threshold: (a) => ({ 'clean repetitions': a.reps }),
  needed: (a) => a.reps,
  judge: (a, pool, { facts }) =>
    setsReaching(pool, facts, {
      setsNeeded: a.sets,
      needed: a.reps,
      list: listed('clean'),
      unknown: 'not watched',
      ask: 'Watch the sets',
      reach: (s) => ({
        sure: cleanIn(s, facts),
        possible: s.watched ? cleanIn(s, facts) : s.doneReps,
      }),
    }),
});
