export * from './plane.ts';
export * from './root.ts';
export * from './standing.ts';
export * from './squat.ts';
export * from './hinge.ts';
export * from './bridge.ts';
export * from './lunge.ts';
