import type { HourNeeds, WarmUps } from '../../contract/plan.ts';
import { barsOf } from '../../core/kit/index.ts';
import { chainsDue, chainState } from '../../core/fault/index.ts';
import { ledWarmUp, neededBy, placesOfHall } from '../../core/floor/index.ts';
import type { LedWarmUp, NeededPiece } from '../../core/floor/index.ts';
import { notThere } from '../../core/terms/index.ts';
import { deskKnowledge } from '../fault/index.ts';
import type { About, Context } from '../endpoint.ts';
import { recordsOf, todayOf } from '../log/index.ts';
import { bodiesOf } from '../people/index.ts';

/** What everybody given still has to do today, under the kit of the hall. */
export async function needsOf(c: Context, people: readonly About[]): Promise<HourNeeds> {
  const pieces = await piecesOf(c, people);
  const { shelf } = c.inForce;
  const [bar] = barsOf(shelf.kit, (p) => notThere(p, c.today) === null);
  const warm = await warmUpsOf(c, people);
  return {
    date: c.today,
    pieces,
    ...placesOfHall(c.inForce),
    bar: bar?.kit ?? null,
    warmUpS: Math.max(0, ...warm.people.map((p) => p.seconds)),
  };
}

export async function piecesOf(c: Context, people: readonly About[]): Promise<NeededPiece[]> {
  const today = await todayOf(c, people);
  const desk = await deskKnowledge(c, people);
  const ids = people.map((p) => p.person.id);
  const bodies = await bodiesOf(c, ids);
  const records = await recordsOf(c.db, c, ids);
  const knownOf = new Map(desk.people.map((p) => [p.personId, p]));
  return today.people.flatMap((p) => {
    // Whom something stops does nothing at all of it; their lines say so already.
    const own = records(p.personId);
    const known = knownOf.get(p.personId);
    const chains = (p.stops.length > 0 ? [] : chainsDue(known?.chain ?? [], [])).flatMap(
      ({ fault, side }) => {
        const read = known?.faults.find((f) => f.slug === fault);
        if (!read || chainState(read.chain, known?.chain ?? [], fault, side).at >= read.chain.length)
          return [];
        return [
          { id: `chain ${fault}${side ? ` ${side}` : ''}`, name: side ? `${read.name}, ${side}` : read.name },
        ];
      },
    );
    if (p.stops.some((s) => s.reach === 'everything')) return [];
    return neededBy(
      c.inForce,
      {
        personId: p.personId,
        lines: p.lines,
        done: p.sets,
        body: bodies.get(p.personId) ?? null,
        restrictions: own.restrictions,
        answers: own.answers,
        chains,
      },
      c.today,
    );
  });
}

/** The warm-up of everybody given before what they do today. */
export async function warmUpsOf(c: Context, people: readonly About[]): Promise<WarmUps> {
  const today = await todayOf(c, people);
  const ids = people.map((p) => p.person.id);
  const bodies = await bodiesOf(c, ids);
  const records = await recordsOf(c.db, c, ids);
  const holds = new Map(people.map((p) => [p.person.id, p.hold]));
  return {
    date: c.today,
    people: today.people.map((p): LedWarmUp => {
      const own = records(p.personId);
      // Who covers somebody is not told why.
      const tellsWhy = holds.get(p.personId) === 'looks after';
      const work = p.lines.flatMap((l) => l.variation ?? []);
      const build = bodies.get(p.personId)?.build ?? null;
      return ledWarmUp(
        c.inForce,
        { personId: p.personId, work, answers: own.answers, restrictions: own.restrictions, build, tellsWhy },
        c.today,
      );
    }),
  };
}
