export { otherSide } from './other-side.ts';
export { daysAfter, daysBetween } from './days.ts';
export type { IsoDate } from './days.ts';
export { placeOfFelt, sameFelt } from './felt.ts';
export type { Felt, Sore } from './felt.ts';
export {
  AIDS,
  AID_WORDS,
  ANSWER_KINDS,
  COUNTED_IN,
  CUE_KINDS,
  DIRECTIONS,
  DOMINANCES,
  FELT_KINDS,
  FOOT_WEIGHTS,
  FORMS,
  JOINTS,
  LATERALITIES,
  LEGS,
  LOAD_KINDS,
  LOAD_PLACES,
  MOST_AID,
  MUSCLES,
  PATTERNS,
  PHASES,
  PREPARE_STEPS,
  RANGE_TARGETS,
  REGIONS,
  ROLES,
  SEVERITIES,
  SEVERITY_WORDS,
  CAMERA_SIGNS,
  MEASURED_BY,
  SIDES,
  SIDE_ORDERS,
  SIGNERS,
  STAGES,
  STANCE_WIDTHS,
  SUPPORTS,
  VIEWS,
  VIEW_WORDS,
  aidWords,
  isAid,
  byPattern,
  usedWords,
} from './lists.ts';
export type {
  CameraSign,
  MeasuredBy,
  Aid,
  AnswerKind,
  CountedIn,
  Direction,
  Dominance,
  FeltKind,
  Form,
  Joint,
  Laterality,
  Leg,
  LoadKind,
  LoadPlace,
  Muscle,
  Pattern,
  Phase,
  PrepareStep,
  RangeTarget,
  Region,
  Role,
  Severity,
  Side,
  SideOrder,
  Signer,
  Stage,
  Support,
  View,
} from './lists.ts';
export type { ByAnswer, RuledNumber, Slug } from './ruled.ts';
export {
  SETTINGS,
  SETTING_NAMES,
  aboutSetting,
  isPaired,
  notedName,
  settingWords,
  settingsRefused,
  unevenSettings,
} from './settings.ts';
export type { Setting, SettingAbout, SettingUsed } from './settings.ts';
export { sideWorkOf, sidesApart, withSides } from './side-work.ts';
export type { SideWork } from './side-work.ts';
export { aboutMeasure, measureWords, MEASURES, ROUNDINGS, SET_UP_MEASURES } from './measures.ts';
export type { Rounding, SetUpMeasure } from './measures.ts';
export { DATE_STYLES } from './date-styles.ts';
export type { DateStyle } from './date-styles.ts';
export {
  COLOURS,
  CONDITIONS,
  COUNTED_FROM,
  KG_PER_LB,
  PIECE_FORM_NAMES,
  SIZES,
  SIZE_NAMES,
  aboutForm,
  blankPiece,
  aboutSize,
  kgOf,
  monthsAfter,
  notThere,
  pieceRefused,
} from './pieces.ts';
export type { BandReading, Colour, Condition, MassUnit, Piece, PieceForm, Size, Sizes } from './pieces.ts';
