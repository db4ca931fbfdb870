export { kitRoutes } from './routes.ts';
export { piecesOfHall, putPieces } from './store.ts';
