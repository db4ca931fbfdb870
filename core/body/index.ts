export * from './constants.ts';
export * from './mass-sets.ts';
export * from './build.ts';
export * from './ranges.ts';
export * from './person.ts';
export * from './plausible.ts';
