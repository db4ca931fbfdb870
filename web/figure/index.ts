export { Drawing } from './drawing.tsx';
export type { Detail } from './drawing.tsx';
export { Movement, MovementIcon, PATTERN_OF_POSTURE } from './movement.tsx';
export { solved } from './ranges.ts';
export { bodyShapes, frameOf, limbPath, svgPoint } from './shape.ts';
