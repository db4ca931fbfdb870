import type { Ladder, Level } from '../library/index.ts';

// What can be done to the stairs by hand. Each gives a new ladder and leaves the old one as it was.

const withLevels = (ladder: Ladder, levels: Level[]): Ladder => ({ ...ladder, levels });

/** The level taken from one place and put in at another (places from 0). */
export function moveLevel(ladder: Ladder, from: number, to: number): Ladder {
  const levels = [...ladder.levels];
  const [level] = levels.splice(from, 1);
  if (!level) return ladder;
  levels.splice(to, 0, level);
  return withLevels(ladder, levels);
}

/** A short id that no level has yet, made of a variation's slug. */
export function freshLevelId(ladder: Ladder, slug: string): string {
  const taken = new Set(ladder.levels.map((l) => l.id));
  if (!taken.has(slug)) return slug;
  for (let n = 2; ; n++) if (!taken.has(`${slug}-${n}`)) return `${slug}-${n}`;
}

/** The level without the variation; null when nothing would be left on it. */
function without(level: Level, slug: string): Level | null {
  if (level.main !== slug) return { ...level, equals: level.equals.filter((e) => e !== slug) };
  const [next, ...rest] = level.equals;
  return next === undefined ? null : { ...level, main: next, equals: rest };
}

/** The variation moved from one level to another, as an equal there; a level left empty goes. */
export function moveVariation(ladder: Ladder, slug: string, from: string, to: string): Ladder {
  if (from === to) return ladder;
  return withLevels(
    ladder,
    ladder.levels.flatMap((l): Level | Level[] => {
      if (l.id === from) return without(l, slug) ?? [];
      if (l.id === to && l.main !== slug && !l.equals.includes(slug)) {
        return [{ ...l, equals: [...l.equals, slug] }];
      }
      return [l];
    }),
  );
}

/**
 * The step split in two: the variation gets a step of its own just above, with the same criteria to start from.
 * Unchanged when it is all there is on the step.
 */
export function splitLevel(ladder: Ladder, id: string, slug: string, name: string): Ladder {
  const at = ladder.levels.findIndex((l) => l.id === id);
  const level = ladder.levels[at];
  const left = level && without(level, slug);
  if (!level || !left) return ladder;
  const own: Level = {
    ...structuredClone(level),
    id: freshLevelId(ladder, slug),
    name,
    main: slug,
    equals: [],
    entryNeeds: [],
  };
  return withLevels(ladder, [...ladder.levels.slice(0, at), left, own, ...ladder.levels.slice(at + 1)]);
}

/** A new step for the variation at the place (from 0), with the criteria of the step below it, else those given. */
export function insertLevel(ladder: Ladder, at: number, slug: string, name: string, blank: Level): Ladder {
  const below = ladder.levels[at - 1];
  const level: Level = {
    ...structuredClone(below ?? blank),
    id: freshLevelId(ladder, slug),
    name,
    main: slug,
    equals: [],
    entryNeeds: [],
  };
  return withLevels(ladder, [...ladder.levels.slice(0, at), level, ...ladder.levels.slice(at)]);
}

/** The variation as an equal of a step; unchanged where it stands there already. */
export function addEqual(ladder: Ladder, id: string, slug: string): Ladder {
  return withLevels(
    ladder,
    ladder.levels.map((l) =>
      l.id !== id || l.main === slug || l.equals.includes(slug) ? l : { ...l, equals: [...l.equals, slug] },
    ),
  );
}

/** The variation taken off a step; a step left empty goes. */
export function takeOff(ladder: Ladder, id: string, slug: string): Ladder {
  return withLevels(
    ladder,
    ladder.levels.flatMap((l) => (l.id === id ? (without(l, slug) ?? []) : [l])),
  );
}

/** An equal made the main variation of its step; the main one becomes an equal. */
export function makeMain(ladder: Ladder, id: string, slug: string): Ladder {
  return withLevels(
    ladder,
    ladder.levels.map((l) =>
      l.id === id && l.equals.includes(slug)
        ? { ...l, main: slug, equals: [l.main, ...l.equals.filter((e) => e !== slug)] }
        : l,
    ),
  );
}

/** Answers to questions of the computed demand that still have their levels. */
const withoutLostAnswers = (ladder: Ladder): Ladder => {
  const there = new Set(ladder.levels.map((l) => l.id));
  const kept = ladder.demandAnswers?.filter(
    (a) => there.has(a.to) && (a.from === undefined || there.has(a.from)),
  );
  return kept ? { ...ladder, demandAnswers: kept } : ladder;
};

/**
 * Steps that lie together taken off as a branch of their own, which leaves from the step below them.
 * @returns null for the lowest step, for the top, without which nobody could show that they hold what the branch
 * leaves from, and on a branch: a branch has no branches
 */
export function branchOff(
  ladder: Ladder,
  { from, to }: { from: string; to: string },
  slug: string,
  name: string,
): { trunk: Ladder; branch: Ladder } | null {
  const [at, end] = [from, to].map((id) => ladder.levels.findIndex((l) => l.id === id)) as [number, number];
  const below = ladder.levels[at - 1];
  if (!below || ladder.branchOf || end < at || end >= ladder.levels.length - 1) return null;
  return {
    trunk: withoutLostAnswers(
      withLevels(ladder, [...ladder.levels.slice(0, at), ...ladder.levels.slice(end + 1)]),
    ),
    branch: withoutLostAnswers({
      ...ladder,
      slug,
      name,
      purpose: [{ text: `Leaves from "${below.name}".` }],
      branchOf: { ladder: ladder.slug, level: below.id },
      levels: ladder.levels.slice(at, end + 1),
    }),
  };
}

/**
 * The steps of a branch put onto the trunk, after the step that it leaves from; the branch is retired.
 * @returns null where the ladder is no branch of the trunk
 */
export function putBack(trunk: Ladder, branch: Ladder): { trunk: Ladder; branch: Ladder } | null {
  const at = trunk.levels.findIndex((l) => l.id === branch.branchOf?.level);
  if (branch.branchOf?.ladder !== trunk.slug || at < 0) return null;
  const levels = branch.levels.reduce<Level[]>(
    (list, level) => [
      ...list,
      { ...level, id: freshLevelId({ ...trunk, levels: [...trunk.levels, ...list] }, level.id) },
    ],
    [],
  );
  return {
    trunk: withLevels(trunk, [...trunk.levels.slice(0, at + 1), ...levels, ...trunk.levels.slice(at + 1)]),
    branch: { ...branch, retired: true },
  };
}
