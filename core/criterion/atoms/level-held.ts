import { fact, otherAtom } from '../atom.ts';
import { byId } from '../words.ts';

/** A level of another ladder held. */
export const levelHeld = otherAtom({
  kind: 'levelHeld',
  name: 'a level of another ladder',
  params: { ladder: { is: 'ladder' }, level: { is: 'level' } },
  blank: { ladder: '', level: '' },
  either: ['is held', 'is not held'],
  controls: '{ladder} {level}',
  sentence: (a, nameOf) => {
    const level = nameOf(a.ladder, a.level);
    return [`${level} held`, `${level} not held`];
  },
  needs: () => ['where the person stands on the other ladder'],
  judge: (a, _, { held, nameOf = byId }) => {
    const name = nameOf(a.ladder, a.level);
    const so = held?.has(`${a.ladder}/${a.level}`) ?? false;
    return fact(so, so ? `${name} is held` : `${name} is not held yet`, null);
  },
});
