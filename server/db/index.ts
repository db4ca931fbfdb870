export { openEmbedded, openServer } from './database.ts';
export type { Db, OpenDatabase } from './database.ts';
export * as schema from './schema.ts';
export { lockFolder, FolderInUse } from './lock.ts';
export { backupLines, restoreBackup, BadBackup, tablesInOrder } from './backup.ts';
export { keepSnapshots } from './snapshots.ts';
export type { Snapshots } from './snapshots.ts';
export { rebuildDerived, refreshStanding, refreshSummariesOf, refreshSummary } from './derived.ts';
export { among } from './among.ts';
