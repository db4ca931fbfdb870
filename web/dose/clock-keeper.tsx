import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { restPlan, stretchAt } from '../../core/dose/index.ts';
import type { ClockPlan } from '../../core/dose/index.ts';
import { clocks, elapsedS, readingNow, restLeftS } from './clock-store.ts';
import { ClockSound } from './sound.ts';
import { soundMode, useSoundMode } from './sound-mode.ts';
import { momentWord } from './words.ts';

/** The two clocks are compared so often. */
const FOLLOW_MS = 5_000;

let context: AudioContext | null = null;
/** A browser lets a page sound only after a tap: called from the button that starts the clock. */
export function wakeAudio(): void {
  if (typeof AudioContext === 'undefined') return;
  context ??= new AudioContext();
  void context.resume();
}

const localVoice = () =>
  typeof speechSynthesis === 'undefined'
    ? null
    : (speechSynthesis.getVoices().find((v) => v.localService) ?? null);

/** The change of a round, for the whole hall: two tones, or said by a voice of the device itself. */
export function callOut(words: string): void {
  const mode = soundMode();
  if (mode === 'mute') return;
  const voice = mode === 'voice' ? localVoice() : null;
  if (voice) {
    const said = new SpeechSynthesisUtterance(words);
    said.voice = voice;
    said.lang = voice.lang;
    speechSynthesis.speak(said);
    return;
  }
  if (context) new ClockSound(context).play(ROUND_CALL, 0);
}

/** Sounds a plan that runs outside the clocks: a drill that is led. @param startedAt wall clock, ms; null: silent */
export function usePlanSound(plan: ClockPlan, startedAt: number | null): void {
  const mode = useSoundMode();
  useEffect(() => {
    if (startedAt === null || mode === 'mute' || !context) return;
    const player = new ClockSound(context);
    player.play(plan, (Date.now() - startedAt) / 1000);
    return () => player.silence();
  }, [plan, startedAt, mode]);
}

/** Counted in, a tone at the change, and a long one. */
const ROUND_CALL = restPlan(1);

/** Sounds, voice and a screen that stays awake, whatever view is open. It shows nothing. */
export function ClockKeeper() {
  const { run, rests } = useSyncExternalStore(clocks.subscribe, clocks.current);
  const mode = useSoundMode();
  const sound = useRef<ClockSound | null>(null);
  const running = run?.startedAt != null;
  const [awake, setAwake] = useState(context !== null);
  const wanted = run !== null || Object.keys(rests).length > 0;

  useEffect(() => {
    // After a reload the page may sound again from the first tap on.
    if (awake || !wanted) return;
    const wake = () => {
      wakeAudio();
      setAwake(context !== null);
    };
    addEventListener('pointerdown', wake, { once: true });
    return () => removeEventListener('pointerdown', wake);
  }, [awake, wanted]);

  useEffect(() => {
    if (!run || !running || mode === 'mute' || !context) return;
    const player = (sound.current = new ClockSound(context));
    player.play(run.plan, elapsedS(run, readingNow()));
    const follow = () => void player.follow(run.plan, elapsedS(run, readingNow()));
    const timer = setInterval(follow, FOLLOW_MS);
    document.addEventListener('visibilitychange', follow);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', follow);
      player.silence();
    };
  }, [run, running, mode, awake]);

  useEffect(() => {
    if (mode === 'mute' || !context) return;
    // The end of everybody's rest is heard as well; a rest that is over is silent.
    const players = Object.values(rests).map((rest) => {
      const player = new ClockSound(context!);
      player.play(restPlan(rest.restS), rest.restS - restLeftS(rest, readingNow()));
      return player;
    });
    return () => players.forEach((p) => p.silence());
  }, [rests, mode, awake]);

  useEffect(() => {
    if (!run || !running || mode !== 'voice') return;
    let said: number | null = null;
    const timer = setInterval(() => {
      const now = stretchAt(run.plan, elapsedS(run, readingNow()));
      if (!now || now.fromS === said) return;
      said = now.fromS;
      const voice = localVoice();
      // Only a voice of the device itself: no word leaves the machine.
      if (!voice) return;
      const words = new SpeechSynthesisUtterance(momentWord(now));
      words.voice = voice;
      words.lang = voice.lang;
      speechSynthesis.cancel();
      speechSynthesis.speak(words);
    }, 100);
    return () => clearInterval(timer);
  }, [run, running, mode]);

  useEffect(() => {
    if (!running || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let over = false;
    const hold = () => {
      if (document.visibilityState !== 'visible') return;
      // Refused on a low battery; the clock runs on all the same.
      navigator.wakeLock.request('screen').then(
        (l) => {
          lock = l;
          if (over) void l.release();
        },
        () => undefined,
      );
    };
    hold();
    document.addEventListener('visibilitychange', hold);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', hold);
      void lock?.release();
    };
  }, [running]);
  return null;
}
