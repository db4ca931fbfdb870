import { Link } from 'react-router';
import { stretchAt } from '../../core/dose/index.ts';
import { elapsedS } from './clock-store.ts';
import { useClocks, useNow } from './use-clocks.ts';
import { minutes, momentWord } from './words.ts';

/** In the band of every room while a clock runs: what is on, and the way back to it. */
export function RunningBand() {
  const { run } = useClocks();
  const now = useNow(250, run?.startedAt != null);
  if (!run) return null;
  const s = elapsedS(run, now);
  const on = stretchAt(run.plan, s);
  return (
    <Link
      to={run.path}
      className="flex min-h-11 items-center gap-2 border-l-[6px] border-tape px-2 font-head no-underline"
    >
      <b>{on ? momentWord(on) : 'Done'}</b> {minutes(Math.max(0, run.plan.totalS - s))}
      <span className="hidden text-soft sm:inline">{run.label}</span>
    </Link>
  );
}
