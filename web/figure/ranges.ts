import type { Build } from '../../core/body/index.ts';
import type { SettledMechanics, Range, Undetermined } from '../../core/posture/index.ts';
import { isComputed, rangeOf } from '../../core/posture/index.ts';

/** A range, or in words why this body has none; neither for what is only drawn. */
export interface Solved {
  range: Range | null;
  problem: string | null;
}

const MOST = 160;
const kept = new Map<string, Solved>();
const bodies = new WeakMap<Build, string>();

function bodyKey(build: Build): string {
  let key = bodies.get(build);
  if (key === undefined) {
    const { statureM, massKg, lengths, masses, ankleLimitDeg, hipLimitDeg } = build;
    key = [statureM, massKg, ...Object.values(lengths), masses.name, ankleLimitDeg, hipLimitDeg].join(',');
    bodies.set(build, key);
  }
  return key;
}

/** The range of a movement for a body; the newest ones are kept, so that a list costs nothing the second time. */
export function solved(
  build: Build,
  m: SettledMechanics,
  loadKg?: number,
  undetermined: Undetermined = 'default',
): Solved {
  if (!isComputed(m)) return { range: null, problem: null };
  const key = `${bodyKey(build)}|${loadKg ?? ''}|${undetermined}|${JSON.stringify(m)}`;
  const found = kept.get(key);
  if (found) return found;
  const made = solve(build, m, loadKg, undetermined);
  if (kept.size >= MOST) kept.delete(kept.keys().next().value!);
  kept.set(key, made);
  return made;
}

function solve(
  build: Build,
  m: SettledMechanics,
  loadKg: number | undefined,
  undetermined: Undetermined,
): Solved {
  try {
    return {
      range: isComputed(m) ? rangeOf(build, m, { loadKg, undetermined }) : null,
      problem: null,
    };
  } catch (error) {
    if (error instanceof RangeError) return { range: null, problem: error.message };
    throw error;
  }
}
