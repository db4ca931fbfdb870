/** Whether keys go into a field there, so that they are no shortcuts. */
export const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('input, textarea, select, [contenteditable]') !== null;
