export * from './work-time.ts';
export * from './words.ts';
