import { lineOrFailure, variationsNow } from '../../core/floor/index.ts';
import { laddersOf } from '../../core/library/index.ts';
import { askBeforeWork } from '../../core/ladder/index.ts';
import type { Today, TodayPerson } from '../../contract/session.ts';
import type { About, Context } from '../endpoint.ts';
import { squadList } from '../hall/index.ts';
import { checkInsOf, cuesTriedBy } from './check-ins.ts';
import { newestWithAids, setsOn } from './history.ts';
import { recordsOf } from './records.ts';
import { weekdayOf } from './weekday.ts';

/** Everybody given with what they do next, what to watch, and what to ask before work. */
export async function todayOf(c: Context, people: readonly About[]): Promise<Today> {
  const { db, inForce, today: date } = c;
  const squads = (await squadList(db)).map(({ id, name, trainingDays }) => ({
    id,
    name,
    trains: trainingDays.length === 0 || trainingDays.includes(weekdayOf(date)),
  }));
  // Those who look after somebody see the same of them; who covers sees what is theirs to see, put together for them.
  const own = new Map(people.filter((p) => p.hold === 'looks after').map((p) => [p.person.id, p]));
  const kept = await c.memo.of('today', `${inForce.state} ${date}`, [...own.keys()], (missing) =>
    peopleToday(
      c,
      missing.map((id) => own.get(id)!),
      squads,
    ),
  );
  const covered = await peopleToday(
    c,
    people.filter((p) => p.hold === 'covers'),
    squads,
  );
  return {
    date,
    squads,
    people: people.flatMap((p) => kept.get(p.person.id) ?? covered.get(p.person.id) ?? []),
  };
}

async function peopleToday(
  c: Context,
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
  const aids = await newestWithAids(db, ids, onNow);
  const done = await setsOn(db, ids, date);
  return new Map(
    people.map(({ person, hold, door }): [string, TodayPerson] => {
      const own = records(person.id);
      const checkIn = checkIns.get(person.id) ?? null;
      const trains = person.squadId === null || (squads.find((s) => s.id === person.squadId)?.trains ?? true);
      const ask = askBeforeWork({
        today: date,
        lastAsked:
          checkIn && (checkIn.pain ?? checkIn.sleepH ?? checkIn.atEase) !== null ? date : own.lastAsked,
        painfulDays: own.painfulDays,
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
              withAids: aids.get(person.id) ?? [],
              tried: tried.get(person.id) ?? [],
              door,
            }) ?? [],
        ),
      };
      return [person.id, found];
    }),
  );
}
