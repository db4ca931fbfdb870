export { libraryRoutes } from './routes.ts';
export { adviceRoutes } from './advice.ts';
export { readerOf } from './reader.ts';
export { shelfAt, shelfInForce } from './shelf.ts';
export { beginWithShipped } from './shipped.ts';
export { shippedLibraryFile } from './shipped-file.ts';
export { importLibrary, exportLibrary } from './exchange.ts';
