import { useSyncExternalStore } from 'react';

export const SOUND_MODES = ['tones', 'voice', 'mute'] as const;
export type SoundMode = (typeof SOUND_MODES)[number];
export const SOUND_WORDS: Record<SoundMode, string> = {
  tones: 'Tones',
  voice: 'Tones and voice',
  mute: 'Mute',
};

const KEY = 'meister-sound';
const listeners = new Set<() => void>();

const current = (): SoundMode => SOUND_MODES.find((m) => m === localStorage.getItem(KEY)) ?? 'tones';

export function setSoundMode(mode: SoundMode): void {
  localStorage.setItem(KEY, mode);
  listeners.forEach((l) => l());
}

/** Tones until chosen otherwise: without a voice. */
export const useSoundMode = (): SoundMode =>
  useSyncExternalStore((l) => {
    listeners.add(l);
    return () => listeners.delete(l);
  }, current);
