import { eq, inArray, lt, sql } from 'drizzle-orm';
import type { HourBody, HourRequest, HourRow, StoredHour } from '../../contract/plan.ts';
import { moreOptions, placesOfHall } from '../../core/floor/index.ts';
import type { NeededPiece } from '../../core/floor/index.ts';
import type { Doing, PlaceKind } from '../../core/plan/index.ts';
import { daysAfter } from '../../core/terms/index.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import type { Context, Mine } from '../endpoint.ts';
import { Refusal } from '../refusal.ts';
import { todayOf } from '../log/index.ts';
import { barOf, piecesOf } from './needs.ts';

const { hourPerson, hourPlan } = schema;

/** What the groups of the last weeks were is of use for so long. */
const KEPT_DAYS = 35;
/** No hall plans more in a day. */
const MOST_A_DAY = 60;

async function peopleIn(db: Db, ids: readonly string[]): Promise<Map<string, string[]>> {
  const rows = ids.length
    ? await db
        .select()
        .from(hourPerson)
        .where(inArray(hourPerson.hourId, [...ids]))
    : [];
  const by = new Map<string, string[]>();
  for (const { hourId, personId } of rows) by.set(hourId, [...(by.get(hourId) ?? []), personId]);
  return by;
}

const iso = (at: string | null) => at && new Date(at).toISOString();
const rowOf = (row: typeof hourPlan.$inferSelect, people: string[]): HourRow => ({
  id: row.id,
  name: row.name,
  by: row.by,
  people,
  startedAt: iso(row.startedAt),
  endedAt: iso(row.endedAt),
});
const seesAll = (mine: Mine['mine'], people: readonly string[]) => {
  const own = new Set(mine.map((m) => m.person.id));
  return people.every((p) => own.has(p));
};

/** The hours of today that the one who asks may see: of people all of whom they look after or cover. */
export async function hoursOf({ db, today, mine }: Context & Mine): Promise<HourRow[]> {
  const rows = await db.select().from(hourPlan).where(eq(hourPlan.date, today)).orderBy(hourPlan.madeAt);
  const people = await peopleIn(
    db,
    rows.map((r) => r.id),
  );
  return rows
    .map((r) => rowOf(r, people.get(r.id) ?? []))
    .filter((r) => r.people.length > 0 && seesAll(mine, r.people));
}

/** Pieces of a kept hour of which nothing is done by now: a stop or a restriction stands above every plan. */
async function notNow(c: Context & Mine, people: readonly string[], body: HourBody): Promise<string[]> {
  const today = await todayOf(
    c,
    c.mine.filter((m) => people.includes(m.person.id)),
  );
  const of = new Map(today.people.map((p) => [p.personId, p]));
  return body.hour.pieces.flatMap(({ id, person, ladder }) => {
    const now = of.get(person);
    if (!now) return [id];
    if (now.stops.some((s) => s.reach === 'everything')) return [id];
    if (ladder === null) return now.stops.length > 0 ? [id] : [];
    return now.lines.some((l) => l.ladder === ladder && l.variation === null) ? [id] : [];
  });
}

/** @throws Refusal 404 without such an hour, or with somebody in it whom they do not look after */
export async function hourOf(c: Context & Mine, id: string): Promise<StoredHour> {
  const { db, mine, at } = c;
  const [row] = await db.select().from(hourPlan).where(eq(hourPlan.id, id));
  const people = row ? ((await peopleIn(db, [id])).get(id) ?? []) : [];
  if (!row || people.length === 0 || !seesAll(mine, people)) throw new Refusal(404, 'There is no such hour.');
  const stopped = await notNow(c, people, row.body);
  return {
    ...rowOf(row, people),
    at: at.toISOString(),
    date: row.date,
    edit: row.edit,
    notNow: stopped,
    bar: barOf(c),
    body: row.body,
  };
}

/**
 * Keeps an hour. What its pieces are is read from the log of today when it is first kept, never from what is sent, and
 * stays so while it runs. Must run inside a transaction.
 * @throws Refusal 403 for somebody they do not look after, 409 where it was changed meanwhile, 422 for what does not hold together
 */
export async function putHour(c: Context & Mine, id: string, request: HourRequest): Promise<StoredHour> {
  const { db, me, mine, at, today } = c;
  const people = request.people.map((p) => p.id);
  if (new Set(people).size < people.length)
    throw new Refusal(422, 'people: one of them is named twice. Nothing was kept.');
  if (!seesAll(mine, people))
    throw new Refusal(403, 'One of these people is not yours to plan for. Nothing was kept.');
  await db.execute(sql`select pg_advisory_xact_lock(hashtextextended(${id}, 1))`);
  const [known] = await db.select().from(hourPlan).where(eq(hourPlan.id, id));
  if (known) {
    const before = await hourOf(c, id);
    if (known.edit !== request.edit)
      throw new Refusal(409, 'This hour was changed meanwhile. Nothing was kept: look at it again.', {
        inForce: before,
      });
    if (before.people.some((p) => !people.includes(p)))
      throw new Refusal(
        422,
        'people: nobody is taken out of an hour; say that they have left. Nothing was kept.',
      );
    if (known.date !== today) throw new Refusal(422, 'This hour was on another day. Nothing was kept.');
  } else if (request.edit !== 0) {
    throw new Refusal(409, 'This hour is gone meanwhile. Nothing was kept.');
  } else if ((await db.$count(hourPlan, eq(hourPlan.date, today))) >= MOST_A_DAY) {
    throw new Refusal(422, `There are ${MOST_A_DAY} hours on this day already. Nothing was kept.`);
  }
  const body = await bodyOf(c, request, known?.body.hour);
  const row = {
    name: request.name,
    startedAt: request.startedAt,
    endedAt: request.endedAt,
    body,
    edit: request.edit + 1,
  };
  if (known) await db.update(hourPlan).set(row).where(eq(hourPlan.id, id));
  else await db.insert(hourPlan).values({ id, date: today, by: me.name, madeAt: at.toISOString(), ...row });
  await db
    .insert(hourPerson)
    .values(people.map((personId) => ({ hourId: id, personId })))
    .onConflictDoNothing();
  await db.delete(hourPlan).where(lt(hourPlan.date, daysAfter(today, -KEPT_DAYS)));
  return hourOf(c, id);
}

/** The pieces by their ids, and a plan that speaks of nothing that is not there. */
async function bodyOf(
  c: Context & Mine,
  r: HourRequest,
  before: HourBody['hour'] | undefined,
): Promise<HourBody> {
  const ids = new Set(r.people.map((p) => p.id));
  const known = new Map((before?.pieces ?? []).map((p) => [p.id, p]));
  const missing = r.pieces.filter((p) => !known.has(p.id));
  if (missing.length > 0)
    for (const p of await piecesOf(
      c,
      c.mine.filter((m) => ids.has(m.person.id)),
    ))
      if (!known.has(p.id)) known.set(p.id, p);
  const pieces = r.pieces.map((said): NeededPiece => {
    const piece = known.get(said.id);
    if (!piece || !ids.has(piece.person))
      throw new Refusal(
        409,
        'What somebody has to do has changed meanwhile: sets were logged, or a decision was confirmed. Nothing was kept: plan it again.',
      );
    const { wish: _before, ...rest } = piece;
    const { id: _id, wish, insteadToo, ...own } = said;
    const more = insteadToo ? moreOptions(piece) : [];
    return { ...rest, ...own, options: [...piece.options, ...more], ...(wish ? { wish } : {}) };
  });
  const hall = placesOfHall(c.inForce);
  // What the hour was planned with stays its own, whatever is put away meanwhile.
  const kinds = new Map([...hall.places, ...(before?.places ?? [])].map((k) => [k.id, k]));
  const places = r.places.map((p): PlaceKind => {
    const kind = kinds.get(p.id);
    if (!kind)
      throw new Refusal(409, `${p.id} is not in the kit room any more. Nothing was kept: plan it again.`);
    return { ...kind, ...p };
  });
  const wrong = planProblem(r, pieces);
  if (wrong) throw new Refusal(422, `plan: ${wrong} Nothing was kept.`);
  return {
    hour: {
      people: r.people,
      pieces,
      places,
      floorPlaces: r.floorPlaces,
      pools: hall.pools,
      totalS: r.totalS,
      warmUpS: r.warmUpS,
      changeS: r.changeS,
      coach: { atOnce: r.watchers.reduce((n, w) => n + w.atOnce, 0), share: r.share },
    },
    plan: r.plan,
    spans: r.spans,
    watchers: r.watchers,
    bound: r.bound,
    gone: r.gone,
  };
}

function planProblem({ plan, places, spans }: HourRequest, pieces: readonly NeededPiece[]): string | null {
  if (spans.length !== plan.rounds.length) return 'each round needs its time.';
  if (plan.rounds.some((r) => r.shared.some((s) => !places[s.kind])))
    return 'it names a place that is not there.';
  const seen = new Set<number>();
  const at = (list: readonly Doing[], id: string | null) => list.map((d) => ({ ...d, at: id }));
  for (const round of plan.rounds)
    for (const d of [
      ...at(round.floor, null),
      ...round.shared.flatMap((s) => at(s.doing, places[s.kind]!.id)),
    ]) {
      const option = pieces[d.piece]?.options[d.option];
      if (!option) return 'it names work that is not there.';
      if (option.at !== d.at) return 'it has work at a place where it cannot be done.';
      if (seen.has(d.piece)) return 'it has one piece twice.';
      seen.add(d.piece);
    }
  if (plan.dropped.some((j) => !pieces[j] || seen.has(j))) return 'it leaves out what it also does.';
  return null;
}

/** @throws Refusal 404, 409 */
export async function dropHour(c: Context & Mine, id: string, edit: number): Promise<void> {
  const known = await hourOf(c, id);
  if (known.edit !== edit) throw new Refusal(409, 'This hour was changed meanwhile. Nothing was removed.');
  if (known.startedAt !== null)
    throw new Refusal(422, 'This hour has begun. End it instead; nothing was removed.');
  await c.db.delete(hourPlan).where(eq(hourPlan.id, id));
}
