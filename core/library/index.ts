export * from './vocabulary.ts';
export * from './documents.ts';
export * from './mechanics.ts';
export * from './shelf.ts';
export * from './references.ts';
export * from './integrity.ts';
export * from './predicate.ts';
export * from './resolve.ts';
