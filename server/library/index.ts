export { libraryRoutes } from './routes.ts';
export { adviceRoutes } from './advice.ts';
export { shelfAt, shelfInForce, editionHeader } from './shelf.ts';
export { personAskedFor } from './reader.ts';
export type { ShelfInForce } from './shelf.ts';
export { importLibrary, exportLibrary } from './exchange.ts';
