export * from './availability.ts';
