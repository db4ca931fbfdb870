import { preferences } from './preferences.ts';

/** Set before the first paint, from its own file: the content policy allows no inline script. */
document.documentElement.dataset.theme =
  preferences.theme.current() ?? (matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light');
