import { aidUsed } from '../aid-used.ts';
import { AIDS, aidWords } from '../../terms/index.ts';
import type { Aid, RuledNumber } from '../../terms/index.ts';
import { setAtom } from '../atom.ts';
import { worstAnswer } from '../reach.ts';
import { said } from '../words.ts';

/** What the aid may be at most, or what it is above. */
const aidLimit = (aid: Aid, most: RuledNumber): string =>
  typeof most === 'number' ? aidWords(aid, most) : `${aid} ${said(most)}`;

/** So much of an aid at most. */
export const aidsAtMost = setAtom({
  kind: 'aidsAtMost',
  name: 'aids',
  params: {
    aid: { is: 'choice', label: 'which aid', of: AIDS, resets: { most: 0 } },
    most: { is: 'aid amount', label: 'how much of it', from: 0, to: 6, whole: true, usual: [0, 3] },
  },
  blank: { aid: 'pads', most: 0 },
  either: ['at most', 'more than'],
  controls: '{aid} {most}',
  unit: () => ['step', 'steps'],
  sentence: (a) =>
    a.most === 0
      ? [aidLimit(a.aid, 0), `more than ${aidLimit(a.aid, 0)}`]
      : [`at most ${aidLimit(a.aid, a.most)}`, `more than ${aidLimit(a.aid, a.most)}`],
  needs: () => ['aids, noted in every set'],
  needed: (a) => a.most,
  judge: (a, pool) =>
    worstAnswer(pool, {
      limit: a.most,
      is: 'most',
      answer: (s) => aidUsed(s, a.aid),
      account: (n) => aidWords(a.aid, n),
      unknown: `${a.aid} not noted in every set`,
      ask: `Note the ${a.aid} in each set`,
      knownIn: 'every set',
    }),
});
