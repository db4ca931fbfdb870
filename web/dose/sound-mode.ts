import { kept, useKept } from '../ui/index.ts';

export const SOUND_MODES = ['tones', 'voice', 'mute'] as const;
export type SoundMode = (typeof SOUND_MODES)[number];
export const SOUND_WORDS: Record<SoundMode, string> = {
  tones: 'Tones',
  voice: 'Tones and voice',
  mute: 'Mute',
};

// As a bare word, as the versions before kept it.
const mode = kept<SoundMode>('meister-sound', {
  none: 'tones',
  read: (text) => SOUND_MODES.find((m) => m === text),
  write: (m) => m,
});

export const setSoundMode = mode.put;
export const soundMode = (): SoundMode => mode.current();

/** Tones until chosen otherwise: without a voice. */
export const useSoundMode = (): SoundMode => useKept(mode);
