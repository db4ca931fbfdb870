import { Button, useKept } from '../ui/index.ts';
import { currentTheme, preferences, setTheme } from './preferences.ts';

const NEXT = { light: 'bright', bright: 'dark', dark: 'light' } as const;
const WORDS = { light: 'Plain', bright: 'Bright hall', dark: 'Dim hall' } as const;

/** How the floor looks: plain, large black on white to be read from two metres in a bright hall, or dark. */
export function FloorLook() {
  const look = useKept(preferences.theme) ?? currentTheme();
  return (
    <Button
      aria-label={`Look: ${WORDS[look]}. Press for ${WORDS[NEXT[look]].toLowerCase()}`}
      className="max-lg:min-h-11"
      onClick={() => setTheme(NEXT[look])}
    >
      Look: {WORDS[look].toLowerCase()}
    </Button>
  );
}
