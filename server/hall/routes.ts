import { STAFF_ROLES } from '../../contract/access.ts';
import { hashPassword, refuseCommon } from '../access/index.ts';
import { allOrNothing, handlers } from '../endpoint.ts';
import { editionHeader } from './edition.ts';
import { addStaff, editStaff, saveSettings, saveSquad, squadList, staffList } from './store.ts';

const OK = { ok: true } as const;

export const hallRoutes = handlers({
  start: async ({ db, me, hall, today, setUpCode }) => {
    const accounts = hall?.demo && !me ? await staffList(db) : [];
    return {
      empty: hall === null,
      needsCode: hall === null && setUpCode !== null,
      hall: hall && {
        name: hall.name,
        timeZone: hall.timeZone,
        paper: hall.paper,
        massUnit: hall.massUnit,
        lengthUnit: hall.lengthUnit,
        dates: hall.dates,
        growsByItself: hall.growsByItself,
        placementWay: hall.placementWay,
        soleM: hall.soleM,
        today,
        demo: hall.demo,
      },
      edition: me ? await editionHeader(db) : null,
      me,
      demoAccounts: accounts
        .sort((a, b) => STAFF_ROLES.indexOf(a.role) - STAFF_ROLES.indexOf(b.role))
        .map(({ login, role, name }) => ({ login, role, name, password: hall?.demoPassword ?? '' })),
    };
  },

  heartbeat: ({ boot, snapshots, at }) => ({
    boot,
    snapshotAt: snapshots.coveredUntil(),
    now: at.toISOString(),
  }),

  saveHall: async ({ db, body }) => {
    await saveSettings(db, body);
    return OK;
  },

  staff: ({ db }) => staffList(db),

  addStaff: async (c) => {
    refuseCommon(c.body.password, [c.body.login, c.body.name, c.hall?.name ?? '']);
    const hash = await hashPassword(c.body.password);
    return { id: await allOrNothing(c, ({ db, body }) => addStaff(db, body, hash)) };
  },

  saveStaff: async (c) => {
    const { password, login, name } = c.body;
    if (password) refuseCommon(password, [login, name, c.hall?.name ?? '']);
    await allOrNothing(c, ({ db, params, body }) => editStaff(db, params.id, body));
    return OK;
  },

  squads: ({ db }) => squadList(db),

  addSquad: async (c) => ({ id: await allOrNothing(c, ({ db, body }) => saveSquad(db, null, body)) }),

  saveSquad: async (c) => {
    await allOrNothing(c, ({ db, params, body }) => saveSquad(db, params.id, body));
    return OK;
  },

  backup: async ({ backup, at }) => ({
    file: await backup(at),
    type: 'application/gzip',
    name: `meister-${at.toISOString().slice(0, 10)}.ndjson.gz`,
  }),
});
