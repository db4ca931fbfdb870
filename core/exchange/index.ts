export * from './library-file.ts';
