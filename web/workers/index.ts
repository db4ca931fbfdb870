export { useSpread } from './use-spread.ts';
export { useSearch } from './use-search.ts';
export { entryId } from './findable.ts';
export type { Found } from './findable.ts';
