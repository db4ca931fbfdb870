export { logRoutes } from './routes.ts';
export { refuseFuture, refuseUnknownRevision } from './known.ts';
export { overview, personOnLadders } from './evidence.ts';
export type { MoveRecord } from './evidence.ts';
export { recordsOf } from './records.ts';
export { reportsFromLog, tell } from './stops.ts';
export { keepSet } from './sets.ts';
export { newestWithAids, setsSince } from './history.ts';
export { rowsOf } from './summary.ts';
