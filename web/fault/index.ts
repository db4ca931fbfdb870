export { ChainsBegun } from './chain-panel.tsx';
export { Desk } from './desk.tsx';
export { endedSet } from './ended-set.ts';
export { PersonFaults } from './person-faults.tsx';
export { SignPicture } from './sign-picture.tsx';
export { StopPanel } from './stop-panel.tsx';
export type { Stopped } from './stop-panel.tsx';
