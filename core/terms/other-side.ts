import type { Side } from './lists.ts';

// Apart from the lists, which the first page does without.
export const otherSide = (side: Side): Side => (side === 'left' ? 'right' : 'left');
