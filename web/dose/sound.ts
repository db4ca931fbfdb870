import { signalsOf } from '../../core/dose/index.ts';
import type { ClockPlan, SignalKind } from '../../core/dose/index.ts';

/** What is used of an AudioContext. */
export interface AudioLike {
  readonly currentTime: number;
  readonly destination: unknown;
  createOscillator: () => {
    frequency: { value: number };
    connect: (to: never) => unknown;
    start: (at: number) => void;
    stop: (at: number) => void;
  };
  createGain: () => {
    gain: { value: number };
    connect: (to: never) => unknown;
    disconnect: () => void;
  };
}

/** Pitch, length and loudness of each signal: low within a repetition, high at its start, long at the end. */
const TONES: Record<SignalKind, { hz: number; s: number; loud: number }> = {
  count: { hz: 520, s: 0.06, loud: 0.35 },
  turn: { hz: 390, s: 0.07, loud: 0.4 },
  go: { hz: 780, s: 0.12, loud: 0.6 },
  sides: { hz: 980, s: 0.35, loud: 0.7 },
  end: { hz: 660, s: 0.7, loud: 0.7 },
};

/** The audio clock may part from the steady one by so much before the sounds are laid out anew. */
export const MOST_DRIFT_S = 0.02;

/**
 * Lays every sound of a plan out on the audio clock at once: no timer is needed, so that they come on time with the
 * screen locked or another view open.
 */
export class ClockSound {
  readonly #audio: AudioLike;
  #laid: { gain: ReturnType<AudioLike['createGain']>; audioAt: number; elapsedS: number } | null = null;

  constructor(audio: AudioLike) {
    this.#audio = audio;
  }

  /** @param elapsedS how far the plan has run by now */
  play(plan: ClockPlan, elapsedS: number): void {
    this.silence();
    const gain = this.#audio.createGain();
    gain.connect(this.#audio.destination as never);
    const now = this.#audio.currentTime;
    for (const { atS, kind } of signalsOf(plan)) {
      if (atS < elapsedS || elapsedS >= plan.totalS) continue;
      const { hz, s, loud } = TONES[kind];
      const tone = this.#audio.createOscillator();
      const own = this.#audio.createGain();
      own.gain.value = loud;
      tone.frequency.value = hz;
      tone.connect(own as never);
      own.connect(gain as never);
      tone.start(now + atS - elapsedS);
      tone.stop(now + atS - elapsedS + s);
    }
    this.#laid = { gain, audioAt: now, elapsedS };
  }

  /** Lays the rest out anew where the two clocks have parted, as after sleep. @returns whether they had */
  follow(plan: ClockPlan, elapsedS: number): boolean {
    if (!this.#laid) return false;
    const parted = this.#audio.currentTime - this.#laid.audioAt - (elapsedS - this.#laid.elapsedS);
    if (Math.abs(parted) <= MOST_DRIFT_S) return false;
    this.play(plan, elapsedS);
    return true;
  }

  silence(): void {
    this.#laid?.gain.disconnect();
    this.#laid = null;
  }
}
