import type { Closes } from '../../contract/fit.ts';
import type { RunPerson } from '../../core/floor/index.ts';
import { allOrNothing, handlers } from '../endpoint.ts';
import type { Context } from '../endpoint.ts';
import { Refusal } from '../refusal.ts';
import { squadList } from '../hall/index.ts';
import { weekdayOf } from '../log/index.ts';
import { fitForPerson } from './fit.ts';
import { runPeople } from './people.ts';
import { dropWish, saveWish, wishesOf } from './wishes.ts';

const OK = { ok: true } as const;

/** Whose squad trains on the day, or who belongs to none. */
async function trainsToday({
  db,
  today,
  mine,
}: Context & { mine: readonly { person: { id: string; squadId: string | null } }[] }) {
  const weekday = weekdayOf(today);
  const squads = new Map((await squadList(db)).map((s) => [s.id, s.trainingDays]));
  return new Set(
    mine.flatMap(({ person: { id, squadId } }) => {
      const days = squadId === null ? [] : (squads.get(squadId) ?? []);
      return days.length === 0 || days.includes(weekday) ? [id] : [];
    }),
  );
}

export const fitRoutes = handlers({
  fit: (c) => fitForPerson(c),

  runs: async (c) => {
    const people = await runPeople(c, c.mine);
    const levels = await c.work('runs', c.inForce, { people, today: c.today });
    return { people: people.map((p) => p.id), at: people.map((p) => ({ ...p.levels })), levels };
  },

  closes: async (c): Promise<Closes> => {
    const people: RunPerson[] = await runPeople(c, c.mine);
    const { lost, variations } = await c.work('closes', c.inForce, {
      people,
      today: c.today,
      without: c.query.without ?? [],
    });
    const today = await trainsToday(c);
    return {
      lost: lost
        .map((l) => ({ ...l, today: today.has(l.person) }))
        .sort((a, b) => Number(b.today) - Number(a.today)),
      variations,
    };
  },

  purchases: async (c) => {
    const people = await runPeople(c, c.mine);
    const wishes = await wishesOf(c.db);
    const found = await c.work('purchases', c.inForce, { people, wishes, today: c.today });
    const names = Object.fromEntries(
      found.holes.map(({ level: at }): [string, string] => {
        const [slug, id] = at.split('/');
        const ladder = c.inForce.shelf.get('ladder', slug!);
        return [at, `${ladder?.name ?? slug}: ${ladder?.levels.find((l) => l.id === id)?.name ?? id}`];
      }),
    );
    return { wishes, names, ...found };
  },

  saveWish: async (c) => {
    const { piece } = c.body;
    if (!c.inForce.shelf.get('equipment', piece.equipment)) {
      throw new Refusal(
        422,
        `piece: there is no equipment “${piece.equipment}” in the library. Nothing was kept.`,
      );
    }
    await allOrNothing(c, (tx) => saveWish(tx.db, c.params.id, c.body));
    return OK;
  },

  dropWish: async (c) => {
    await dropWish(c.db, c.params.id);
    return OK;
  },
});
