import { confirmSchema, deleteSetSchema, placeSchema, setSchema } from '../../contract/log.ts';
import type { ConfirmRequest, PlaceRequest, SetRequest } from '../../contract/log.ts';
import { hallToday } from '../hall/index.ts';
import { bodyOf, idOf, meOf } from '../http.ts';
import type { App, Services } from '../http.ts';
import { shelfInForce } from '../library/index.ts';
import { personList, personOf, seesHealth } from '../people/index.ts';
import { overview, personOnLadders } from './evidence.ts';
import { confirm, place } from './moves.ts';
import { deleteSet, putSet } from './sets.ts';

export function logRoutes(app: App, s: Services): void {
  const when = async () => {
    const at = s.clock();
    return { at, today: await hallToday(s.db, at) };
  };

  app.get('/api/overview', async (c) => {
    const me = meOf(c);
    const { today } = await when();
    const people = await personList(s.db);
    return c.json(await overview(s.db, await shelfInForce(s.db), people, today, (p) => seesHealth(me, p)));
  });

  app.get('/api/people/:id/ladders', async (c) => {
    const id = idOf(c);
    const person = await personOf(s.db, id);
    const { today } = await when();
    return c.json(
      await personOnLadders(s.db, await shelfInForce(s.db), id, today, seesHealth(meOf(c), person)),
    );
  });

  app.post('/api/people/:id/place', async (c) => {
    const id = idOf(c);
    const request = await bodyOf<PlaceRequest>(c, placeSchema);
    const me = meOf(c);
    const now = await when();
    const made = await s.db.transaction((tx) => place(tx, me, id, request, now));
    return c.json({ id: made }, 201);
  });

  app.post('/api/people/:id/moves', async (c) => {
    const id = idOf(c);
    const request = await bodyOf<ConfirmRequest>(c, confirmSchema);
    const me = meOf(c);
    const now = await when();
    const made = await s.db.transaction((tx) => confirm(tx, me, id, request, now));
    return c.json({ id: made }, 201);
  });

  app.put('/api/sets/:id', async (c) => {
    const id = idOf(c);
    const request = await bodyOf<SetRequest>(c, setSchema);
    const me = meOf(c);
    const { at, today } = await when();
    return c.json(await s.db.transaction((tx) => putSet(tx, id, request, me, at, today)));
  });

  app.delete('/api/sets/:id', async (c) => {
    const id = idOf(c);
    const { edit } = await bodyOf<{ edit: number }>(c, deleteSetSchema);
    const { at } = await when();
    return c.json(await s.db.transaction((tx) => deleteSet(tx, id, edit, at)));
  });
}
