export { libraryRoutes } from './routes.ts';
export { adviceRoutes } from './advice.ts';
export { shelfAt, shelfInForce } from './shelf.ts';
export { beginWithShipped } from './shipped.ts';
export { shippedLibraryFile } from './shipped-file.ts';
export { putKit } from './kit.ts';
export { importLibrary, exportLibrary } from './exchange.ts';
