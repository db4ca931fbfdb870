import { randomUUID } from 'node:crypto';
import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import type { ShelfInForce } from '../core/library/index.ts';
import { Refusal } from './refusal.ts';
import type { Result, TaskName, Work } from './tasks.ts';
import type { Job, SharedLibrary } from './worker.ts';

/** Waiting tasks beyond these are refused: they would not be done in time. */
const MOST_WAITING = 40;
/** Nothing takes longer than this; what does is ended. */
const LONGEST_MS = 20_000;

export interface WorkPool {
  work: Work;
  close: () => Promise<void>;
}

/** Threads in which the library is looked over, changes are tried and files are written, so that nobody else waits. */
export function workPool(): WorkPool {
  const here = import.meta.url;
  const source = here.endsWith('.ts');
  const pool = new Piscina({
    // Built, it stands beside the server; else it is the source, which is translated on the way.
    filename: new URL(source ? './worker.ts' : './worker.js', here).href,
    ...(source ? { execArgv: ['--import', 'tsx'] } : {}),
    minThreads: 1,
    maxThreads: Math.max(1, Math.min(4, availableParallelism() - 1)),
    maxQueue: MOST_WAITING,
    idleTimeout: 60_000,
    resourceLimits: { maxOldGenerationSizeMb: 512 },
  });
  const shared = new WeakMap<ShelfInForce['shelf'], SharedLibrary>();
  const libraryOf = ({ state, kit = 0, shelf, revisions }: ShelfInForce): SharedLibrary => {
    const known = shared.get(shelf);
    if (known) return known;
    const bytes = new TextEncoder().encode(
      JSON.stringify({
        state,
        kit,
        bodies: shelf.everything(),
        hallKit: shelf.kit,
        revisions: [...revisions],
      }),
    );
    const text = new SharedArrayBuffer(bytes.length);
    new Uint8Array(text).set(bytes);
    const made = { key: `${state} ${randomUUID()}`, text };
    shared.set(shelf, made);
    return made;
  };
  return {
    work: async <K extends TaskName>(name: K, inForce: ShelfInForce, given: Job<K>['given']) => {
      if (pool.queueSize >= MOST_WAITING) {
        throw new Refusal(503, 'Much is being computed just now. Try again in a moment.', { retryAfterS: 5 });
      }
      const job = { name, library: libraryOf(inForce), given };
      const signal = AbortSignal.timeout(LONGEST_MS);
      try {
        return (await pool.run(job, { signal })) as Result<K>;
      } catch (error) {
        if (!signal.aborted) throw error;
        throw new Refusal(503, 'This took too long and was ended. Ask for less at once.');
      }
    },
    close: () => pool.destroy(),
  };
}
