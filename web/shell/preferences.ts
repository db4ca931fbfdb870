/** Choices that belong to this screen rather than to the hall. */
export interface Preferences {
  theme: 'light' | 'dark';
  massUnit: 'kg' | 'lb';
  lengthUnit: 'cm' | 'in';
}

export function readPreference<K extends keyof Preferences>(key: K): Preferences[K] | null {
  return localStorage.getItem(`meister.${key}`) as Preferences[K] | null;
}

export function writePreference<K extends keyof Preferences>(key: K, value: Preferences[K]): void {
  localStorage.setItem(`meister.${key}`, value);
  dispatchEvent(new Event('meister:preferences'));
}

export function setTheme(theme: Preferences['theme']): void {
  document.documentElement.dataset.theme = theme;
  writePreference('theme', theme);
}

export const currentTheme = () => document.documentElement.dataset.theme as Preferences['theme'];
