import type { LoggedSet } from '../../log/index.ts';
import { setAtom } from '../atom.ts';
import { sets } from '../params.ts';
import { setsReaching } from '../reach.ts';
import { ofSets, plural } from '../words.ts';
import { sameFelt } from '../../terms/index.ts';

/** Felt as the variation wants it, or the one sensation named. */
export const felt = setAtom({
  kind: 'felt',
  name: 'felt where it should be',
  params: { sets: sets(), felt: { is: 'felt', otherwise: 'as the variation wants' } },
  blank: { sets: 1 },
  either: ['in at least', 'in fewer than'],
  controls: '{sets} sets: {felt}',
  unit: () => ['set', 'sets'],
  sentence: (a) => {
    const what = a.felt ? `${a.felt.kind} felt in the ${a.felt.region}` : 'felt as wanted';
    const of = plural(a.sets, 'set');
    return [`${what} in ${of}`, `${what} in fewer than ${of}`];
  },
  needs: () => ['where it is felt, asked'],
  never: (a, v) => (a.felt || v.wanted.length > 0 ? null : `${v.name} does not say where it should be felt.`),
  needed: (a) => a.sets,
  judge: (a, pool, { facts }) => {
    const as = (s: LoggedSet) =>
      s.sensations?.some((f) =>
        (a.felt ? [a.felt] : (facts.get(s.variation)?.wanted ?? [])).some((w) => sameFelt(f, w)),
      );
    return setsReaching(pool, facts, {
      setsNeeded: a.sets,
      needed: 1,
      yesOrNo: true,
      list: (values) => `so in ${ofSets(values.filter((v) => v === 1).length, values.length)} asked about`,
      unknown: 'where it is felt was not asked',
      ask: 'Ask where it is felt',
      reach: (s) => {
        const so = as(s);
        return { sure: so === undefined ? null : Number(so), possible: so === false ? 0 : 1 };
      },
    });
  },
});
