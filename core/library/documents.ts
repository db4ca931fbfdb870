import type { Criterion, RuledCriterion } from '../criterion/index.ts';
import type { Mechanics } from '../posture/index.ts';
import type * as V from '../terms/index.ts';
import type { Felt, RuledNumber, Slug } from '../terms/index.ts';

/** Which answers to house questions a line agrees with; absent means it always holds. */
export type HoldsUnder = Record<Slug, Slug[]>;

/** Every printable line: it is shown only while the house answers in force allow it. */
export interface Line {
  text: string;
  holdsUnder?: HoldsUnder;
}

/** Seconds: lowering, bottom, rising, top. */
export interface Tempo {
  loweringS: number;
  bottomS: number;
  risingS: number;
  topS: number;
}

/** A sensation that is looked for, or let pass, only under some answers; absent: always. */
export interface RuledFelt extends Felt {
  holdsUnder?: HoldsUnder;
}

export interface Dose {
  role: V.Role;
  sets: number;
  repsFrom?: number;
  repsTo?: number;
  holdS?: number;
  rounds?: number;
  restS: number;
  notes: Line[];
}

export interface EquipmentNeed {
  equipment: Slug;
  count: number;
  setUp: Line[];
}

interface Common {
  slug: Slug;
  retired: boolean;
  author: string;
  /** ISO date on which the document should be read again. */
  reviewBy?: string;
}

export interface Variation extends Common {
  kind: 'variation';
  name: string;
  shortName: string;
  pattern: V.Pattern;
  roles: V.Role[];
  purpose: Line[];
  reasonsToChoose: Line[];
  dominance: V.Dominance;
  muscles: V.Muscle[];
  joints: V.Joint[];
  laterality: V.Laterality;
  sideOrder: V.SideOrder;
  direction: V.Direction;
  impact: boolean;
  loadKind: V.LoadKind;
  loadPlace: V.LoadPlace;
  support: V.Support;
  supportNotes: Line[];
  rangeTarget: V.RangeTarget;
  rangeNotes: Line[];
  stanceWidth: V.StanceWidth;
  toeOutDeg?: RuledNumber;
  footWeight: V.FootWeight;
  stance: Line[];
  hands: Line[];
  gaze: Line[];
  breathing: Line[];
  tempo: Tempo;
  contactPoints: Line[];
  gettingIn: Line[];
  gettingOut: Line[];
  ifItGoesWrong: Line[];
  countedIn: V.CountedIn;
  dose: Dose[];
  equipmentAll: EquipmentNeed[];
  /** Groups of alternatives: one need of each group is enough. */
  equipmentAny: EquipmentNeed[][];
  setUpMeasures: Line[];
  /** In rank order: the first three stand large on the cue sheet. */
  cues: Slug[];
  runThrough: Line[];
  faults: { fault: Slug; severity?: V.Severity }[];
  wanted: RuledFelt[];
  tolerated: RuledFelt[];
  unwanted: (Felt & { suggests: Line })[];
  /** Cautions carried besides those whose predicate holds. */
  extraCautions: Slug[];
  drills: Slug[];
  mechanics: Mechanics;
  /** The head coach's correction of the computed demand, in points, with its reason. */
  demandAdjustment?: { points: number; reason: string };
  /** What it does before the work; only with the role prepare. */
  prepares?: V.PrepareStep;
}

export interface Cue extends Common {
  kind: 'cue';
  line: Line;
  phase: V.Phase;
  cueKind: V.CueKind;
  view: V.View;
  stages: V.Stage[];
  /** The fault it answers; absent means it stands for good form. */
  addresses?: Slug;
}

export interface FaultAnswer {
  answerKind: V.AnswerKind;
  line: Line;
  cue?: Slug;
  variation?: Slug;
  needsSecondPerson: boolean;
  equipment: Slug[];
  /** The causes that it answers, by their ids; absent: any of them. */
  causes?: Slug[];
}

/**
 * How a fault looks: what it changes in the posture of the variation that shows it. Degrees and metres; absent: as
 * the solver has it. Drawn from the side, or from the front out of the heights of the side view.
 */
export interface FaultShows {
  view: 'side' | 'front';
  /** How far the repetition has come: 0 start, 1 working position. */
  at: number;
  /** Leaning farther forward; in bridges hips higher. */
  trunkDeg?: number;
  /** Knees farther forward. */
  shinDeg?: number;
  /** Hips lower and farther back than the shins say. */
  thighDeg?: number;
  /** The back rounded; below zero arched. */
  spineDeg?: number;
  /** Looking up; below zero the chin to the chest. */
  headDeg?: number;
  /** Heels off the floor. */
  heelsDeg?: number;
  /** Arms lifted forward. */
  armsDeg?: number;
  /** The load away from the body. */
  loadAwayM?: number;
  /** Feet farther away: of both in a bridge, of the rear one in a split stance. */
  footAwayM?: number;
  /** Front view, knees inwards; below zero outwards. */
  kneesInDeg?: number;
  /** Front view: one leg alone shows it. */
  oneLeg?: boolean;
  /** Front view: the belt tips to one side. */
  pelvisDeg?: number;
  /** Front view: the trunk leans to one side. */
  leanDeg?: number;
  /** Front view: feet that much farther apart; below zero nearer. */
  feetApartM?: number;
}

export interface Fault extends Common {
  kind: 'fault';
  name: string;
  sign: Line;
  phase: V.Phase;
  views: V.View[];
  severity: V.Severity;
  /**
   * Weight: how often this is behind the sign, against the others; absent: equal. Alike: one name for causes of
   * several faults that are the same thing.
   */
  causes: { id: Slug; line: Line; weight?: number; alike?: Slug }[];
  /** Weights of a result: how often a cause shows it, against the other results; absent: by what it points to. */
  checks: {
    line: Line;
    results: { result: string; pointsTo: Slug[]; weights?: { cause: Slug; weight: number }[] }[];
  }[];
  answers: FaultAnswer[];
  whenToStop: Line;
  /** Corrective chain for faults that need weeks: each step has the gate that opens the next. */
  chain: { line: Line; variation?: Slug; gate: Line }[];
  /** What athletes say with it. */
  felt?: Felt[];
  shows?: FaultShows;
}

/** A test over the structured fields of a variation. */
export type Predicate =
  | { test: 'all'; of: Predicate[] }
  | { test: 'any'; of: Predicate[] }
  | { test: 'not'; of: Predicate }
  | { test: 'every variation' }
  | { test: 'pattern'; is: V.Pattern[] }
  | { test: 'laterality'; is: V.Laterality[] }
  | { test: 'load kind'; is: V.LoadKind[] }
  | { test: 'load place'; is: V.LoadPlace[] }
  | { test: 'support'; is: V.Support[] }
  | { test: 'range'; is: V.RangeTarget[] }
  | { test: 'role'; is: V.Role[] }
  | { test: 'impact' }
  | { test: 'equipment'; is: Slug[] };

export interface Caution extends Common {
  kind: 'caution';
  name: string;
  lines: Line[];
  appliesTo: Predicate;
}

export interface Equipment extends Common {
  kind: 'equipment';
  name: string;
  /** How many the hall has; 0 means it has none. */
  inHall: number;
  where: string;
  shareable: boolean;
  sizes: { name: string; fromM: number; toM: number; stepM: number }[];
  setUp: Line[];
  checks: Line[];
  equals: Slug[];
  homeSubstitutes: Line[];
}

export interface HouseAnswer {
  answer: Slug;
  why: string;
}

export interface HouseQuestion extends Common {
  kind: 'houseQuestion';
  question: string;
  /** An example posture lets the answer's consequences be computed for several builds. */
  answers: { id: Slug; name: string; reasons: Line[]; example?: Mechanics }[];
  hall: HouseAnswer;
  byStage: (HouseAnswer & { stage: V.Stage })[];
  byLoad: (HouseAnswer & { loaded: boolean })[];
  byVariation: (HouseAnswer & { variation: Slug })[];
}

export interface DrillList extends Common {
  kind: 'drillList';
  name: string;
  pattern: V.Pattern;
  notes: Line[];
  drills: Slug[];
}

/** What a person is asked to do at a level before any way on has been taken. */
export interface LevelDose {
  sets: number;
  reps?: number;
  holdS?: number;
  rounds?: number;
  loadKg?: number;
  restS: number;
  /** Help on arrival, meant to fade: so many pads, so much hand support. */
  aids?: { aid: V.Aid; amount: number }[];
}

/** How a level grows before the next one is asked for; tried in the order of the level's list. */
export type WayOn =
  | { way: 'repetitions'; step: number; upTo: number }
  | { way: 'seconds'; step: number; upTo: number }
  | { way: 'sets'; step: number; upTo: number }
  | { way: 'rounds'; step: number; upTo: number }
  | { way: 'load'; stepKg: number; upToKg: number; equipment?: string }
  | { way: 'slower lowering'; stepS: number; upToS: number }
  /** One step less of an aid at a time, from what the level starts with. */
  | { way: 'less aid'; aid: V.Aid; downTo: number }
  | { way: 'fewer aids'; aid: string };

/** What is asked instead of somebody who does the level in another role or is read at another stage. */
export interface LevelVariant {
  role?: V.Role;
  stage?: V.Stage;
  advance: RuledCriterion;
  stepBack: RuledCriterion;
}

export interface Level {
  id: Slug;
  name: string;
  stage: V.Stage;
  main: Slug;
  equals: Slug[];
  dose: LevelDose;
  entryNeeds: { ladder: Slug; level: Slug }[];
  advance: RuledCriterion;
  stepBack: RuledCriterion;
  waysOn: WayOn[];
  usualStayWeeks: { from: number; to: number };
  /** The first that fits the person's role and stage on the ladder is asked; else the level's own. */
  variants?: LevelVariant[];
}

export interface Ladder extends Common {
  kind: 'ladder';
  name: string;
  pattern: V.Pattern;
  purpose: Line[];
  /** From the easiest to the hardest. */
  levels: Level[];
  /** What the head coach answered where the computed demand disagrees with the order. */
  demandAnswers?: DemandAnswer[];
}

/** A level with its criteria under the answers in force: what is shown and decided with. */
export interface SettledVariant extends Omit<LevelVariant, 'advance' | 'stepBack'> {
  advance: Criterion;
  stepBack: Criterion;
}
export interface SettledLevel extends Omit<Level, 'advance' | 'stepBack' | 'variants'> {
  advance: Criterion;
  stepBack: Criterion;
  variants?: SettledVariant[];
}
export interface SettledLadder extends Omit<Ladder, 'levels'> {
  levels: SettledLevel[];
}

export const DEMAND_QUESTIONS = ['inversion', 'too big', 'cannot'] as const;

/** Why the order stands although a level asks less than the one below, the step is big, or the reference build cannot. */
export interface DemandAnswer {
  kind: (typeof DEMAND_QUESTIONS)[number];
  /** Level below; absent where the question is about one level alone. */
  from?: Slug;
  to: Slug;
  reason: string;
}

export type Body = Variation | Cue | Fault | Caution | Ladder | Equipment | HouseQuestion | DrillList;
export type Kind = Body['kind'];
export type BodyOf<K extends Kind> = Extract<Body, { kind: K }>;

export const KINDS = [
  'houseQuestion',
  'equipment',
  'caution',
  'cue',
  'fault',
  'variation',
  'drillList',
  'ladder',
] as const satisfies readonly Kind[];

export const KIND_WORDS: Record<Kind, string> = {
  variation: 'variation',
  cue: 'cue',
  fault: 'fault',
  caution: 'caution',
  ladder: 'ladder',
  equipment: 'equipment',
  houseQuestion: 'house question',
  drillList: 'drill list',
};

/** What a coach calls the document. */
export function titleOf(body: Body): string {
  switch (body.kind) {
    case 'cue':
      return body.line.text;
    case 'houseQuestion':
      return body.question;
    default:
      return body.name;
  }
}
