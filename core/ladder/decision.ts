import type { Form, IsoDate, LoadKind, Region, Role, Stage } from '../terms/index.ts';
import type { SettledLadder } from '../library/index.ts';
import type { Judged, NameOfLevel, Reason, SignOff } from '../criterion/index.ts';
import type { FactsBySlug, LoggedSet, SideDifference } from '../log/index.ts';
import type { GrowFinding } from './grow.ts';
import type { PainTold, Referral } from './pain.ts';
import type { Experience } from './placement.ts';
import type { Plan } from './plan.ts';
import type { Restriction } from './restriction.ts';
import type { Clearance, Stop } from './stop.ts';
import type { TakenWay, Target } from './target.ts';

export const OUTCOMES = ['stop and refer', 'step back', 'move up', 'grow', 'hold'] as const;
export type Outcome = (typeof OUTCOMES)[number];
/** Where an outcome stands among others, the gravest first; nothing is said last. */
export const gravityOf = (outcome: Outcome | null | undefined): number =>
  outcome ? OUTCOMES.indexOf(outcome) : OUTCOMES.length;

export interface Standing {
  level: string;
  /** Date of the last confirmed arrival. */
  since: IsoDate;
  /** Ways on confirmed since then, in order. */
  taken: TakenWay[];
  /** In what role the person does the ladder; absent: as work. */
  role?: Role;
  /** The stage they are read at; absent: that of the level. */
  stage?: Stage;
  /** Absent: in sets. */
  form?: Form;
  /** Ways on taken in the other form. */
  takenOther?: TakenWay[];
  /** First arrival on the ladder. */
  first?: IsoDate;
  /** Body mass when they arrived at the level: shares of it are fixed by it; absent: as it is now. */
  massKg?: number | null;
  /** As they were placed on the ladder; absent: not said. */
  experience?: Experience;
  /** What shares of the body mass became on arrival at the level, kg of one weight by the percentage. */
  shares?: Readonly<Record<string, number>>;
  /** Sets that a way on or a move has stood on: they open nothing a second time. */
  usedUp?: readonly string[];
  /** The level that was left because it was barred, and the day. */
  left?: { level: string; date: IsoDate };
  /** When they were stepped back for pain, and where it was. */
  painBacks?: readonly { date: IsoDate; regions: readonly Region[] }[];
}

export interface DecisionInput {
  ladder: SettledLadder;
  facts: FactsBySlug;
  /** Lowering time in seconds of each variation's tempo. */
  loweringS: ReadonlyMap<string, number>;
  standing: Standing;
  /** The person's sets of the pattern, of at least the evidence window, in any order. */
  sets: readonly LoggedSet[];
  /** Sessions at this level older than the sets given. */
  earlierSessions?: number;
  /** Pain that was told of otherwise than in the sets given: before work, in other work. */
  told?: readonly PainTold[];
  /** Days on which the pattern was trained, also before the sets given. */
  days?: readonly IsoDate[];
  /** The last day on which anything of the pattern was watched; absent: as the sets given say. */
  lastWatched?: IsoDate | null;
  /** Sessions on the ladder since the first arrival on it. */
  sessionsOnLadder?: number;
  massKg?: number | null;
  /** What one weight of a kind can be, kg; absent: the usual steps. */
  loads?: Partial<Record<LoadKind, readonly number[]>>;
  signOffs?: readonly SignOff[];
  /** Names of the branches that leave this ladder, are open to the person and not begun. */
  branches?: readonly string[];
  nameOf?: NameOfLevel;
  /** False leaves out how soon the advance can be met, which takes longer than the decision itself. */
  foretell?: boolean;
  restrictions: readonly Restriction[];
  /** Those that nobody has cleared. */
  stops?: readonly Stop[];
  clearances?: readonly Clearance[];
  /** Slugs of the equipment at hand. */
  kit: ReadonlySet<string>;
  /** Levels held on other ladders, as `ladder/level`. */
  heldElsewhere: ReadonlySet<string>;
  today: IsoDate;
}

/** Why somebody is stepped back. */
export const BACK_CAUSES = ['pain', 'stop fault', 'too much', 'barred'] as const;
export type BackCause = (typeof BACK_CAUSES)[number];

export interface Decision {
  outcome: Outcome;
  ladder: string;
  fromLevel: string;
  /** Level to go to; null when the outcome changes no level or there is none to go to. */
  toLevel: string | null;
  reasons: Reason[];
  advance: Judged;
  stepBack: Judged;
  grow: GrowFinding;
  /** Why it is a step back. */
  cause: BackCause | null;
  /** Where it hurt, of a step back for pain. */
  painRegions: Region[];
  /** Less of the same, instead of a level lower; absent with no level to go to: the last way on is taken back. */
  less: TakenWay | null;
  /** Barred levels that a move up passes over: the head coach confirms it. */
  passesOver: string[];
  /** Pain that comes back: for a doctor or physiotherapist. */
  referral: Referral | null;
  /** Everything here is barred for a while. */
  paused: { until: IsoDate | null } | null;
  sides: SideDifference | null;
  /** What stands between the person and the next level, in words. */
  missing: Reason[];
  /** The fewest further sessions after which the advance can be met; 0: it is; null: it hangs on something else, or was not asked for. */
  earliestSessions: number | null;
  target: Target;
  /** What is done today. */
  plan: Plan;
  /** Variation to do now: the main one, or the nearest permitted equal that the kit allows. */
  variation: string | null;
  /** Why it is not the main one, in words. */
  variationNote: string | null;
  restrictions: { id: string; text: string }[];
  sessionDates: IsoDate[];
  setIds: string[];
}
