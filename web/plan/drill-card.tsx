import { Check, Play, SkipForward } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { drillPlan, stretchAt } from '../../core/dose/index.ts';
import type { LedDrill } from '../../core/floor/index.ts';
import { momentWord, useNow, usePlanSound, wakeAudio } from '../dose/index.ts';
import { Button, tidy } from '../ui/index.ts';
import { NOT_DONE, SKIPS } from './led.ts';
import type { DrillEnd } from './led.ts';

/** Ended this long ago and nobody looked: whether it was done is asked. */
const SEEN_S = 5;

/** "10 repetitions each side", "15 s each side". */
export function amountWords({ amount, apart }: Pick<LedDrill, 'amount' | 'apart'>): string {
  const sets = amount.sets > 1 ? `${amount.sets} × ` : '';
  const what = amount.holdS !== undefined ? `${tidy(amount.holdS)} s` : `${amount.reps ?? 1} repetitions`;
  return `${sets}${what}${apart ? ' each side' : ''}`;
}

/** One drill as it is led: what, how much, which side, for how long, and how it ends. */
export function DrillCard({
  drill,
  number,
  of,
  startedAt,
  onStart,
  onEnd,
  onPain,
  sounds = false,
}: {
  drill: LedDrill;
  number: number;
  of: number;
  /** null: not begun. */
  startedAt: number | null;
  onStart: () => void;
  onEnd: (end: DrillEnd, elapsedS: number) => void;
  /** Absent: there is another way to say so on the page. */
  onPain?: (elapsedS: number) => void;
  /** Where it is the only one that is led here. */
  sounds?: boolean;
}) {
  const plan = useMemo(() => drillPlan(drill.amount, drill.tempo, drill.apart), [drill]);
  const now = useNow(250, startedAt !== null).wallMs;
  usePlanSound(plan, sounds ? startedAt : null);
  const [skipping, setSkipping] = useState(false);
  const s = startedAt === null ? 0 : Math.max(0, (now - startedAt) / 1000);
  const on = stretchAt(plan, s);
  const over = startedAt !== null && s >= plan.totalS;
  const unseen = over && s > plan.totalS + SEEN_S;
  const ended = useRef(false);
  useEffect(() => {
    if (!over || unseen || ended.current) return;
    ended.current = true;
    onEnd({ how: 'whole' }, plan.totalS);
  }, [over, unseen, onEnd, plan.totalS]);
  return (
    <div>
      <p className="text-sm text-soft">
        {number} of {of}, {drill.step}, {drill.because}
      </p>
      <p className="font-head text-2xl leading-tight font-bold">{drill.name}</p>
      <p className="text-xl">{amountWords(drill)}</p>
      {drill.cue && <p className="text-lg font-semibold">{drill.cue}</p>}
      {drill.wanted[0] && (
        <p className="text-soft">
          Felt as {drill.wanted[0].kind}: {drill.wanted[0].region}
        </p>
      )}
      {startedAt === null ? (
        <Button
          floor
          tone="main"
          className="mt-2 w-full"
          onClick={() => {
            wakeAudio();
            onStart();
          }}
        >
          <Play aria-hidden="true" size={20} /> Begin
        </Button>
      ) : unseen ? (
        <div className="mt-2" role="group" aria-label="Was it done?">
          <p className="font-semibold">Its time is over, and this page was not open. Was it done?</p>
          <div className="mt-1 grid grid-cols-2 gap-2">
            <Button floor tone="main" onClick={() => onEnd({ how: 'whole' }, plan.totalS)}>
              <Check aria-hidden="true" size={20} /> Done, all of it
            </Button>
            <Button floor onClick={() => onEnd({ how: 'skipped', why: NOT_DONE }, s)}>
              Not done
            </Button>
          </div>
        </div>
      ) : (
        <>
          <div className="mt-2 flex items-end justify-between">
            <span className="font-head text-3xl font-bold">{on ? momentWord(on) : 'Done'}</span>
            <span className="font-head text-5xl leading-none font-bold tabular-nums" role="timer">
              {on ? Math.ceil((on.moment === 'work' ? lastOf(plan, on) : on.toS) - s) : 0}
              <span className="text-xl"> s</span>
            </span>
          </div>
          <div className="mt-2 grid grid-cols-2 gap-2">
            <Button floor onClick={() => onEnd({ how: 'felt' }, s)}>
              <Check aria-hidden="true" size={20} /> Felt it: enough
            </Button>
            <Button floor onClick={() => onEnd({ how: 'stopped' }, s)}>
              Done
            </Button>
          </div>
        </>
      )}
      {skipping ? (
        <div className="mt-2 grid grid-cols-2 gap-2" role="group" aria-label="Why it is left out">
          {SKIPS.map((why) => (
            <Button key={why} floor className="text-base!" onClick={() => onEnd({ how: 'skipped', why }, s)}>
              {why}
            </Button>
          ))}
        </div>
      ) : (
        <div className="mt-1 flex flex-wrap gap-2">
          <Button floor tone="quiet" onClick={() => setSkipping(true)}>
            <SkipForward aria-hidden="true" size={18} /> Leave it out
          </Button>
          {onPain && (
            <Button floor tone="danger" onClick={() => onPain(s)}>
              Pain
            </Button>
          )}
        </div>
      )}
    </div>
  );
}

/** The end of the work under way: repetitions of one side are one stretch to whoever does them. */
function lastOf(plan: ReturnType<typeof drillPlan>, on: NonNullable<ReturnType<typeof stretchAt>>): number {
  let to = on.toS;
  for (const x of plan.stretches) if (x.fromS === to && x.moment === 'work' && x.side === on.side) to = x.toS;
  return to;
}
