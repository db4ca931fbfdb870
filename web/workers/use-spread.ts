import { proxy, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { SpreadJob, SpreadOver } from '../../core/demand/index.ts';
import type { SpreadApi } from './spread.worker.ts';

/** Runs the spread over many bodies in a worker, with progress; cancelling ends the worker at once. */
export function useSpread() {
  const worker = useRef<Worker | null>(null);
  const [state, setState] = useState<{
    running: { done: number; of: number } | null;
    result: SpreadOver[] | null;
    error: string | null;
  }>({ running: null, result: null, error: null });
  const stop = () => {
    worker.current?.terminate();
    worker.current = null;
  };
  useEffect(() => stop, []);
  return {
    ...state,
    start(job: SpreadJob) {
      stop();
      const own = new Worker(new URL('./spread.worker.ts', import.meta.url), { type: 'module' });
      worker.current = own;
      setState({ running: { done: 0, of: job.variations.length }, result: null, error: null });
      const progress = proxy((done: number, of: number) => {
        if (worker.current === own) setState((s) => ({ ...s, running: { done, of } }));
      });
      wrap<SpreadApi>(own)
        .run(job, progress)
        .then((result) => {
          if (worker.current !== own) return;
          setState({ running: null, result, error: null });
          stop();
        })
        .catch((e: unknown) => {
          setState({ running: null, result: null, error: e instanceof Error ? e.message : String(e) });
          stop();
        });
    },
    cancel() {
      stop();
      setState({ running: null, result: null, error: null });
    },
    clear() {
      setState({ running: null, result: null, error: null });
    },
  };
}
