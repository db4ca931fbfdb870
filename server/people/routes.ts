import {
  buildSchema,
  eraseSchema,
  liftSchema,
  personSchema,
  rangeTestSchema,
  restrictionSchema,
} from '../../contract/people.ts';
import type {
  BuildRequest,
  PersonRequest,
  RangeTestRequest,
  RestrictionRequest,
} from '../../contract/people.ts';
import { hallToday } from '../hall/index.ts';
import { bodyOf, idOf, meOf } from '../http.ts';
import type { App, Services } from '../http.ts';
import { answersOf, dropAnswer } from './answers.ts';
import { addRangeTest, buildsOf, dropRangeTest, saveBuild } from './builds.ts';
import {
  addRestriction,
  erasePerson,
  exportPerson,
  liftRestriction,
  personList,
  personOf,
  restrictionRows,
  savePerson,
} from './store.ts';

export function peopleRoutes(app: App, s: Services): void {
  app.get('/api/people', async (c) => c.json(await personList(s.db)));

  app.post('/api/people', async (c) => {
    const request = await bodyOf<PersonRequest>(c, personSchema);
    const id = await s.db.transaction((tx) => savePerson(tx, null, request));
    return c.json({ id }, 201);
  });

  app.put('/api/people/:id', async (c) => {
    const id = idOf(c);
    const request = await bodyOf<PersonRequest>(c, personSchema);
    await s.db.transaction((tx) => savePerson(tx, id, request));
    return c.json({ ok: true });
  });

  app.delete('/api/people/:id', async (c) => {
    const id = idOf(c);
    const { name } = await bodyOf<{ name: string }>(c, eraseSchema);
    await s.db.transaction((tx) => erasePerson(tx, id, name));
    return c.json({ ok: true });
  });

  app.get('/api/people/:id/export', async (c) => {
    const data = await exportPerson(s.db, idOf(c));
    return c.body(`${JSON.stringify(data, null, 2)}\n`, 200, {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': 'attachment; filename="meister-person.json"',
    });
  });

  app.get('/api/builds', async (c) => c.json(await buildsOf(s.db)));

  app.get('/api/people/:id/answers', async (c) => {
    const { id } = await personOf(s.db, idOf(c));
    return c.json((await answersOf(s.db, [id])).get(id) ?? []);
  });

  app.delete('/api/people/:id/answers/:question', async (c) => {
    await dropAnswer(s.db, idOf(c), c.req.param('question'));
    return c.json({ ok: true });
  });

  app.get('/api/people/:id/build', async (c) => {
    const { id } = await personOf(s.db, idOf(c));
    return c.json((await buildsOf(s.db, id))[0]);
  });

  app.put('/api/people/:id/build', async (c) => {
    const id = idOf(c);
    const request = await bodyOf<BuildRequest>(c, buildSchema);
    await s.db.transaction((tx) => saveBuild(tx, id, request));
    return c.json({ ok: true });
  });

  app.post('/api/people/:id/range-tests', async (c) => {
    const id = idOf(c);
    const request = await bodyOf<RangeTestRequest>(c, rangeTestSchema);
    const today = await hallToday(s.db, s.clock());
    const made = await s.db.transaction((tx) => addRangeTest(tx, id, request, meOf(c).name, today));
    return c.json({ id: made }, 201);
  });

  app.delete('/api/range-tests/:id', async (c) => {
    await s.db.transaction((tx) => dropRangeTest(tx, idOf(c)));
    return c.json({ ok: true });
  });

  app.get('/api/people/:id/restrictions', async (c) => c.json(await restrictionRows(s.db, idOf(c))));

  app.post('/api/people/:id/restrictions', async (c) => {
    const id = idOf(c);
    const request = await bodyOf<RestrictionRequest>(c, restrictionSchema);
    const by = meOf(c).name;
    const made = await s.db.transaction((tx) => addRestriction(tx, id, request, by));
    return c.json({ id: made }, 201);
  });

  app.post('/api/restrictions/:id/lift', async (c) => {
    const id = idOf(c);
    const { source } = await bodyOf<{ source: string }>(c, liftSchema);
    const today = await hallToday(s.db, s.clock());
    await s.db.transaction((tx) => liftRestriction(tx, id, source, meOf(c).name, today));
    return c.json({ ok: true });
  });
}
