export { logRoutes } from './routes.ts';
export { putSet } from './sets.ts';
export { confirm, place } from './moves.ts';
export { judge, overview, personOnLadders, revisionsRead } from './evidence.ts';
export type { MoveRecord } from './evidence.ts';
export { recordsFrom, recordsOf } from './records.ts';
export type { PersonRecords } from './records.ts';
export { newestWithAids, recentSets } from './history.ts';
