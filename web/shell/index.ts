export * from './api.ts';
export * from './start.tsx';
export * from './preferences.ts';
export * from './address.ts';
