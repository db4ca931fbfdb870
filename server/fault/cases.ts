import { and, eq, gte } from 'drizzle-orm';
import type { CaseRequest, CaseRow, ChainTryRequest, DeskKnowledge } from '../../contract/fault.ts';
import { chainsDue, experienceOf } from '../../core/fault/index.ts';
import type { ChainTry } from '../../core/fault/index.ts';
import { canonicalJson, resolve } from '../../core/library/index.ts';
import type { Shelf } from '../../core/library/index.ts';
import { barring, barSentence, isInForce, recurringFaults } from '../../core/ladder/index.ts';
import { daysAfter } from '../../core/terms/index.ts';
import type { Door, Shown } from '../../core/floor/index.ts';
import type { Restriction } from '../../core/ladder/index.ts';
import { among, schema } from '../db/index.ts';
import type { About, Context } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { refuseFuture, refuseUnknownRevision, setsSince, tell } from '../log/index.ts';
import { isBy, keepCorrection, openRestrictions } from '../people/index.ts';

const { faultCase, chainTry } = schema;

/** Of a person the desk reads so far back. */
const PERSON_DAYS = 182;
/** The hall's experience is counted over so long. */
const HALL_DAYS = 366;

const NOTHING = 'Nothing was kept.';

/**
 * Keeps a case under the id its tablet gave it. The same one again changes nothing, an older edit is left aside; of two
 * different ones with the same edit the greater text stays, whichever came first.
 */
export async function keepCase(c: Context & About, id: string, request: CaseRequest): Promise<void> {
  const { db: tx, me, at, today, hold } = c;
  refuseFuture(request.date, today, NOTHING);
  if (request.signs.length + request.felt.length === 0) {
    throw new Refusal(422, 'signs: nothing was seen, heard or felt. Nothing was kept.');
  }
  await refuseUnknownRevision(tx, request.variation, request.variationRevision, NOTHING);
  const [before] = await tx.select().from(faultCase).where(eq(faultCase.id, id)).for('update');
  if (before && before.personId !== request.personId) {
    throw new Refusal(409, 'This belongs to somebody else. Nothing was changed.');
  }
  if (hold === 'covers' && (request.date !== today || (before && !isBy(me, before.byId, before.by)))) {
    throw new Refusal(
      403,
      'Who covers somebody keeps today’s cases and corrects their own. Nothing was kept.',
    );
  }
  const { personId, date, pain, felt, variation, note: words } = request;
  await tell(c, me, {
    personId,
    source: `case ${id}`,
    date,
    told: 'desk',
    pain,
    felt,
    variation,
    words,
  });
  const row = { ...request, by: me.name, byId: me.id, at: at.toISOString() };
  if (!before) {
    await tx.insert(faultCase).values({ id, ...row });
    return;
  }
  const { id: _i, by: _b, byId: _bi, at: _a, ...stored } = before;
  const { by: _by, byId: _byId, at: _at, ...sent } = row;
  const newer =
    request.edit > before.edit ||
    (request.edit === before.edit && canonicalJson(sent) > canonicalJson(stored));
  if (!newer) return;
  await keepCorrection(c, { personId, what: 'fault worked on', key: id }, stored, sent);
  await tx.update(faultCase).set(row).where(eq(faultCase.id, id));
}

/** Keeps a try at a gate; sent twice it is kept once, and a correction of the same try takes its place. */
export async function keepChainTry(c: Context, id: string, request: ChainTryRequest): Promise<void> {
  const { db: tx, me, at, today } = c;
  refuseFuture(request.date, today, NOTHING);
  const fault = c.inForce.shelf.get('fault', request.fault);
  if (!fault?.chain.some((c) => c.line.text === request.step)) {
    throw new Refusal(
      422,
      `step: the chain of "${request.fault}" has no such step any more. Read it again; nothing was kept.`,
    );
  }
  const [before] = await tx.select().from(chainTry).where(eq(chainTry.id, id));
  if (before && before.personId !== request.personId) {
    throw new Refusal(409, 'This belongs to somebody else. Nothing was changed.');
  }
  if (before) {
    const { personId, step } = before;
    const of = { personId, what: 'gate of a chain', key: id } as const;
    await keepCorrection(c, of, { step, passed: before.passed }, { step, passed: request.passed });
  }
  await tx
    .insert(chainTry)
    .values({ id, ...request, by: me.name, at: at.toISOString() })
    .onConflictDoUpdate({ target: chainTry.id, set: { passed: request.passed } });
}

type Stored = typeof faultCase.$inferSelect;
const rowOf = ({ at: _a, ...row }: Stored, door: Door): Shown<CaseRow> => door.case(row);

/** The hall's experience, and of each person given the cases, chains and recurring faults. */
export async function deskKnowledge(
  { db, inForce: { shelf }, today }: Context,
  people: readonly About[],
): Promise<DeskKnowledge> {
  const ids = people.map((p) => p.person.id);
  const hall = await db
    .select({ checks: faultCase.checks, tried: faultCase.tried })
    .from(faultCase)
    .where(gte(faultCase.date, daysAfter(today, -HALL_DAYS)));
  const cases = ids.length
    ? await db
        .select()
        .from(faultCase)
        .where(and(among(faultCase.personId, ids), gte(faultCase.date, daysAfter(today, -PERSON_DAYS))))
        .orderBy(faultCase.at)
    : [];
  const tries = ids.length
    ? await db.select().from(chainTry).where(among(chainTry.personId, ids)).orderBy(chainTry.date)
    : [];
  const sets = await setsSince(db, ids, daysAfter(today, -PERSON_DAYS));
  const restrictions = await openRestrictions(db, ids);
  return {
    experience: experienceOf(hall),
    people: people.map(({ person: p, hold, door }) => {
      // Who covers somebody reads what is of today.
      const covers = hold === 'covers';
      const chain = covers ? [] : tries.filter((t) => t.personId === p.id).map(tryOf);
      const recurring = covers ? [] : recurringFaults(sets.get(p.id) ?? []);
      return {
        personId: p.id,
        cases: cases
          .filter((c) => c.personId === p.id && (!covers || c.date === today))
          .map((c) => rowOf(c, door)),
        chain,
        recurring,
        faults: faultsRead(
          [...chainsDue(chain, recurring), ...recurring].map((c) => c.fault),
          shelf,
        ),
        barred: barredFor(restrictions.get(p.id) ?? [], shelf, today),
      };
    }),
  };
}

/** The variations that restrictions in force bar, with what they say. */
function barredFor(all: readonly Restriction[], shelf: Shelf, today: string): Record<string, string> {
  const bars = all.filter((r) => isInForce(r, today));
  if (bars.length === 0) return {};
  return Object.fromEntries(
    shelf.all('variation').flatMap((v) => {
      const by = barring(bars, v);
      return by.length ? [[v.slug, by.flatMap((r) => r.bars.map(barSentence)).join(', ')]] : [];
    }),
  );
}

const tryOf = ({ fault, side, step, date, passed }: typeof chainTry.$inferSelect): ChainTry => ({
  fault,
  side,
  step,
  date,
  passed,
});

/** Names and chains of some faults, each as a variation that has it reads it. */
function faultsRead(slugs: readonly string[], shelf: Shelf): DeskKnowledge['people'][number]['faults'] {
  return [...new Set(slugs)].flatMap((slug) => {
    const v = shelf.all('variation').find((x) => !x.retired && x.faults.some((f) => f.fault === slug));
    const read = v && resolve(v, shelf).faults.find((f) => f.slug === slug);
    return read ? [{ slug, name: read.name, chain: read.chain }] : [];
  });
}
