import type { Aid, LoadKind } from '../terms/index.ts';
import type { LevelDose, Tempo, WayOn } from '../library/index.ts';
import type { VariationFacts } from '../log/index.ts';
import { aidWords } from '../terms/index.ts';
import { plural } from '../criterion/index.ts';
import { heavier } from './loads.ts';
import type { Loads } from './loads.ts';

/** What the person is asked to do at the level now: its dose with the confirmed ways on applied. */
export interface Target extends LevelDose {
  loweringS: number | null;
  aidsDropped: string[];
}

/** A confirmed way on: which one, and the value it went to. */
export interface TakenWay {
  /** `less`: less of the same, as so many repetitions, seconds or rounds. */
  way: WayOn['way'] | 'less';
  to: number | string;
  /** Which aid there is less of. */
  aid?: Aid;
}

export function targetAt(dose: LevelDose, taken: readonly TakenWay[]): Target {
  const target: Target = { ...dose, loweringS: null, aidsDropped: [] };
  for (const { way, to, aid } of taken) {
    if (way === 'fewer aids') target.aidsDropped = [...target.aidsDropped, String(to)];
    else if (way === 'less aid') {
      target.aids = (target.aids ?? []).map((a) => (a.aid === aid ? { ...a, amount: Number(to) } : a));
    } else if (way === 'rounds') target.rounds = Number(to);
    else if (way === 'repetitions') target.reps = Number(to);
    else if (way === 'seconds') target.holdS = Number(to);
    else if (way === 'sets') target.sets = Number(to);
    else if (way === 'load') {
      target.loadKg = Number(to);
      // A heavier weight begins at the first repetitions again.
      if (dose.reps !== undefined) target.reps = dose.reps;
    } else if (way === 'less') Object.assign(target, lessOf(target, Number(to)));
    else target.loweringS = Number(to);
  }
  return target;
}

/** The tempo of a movement as a target asks for it. */
export const tempoAt = (tempo: Tempo, { loweringS }: Pick<Target, 'loweringS'>): Tempo =>
  loweringS === null ? tempo : { ...tempo, loweringS };

/** What a target is counted in, and how many of it. */
export function amountAsked(t: LevelDose): { of: 'reps' | 'holdS' | 'rounds'; amount: number } | null {
  for (const of of ['reps', 'holdS', 'rounds'] as const) {
    const amount = t[of];
    if (amount !== undefined) return { of, amount };
  }
  return null;
}

/** The target with so much of what it is counted in. */
const lessOf = (target: Target, to: number): Partial<Target> => {
  const asked = amountAsked(target);
  return asked ? { [asked.of]: to } : {};
};

/** The ways on without the last, where that was more; null where there is none to take back. */
export const withoutLast = (taken: readonly TakenWay[]): TakenWay[] | null =>
  taken.length === 0 || taken.at(-1)!.way === 'less' ? null : taken.slice(0, -1);

/** Less of the same, about half of it; null where there is no less. */
export function lessOfTheSame(target: Target): TakenWay | null {
  const asked = amountAsked(target);
  return asked && asked.amount > 1 ? { way: 'less', to: Math.max(1, Math.floor(asked.amount / 2)) } : null;
}

/** Value the way on leads to from the target, or null when it is used up or its kit is missing. */
export function nextStep(
  way: WayOn,
  target: Target,
  loweringS: number,
  kit: ReadonlySet<string>,
  { kind = 'improvised', loads }: { kind?: LoadKind; loads?: Loads | undefined } = {},
): TakenWay | null {
  const upTo = (now: number, step: number, most: number) => (now < most ? Math.min(most, now + step) : null);
  const found = (to: number | null): TakenWay | null => (to === null ? null : { way: way.way, to });
  switch (way.way) {
    case 'repetitions':
      return target.reps === undefined ? null : found(upTo(target.reps, way.step, way.upTo));
    case 'seconds':
      return target.holdS === undefined ? null : found(upTo(target.holdS, way.step, way.upTo));
    case 'sets':
      return found(upTo(target.sets, way.step, way.upTo));
    case 'rounds':
      return target.rounds === undefined ? null : found(upTo(target.rounds, way.step, way.upTo));
    case 'less aid': {
      const now = target.aids?.find((a) => a.aid === way.aid)?.amount;
      if (now === undefined || now <= way.downTo) return null;
      return { way: way.way, aid: way.aid, to: Math.max(way.downTo, now - 1) };
    }
    case 'load':
      if (way.equipment && !kit.has(way.equipment)) return null;
      return found(heavier(target.loadKg ?? 0, way.stepKg, way.upToKg, kind, loads));
    case 'slower lowering':
      return found(upTo(target.loweringS ?? loweringS, way.stepS, way.upToS));
    case 'fewer aids':
      return target.aidsDropped.includes(way.aid) ? null : { way: way.way, to: way.aid };
  }
}

/** The step as an instruction, e.g. "12 repetitions a set". */
export function takenWaySentence({ way, to, aid }: TakenWay): string {
  switch (way) {
    case 'repetitions':
      return `${plural(Number(to), 'repetition')} a set`;
    case 'seconds':
      return `hold ${to} s`;
    case 'sets':
      return plural(Number(to), 'set');
    case 'rounds':
      return plural(Number(to), 'round');
    case 'less aid':
      return aid ? aidWords(aid, Number(to)) : `less help: ${to}`;
    case 'load':
      return `${to} kg`;
    case 'slower lowering':
      return `lower over ${to} s`;
    case 'fewer aids':
      return `without ${to}`;
    case 'less':
      return `less of the same: ${to} each time`;
  }
}

/** A load step of more than this share is bridged (judgement). */
const LARGE_STEP = 0.2;

/**
 * How a load step that is too large for the loads there are is bridged, as a sentence; null: it is none, or no load step.
 * @param fromKg the load now, of one weight
 */
export function bridgeOf({ way, to }: TakenWay, fromKg: number | undefined): string | null {
  if (way !== 'load' || !fromKg) return null;
  const share = Number(to) / fromKg - 1;
  if (share <= LARGE_STEP + 1e-9) return null;
  return `From ${fromKg} kg to ${to} kg is a step of ${Math.round(100 * share)} %: first lower more slowly and do two repetitions more, then hold a small weight beside it; else a pair between them is worth buying.`;
}

/** True when every group of the variation's equipment has a member at hand. */
export function kitAtHand(facts: VariationFacts, kit: ReadonlySet<string>): boolean {
  return facts.equipmentGroups.every((group) => group.some((slug) => kit.has(slug)));
}

/** A target as it is said, e.g. "10 repetitions with 12 kg". */
export function targetInWords(t: Target): string {
  const amount =
    t.reps !== undefined
      ? plural(t.reps, 'repetition')
      : t.holdS !== undefined
        ? `${t.holdS} s`
        : t.rounds !== undefined
          ? plural(t.rounds, 'round')
          : plural(t.sets, 'set');
  return t.loadKg ? `${amount} with ${t.loadKg} kg` : amount;
}
