export { Drawing } from './drawing.tsx';
export type { Detail } from './drawing.tsx';
export { Movement, MovementIcon } from './movement.tsx';
export { solved } from './ranges.ts';
export { bodyShapes, frameOf, limbPath, svgPoint } from './shape.ts';
