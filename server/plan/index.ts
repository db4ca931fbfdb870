export { planRoutes } from './routes.ts';
