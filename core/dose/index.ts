export * from './work-time.ts';
export * from './words.ts';
export * from './clock.ts';
export * from './turn.ts';
