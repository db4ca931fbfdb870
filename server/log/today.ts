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
  const ids = people.map((p) => p.person.id);
  const squads = (await squadList(db)).map(({ id, name, trainingDays }) => ({
    id,
    name,
    trains: trainingDays.length === 0 || trainingDays.includes(weekdayOf(date)),
  }));
  const records = await recordsOf(db, c, ids);
  const checkIns = await checkInsOf(db, ids, date);
  const tried = await cuesTriedBy(db, ids);
  const ladders = laddersOf(inForce.shelf);
  const onNow = [...new Set(ids.flatMap((id) => variationsNow(inForce, records(id))))];
  const aids = await newestWithAids(db, ids, onNow);
  const done = await setsOn(db, ids, date);
  return {
    date,
    squads,
    people: people.map(({ person, hold, door }): TodayPerson => {
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
      return {
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
    }),
  };
}
