import { INTERVAL, roundsInWeek } from '../dose/index.ts';
import type { SettledLadder, SettledLevel } from '../library/index.ts';
import type { FactsBySlug, VariationFacts } from '../log/index.ts';
import type { Form } from '../terms/index.ts';

/**
 * A ladder as it asks of somebody who works in a form. In intervals a level's interval dose and criteria take the place
 * of its own; one that names none asks for the first rounds, which train and earn nothing.
 */
export const ladderInForm = (ladder: SettledLadder, form: Form): SettledLadder =>
  form === 'sets' ? ladder : { ...ladder, levels: ladder.levels.map(inIntervals) };

function inIntervals(level: SettledLevel): SettledLevel {
  const { variants: _v, interval, ...rest } = level;
  const { loadKg, aids } = level.dose;
  const dose = {
    sets: 1,
    rounds: interval?.rounds ?? level.dose.rounds ?? roundsInWeek(1),
    workS: interval?.workS ?? INTERVAL.workS,
    restS: interval?.restS ?? INTERVAL.restS,
    ...(loadKg === undefined ? {} : { loadKg }),
    ...(aids ? { aids } : {}),
  };
  if (!interval) return { ...rest, dose, waysOn: [], trainsOnly: true };
  return {
    ...rest,
    dose,
    advance: interval.advance,
    stepBack: interval.stepBack,
    waysOn: [{ way: 'rounds', step: 1, upTo: interval.upTo }],
  };
}

/** A movement done in intervals: counted in rounds, in which the sides change. */
export const factsInIntervals = (v: VariationFacts): VariationFacts =>
  v.countedIn === 'rounds' ? v : { ...v, countedIn: 'rounds', oneSided: false, inIntervals: true };

/** What decisions know of the movements of a ladder, in a form. */
export function factsInForm(
  ladder: Pick<SettledLadder, 'levels'>,
  facts: FactsBySlug,
  form: Form,
): FactsBySlug {
  if (form === 'sets') return facts;
  const own = new Set(ladder.levels.flatMap((l) => [l.main, ...l.equals]));
  return new Map([...facts].map(([slug, v]) => [slug, own.has(slug) ? factsInIntervals(v) : v]));
}
