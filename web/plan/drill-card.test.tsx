import { act, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { drillPlan } from '../../core/dose/index.ts';
import type { LedDrill } from '../../core/floor/index.ts';
import { DrillCard } from './drill-card.tsx';

const DRILL = {
  variation: 'lying-clam',
  name: 'Clamshell',
  step: 'activation',
  because: 'before Goblet squat',
  amount: { sets: 1, holdS: 20, restS: 0 },
  countedIn: 'seconds held',
  tempo: { loweringS: 2, bottomS: 0, risingS: 1, topS: 0 },
  apart: false,
  cue: null,
  wanted: [],
} as unknown as LedDrill;
const WHOLE_MS = 1000 * drillPlan(DRILL.amount, DRILL.tempo, DRILL.apart).totalS;
const NOW = Date.parse('2026-12-01T12:00:00Z');

beforeEach(() => vi.useFakeTimers({ now: NOW }));
afterEach(() => vi.useRealTimers());

const shown = (startedAt: number) => {
  const onEnd = vi.fn();
  render(
    <DrillCard
      drill={DRILL}
      number={1}
      of={2}
      startedAt={startedAt}
      onStart={() => undefined}
      onEnd={onEnd}
    />,
  );
  return onEnd;
};

it('is done whole when its time ends while it is watched', () => {
  const onEnd = shown(NOW - WHOLE_MS + 1000);
  expect(onEnd).not.toHaveBeenCalled();
  act(() => void vi.advanceTimersByTime(1500));
  expect(onEnd).toHaveBeenCalledExactlyOnceWith({ how: 'whole' }, WHOLE_MS / 1000);
});

it('asks whether it was done where its time ended and nobody looked', () => {
  const onEnd = shown(NOW - WHOLE_MS - 60_000);
  act(() => void vi.advanceTimersByTime(1000));
  expect(onEnd).not.toHaveBeenCalled();
  act(() => screen.getByRole('button', { name: 'Not done' }).click());
  expect(onEnd).toHaveBeenCalledExactlyOnceWith({ how: 'skipped', why: 'not done' }, expect.any(Number));
});
