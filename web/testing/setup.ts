import { cleanup } from '@testing-library/react';
import { afterEach, vi } from 'vitest';

// Nothing of a test stays for the next one.
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  localStorage.clear();
  sessionStorage.clear();
});
