import { betweenMs } from '../../core/dose/index.ts';
import { kept } from '../ui/index.ts';
import type { ClockPlan, Reading } from '../../core/dose/index.ts';

export type ClockKind = 'tempo' | 'interval' | 'hold';

/** The clock that runs a set. It is kept on the tablet, so that another view or a reload changes nothing. */
export interface Run {
  personId: string;
  /** Whose set it is, and of what. */
  label: string;
  /** The page it was started on, to come back to. */
  path: string;
  kind: ClockKind;
  plan: ClockPlan;
  /** null while it is paused. */
  startedAt: Reading | null;
  /** What had run before the last start, ms. */
  beforeMs: number;
}
export interface Rest {
  from: Reading;
  restS: number;
}
export interface Clocks {
  run: Run | null;
  /** By person. */
  rests: Readonly<Record<string, Rest>>;
}

const NONE: Clocks = { run: null, rests: {} };

/** Steady across reloads: counted from when the page was opened, on the scale of the wall clock. */
export const readingNow = (): Reading => ({
  steadyMs: performance.timeOrigin + performance.now(),
  wallMs: Date.now(),
});

const store = kept<Clocks>('meister-clocks', {
  none: NONE,
  read: (text) => ({ ...NONE, ...(JSON.parse(text) as Clocks) }),
});

export const elapsedS = (run: Run, now: Reading): number =>
  (run.beforeMs + (run.startedAt ? betweenMs(run.startedAt, now) : 0)) / 1000;

/** Seconds of rest still owed; 0 when rested. */
export const restLeftS = (rest: Rest | undefined, now: Reading): number =>
  rest ? Math.max(0, rest.restS - betweenMs(rest.from, now) / 1000) : 0;

export const clocks = {
  subscribe: store.subscribe,
  current: store.current,

  start(run: Pick<Run, 'personId' | 'label' | 'path' | 'kind' | 'plan'>, now = readingNow()): void {
    const { [run.personId]: _over, ...rests } = store.current().rests;
    store.put({ run: { ...run, startedAt: now, beforeMs: 0 }, rests });
  },

  pause(now = readingNow()): void {
    const { run } = store.current();
    if (!run?.startedAt) return;
    store.put({ ...store.current(), run: { ...run, startedAt: null, beforeMs: elapsedS(run, now) * 1000 } });
  },

  goOn(now = readingNow()): void {
    const { run } = store.current();
    if (run && !run.startedAt) store.put({ ...store.current(), run: { ...run, startedAt: now } });
  },

  stop(): void {
    if (store.current().run) store.put({ ...store.current(), run: null });
  },

  /** Their set is logged: a clock that still ran for it is over. */
  stopFor(personId: string): void {
    if (store.current().run?.personId === personId) this.stop();
  },

  rest(personId: string, restS: number, now = readingNow()): void {
    store.put({ ...store.current(), rests: { ...store.current().rests, [personId]: { from: now, restS } } });
  },

  /** The set was taken back, or the next one begins. */
  endRest(personId: string): void {
    if (!store.current().rests[personId]) return;
    const { [personId]: _over, ...rests } = store.current().rests;
    store.put({ ...store.current(), rests });
  },
};
