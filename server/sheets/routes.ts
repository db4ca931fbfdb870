import type { Context } from 'hono';
import { shareSchema } from '../../contract/sheets.ts';
import type { PrintJob, ShareRequest } from '../../contract/sheets.ts';
import { readJob, writeJob } from '../../core/sheets/index.ts';
import type { JobItem } from '../../core/sheets/index.ts';
import { bodyOf, idOf, meOf, Refusal } from '../http.ts';
import type { App, Env, Services } from '../http.ts';
import { personAskedFor } from '../library/index.ts';
import { printJob } from './prints.ts';
import { makeShare, openShare, revokeShare, sharesOf } from './shares.ts';
import { stateOf } from './state.ts';

function jobOf(text: string | undefined): JobItem[] {
  try {
    const items = readJob(text ?? '');
    if (items.length > 0) return items;
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    throw new Refusal(422, `job: ${error.message}`);
  }
  throw new Refusal(422, 'job: name at least one sheet.');
}

/** The state a sheet says it was printed at. */
function printedAt(c: Context<Env>): number {
  const state = Number(c.req.query('state') ?? NaN);
  if (!Number.isSafeInteger(state) || state < 0)
    throw new Refusal(422, 'state: must be a whole number, as on the sheet.');
  return state;
}

/** What is printed, what a scanned sheet says, and links that show sheets without sign-in. */
export function sheetRoutes(app: App, s: Services): void {
  app.get('/api/prints', async (c) =>
    c.json(await printJob(s.db, jobOf(c.req.query('job')), personAskedFor(c), s.clock(), s.publicUrl)),
  );

  app.get('/api/prints/state', async (c) =>
    c.json(await stateOf(s.db, jobOf(c.req.query('job'))[0]!, printedAt(c))),
  );

  app.get('/api/shares', async (c) => c.json(await sharesOf(s.db, meOf(c), s.clock())));

  app.post('/api/shares', async (c) => {
    const request = await bodyOf<ShareRequest>(c, shareSchema);
    const job = writeJob(jobOf(request.job));
    return c.json(await makeShare(s.db, meOf(c), { ...request, job }, s.clock(), s.publicUrl), 201);
  });

  app.post('/api/shares/:id/revoke', async (c) => {
    await revokeShare(s.db, meOf(c), idOf(c), s.clock());
    return c.json({ ok: true });
  });

  app.get('/api/shared/:token', async (c) => {
    const row = await openShare(s.db, c.req.param('token'), s.clock(), true);
    const job = await printJob(s.db, readJob(row.job), row.personId, s.clock(), s.publicUrl);
    const answer: PrintJob = { ...job, until: new Date(row.expiresAt).toISOString() };
    return c.json(answer);
  });

  app.get('/api/shared/:token/state', async (c) => {
    const row = await openShare(s.db, c.req.param('token'), s.clock(), false);
    // Only what the link itself shows may be asked about.
    const asked = writeJob(jobOf(c.req.query('job')));
    const item = readJob(row.job).find((i) => writeJob([i]) === asked);
    if (!item) throw new Refusal(404, 'This link does not show that sheet.');
    return c.json(await stateOf(s.db, item, printedAt(c)));
  });
}
