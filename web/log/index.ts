export { Outbox, useParcels } from './outbox.tsx';
export { outbox } from './outbox-store.ts';
export { mergedSets } from './merge.ts';
export type { ShownSet } from './merge.ts';
export { setSummary, targetWords } from './words.ts';
export { aidsWords } from './next-words.ts';
