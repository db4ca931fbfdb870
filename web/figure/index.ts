export { Drawing } from './drawing.tsx';
export type { Detail } from './drawing.tsx';
export { frameOf, limbPath, bodyShapes, svgPoint } from './shape.ts';
