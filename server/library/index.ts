export { libraryRoutes } from './routes.ts';
export { adviceRoutes } from './advice.ts';
export { shelfInForce, editionHeader } from './shelf.ts';
export type { ShelfInForce } from './shelf.ts';
export { importLibrary, exportLibrary } from './exchange.ts';
