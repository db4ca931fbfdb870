export { FitCardView, FitRows, SettingsLine, proposedBy } from './fit-card.tsx';
export { BarPanel } from './bar.tsx';
export type { OnBar } from './bar.tsx';
export { FloorFit } from './floor-fit.tsx';
export { SetToBody } from './set-to-body.tsx';
export { ContentPanel } from './content-panel.tsx';
export { useLoads } from './use-loads.ts';
export { FitFor } from './fit-for.tsx';
export { absenceWords, countWords, sizeWords } from './words.ts';
