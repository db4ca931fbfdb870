import { cleanReps as cleanIn } from '../../log/index.ts';
import { setAtom } from '../atom.ts';
import type { EvaluationContext } from '../context.ts';
import { REPS, sets, unlessCountedIn } from '../params.ts';
import { NOT_WATCHED_OR_COUNTED, WATCH_AND_COUNT, atLoad, mostReps } from './at-load.ts';
import { setsReaching } from '../reach.ts';
import { plural } from '../words.ts';

/** A set that was done with less than the level has counts below any number of repetitions. */
const TOO_LIGHT = -1;
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
  watched: true,
  needed: (a) => a.reps,
  judge: (a, pool, ctx) =>
    setsReaching(pool, ctx.facts, {
      setsNeeded: a.sets,
      needed: a.reps,
      list: (values) => {
        const counted = values.filter((v) => v !== TOO_LIGHT);
        const light = values.length - counted.length;
        return [
          ...(counted.length > 0 ? [`${counted.join(', ')} clean`] : []),
          ...(light > 0 ? [`${light} with less than ${floorWords(ctx)}`] : []),
        ].join(', ');
      },
      unknown: NOT_WATCHED_OR_COUNTED,
      ask: WATCH_AND_COUNT,
      reach: (s) => {
        const clean = cleanIn(s, ctx.facts);
        const heavy = atLoad(s, ctx);
        // Too light counts as none; another kind of load, or one that nobody noted, might be anything or nothing.
        if (heavy === 'other kind') return { sure: null, possible: null };
        if (heavy === 'too light') return { sure: clean === null ? null : TOO_LIGHT, possible: null };
        const most = mostReps(s, ctx.facts);
        if (heavy === 'not noted')
          return { sure: clean !== null && clean < a.reps ? clean : null, possible: most };
        return { sure: clean, possible: most };
      },
    }),
});

/** What one weight has to say. */
const floorWords = ({ floorKg = 0, main }: EvaluationContext) => `${floorKg / (main?.weights ?? 1)} kg`;
