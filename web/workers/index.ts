export { useEye } from './use-eye.ts';
export type { Eye } from './use-eye.ts';
export type { SeenFrame } from './eye.worker.ts';
export { useHour } from './use-hour.ts';
export type { PlannedHour } from './hour.worker.ts';
export { useSpread } from './use-spread.ts';
export { useSearch } from './use-search.ts';
export { entryId } from './findable.ts';
export type { Found } from './findable.ts';
