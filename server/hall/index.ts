export { hallRoutes } from './routes.ts';
export { editionHeader } from './edition.ts';
export { hallRow, dayIn, addStaff, saveSquad, squadList } from './store.ts';
