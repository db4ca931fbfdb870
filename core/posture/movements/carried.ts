import type { LoadPlace } from '../../terms/index.ts';
import type { FreeHands } from '../mechanics.ts';
import type { ArmsAt, LoadAt } from '../upper.ts';

/** What free hands are to the model. */
export function armsOf(hands: FreeHands): ArmsAt {
  switch (hands) {
    case 'forward':
      return 'forward';
    case 'crossed':
    case 'on the hips':
      return 'on the chest';
    case 'behind the ears':
      return 'on the bar';
    case 'at the sides':
    case 'on the floor':
    case 'stick along the back':
      return 'at the sides';
  }
}

/** A load place of the document as the model knows it; places at band, hip or knee load no upper body. */
export function loadOf(place: LoadPlace, chestHold: 'goblet' | 'hugged' = 'goblet'): LoadAt {
  switch (place) {
    case 'at the chest':
      return chestHold === 'goblet' ? 'goblet' : 'chest';
    case 'front of shoulders':
      return 'front';
    case 'across the shoulders, high':
      return 'across high';
    case 'across the shoulders, low':
      return 'across low';
    case 'arms out in front':
      return 'counterweight';
    case 'in front of the legs':
    case 'at the sides':
    case 'between the legs':
      return 'at the sides';
    default:
      return 'none';
  }
}
