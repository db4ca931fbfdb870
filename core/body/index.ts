export * from './mass-sets.ts';
export * from './build.ts';
