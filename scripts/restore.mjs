// npm run restore -- BACKUP FOLDER: reads a backup or snapshot into a new data folder.
import { ensureInstalled, root, run } from './prepare.mjs';

ensureInstalled();
process.exit(
  run(process.execPath, ['--import', 'tsx', 'server/restore.ts', ...process.argv.slice(2)], { cwd: root }),
);
