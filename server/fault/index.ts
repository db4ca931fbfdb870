export { faultRoutes } from './routes.ts';
export { faultReport } from './report.ts';
export { deskKnowledge } from './cases.ts';
