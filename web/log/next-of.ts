import type { ShownSet } from './merge.ts';
import type { TodayLine } from '../../core/floor/index.ts';
import { factsOf, nextSet, planAt } from '../../core/ladder/index.ts';
import type { Of } from '../../contract/endpoints.ts';
import type { TodayPerson } from '../../contract/session.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';

/** The sheet of a variation as it is read for somebody on a line. */
export const sheetOf = (variation: string, { stage }: TodayLine, person: string): Of<'sheet'> => ({
  slug: variation,
  stage,
  person,
});
/** What the desk knows of everybody here. */
export const deskOf = (people: readonly TodayPerson[]): Of<'desk'> => ({
  people: people.map((p) => p.personId),
});

/** The set to do next of a variation, with what this tablet has logged since. */
export function nextOf(line: TodayLine, ofDay: readonly ShownSet[], date: string, given?: ResolvedVariation) {
  const of = given
    ? factsOf(given)
    : {
        slug: line.variation ?? '',
        oneSided: line.oneSided,
        countedIn: line.countedIn,
        severities: line.severities,
      };
  return nextSet(
    [...line.recent, ...ofDay],
    of,
    given ? planAt(line.plan?.target ?? line.target) : line.plan,
    date,
  );
}
