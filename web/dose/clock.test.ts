// @vitest-environment jsdom
import { beforeEach, describe, expect, it } from 'vitest';
import { holdPlan, intervalPlan, signalsOf, stretchAt, tempoPlan } from '../../core/dose/index.ts';
import { clocks, elapsedS, restLeftS } from './clock-store.ts';
import { ClockSound, MOST_DRIFT_S } from './sound.ts';
import type { AudioLike } from './sound.ts';
import { minutes, momentWord } from './words.ts';

const at = (s: number, asleepS = 0) => ({ steadyMs: 1000 * (s - asleepS), wallMs: 1000 * s });
const tempo = { loweringS: 3, bottomS: 1, risingS: 1, topS: 1 };
const ten = tempoPlan(tempo, 100);
const start = (plan = ten, s = 0) =>
  clocks.start({ personId: 'p', label: 'P, squat', path: '/floor/session', kind: 'tempo', plan }, at(s));
const elapsed = (s: number, asleepS = 0) => elapsedS(clocks.current().run!, at(s, asleepS));

beforeEach(() => {
  clocks.stop();
  clocks.endRest('p');
  localStorage.clear();
});

describe('the clock over ten minutes, under a fake clock', () => {
  it('shows the right stretch at every tenth of a second, however seldom it was looked at', () => {
    start();
    // Looked at every tenth of a second, and once after ten minutes in another view: the same.
    for (let tick = 0; tick <= 6000; tick++) {
      const s = tick / 10;
      expect(Math.abs(elapsed(s) - s)).toBeLessThan(1e-9);
    }
    start();
    expect(elapsed(600)).toBe(600);
    expect(stretchAt(ten, elapsed(600.5))).toMatchObject({ rep: 100, moment: 'lowering' });
  });

  it('goes on over sleep: the steady clock stood still, the wall clock did not', () => {
    start();
    expect(elapsed(600, 570)).toBe(600);
  });

  it('stands still while it is paused and goes on from there', () => {
    start();
    clocks.pause(at(10));
    expect(elapsed(300)).toBe(10);
    clocks.goOn(at(300));
    expect(elapsed(305)).toBe(15);
    clocks.pause(at(310));
    clocks.pause(at(400));
    expect(elapsed(500)).toBe(20);
  });

  it('changes sides at twenty seconds of each round to the hundredth', () => {
    const plan = intervalPlan(5, { oneSided: true });
    start(plan);
    for (let round = 0; round < 5; round++) {
      const change = 5 + round * 60 + 20;
      expect(stretchAt(plan, elapsed(change - 0.01))).toMatchObject({ side: 'left', round: round + 1 });
      expect(stretchAt(plan, elapsed(change))).toMatchObject({ side: 'right', round: round + 1 });
    }
  });

  it('is kept on the tablet, for a reload', () => {
    start(holdPlan(30));
    const kept = JSON.parse(localStorage.getItem('meister-clocks')!) as { run: { label: string } };
    expect(kept.run.label).toBe('P, squat');
  });

  it('times the rest of everybody, until their next set', () => {
    clocks.rest('p', 90, at(0));
    clocks.rest('q', 60, at(30));
    expect(restLeftS(clocks.current().rests['p'], at(40))).toBe(50);
    expect(restLeftS(clocks.current().rests['q'], at(40))).toBe(50);
    expect(restLeftS(clocks.current().rests['p'], at(200))).toBe(0);
    start(ten, 41);
    expect(clocks.current().rests['p']).toBeUndefined();
    expect(clocks.current().rests['q']).toBeDefined();
    clocks.stopFor('q');
    expect(clocks.current().run).not.toBeNull();
    clocks.stopFor('p');
    expect(clocks.current().run).toBeNull();
  });
});

/** An audio clock that runs by hand, a little wrong if wanted, and notes what is laid out on it. */
function fakeAudio() {
  let now = 0;
  let silenced = 0;
  const laid: { at: number }[] = [];
  const audio: AudioLike = {
    get currentTime() {
      return now;
    },
    destination: {},
    createGain: () => ({
      gain: { value: 1 },
      connect: () => undefined,
      disconnect: () => void silenced++,
    }),
    createOscillator: () => ({
      frequency: { value: 0 },
      connect: () => undefined,
      start: (t) => void laid.push({ at: t }),
      stop: () => undefined,
    }),
  };
  return { audio, laid, advance: (s: number) => void (now += s), silenced: () => silenced };
}

describe('sounds on the audio clock', () => {
  it('are laid out once for the whole plan, each at its moment: no timer can make them late', () => {
    const { audio, laid, advance } = fakeAudio();
    advance(7);
    new ClockSound(audio).play(ten, 0);
    expect(laid.map((l) => l.at)).toEqual(signalsOf(ten).map((s) => 7 + s.atS));
    expect(Math.max(...laid.map((l) => l.at)) - 7).toBe(ten.totalS);
  });

  it('leave out what is over when the clock goes on after a pause', () => {
    const { audio, laid } = fakeAudio();
    const sound = new ClockSound(audio);
    sound.play(ten, 300);
    expect(laid[0]!.at).toBeGreaterThanOrEqual(0);
    expect(laid.length).toBe(signalsOf(ten).filter((s) => s.atS >= 300).length);
  });

  it('never part from the steady clock by more than a fiftieth of a second in ten minutes', () => {
    // A sound card whose clock is a hundred millionths fast would be 60 ms off by then.
    const { audio, laid, advance } = fakeAudio();
    const sound = new ClockSound(audio);
    sound.play(ten, 0);
    let worst = 0;
    for (let s = 5; s <= 600; s += 5) {
      advance(5 * 1.0001);
      sound.follow(ten, s);
      const next = signalsOf(ten).find((x) => x.atS >= s)!;
      const due = laid.findLast((l) => Math.abs(l.at - audio.currentTime - (next.atS - s)) < 0.5)!;
      worst = Math.max(worst, Math.abs(due.at - audio.currentTime - (next.atS - s)));
    }
    expect(worst).toBeLessThanOrEqual(MOST_DRIFT_S + 5 * 0.0001 + 1e-9);
  });

  it('are laid out anew after the sound was held up, and silent once stopped', () => {
    const { audio, laid, silenced, advance } = fakeAudio();
    const sound = new ClockSound(audio);
    sound.play(ten, 0);
    const first = laid.length;
    advance(1);
    expect(sound.follow(ten, 1)).toBe(false);
    // The page was suspended for half a minute: the audio clock stood still.
    expect(sound.follow(ten, 31)).toBe(true);
    expect(silenced()).toBe(1);
    expect(laid.length).toBeGreaterThan(first);
    sound.silence();
    expect(silenced()).toBe(2);
    expect(sound.follow(ten, 40)).toBe(false);
  });
});

describe('words', () => {
  it('say what is on', () => {
    expect(momentWord({ moment: 'lowering', side: 'left' })).toBe('Lower');
    expect(momentWord({ moment: 'work', side: 'right' })).toBe('Work, right');
    expect(momentWord({ moment: 'hold', side: null })).toBe('Hold');
    expect([0, 0.2, 42, 60, 125].map(minutes)).toEqual(['0:00', '0:01', '0:42', '1:00', '2:05']);
  });
});
