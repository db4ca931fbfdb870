import { kept } from '../ui/index.ts';
import type { Kept } from '../ui/index.ts';

/** Choices that belong to this screen rather than to the hall. */
export interface Preferences {
  theme: 'light' | 'bright' | 'dark';
  massUnit: 'kg' | 'lb';
  lengthUnit: 'cm' | 'in';
  /** What a new hall still lacks need not be told here. */
  firstSteps: 'away';
  /** The house questions were looked through. */
  houseQuestions: 'answered';
}

/** As a bare word under `meister.<key>`; null: nothing was chosen here. */
const oneOf = <T extends string>(key: string, ...words: T[]): Kept<T | null> =>
  kept<T | null>(`meister.${key}`, {
    none: null,
    read: (text) => words.find((w) => w === text),
    write: (word) => word ?? '',
  });

export const preferences: { [K in keyof Preferences]: Kept<Preferences[K] | null> } = {
  theme: oneOf('theme', 'light', 'bright', 'dark'),
  massUnit: oneOf('massUnit', 'kg', 'lb'),
  lengthUnit: oneOf('lengthUnit', 'cm', 'in'),
  firstSteps: oneOf('firstSteps', 'away'),
  houseQuestions: oneOf('houseQuestions', 'answered'),
};

export function setTheme(theme: Preferences['theme']): void {
  document.documentElement.dataset.theme = theme;
  preferences.theme.put(theme);
}

export const currentTheme = () => document.documentElement.dataset.theme as Preferences['theme'];
