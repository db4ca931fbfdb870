import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import { hallSettingsSchema, newStaffSchema, squadSchema, staffSchema } from '../../contract/hall.ts';
import type {
  HallSettings,
  Heartbeat,
  NewStaff,
  StaffEdit,
  Start,
  SquadRequest,
} from '../../contract/hall.ts';
import { STAFF_ROLES } from '../../contract/access.ts';
import { hashPassword } from '../access/index.ts';
import { backupLines } from '../db/index.ts';
import { bodyOf, idOf } from '../http.ts';
import type { App, Services } from '../http.ts';
import { editionHeader } from '../library/index.ts';
import {
  addStaff,
  dayIn,
  editStaff,
  hallRow,
  saveSettings,
  saveSquad,
  squadList,
  staffList,
} from './store.ts';

const compress = promisify(gzip);

export function hallRoutes(app: App, s: Services): void {
  app.get('/api/start', async (c) => {
    const me = c.get('me');
    const row = await hallRow(s.db);
    const accounts = row?.demo && !me ? await staffList(s.db) : [];
    const answer: Start = {
      empty: row === null,
      hall: row && {
        name: row.name,
        timeZone: row.timeZone,
        paper: row.paper,
        massUnit: row.massUnit,
        lengthUnit: row.lengthUnit,
        today: dayIn(row.timeZone, s.clock()),
        demo: row.demo,
      },
      edition: me ? await editionHeader(s.db) : null,
      me,
      demoAccounts: accounts
        .sort((a, b) => STAFF_ROLES.indexOf(a.role) - STAFF_ROLES.indexOf(b.role))
        .map(({ login, role, name }) => ({
          login,
          role,
          name,
          password: row?.demoPassword ?? '',
        })),
    };
    return c.json(answer);
  });

  app.get('/api/heartbeat', (c) => {
    const answer: Heartbeat = {
      boot: s.boot,
      snapshotAt: s.snapshots.coveredUntil(),
      now: s.clock().toISOString(),
    };
    return c.json(answer);
  });

  app.put('/api/hall', async (c) => {
    const settings = await bodyOf<HallSettings>(c, hallSettingsSchema);
    await saveSettings(s.db, settings);
    return c.json({ ok: true });
  });

  app.get('/api/staff', async (c) => c.json(await staffList(s.db)));

  app.post('/api/staff', async (c) => {
    const member = await bodyOf<NewStaff>(c, newStaffSchema);
    const hash = await hashPassword(member.password);
    const id = await s.db.transaction((tx) => addStaff(tx, member, hash));
    return c.json({ id }, 201);
  });

  app.put('/api/staff/:id', async (c) => {
    const id = idOf(c);
    const edit = await bodyOf<StaffEdit>(c, staffSchema);
    await s.db.transaction((tx) => editStaff(tx, id, edit));
    return c.json({ ok: true });
  });

  app.get('/api/squads', async (c) => c.json(await squadList(s.db)));

  app.post('/api/squads', async (c) => {
    const squad = await bodyOf<SquadRequest>(c, squadSchema);
    const id = await s.db.transaction((tx) => saveSquad(tx, null, squad));
    return c.json({ id }, 201);
  });

  app.put('/api/squads/:id', async (c) => {
    const id = idOf(c);
    const squad = await bodyOf<SquadRequest>(c, squadSchema);
    await s.db.transaction((tx) => saveSquad(tx, id, squad));
    return c.json({ ok: true });
  });

  app.get('/api/backup', async (c) => {
    const at = s.clock();
    const bytes = await compress((await backupLines(s.db, at)).join('\n'));
    return c.body(new Uint8Array(bytes), 200, {
      'content-type': 'application/gzip',
      'content-disposition': `attachment; filename="meister-${at.toISOString().slice(0, 10)}.ndjson.gz"`,
    });
  });
}
