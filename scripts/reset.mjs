// npm run reset -- SIGN-IN-NAME: a new password on the console, while the server is stopped.
import { ensureBuilt, ensureInstalled, run } from './prepare.mjs';

ensureInstalled();
ensureBuilt();
process.exit(run(process.execPath, ['dist-server/reset.js', ...process.argv.slice(2)]));
