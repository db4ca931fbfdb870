import type { Form, IsoDate, Region, Role, Stage } from '../terms/index.ts';
import type { Ladder } from '../library/index.ts';
import type { BackCause, Outcome, Standing } from './decision.ts';
import type { Experience } from './placement.ts';
import { withoutLast } from './target.ts';
import type { TakenWay } from './target.ts';

/** `form`: from then on in sets, or in intervals. */
export type MoveKind = 'placed' | 'form' | Outcome;

/** The part of a confirmed move that says where a person stands. */
export interface MoveFact {
  kind: MoveKind;
  date: IsoDate;
  toLevel: string;
  taken: TakenWay | null;
  /** In what role and stage the person was placed; absent: as work, at the stage of the level. */
  role?: Role | null;
  stage?: Stage | null;
  fromLevel?: string | null;
  /** Why it was a step back, and where it hurt. */
  cause?: BackCause | null;
  painRegions?: readonly Region[] | null;
  /** Body mass on that day, kg. */
  massKg?: number | null;
  /** What shares of that mass became at the level arrived at, by the percentage. */
  shares?: Readonly<Record<string, number>> | null;
  /** Of a placement: what they had done before. */
  experience?: Experience | null;
  setIds?: readonly string[];
  /** Of a change of form, the new one. */
  form?: Form | null;
}

/** What uses evidence up: a way on, and every move of the level. */
const USES_UP: ReadonlySet<MoveFact['kind']> = new Set<MoveFact['kind']>(['grow', 'move up', 'step back']);

/**
 * Where the moves, in their order, have led: level, date of the last arrival there, and the ways on
 * taken since. Null before the first placement.
 */
export function standingAfter(moves: readonly MoveFact[]): Standing | null {
  let standing = null as Standing | null;
  for (const move of moves) {
    if (move.kind === 'form') {
      // Each form has ways on of its own, which wait for it.
      if (standing) standing = inOtherForm(standing, move.form ?? 'sets');
      continue;
    }
    const first = standing?.first ?? move.date;
    const { usedUp = [], painBacks = [] } = standing ?? {};
    const used = USES_UP.has(move.kind) ? [...usedUp, ...(move.setIds ?? [])] : usedUp;
    const backs =
      move.kind === 'step back' && move.cause === 'pain'
        ? [...painBacks, { date: move.date, regions: move.painRegions ?? [] }]
        : painBacks;
    if (move.kind === 'placed' || !standing || move.toLevel !== standing.level) {
      const { role, stage, experience } = move.kind === 'placed' || !standing ? move : standing;
      // What was left because it was barred is remembered until they climb again or are placed anew.
      const left =
        move.kind !== 'step back'
          ? undefined
          : move.cause === 'barred' && standing
            ? { level: standing.level, date: move.date }
            : standing?.left;
      standing = {
        level: move.toLevel,
        since: move.date,
        taken: [],
        first,
        usedUp: used,
        painBacks: backs,
        massKg: move.massKg ?? null,
        ...(standing?.form ? { form: standing.form } : {}),
        ...(move.shares ? { shares: move.shares } : {}),
        ...(left ? { left } : {}),
        ...(role ? { role } : {}),
        ...(stage ? { stage } : {}),
        ...(experience ? { experience } : {}),
      };
      continue;
    }
    standing = { ...standing, usedUp: used, painBacks: backs };
    if (move.kind === 'grow' && move.taken) standing.taken = [...standing.taken, move.taken];
    else if (move.kind === 'step back') {
      // Less of the same: the evidence begins anew.
      standing.since = move.date;
      standing.taken = move.taken
        ? [...standing.taken, move.taken]
        : (withoutLast(standing.taken) ?? standing.taken);
    }
  }
  return standing;
}

function inOtherForm(standing: Standing, form: Form): Standing {
  if (form === (standing.form ?? 'sets')) return standing;
  const { taken, takenOther = [], ...rest } = standing;
  return { ...rest, form, taken: takenOther, takenOther: taken };
}

/** Whether somebody may begin on a ladder: a trunk always, a branch once the level it leaves from is held. */
export const isOpen = ({ branchOf }: Pick<Ladder, 'branchOf'>, held: ReadonlySet<string>): boolean =>
  !branchOf || held.has(`${branchOf.ladder}/${branchOf.level}`);

/** Levels held, as `ladder/level`: those below where somebody stands. */
export function heldLevels(
  ladders: readonly Pick<Ladder, 'slug' | 'levels'>[],
  standings: ReadonlyMap<string, Standing>,
): Set<string> {
  const held = new Set<string>();
  for (const ladder of ladders) {
    const index = ladder.levels.findIndex((l) => l.id === standings.get(ladder.slug)?.level);
    for (const level of ladder.levels.slice(0, Math.max(0, index))) held.add(`${ladder.slug}/${level.id}`);
  }
  return held;
}
