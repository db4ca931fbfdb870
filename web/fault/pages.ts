export { DeskPage } from './desk-page.tsx';
export { RatePage } from './rate-page.tsx';
export { FaultReportPage } from './report-page.tsx';
