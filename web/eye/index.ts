import { lazy } from 'react';

export { PersonEye } from './person-eye.tsx';
/** Loads with its network where it is opened. */
export const BeforeAfter = lazy(async () => ({
  default: (await import('./before-after.tsx')).BeforeAfter,
}));
