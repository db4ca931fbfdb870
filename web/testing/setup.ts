import { cleanup } from '@testing-library/react';
import { afterEach, vi } from 'vitest';

// Nothing of a test stays for the next one.
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  localStorage.clear();
  sessionStorage.clear();
});

// The stand-in lays nothing out, so that there is nothing to observe and nowhere to scroll.
globalThis.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
};
if (!('scrollIntoView' in Element.prototype)) {
  Object.assign(Element.prototype, { scrollIntoView: () => undefined });
}
