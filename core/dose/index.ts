export {
  INTERVAL,
  READY_S,
  betweenMs,
  holdPlan,
  intervalPlan,
  repsDone,
  restPlan,
  roundsDone,
  roundsInWeek,
  signalsOf,
  stretchAt,
  tempoPlan,
  workedS,
} from './clock.ts';
export type { ClockPlan, Moment, Reading, SignalKind, Stretch } from './clock.ts';
export { cycleOf, cycleS, placeAt } from './cycle.ts';
export type { Leg as TempoLeg } from './cycle.ts';
export { drillPlan } from './drill.ts';
export type { DrillAmount } from './drill.ts';
export { restFollows, whoIsNext } from './turn.ts';
export { doseFor, doseWords, tempoWords } from './words.ts';
export { leastOf, timesDone, workTimeS } from './work-time.ts';
