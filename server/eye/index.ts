export { eyeRoutes } from './routes.ts';
