import { useEffect, useEffectEvent, useRef } from 'react';

/** Whether keys go into a field there, so that they are no shortcuts. */
const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('input, textarea, select, [contenteditable]') !== null;

/** What a key does; `false`: nothing this time, and others may have it. */
type Press = (e: KeyboardEvent) => void | false;

/**
 * Keys by the character that they give, whatever must be held for it on this keyboard: `q`, `/`, `ArrowLeft`; `mod z` and
 * `mod shift z` with Control or Command; `g l` one after the other; `*` for every other key. They do nothing while
 * somebody types in a field or something lies over the page, and a key that does something does nothing else.
 */
export function useKeys(keys: Readonly<Record<string, Press>>, { first = false } = {}): void {
  const before = useRef('');
  const onKey = useEffectEvent((e: KeyboardEvent) => {
    const mod = e.ctrlKey || e.metaKey;
    if (typing(e.target) || e.altKey || document.querySelector('[role="dialog"]')) return;
    const name = mod ? `mod ${e.shiftKey ? 'shift ' : ''}${e.key.toLowerCase()}` : e.key;
    const press = keys[`${before.current} ${name}`] ?? keys[name] ?? (mod ? undefined : keys['*']);
    before.current = name;
    if (!press || press(e) === false) return;
    e.preventDefault();
    e.stopPropagation();
  });
  useEffect(() => {
    const listen = (e: KeyboardEvent) => onKey(e);
    // Before whoever listens for the same keys on the whole page.
    addEventListener('keydown', listen, first);
    return () => removeEventListener('keydown', listen, first);
  }, [first]);
}
