import { expose } from 'comlink';
import { spreadOver } from '../../core/demand/index.ts';
import type { SpreadJob, SpreadOver } from '../../core/demand/index.ts';

/** Demand over many bodies, off the page's own thread; ended by terminating the worker. */
const api = {
  async run(job: SpreadJob, progress: (done: number, of: number) => void): Promise<SpreadOver[]> {
    const all: SpreadOver[] = [];
    for (const one of spreadOver(job)) {
      all.push(one);
      progress(all.length, job.variations.length);
      // Lets the message out before the next variation.
      await new Promise((next) => setTimeout(next));
    }
    return all;
  },
};
export type SpreadApi = typeof api;
expose(api);
