export { benchForLevelTopM, bridgeRange, fittedBenchM, topSlopeDeg } from './bridge.ts';
export type { BridgeSetUp } from './bridge.ts';
export { describePosture, describeRange } from './describe.ts';
export { extension } from './extension.ts';
export type { ArmPoints, Figure, LegPoints, Prop } from './figure-points.ts';
export { figureAt } from './figure.ts';
export { hinge, hingeMasses, hipTravelM, lift } from './hinge.ts';
export type { HingeSetUp, LiftSetUp } from './hinge.ts';
export { lunge, lungeMasses, rightAngleStepM } from './lunge.ts';
export type { LungeSetUp } from './lunge.ts';
export {
  FREE_HANDS,
  LOAD_LOOKS,
  RULED_MEMBERS,
  WALLS,
  ruledAgain,
  settleMechanics,
  settleMembers,
  settledAlone,
  settledUnder,
} from './mechanics.ts';
export type {
  DrawnPose,
  LoadLook,
  Mechanics,
  ReferenceLoad,
  SettledMechanics,
  SettledOf,
  Shown,
} from './mechanics.ts';
export { rootBetween } from './root.ts';
export { between, centreX, clamp, circlesMeet, deg, firstMoment, rad, totalMass } from './plane.ts';
export type { Point, PointMass } from './plane.ts';
export { leanForShareDeg, whatHelps } from './possible.ts';
export type { Help } from './possible.ts';
export { allMasses, isHeld } from './posture.ts';
export type { LegMoments, Masses, Posture, Verdict } from './posture.ts';
export { limitsOf, referenceLoadKg, solverOf, undeterminedIn } from './movements/index.ts';
export { isComputed } from './movements/movement.ts';
export type { Computed, Limits, Undetermined } from './movements/movement.ts';
export { massesOf, rangeOf, workingOf } from './range.ts';
export type { Range } from './range.ts';
export { legAngles } from './limits.ts';
export type { Lack } from './limits.ts';
export { squat, squatAt, squatFixed, squatMasses, stepUp } from './squat.ts';
export type { SquatSetUp } from './squat.ts';
export { loadPoint } from './upper.ts';
export type { LoadAt } from './upper.ts';
export { leanNeededDeg, whyLean } from './why.ts';
