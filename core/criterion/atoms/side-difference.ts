import { sideDifference, SIDE_TEST_DAYS, weakerOf } from '../../log/index.ts';
import { otherAtom, unknownYet } from '../atom.ts';
import { said } from '../words.ts';

/** Left and right within so many percent, from side tests, which have a window of their own. */
export const sideDifferenceAtMost = otherAtom({
  kind: 'sideDifferenceAtMost',
  name: 'left and right',
  params: {
    percent: { is: 'number', label: 'percent apart', from: 0, to: 100, whole: false, usual: [0, 40] },
  },
  // 10 %: the usual limit for limb symmetry in the return-to-sport literature.
  blank: { percent: 10 },
  main: 'percent',
  either: ['within', 'more than'],
  controls: `{percent} % of each other (side test of the last ${SIDE_TEST_DAYS} days)`,
  unit: () => ['%', '%'],
  looksBackDays: SIDE_TEST_DAYS,
  between: true,
  sentence: (a) => [
    `left and right within ${said(a.percent)} % of each other`,
    `left and right more than ${said(a.percent)} % apart`,
  ],
  needs: () => ['a side test of both sides'],
  never: (_, v) => (v.oneSided ? null : `${v.name} is done with both sides at once: there is no side test.`),
  judge: ({ percent }, { sessions, asOf, end }, { facts, sideTests }) => {
    const tests = (sideTests ?? sessions.flatMap((s) => s.sets)).filter((s) => s.date <= end);
    const diff = sideDifference(tests, facts, asOf);
    if (!diff) {
      const why = `no side test of both sides in the last ${SIDE_TEST_DAYS} days`;
      return unknownYet(percent, why, 'Make a side test of both sides');
    }
    const unit = diff.unit === 's' ? ' s' : '';
    const met = diff.withinTolerance || diff.percent <= percent;
    const behind = weakerOf(diff);
    return {
      judgement: met ? 'met' : 'not met',
      needed: percent,
      seen: diff.percent,
      margin: percent - diff.percent,
      account:
        `left ${diff.left}${unit}, right ${diff.right}${unit}: ${diff.percent.toFixed(0)} % apart` +
        (diff.withinTolerance && diff.percent > percent ? ', one repetition is within tolerance' : ''),
      setIds: diff.setIds,
      ask: null,
      sides: met || !behind ? [] : [behind],
      date: diff.date,
    };
  },
});
