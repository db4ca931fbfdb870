export { MeasurePage } from './measure-page.tsx';
