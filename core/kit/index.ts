export { atOnce, equalsAmong, fitOf } from './availability.ts';
export { pullWithinKg } from './bands.ts';
export { bandCurve, crossOver, pullAt, rankBands } from './bands.ts';
export type { BandCurve, BandRank, NotRanked, Pull, ReadBand } from './bands.ts';
export { fitCard, fitRows, settingsOf } from './card.ts';
export { runOf } from './runs.ts';
export type { Run, RunBody, RunResult } from './runs.ts';
export type { FitCard, FitFor, FitOn, HallThings } from './card.ts';
export type { FitRow, Misfit, OwnThing } from './placed.ts';
export type { Asked, NotAsked } from './asked.ts';
export {
  barAtBottomM,
  extensionPadM,
  eyeMarkM,
  eyesM,
  heelToWallM,
  hooksM,
  lungeStepM,
  platformM,
  rearSeatM,
  safetiesM,
  seatedBoxM,
  shoulderM,
  sideStepM,
  stepM,
  thrustBenchM,
  touchedBoxM,
  wedgeM,
} from './fit.ts';
export type { Worn } from './fit.ts';
export { barsOf, loadsFrom, loadsOfHall, usualLoads } from './loads.ts';
export type { LoadList, OwnBar } from './loads.ts';
export {
  HOME_THINGS,
  MOST_AT_HOME_KG,
  HOME_THING_NAMES,
  contentKg,
  equipmentAtHome,
  homeLoad,
  scaledKg,
} from './home.ts';
export type { Content, HomeLoad, HomeThing } from './home.ts';
export { MARK_SETS, boxOf, marksFor, sheetsOf } from './marks.ts';
export type { MarkSet, PaperPart, Tape } from './marks.ts';
export { ballDiameterM } from './nearest.ts';
export { inBarUnit, loadFor, loadsOn, rampOver, warmUpLoads } from './plates.ts';
export { changeBetween, shareBar } from './sharing.ts';
export type { Sharing, Turns } from './sharing.ts';
export { setOn, touchedThighDeg } from './set-on.ts';
export {
  CURVE,
  MOST_WISHES,
  boughtIn,
  greedy,
  holesOf,
  programOf,
  recount,
  wayOf,
  weightOf,
} from './purchases.ts';
export type { Closed, Group, Hole, Purchase, Way, Wish } from './purchases.ts';
export { sizesTyped, typedSizes } from './typed.ts';
export type { TypedSize } from './typed.ts';
export type { BarKit, Loadable, Loading, PlatePairs, Ramp, Stack } from './plates.ts';
