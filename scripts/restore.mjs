// npm run restore -- BACKUP FOLDER: reads a backup or snapshot into a new data folder.
import { ensureBuilt, ensureInstalled, run } from './prepare.mjs';

ensureInstalled();
ensureBuilt();
process.exit(run(process.execPath, ['dist-server/restore.js', ...process.argv.slice(2)]));
