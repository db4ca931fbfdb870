import { allOrNothing, handlers } from '../endpoint.ts';
import type { Mine } from '../endpoint.ts';
import { Refusal } from '../refusal.ts';
import { MOST_PEOPLE } from '../../contract/plan.ts';
import { needsOf, warmUpsOf } from './needs.ts';
import { dropHour, hourOf, hoursOf, putHour } from './store.ts';

/** Those who were asked for, all of them the asker’s. @throws Refusal 422 for more than an hour has, 403 */
function asked({ mine }: Mine, people: readonly string[] | undefined): Mine['mine'] {
  const ids = [...new Set(people ?? [])];
  if (ids.length > MOST_PEOPLE) throw new Refusal(422, `people: at most ${MOST_PEOPLE} in one hour.`);
  const found = mine.filter((m) => ids.includes(m.person.id));
  if (found.length < ids.length) throw new Refusal(403, 'One of these people is not yours to plan for.');
  return found;
}

export const planRoutes = handlers({
  hourNeeds: (c) => needsOf(c, asked(c, c.query.people)),
  warmUps: (c) => warmUpsOf(c, asked(c, c.query.people)),
  hours: (c) => hoursOf(c),
  hour: (c) => hourOf(c, c.params.id),
  saveHour: (c) => allOrNothing(c, (tx) => putHour(tx, c.params.id, c.body)),
  dropHour: async (c) => {
    await allOrNothing(c, (tx) => dropHour(tx, c.params.id, c.body.edit));
    return { ok: true as const };
  },
});
