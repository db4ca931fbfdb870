import { setAtom } from '../atom.ts';
import { shareOfSets } from '../reach.ts';
import { said } from '../words.ts';

/** The tempo kept in so many of a hundred sets. */
export const tempoKept = setAtom({
  kind: 'tempoKept',
  name: 'tempo kept',
  params: {
    percent: { is: 'number', label: 'percent of sets', from: 1, to: 100, whole: false, usual: [1, 100] },
  },
  blank: { percent: 80 },
  main: 'percent',
  either: ['in at least', 'in under'],
  controls: '{percent} % of sets',
  unit: () => ['% of sets', '% of sets'],
  sentence: (a) => [
    `the tempo kept in at least ${said(a.percent)} % of sets`,
    `the tempo kept in under ${said(a.percent)} % of sets`,
  ],
  needs: () => ['whether the tempo was kept'],
  never: (_, v) => (v.hasTempo ? null : `${v.name} has no tempo to keep.`),
  needed: (a) => a.percent,
  judge: (a, pool) =>
    shareOfSets(pool, a.percent, (s) => s.tempoKept, {
      of: 'kept',
      unknown: 'whether the tempo was kept was not noted',
      ask: 'Note whether the tempo is kept',
    }),
});
