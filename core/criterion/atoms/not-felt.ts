import type { LoggedSet } from '../../log/index.ts';
import { setAtom } from '../atom.ts';
import { worstAnswer } from '../reach.ts';
import { sameFelt } from '../../terms/index.ts';

/** Nothing the variation calls unwanted, or not the one sensation named. */
export const notFelt = setAtom({
  kind: 'notFelt',
  name: 'nothing felt where it should not',
  params: { felt: { is: 'felt', otherwise: 'anything it calls unwanted' } },
  blank: {},
  either: ['is so', 'is not so'],
  controls: '{felt}',
  sentence: ({ felt }) =>
    felt
      ? [`no ${felt.kind} felt in the ${felt.region}`, `${felt.kind} felt in the ${felt.region}`]
      : ['nothing unwanted felt', 'something unwanted felt'],
  needs: () => ['where it is felt, asked after the last set'],
  // Unwanted sensations may be pain.
  health: ({ felt }) => (felt?.kind ?? 'pain') === 'pain',
  needed: () => null,
  judge: (a, pool, { facts }) => {
    const unwanted = (s: LoggedSet) =>
      s.sensations?.filter((f) =>
        (a.felt ? [a.felt] : (facts.get(s.variation)?.unwanted ?? [])).some((w) => sameFelt(f, w)),
      ) ?? null;
    const found = pool.sessions.flatMap((s) => s.sets).flatMap((s) => unwanted(s) ?? []);
    return {
      ...worstAnswer(pool, {
        limit: 0,
        is: 'most',
        answer: (s) => unwanted(s)?.length ?? null,
        account: (n) =>
          n === 0 ? 'asked, none' : [...new Set(found.map((f) => `${f.kind} in the ${f.region}`))].join(', '),
        unknown: 'where it is felt was not asked after the last set',
        ask: 'Ask where it is felt after the last set',
      }),
      needed: null,
      seen: null,
      margin: null,
      // It is a matter of health only where pain was felt.
      health: a.felt?.kind === 'pain' || found.some((f) => f.kind === 'pain'),
      painful: found.some((f) => f.kind === 'pain'),
    };
  },
});
