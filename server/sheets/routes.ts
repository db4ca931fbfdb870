import { readJob, writeJob } from '../../core/sheets/index.ts';
import type { JobItem } from '../../core/sheets/index.ts';
import { allOrNothing, handlers } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { printJob } from './prints.ts';
import { countOpened, makeShare, openShared, revokeShare, sharesOf } from './shares.ts';
import { stateOf } from './state.ts';

/** @throws Refusal 422 for what is no job, or an empty one */
function jobOf(text: string): JobItem[] {
  try {
    const items = readJob(text);
    if (items.length > 0) return items;
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    throw new Refusal(422, `job: ${error.message}`);
  }
  throw new Refusal(422, 'job: name at least one sheet.');
}

/** What is printed, what a scanned sheet says, and links that show sheets without sign-in. */
export const sheetRoutes = handlers({
  prints: (c) => printJob(c, jobOf(c.query.job), c.about?.person.id ?? null),

  printedState: (c) => stateOf(c, jobOf(c.query.job)[0]!, c.query.state),

  shares: (c) => sharesOf(c),

  makeShare: (c) => makeShare(c, { ...c.body, job: writeJob(jobOf(c.body.job)) }),

  revokeShare: async (c) => {
    await revokeShare(c, c.params.id);
    return { ok: true };
  },

  openShared: (c) => allOrNothing(c, (tx) => openShared(tx, tx.body.token)),

  shared: async (c) => {
    const row = c.share;
    await countOpened(c, row.id);
    const job = await printJob(c, readJob(row.job), row.personId);
    return { ...job, until: new Date(row.expiresAt).toISOString() };
  },

  sharedState: async (c) => {
    // Only what the link itself shows may be asked about.
    const asked = writeJob(jobOf(c.query.job));
    const item = readJob(c.share.job).find((i) => writeJob([i]) === asked);
    if (!item) throw new Refusal(404, 'This link does not show that sheet.');
    return stateOf(c, item, c.query.state);
  },
});
