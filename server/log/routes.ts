import { grouped } from '../../core/floor/index.ts';
import { allOrNothing, handlers } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { coverableBy, coversOf, endCover, takeCover } from './cover.ts';
import { addSignOff, saveCheckIn, saveCueTried } from './check-ins.ts';
import { overview, personOnLadders } from './evidence.ts';
import { recentSets, setsOfVariations } from './history.ts';
import { changeForm, confirm, place } from './moves.ts';
import {
  dropOwnSet,
  keepOwnStop,
  openOwn,
  makeOwnLink,
  ownDay,
  ownLinksOf,
  putOwnSet,
  revokeOwnLink,
} from './own-link.ts';
import { clear, keepStop, reportsToRead, stopsOf, takeNote } from './reports.ts';
import { keepPlacement, nextTrial, placementsOf } from './placements.ts';
import { exportSetsCsv, importSetsCsv, previewSetsCsv } from './sets-csv.ts';
import { deletedOrAgain, dropSet, keepSet, staffLogger } from './sets.ts';
import { todayOf } from './today.ts';
import { tryLadder } from './try.ts';

const received = (at: Date) => ({ receivedAt: at.toISOString() });

export const logRoutes = handlers({
  overview: async (c) => {
    const all = new Map(c.mine.map((m) => [m.person.id, m]));
    const lines = await c.memo.of(
      'overview',
      `${c.inForce.state} ${c.inForce.kit} ${c.today}`,
      [...all.keys()],
      async (missing) =>
        grouped(
          await overview(
            c.db,
            c,
            missing.map((id) => all.get(id)!),
          ),
          (l) => l.personId,
        ),
    );
    return [...lines.values()].flat();
  },

  covers: (c) => coversOf(c),

  coverable: (c) => coverableBy(c),

  takeCover: async (c) => {
    await allOrNothing(c, (tx) => takeCover(tx, tx.body));
    return { ok: true };
  },

  endCover: async (c) => {
    await endCover(c, c.params.id);
    return { ok: true };
  },

  reports: (c) => reportsToRead(c),

  takeNote: async (c) => {
    await takeNote(c, c.body.reports);
    return { ok: true };
  },

  stopsOf: (c) => stopsOf(c),

  keepStop: async (c) => {
    await allOrNothing(c, (tx) => keepStop(tx, tx.params.id, tx.body));
    return received(c.at);
  },

  clear: async (c) => {
    await allOrNothing(c, (tx) => clear(tx, tx.body));
    return { ok: true };
  },

  /** Everybody of a squad, or some people by id, with what they do next. */
  today: async (c) => {
    const { squad, people: only } = c.query;
    const people = c.mine.filter(
      ({ person: p }) =>
        (squad === undefined || p.squadId === squad) && (only === undefined || only.includes(p.id)),
    );
    return todayOf(c, people);
  },

  saveCheckIn: async (c) => {
    await allOrNothing(c, (tx) => saveCheckIn(tx, tx.params.date, tx.body));
    return received(c.at);
  },

  keepCueTried: async (c) => {
    await allOrNothing(c, (tx) => saveCueTried(tx, tx.params.id, tx.body));
    return received(c.at);
  },

  personOnLadders: (c) => personOnLadders(c.db, c, c.person.id, c.door),

  /** Sets of older sessions, before a date. */
  olderSets: async ({ db, person, door, query }) => {
    const { sets, more } = await recentSets(db, person.id, query.before ?? null);
    return { sets: sets.map(door.set), more };
  },

  /** What was logged of some variations in the last year, for charts. */
  measures: async ({ db, person, door, query, today }) => {
    const sets = await setsOfVariations(db, person.id, query.of ?? [], today);
    return sets.map(door.set);
  },

  place: async (c) => ({ id: await allOrNothing(c, (tx) => place(tx, tx.body)) }),

  changeForm: async (c) => ({ id: await allOrNothing(c, (tx) => changeForm(tx, tx.body)) }),

  confirm: async (c) => ({ id: await allOrNothing(c, (tx) => confirm(tx, tx.body)) }),

  signOff: async (c) => ({ id: await allOrNothing(c, (tx) => addSignOff(tx, tx.body)) }),

  placements: ({ db, person, door }) => placementsOf(db, person.id, door),

  nextTrial: (c) => nextTrial(c, c.body),

  keepPlacement: (c) => allOrNothing(c, (tx) => keepPlacement(tx, tx.body)),

  tryLadder: async (c) => {
    if (c.body.ladder.kind !== 'ladder') throw new Refusal(422, 'ladder: this is no ladder.');
    return tryLadder(c, c.body);
  },

  keepSet: (c) => allOrNothing(c, (tx) => keepSet(tx, tx.params.id, tx.body, staffLogger(tx))),

  deleteSet: (c) => deletedOrAgain(() => allOrNothing(c, (tx) => dropSet(tx, tx.params.id, tx.body.edit))),

  setsCsv: async (c) => ({
    file: await exportSetsCsv(c, c.query),
    type: 'text/csv; charset=utf-8',
    name: 'meister-sets.csv',
  }),

  previewCsv: (c) => previewSetsCsv(c, c.body.text),

  importCsv: (c) => allOrNothing(c, (tx) => importSetsCsv(tx, tx.body.text)),

  ownLinks: (c) => ownLinksOf(c),

  makeOwnLink: (c) => makeOwnLink(c, c.body.days),

  revokeOwnLink: async (c) => {
    await revokeOwnLink(c, c.params.id);
    return { ok: true };
  },

  // What the holder of a personal link may do, without sign-in.
  openOwn: (c) => allOrNothing(c, (tx) => openOwn(tx, tx.body.token)),

  ownDay: (c) => ownDay(c),

  keepOwnSet: (c) => allOrNothing(c, (tx) => putOwnSet(tx, tx.params.id, tx.body)),

  keepOwnStop: async (c) => {
    await allOrNothing(c, (tx) => keepOwnStop(tx, tx.params.id, tx.body));
    return received(c.at);
  },

  deleteOwnSet: (c) => allOrNothing(c, (tx) => dropOwnSet(tx, tx.params.id, tx.body.edit)),
});
