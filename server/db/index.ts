export { openAsIs, openEmbedded, openServer } from './database.ts';
export type { EmbeddedDatabase, OpenDatabase } from './database.ts';
export type { Db } from './db.ts';
export * as schema from './schema.ts';
export { lockFolder, FolderInUse } from './lock.ts';
export {
  BadBackup,
  knowStaff,
  leftOut,
  readBackup,
  restoreBackup,
  tablesInOrder,
  writeBackup,
} from './backup.ts';
export type { RestoreOptions } from './backup.ts';
export { newestSnapshot } from './snapshots.ts';
export { backupApart, backupFile, backupHere } from './apart.ts';
export type { TakeBackup } from './apart.ts';
export { keepSnapshots } from './snapshots.ts';
export type { Snapshots } from './snapshots.ts';
export { rebuildDerived, refreshStanding, refreshSummariesOf, refreshSummary } from './derived.ts';
export { among } from './among.ts';
export { rowsOf } from './rows.ts';
export type { Tell } from './slow.ts';
export { kitApart, pieceFormerly } from './kit-apart.ts';
