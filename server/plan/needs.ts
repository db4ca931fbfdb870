import type { HourNeeds, WarmUps } from '../../contract/plan.ts';
import { barsOf } from '../../core/kit/index.ts';
import type { BarKit } from '../../core/kit/index.ts';
import { chainsDue, chainState } from '../../core/fault/index.ts';
import { ledWarmUp, neededBy, placesOfHall } from '../../core/floor/index.ts';
import type { LedWarmUp, NeededPiece } from '../../core/floor/index.ts';
import { notThere } from '../../core/terms/index.ts';
import { deskKnowledge } from '../fault/index.ts';
import type { About, Context } from '../endpoint.ts';
import { recordsOf, todayOf } from '../log/index.ts';
import { bodiesOf } from '../people/index.ts';

/** What is known of everybody given, read once. */
async function dayOf(c: Context, people: readonly About[]) {
  const ids = people.map((p) => p.person.id);
  const today = await todayOf(c, people);
  const bodies = await bodiesOf(c, ids);
  const records = await recordsOf(c.db, c, ids);
  const holds = new Map(people.map((p) => [p.person.id, p.hold]));
  return today.people.map((p) => ({
    ...p,
    body: bodies.get(p.personId) ?? null,
    own: records(p.personId),
    // Who covers somebody is not told why.
    tellsWhy: holds.get(p.personId) === 'looks after',
  }));
}
type OfDay = Awaited<ReturnType<typeof dayOf>>[number];

/** What everybody given still has to do today, under the kit of the hall. */
export async function needsOf(c: Context, people: readonly About[]): Promise<HourNeeds> {
  const day = await dayOf(c, people);
  return {
    date: c.today,
    pieces: await piecesFor(c, people, day),
    ...placesOfHall(c.inForce),
    bar: barOf(c),
    warmUpS: Math.max(0, ...day.map((p) => warmUpFor(c, p).seconds)),
  };
}

/** The bar of the hall whose plates are counted, as far as one may be used. */
export function barOf({ inForce: { shelf }, today }: Context): BarKit | null {
  return barsOf(shelf.kit, (p) => notThere(p, today) === null)[0]?.kit ?? null;
}

export async function piecesOf(c: Context, people: readonly About[]): Promise<NeededPiece[]> {
  return piecesFor(c, people, await dayOf(c, people));
}

async function piecesFor(
  c: Context,
  people: readonly About[],
  day: readonly OfDay[],
): Promise<NeededPiece[]> {
  const desk = await deskKnowledge(c, people);
  const knownOf = new Map(desk.people.map((p) => [p.personId, p]));
  return day.flatMap((p) => {
    // Whom something stops does nothing at all of it; their lines say so already.
    if (p.stops.some((s) => s.reach === 'everything')) return [];
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
    const { personId, lines, sets: done, body } = p;
    const { restrictions, answers } = p.own;
    return neededBy(c.inForce, { personId, lines, done, body, restrictions, answers, chains }, c.today);
  });
}

/** The warm-up of everybody given before what they do today. */
export async function warmUpsOf(c: Context, people: readonly About[]): Promise<WarmUps> {
  const day = await dayOf(c, people);
  return { date: c.today, people: day.map((p) => warmUpFor(c, p)) };
}

function warmUpFor(c: Context, { personId, lines, own, body, tellsWhy }: OfDay): LedWarmUp {
  const work = lines.flatMap((l) => l.variation ?? []);
  const { answers, restrictions } = own;
  const lacking = body?.lacking.map((r) => r.joint) ?? [];
  return ledWarmUp(c.inForce, { personId, work, answers, restrictions, lacking, tellsWhy }, c.today);
}
