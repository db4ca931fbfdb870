export { sharedLink } from './shares.ts';
export { sheetRoutes } from './routes.ts';
