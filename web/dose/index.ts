export { callOut, ClockKeeper, usePlanSound, wakeAudio } from './clock-keeper.tsx';
export { ClockPanel } from './clock-panel.tsx';
export type { Ran } from './clock-panel.tsx';
export { clocks, elapsedS, restLeftS } from './clock-store.ts';
export { FloorFigure, placeIn } from './floor-figure.tsx';
export { RunningBand } from './running-band.tsx';
export { useClocks, useNow } from './use-clocks.ts';
export { minutes, momentWord } from './words.ts';
