import { transfer, wrap } from 'comlink';
import type { Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { EyeApi, SeenFrame } from './eye.worker.ts';

export interface Eye {
  state: 'off' | 'loading' | 'ready' | 'broken';
  problem: string | null;
  /** Loads the network, once. */
  wake: () => Promise<void>;
  anew: () => Promise<void>;
  see: (frame: ImageBitmap) => Promise<SeenFrame>;
  follow: EyeApi['follow'];
}

/** Something that finds a person in frames; it ends with the page, and the frames with it. */
export function useEye(): Eye {
  const worker = useRef<{ own: Worker; api: Remote<EyeApi> } | null>(null);
  const [state, setState] = useState<Eye['state']>('off');
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(
    () => () => {
      worker.current?.own.terminate();
      worker.current = null;
    },
    [],
  );
  const wake = useCallback(async () => {
    if (worker.current) return;
    const own = new Worker(new URL('./eye.worker.ts', import.meta.url), { type: 'module' });
    worker.current = { own, api: wrap<EyeApi>(own) };
    setState('loading');
    try {
      await worker.current.api.warm();
      setState('ready');
    } catch (error) {
      own.terminate();
      worker.current = null;
      setState('broken');
      setProblem(error instanceof Error ? error.message : String(error));
      throw error;
    }
  }, []);
  const anew = useCallback(async () => {
    await worker.current?.api.anew();
  }, []);
  const see = useCallback((frame: ImageBitmap) => worker.current!.api.see(transfer(frame, [frame])), []);
  const follow = useCallback<EyeApi['follow']>(
    (pictures, of) => worker.current!.api.follow(pictures, of),
    [],
  );
  return { state, problem, wake, anew, see, follow };
}
