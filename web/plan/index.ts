export { DrillCard } from './drill-card.tsx';
export { HourBand } from './hour-band.tsx';
export { HoursToday } from './hours-today.tsx';
export { drillSets, firstOf, goOn } from './led.ts';
export type { DrillEnd, Led } from './led.ts';
