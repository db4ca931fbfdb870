import { FELT_KINDS, sameFelt } from '../terms/index.ts';
import type { Felt, Laterality, Phase, View } from '../terms/index.ts';
import type { ResolvedVariation } from '../library/index.ts';
import type { DeskFault } from './causes.ts';

/** How the desk asks: what is seen, what is felt, what is heard. */
export const SENSES = ['seen', 'felt', 'heard'] as const;
export type Sense = (typeof SENSES)[number];

const SENSE_OF: Record<View, Sense> = {
  front: 'seen',
  side: 'seen',
  behind: 'seen',
  touch: 'seen',
  ear: 'heard',
  ask: 'felt',
};

/** The views from which a sense takes in a fault. */
export const viewsOf = (f: Pick<DeskFault, 'views'>, sense: Sense): View[] =>
  f.views.filter((v) => SENSE_OF[v] === sense);

export const sensesOf = (f: Pick<DeskFault, 'views' | 'felt'>): Sense[] =>
  SENSES.filter((s) => f.views.some((v) => SENSE_OF[v] === s) || (s === 'felt' && f.felt.length > 0));

/** Whether the side is asked for: one side works at a time, or the fault is seen across the body. */
export const mayBeOneSided = (f: Pick<DeskFault, 'views'>, laterality: Laterality): boolean =>
  laterality !== 'two legs' || f.views.includes('front') || f.views.includes('behind');

/** The signs that fit what is narrowed down to; null: not narrowed. */
export function signsFor<F extends DeskFault>(
  faults: readonly F[],
  by: { sense: Sense; view: View | null; phase: Phase | null },
): F[] {
  return faults.filter(
    (f) =>
      sensesOf(f).includes(by.sense) &&
      (by.view === null || f.views.includes(by.view)) &&
      (by.phase === null || f.phase === by.phase),
  );
}

export interface FeltReading {
  /** Faults that athletes feel this way, those of the same kind of sensation first. */
  faults: string[];
  standing: 'wanted' | 'tolerated' | 'unwanted' | 'not mentioned';
  /** What the sheet says of it. */
  suggests: string | null;
}

/** What a sensation means on a variation: what the sheet says, and the faults it goes with. */
export function readFelt(
  v: Pick<ResolvedVariation, 'wanted' | 'tolerated' | 'unwanted'> & { faults: readonly DeskFault[] },
  felt: Felt,
): FeltReading {
  const is = (f: Felt) => sameFelt(f, felt);
  const unwanted = v.unwanted.find(is);
  return {
    faults: v.faults.filter((f) => f.felt.some(is)).map((f) => f.slug),
    standing: unwanted
      ? 'unwanted'
      : v.wanted.some(is)
        ? 'wanted'
        : v.tolerated.some(is)
          ? 'tolerated'
          : 'not mentioned',
    suggests: unwanted?.suggests ?? null,
  };
}

/** Sensations that are asked for and were not named: what is missing says something too. */
export const missingFelt = (wanted: readonly Felt[], felt: readonly Felt[]): Felt[] =>
  wanted
    .filter((w) => !felt.some((f) => sameFelt(f, w)))
    .sort((a, b) => FELT_KINDS.indexOf(a.kind) - FELT_KINDS.indexOf(b.kind));
