export * from './demand.ts';
