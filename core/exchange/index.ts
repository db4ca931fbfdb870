export * from './library-file.ts';
export * from './set-rows.ts';
