export { hallRoutes } from './routes.ts';
export { hallRow, hallToday, dayIn, addStaff, saveSquad, squadList } from './store.ts';
