export { faultRoutes } from './routes.ts';
export { faultReport } from './report.ts';
