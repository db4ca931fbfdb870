export * from './canonical.ts';
export * from './library-file.ts';
