import { faultyReps } from '../../log/index.ts';
import { setAtom } from '../atom.ts';
import { sets, unlessCountedIn } from '../params.ts';
import { setsReaching } from '../reach.ts';
import { plural, said } from '../words.ts';

/** So many holds of so many seconds; a hold with a fault to fix in it was not held in position. */
export const holdS = setAtom({
  kind: 'holdS',
  name: 'seconds held',
  params: {
    seconds: { is: 'number', label: 'seconds', from: 1, to: 1800, whole: true, usual: [1, 90] },
    sets: sets('holds'),
  },
  blank: { seconds: 30, sets: 2 },
  main: 'seconds',
  either: ['at least', 'fewer than'],
  controls: '{sets} holds of {seconds} s',
  unit: () => ['s', 's'],
  sentence: (a) => {
    const of = `${plural(a.sets, 'hold')} of ${said(a.seconds)} s`;
    return [of, `fewer than ${of}`];
  },
  needs: () => ['seconds of watched holds', 'faults seen'],
  never: (_, v) => unlessCountedIn(v, 'seconds held'),
  threshold: (a) => ({ 'seconds held': a.seconds }),
  watched: true,
  needed: (a) => a.seconds,
  judge: (a, pool, { facts, aim }) =>
    setsReaching(pool, facts, {
      setsNeeded: a.sets,
      needed: a.seconds,
      // A hold left early by a fault counts nothing, but was not nothing.
      list: (values) => values.map((v) => (v === 0 ? 'one not clean' : `${v} s`)).join(', '),
      unknown: 'not watched, or not timed',
      ask: 'Watch the holds, and note how long',
      reach: (s) => {
        // With a fault it was not held in position; it was held all the same.
        const broken = aim !== 'step back' && s.watched && faultyReps(s, facts, 2) > 0;
        return {
          sure: s.watched && s.holdS !== null ? (broken ? 0 : s.holdS) : null,
          possible: broken ? 0 : (s.holdS ?? Infinity),
        };
      },
    }),
});
