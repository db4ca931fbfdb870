import type { RangeJoint } from '../body/index.ts';
import { leastOf } from '../dose/index.ts';
import { barring, barSentence, factsOf, isInForce } from '../ladder/index.ts';
import type { Restriction } from '../ladder/index.ts';
import type { ShelfInForce, Tempo } from '../library/index.ts';
import { BARRED, warmUpFor } from '../sheets/index.ts';
import { sidesApart } from '../terms/index.ts';
import type { CountedIn, Felt, IsoDate, LoadKind, PrepareStep } from '../terms/index.ts';
import { readingOfVariation } from './readings.ts';

/** A drill as it is led: what is done, what it is for, and where it is felt. */
export interface LedDrill {
  variation: string;
  revision: number;
  name: string;
  step: PrepareStep;
  because: string;
  /** Seconds that it takes, as counted by its dose. */
  seconds: number;
  amount: { sets: number; reps?: number; holdS?: number; restS: number };
  countedIn: CountedIn;
  loadKind: LoadKind;
  tempo: Tempo;
  /** The sides are done one after the other. */
  apart: boolean;
  /** One thing to think of. */
  cue: string | null;
  /** Where it should be felt. */
  wanted: Felt[];
}

export interface LedWarmUp {
  personId: string;
  drills: LedDrill[];
  seconds: number;
  leftOut: { slug: string; name: string; why: string }[];
}

interface LedFor {
  personId: string;
  /** Today's work, in its order. */
  work: readonly string[];
  answers: Readonly<Record<string, string>>;
  restrictions: readonly Restriction[];
  /** Ranges that were measured and lack. */
  lacking: readonly RangeJoint[];
  /** Whether what is barred is told with its reason: to the staff alone. */
  tellsWhy: boolean;
}

/** The warm-up of one person before today's work, with all that leading it needs. */
export function ledWarmUp(inForce: ShelfInForce, of: LedFor, today: IsoDate): LedWarmUp {
  const { shelf, revisions } = inForce;
  const person = { stage: 'sound' as const, answers: of.answers };
  const work = of.work.flatMap((slug) => shelf.get('variation', slug) ?? []);
  if (work.length === 0) return { personId: of.personId, drills: [], seconds: 0, leftOut: [] };
  const bars = of.restrictions.filter((r) => isInForce(r, today));
  const found = warmUpFor({
    shelf,
    work,
    person,
    lacking: of.lacking,
    barred: (v) => {
      const by = barring(bars, factsOf(readingOfVariation(inForce, v, person)));
      if (by.length === 0) return null;
      return of.tellsWhy ? `barred: ${by.flatMap((r) => r.bars.map(barSentence)).join(', ')}` : BARRED;
    },
  });
  return {
    personId: of.personId,
    seconds: found.seconds,
    leftOut: found.leftOut,
    drills: found.entries.map(({ variation: v, step, because, seconds }): LedDrill => {
      const read = readingOfVariation(inForce, v, person);
      const dose = v.dose.find((d) => d.role === 'prepare');
      const least = dose ? leastOf(dose) : { sets: 1 };
      return {
        variation: v.slug,
        revision: revisions.get(`variation/${v.slug}`) ?? 1,
        name: v.name,
        step,
        because,
        seconds,
        amount: {
          sets: least.sets,
          ...(least.reps === undefined ? {} : { reps: least.reps }),
          ...(least.holdS === undefined ? {} : { holdS: least.holdS }),
          restS: dose?.restS ?? 0,
        },
        countedIn: v.countedIn,
        loadKind: v.loadKind,
        tempo: v.tempo,
        apart: sidesApart(v),
        cue: read.cues[0]?.text ?? null,
        wanted: read.wanted,
      };
    }),
  };
}
