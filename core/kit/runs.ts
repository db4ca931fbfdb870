import type { Build } from '../body/index.ts';
import { needsOf } from '../library/index.ts';
import type { ResolvedVariation, Shelf } from '../library/index.ts';
import { equalsAmong, fitOf } from './availability.ts';
import { thingRows } from './card.ts';
import type { FitRow } from './placed.ts';
import type { Worn } from './fit.ts';

/** Whether somebody can do a movement with what the hall has, and on what terms. */
export type RunResult = 'open' | 'with an equal' | 'with a note' | 'hole';

/** A body, for which things have to fit; null: nothing is known of it, so that kit alone is looked at. */
export type RunBody = { build: Build; worn: Worn } | null;

export interface Run {
  result: RunResult;
  /** Equipment of which the hall has none, or too few, and no equal. */
  missing: string[];
  replaced: { needed: string; by: string }[];
  /** Rows that do not fit, or fit with a note. */
  misfits: FitRow[];
}

const equalsOf = new WeakMap<Shelf, ReadonlyMap<string, ReadonlySet<string>>>();

/** A variation for a body with the kit of the hall; its restrictions are not looked at. */
export function runOf(read: ResolvedVariation, shelf: Shelf, body: RunBody): Run {
  let equals = equalsOf.get(shelf);
  if (!equals) equalsOf.set(shelf, (equals = equalsAmong(shelf.all('equipment'))));
  const { missing, replaced } = fitOf(needsOf(read.source), (e) => shelf.have(e), equals);
  const rows = body && missing.length === 0 ? thingRows(read, shelf, { ...body, loadKg: null }) : [];
  const misfits = rows.filter((r) => r.fitting === 'does not fit' || r.fitting === 'with a note');
  const result =
    missing.length > 0 || misfits.some((r) => r.fitting === 'does not fit')
      ? 'hole'
      : replaced.length > 0
        ? 'with an equal'
        : misfits.length > 0
          ? 'with a note'
          : 'open';
  return { result, missing, replaced, misfits };
}
