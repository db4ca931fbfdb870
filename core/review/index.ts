export { criterionEffects, effectsOf } from './effects.ts';
export type { CriterionEffect, Effects } from './effects.ts';
export { BLOCKING, HEALTH_KINDS, findingsOfChange, healthOf } from './health.ts';
export type { Finding, HealthInput, HealthKind } from './health.ts';
