export * from './demand.ts';
export * from './variation.ts';
export * from './order.ts';
export * from './nearest.ts';
export * from './consequences.ts';
export * from './spread.ts';
export * from './instead.ts';
