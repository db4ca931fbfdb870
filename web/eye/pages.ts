export { EyePage } from './eye-page.tsx';
export { MeasurePage } from './measure-page.tsx';
