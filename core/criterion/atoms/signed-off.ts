import { SIGNERS } from '../../terms/index.ts';
import type { Signer } from '../../terms/index.ts';
import { fact, otherAtom } from '../atom.ts';

const whoOf = (by: Signer) => (by === 'coach' ? 'a coach' : 'the head coach');

/** A coach's or the head coach's word since the arrival. */
export const signedOff = otherAtom({
  kind: 'signedOff',
  name: 'sign-off',
  params: {
    by: { is: 'choice', label: 'signed off by', of: SIGNERS, word: (by: Signer) => `by ${whoOf(by)}` },
  },
  blank: { by: 'coach' },
  either: ['is given', 'is not given'],
  controls: '{by}',
  sentence: (a) => [`signed off by ${whoOf(a.by)}`, `not signed off by ${whoOf(a.by)}`],
  needs: () => ['a sign-off'],
  judge: (a, _, { at, signOffs }) => {
    const word = signOffs?.find(
      (s) =>
        s.ladder === at?.ladder &&
        s.level === at.level &&
        s.date >= at.since &&
        (a.by === 'coach' || s.role === 'head coach'),
    );
    return fact(
      word !== undefined,
      word ? `signed off by ${word.by}` : `not signed off by ${whoOf(a.by)} yet`,
      word?.date ?? null,
    );
  },
});
