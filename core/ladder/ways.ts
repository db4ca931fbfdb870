import { aidWords } from '../terms/index.ts';
import type { WayOn } from '../library/index.ts';

const plural = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`;

/** A way on inside a level, as a phrase. */
export function wayOnSentence(w: WayOn): string {
  switch (w.way) {
    case 'repetitions':
      return `${plural(w.step, 'more repetition')} a set, up to ${w.upTo}`;
    case 'seconds':
      return `${w.step} s longer, up to ${w.upTo} s`;
    case 'sets':
      return `${plural(w.step, 'more set')}, up to ${w.upTo}`;
    case 'rounds':
      return `${plural(w.step, 'more round')}, up to ${w.upTo}`;
    case 'load':
      return `${w.stepKg} kg more, up to ${w.upToKg} kg`;
    case 'slower lowering':
      return `lowering ${w.stepS} s slower, up to ${w.upToS} s`;
    case 'less aid':
      return `${w.aid} one step less at a time, down to ${aidWords(w.aid, w.downTo)}`;
    case 'fewer aids':
      return `without ${w.aid}`;
  }
}
