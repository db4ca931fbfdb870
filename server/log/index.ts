export { logRoutes } from './routes.ts';
export { putSet } from './sets.ts';
export { confirm, place } from './moves.ts';
export { judge, overview, recordsOf, revisionsRead } from './evidence.ts';
export type { MoveRecord, PersonRecords } from './evidence.ts';
