import { setAtom } from '../atom.ts';
import { sets } from '../params.ts';
import { setsReaching } from '../reach.ts';
import { ofSets, plural, said } from '../words.ts';

/** The variation's own target reached, or a measured angle of at least so many degrees. */
export const rangeReached = setAtom({
  kind: 'rangeReached',
  name: 'range reached',
  params: {
    sets: sets(),
    degrees: {
      is: 'optional number',
      label: 'degrees',
      from: 1,
      to: 200,
      whole: false,
      usual: [1, 150],
      question: 'which range',
      without: 'to the variation’s target',
      with: 'to a measured angle',
      start: 90,
      after: '°',
    },
  },
  blank: { sets: 2 },
  main: 'sets',
  either: ['in at least', 'in fewer than'],
  controls: '{sets} sets {degrees}',
  unit: (a) => (a.degrees === undefined ? ['set', 'sets'] : ['°', '°']),
  sentence: (a) => {
    const of = plural(a.sets, 'set');
    const what = a.degrees === undefined ? 'the full range' : `${said(a.degrees)}°`;
    return [`${what} reached in ${of}`, `${what} reached in fewer than ${of}`];
  },
  needs: (a) => [a.degrees === undefined ? 'whether the full range was reached' : 'a measured angle'],
  needed: (a) => a.degrees ?? a.sets,
  judge: ({ sets: setsNeeded, degrees }, pool, { facts }) =>
    degrees === undefined
      ? setsReaching(pool, facts, {
          setsNeeded,
          needed: 1,
          yesOrNo: true,
          list: (values) => `reached in ${ofSets(values.filter((v) => v === 1).length, values.length)}`,
          unknown: 'the range was not noted',
          ask: 'Note whether the full range is reached',
          reach: (s) => {
            const sure = s.rangeReached === null ? null : Number(s.rangeReached);
            return { sure, possible: sure ?? 1 };
          },
        })
      : setsReaching(pool, facts, {
          setsNeeded,
          needed: degrees,
          list: (values) => values.map((v) => `${v}°`).join(', '),
          unknown: 'the angle was not measured, or is too close to call',
          ask: 'Measure the angle',
          // Measured within a band it counts only where the whole band is clear of the limit.
          reach: (s) => ({
            sure: s.rangeDeg === null ? null : s.rangeDeg - (s.rangeBandDeg ?? 0),
            possible: s.rangeDeg === null ? Infinity : s.rangeDeg + (s.rangeBandDeg ?? 0),
          }),
        }),
});
