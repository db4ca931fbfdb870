export { faultRoutes } from './routes.ts';
