import { and, desc, eq } from 'drizzle-orm';
import type { FitForPerson } from '../../contract/fit.ts';
import { buildToFit } from '../../core/body/index.ts';
import { fitCard } from '../../core/kit/index.ts';
import { lastLoads, lastSettings, ownSettings } from '../../core/log/index.ts';
import type { LoggedSet } from '../../core/log/index.ts';
import { readingOfVariation } from '../../core/floor/index.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import type { About, Context } from '../endpoint.ts';
import { readerOf } from '../library/index.ts';
import { setsOfSummary } from '../log/index.ts';
import { buildsOf } from '../people/index.ts';
import { Refusal } from '../refusal.ts';

const { setSummary } = schema;

const SESSIONS = 6;

/** The sets of a variation in its newest sessions. */
async function newestSets(db: Db, personId: string, variation: string): Promise<LoggedSet[]> {
  const rows = await db
    .select()
    .from(setSummary)
    .where(and(eq(setSummary.personId, personId), eq(setSummary.variation, variation)))
    .orderBy(desc(setSummary.date))
    .limit(SESSIONS);
  return rows.flatMap(setsOfSummary);
}

/** @throws Refusal 404 without such a variation */
export async function fitForPerson(c: Context & About & { params: { slug: string } }): Promise<FitForPerson> {
  const { db, inForce, hall, person } = c;
  const variation = inForce.shelf.get('variation', c.params.slug);
  if (!variation) throw new Refusal(404, 'The library has no such variation.');
  const [known] = await buildsOf(db, [person.id]);
  const sets = await newestSets(db, person.id, variation.slug);
  const last = lastSettings(sets, variation.slug);
  const body = known ? buildToFit(known) : null;
  const reader = await readerOf({ ...c, about: c }, undefined);
  const read = readingOfVariation(inForce, variation, reader ?? { stage: 'sound', answers: {} });
  const shoe = last?.used.find((s) => s.name === 'footwear')?.value;
  const soleM = shoe === 'barefoot' ? 0 : (hall?.soleM ?? 0);
  const one = lastLoads(sets).get(variation.slug) ?? null;
  const loadKg = one === null ? null : variation.loadPlace === 'at the sides' ? 2 * one : one;
  return {
    card: body && fitCard(read, inForce.shelf, { build: body.build, worn: { soleM }, loadKg }),
    loadKg,
    last: last && { settings: last.used, date: last.date },
    own: ownSettings(sets, variation.slug),
    assumed: body?.assumed ?? [],
  };
}
