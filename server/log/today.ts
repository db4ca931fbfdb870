import { doorFor, lineOrFailure, painfulDays, variationsNow } from '../../core/floor/index.ts';
import { laddersOf } from '../../core/library/index.ts';
import { askBeforeWork } from '../../core/ladder/index.ts';
import type { Today, TodayPerson } from '../../contract/session.ts';
import type { About, Context, Hold, OpenContext } from '../endpoint.ts';
import { squadList } from '../hall/index.ts';
import { bodiesOf, personList } from '../people/index.ts';
import { checkInsOf, cuesTriedBy } from './check-ins.ts';
import { newestWithSettings, setsOn } from './history.ts';
import { recordsOf } from './records.ts';
import { weekdayOf } from './weekday.ts';

/** Everybody given with what they do next, what to watch, and what to ask before work. */
export async function todayOf(c: Context, people: readonly About[]): Promise<Today> {
  const squads = await squadsToday(c);
  const of = (hold: Hold) => people.filter((p) => p.hold === hold);
  const kept = await ownToday(c, of('looks after'), squads);
  // Who covers sees what is theirs to see, put together for them.
  const covered = await peopleToday(c, of('covers'), squads);
  return {
    date: c.today,
    squads,
    people: people.flatMap((p) => kept.get(p.person.id) ?? covered.get(p.person.id) ?? []),
  };
}

/** So many people are put together at once; what waits, such as a set being logged, goes in between. */
const WARMED_AT_ONCE = 25;

/** Puts today together for everybody, before anybody asks. */
export async function warmToday(c: OpenContext): Promise<void> {
  const everybody = await personList(c.db);
  const door = doorFor(true);
  const squads = await squadsToday(c);
  for (let i = 0; i < everybody.length; i += WARMED_AT_ONCE) {
    const some = everybody.slice(i, i + WARMED_AT_ONCE);
    await ownToday(
      c,
      some.map((person) => ({ person, hold: 'looks after', door })),
      squads,
    );
    await new Promise((go) => setImmediate(go));
  }
}

async function squadsToday({ db, today: date }: OpenContext): Promise<Today['squads']> {
  return (await squadList(db)).map(({ id, name, trainingDays }) => ({
    id,
    name,
    trains: trainingDays.length === 0 || trainingDays.includes(weekdayOf(date)),
  }));
}

/** Of those whom somebody looks after: all who do see the same of them. */
function ownToday(c: OpenContext, people: readonly About[], squads: Today['squads']) {
  const own = new Map(people.map((p) => [p.person.id, p]));
  return c.memo.of('today', `${c.inForce.state} ${c.inForce.kit} ${c.today}`, [...own.keys()], (missing) =>
    peopleToday(
      c,
      missing.map((id) => own.get(id)!),
      squads,
    ),
  );
}

async function peopleToday(
  c: OpenContext,
  people: readonly About[],
  squads: Today['squads'],
): Promise<Map<string, TodayPerson>> {
  const { db, inForce, today: date } = c;
  const ids = people.map((p) => p.person.id);
  const records = await recordsOf(db, c, ids);
  const checkIns = await checkInsOf(db, ids, date);
  const tried = await cuesTriedBy(db, ids);
  const ladders = laddersOf(inForce.shelf);
  const onNow = [...new Set(ids.flatMap((id) => variationsNow(inForce, records(id))))];
  const used = await newestWithSettings(db, ids, onNow);
  const done = await setsOn(db, ids, date);
  const bodies = await bodiesOf(c, ids);
  return new Map(
    people.map(({ person, hold, door }): [string, TodayPerson] => {
      const own = records(person.id);
      const checkIn = checkIns.get(person.id) ?? null;
      const trains = person.squadId === null || (squads.find((s) => s.id === person.squadId)?.trains ?? true);
      const ask = askBeforeWork({
        today: date,
        lastAsked:
          checkIn && (checkIn.pain ?? checkIn.sleepH ?? checkIn.atEase) !== null ? date : own.lastAsked,
        painfulDays: painfulDays(own),
        restrictions: own.restrictions,
        lastSession: own.lastSession,
      });
      const found: TodayPerson = {
        personId: person.id,
        expected: checkIn?.here ?? trains,
        checkIn: checkIn && door.checkIn(checkIn),
        ask: ask && door.ask(ask),
        lastSession: own.lastSession,
        covered: hold === 'covers',
        stops: [...own.stops],
        emergency: person.emergency,
        firstAid: person.firstAid,
        sets: (done.get(person.id) ?? []).map(door.set),
        lines: ladders.flatMap(
          (ladder) =>
            lineOrFailure({
              floor: c,
              ladder,
              own,
              withSettings: used.get(person.id) ?? [],
              tried: tried.get(person.id) ?? [],
              door,
              body: bodies.get(person.id) ?? null,
            }) ?? [],
        ),
      };
      return [person.id, found];
    }),
  );
}
