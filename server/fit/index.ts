export { fitRoutes } from './routes.ts';
