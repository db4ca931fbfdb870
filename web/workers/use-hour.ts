import { proxy, wrap } from 'comlink';
import type { Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type {
  Changed,
  Disturbance,
  Exchange,
  Hour,
  HourPlan,
  Watcher,
  WorkOption,
} from '../../core/plan/index.ts';
import type { BarKit } from '../../core/kit/index.ts';
import type { HourApi, PlannedHour } from './hour.worker.ts';

interface State<H extends Hour> {
  /** A plan with what it was made from. */
  planned: (PlannedHour & { job: Job<H> }) | null;
  /** Something better may still be found. */
  busy: boolean;
  changes: Changed[];
  exchanges: Exchange[];
  error: string | null;
}
const NONE = { planned: null, busy: false, changes: [], exchanges: [], error: null };

export interface Job<H extends Hour> {
  hour: H;
  bar: BarKit | null;
  rounds: number | null;
  watchers: readonly Watcher[];
  /** What keeps somebody training where nothing else fits, by piece. */
  instead: [string, readonly WorkOption[]][];
}

/**
 * Plans an hour in a worker, so that nothing else waits: the plan soon, its proof within ten seconds, then what would let
 * everything fit. A new one, or leaving, ends the one before at once.
 */
export function useHour<H extends Hour = Hour>() {
  const worker = useRef<Worker | null>(null);
  const [state, setState] = useState<State<H>>(NONE);
  const end = () => {
    worker.current?.terminate();
    worker.current = null;
  };
  useEffect(() => end, []);
  const begin = (): { own: Worker; api: Remote<HourApi> } => {
    end();
    const own = new Worker(new URL('./hour.worker.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    return { own, api: wrap<HourApi>(own) };
  };
  return {
    ...state,
    plan(job: Job<H>) {
      const { own, api } = begin();
      const mine = (change: (s: State<H>) => State<H>) => {
        if (worker.current === own) setState(change);
      };
      // The plan before stands until the next is there.
      setState((s) => ({ ...NONE, planned: s.planned, busy: true }));
      let last: PlannedHour | null = null;
      const run = async () => {
        await api.solve(
          { hour: job.hour, bar: job.bar, rounds: job.rounds, watchers: job.watchers },
          proxy((planned: PlannedHour) => {
            last = planned;
            mine((s) => ({ ...s, planned: { ...planned, job } }));
          }),
        );
        mine((s) => ({ ...s, busy: false }));
        const { plan } = last!;
        if (plan.dropped.length === 0) return;
        await api.helps(
          { hour: job.hour, plan, instead: job.instead },
          proxy((changed: Changed) => mine((s) => ({ ...s, changes: [...s.changes, changed] }))),
        );
        const exchanges = await api.exchanges({ hour: job.hour, plan });
        mine((s) => ({ ...s, exchanges }));
      };
      run().catch((e: unknown) => {
        mine((s) => ({ ...s, busy: false, error: e instanceof Error ? e.message : String(e) }));
      });
    },
    /** The rest of a running hour, planned again. */
    async again(of: { hour: Hour; plan: HourPlan; done: number; by: Disturbance }) {
      const { own, api } = begin();
      try {
        return await api.again(of);
      } finally {
        if (worker.current === own) end();
      }
    },
    cancel() {
      end();
      setState((s) => ({ ...s, busy: false }));
    },
  };
}
