export * from './controls.tsx';
export * from './dialog.tsx';
export * from './marks.tsx';
export * from './units.ts';
export * from './dates.ts';
export * from './plot.ts';
export * from './keys.ts';
export * from './use-rested.ts';
