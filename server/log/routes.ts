import { randomUUID } from 'node:crypto';
import { confirmSchema, deleteSetSchema, placeSchema, setSchema } from '../../contract/log.ts';
import type { ConfirmRequest, PlaceRequest, SetRequest } from '../../contract/log.ts';
import {
  checkInSchema,
  csvSchema,
  cueTriedSchema,
  ownLinkSchema,
  placementSchema,
  signOffSchema,
  trySchema,
} from '../../contract/session.ts';
import type {
  CheckIn,
  CueTriedRequest,
  PersonHistory,
  PlacementRequest,
  SignOffRequest,
  TryRequest,
} from '../../contract/session.ts';
import { setWithoutHealth } from '../../core/ladder/index.ts';
import { hallToday } from '../hall/index.ts';
import { bodyOf, idOf, meOf, Refusal, validId } from '../http.ts';
import type { App, Services } from '../http.ts';
import { shelfInForce } from '../library/index.ts';
import { personList, personOf, seesHealth } from '../people/index.ts';
import { addSignOff, saveCheckIn, saveCueTried } from './check-ins.ts';
import { overview, personOnLadders } from './evidence.ts';
import { recentSets, setsOfVariations } from './history.ts';
import { confirm, place } from './moves.ts';
import { dropOwnSet, makeOwnLink, ownDay, ownLinksOf, putOwnSet, revokeOwnLink } from './own-link.ts';
import { keepPlacement, nextTrial, placementsOf } from './placements.ts';
import { exportSetsCsv, importSetsCsv, previewSetsCsv } from './sets-csv.ts';
import { deleteSet, putSet, staffLogger } from './sets.ts';
import { todayOf } from './today.ts';
import { tryLadder } from './try.ts';

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

  /** Everybody of a squad, or some people by id, with what they do next. */
  app.get('/api/today', async (c) => {
    const { today } = await when();
    const squad = c.req.query('squad');
    const only = c.req.query('people')?.split(',').filter(Boolean);
    const people = (await personList(s.db)).filter(
      (p) => (squad === undefined || p.squadId === squad) && (only === undefined || only.includes(p.id)),
    );
    return c.json(await todayOf(s.db, await shelfInForce(s.db), people, today, meOf(c)));
  });

  app.put('/api/people/:id/check-in/:date', async (c) => {
    const id = idOf(c);
    const { at, today } = await when();
    const date = c.req.param('date');
    if (!/^\d{4}-\d{2}-\d{2}$/.test(date) || date > today) {
      throw new Refusal(422, `date: "${date}" is no day up to today. Nothing was kept.`);
    }
    const request = await bodyOf<CheckIn>(c, checkInSchema);
    await s.db.transaction((tx) => saveCheckIn(tx, id, date, request, meOf(c), at));
    return c.json({ receivedAt: at.toISOString() });
  });

  app.put('/api/cues-tried/:id', async (c) => {
    const id = idOf(c);
    const request = await bodyOf<CueTriedRequest>(c, cueTriedSchema);
    const { at } = await when();
    await s.db.transaction((tx) => saveCueTried(tx, id, request, meOf(c), at));
    return c.json({ receivedAt: at.toISOString() });
  });

  app.get('/api/people/:id/ladders', async (c) => {
    const id = idOf(c);
    const person = await personOf(s.db, id);
    const { today } = await when();
    return c.json(
      await personOnLadders(s.db, await shelfInForce(s.db), id, today, seesHealth(meOf(c), person)),
    );
  });

  /** Sets of older sessions, before a date. */
  app.get('/api/people/:id/sets', async (c) => {
    const id = idOf(c);
    const person = await personOf(s.db, id);
    const { sets, more } = await recentSets(s.db, id, c.req.query('before') ?? null);
    const sees = seesHealth(meOf(c), person);
    const answer: PersonHistory = {
      sets: sees ? sets : sets.map((set) => ({ ...set, ...setWithoutHealth(set) })),
      more,
    };
    return c.json(answer);
  });

  /** What was logged of some variations in the last year, for charts. */
  app.get('/api/people/:id/measures', async (c) => {
    const person = await personOf(s.db, idOf(c));
    const { today } = await when();
    const of = (c.req.query('of') ?? '').split(',').filter(Boolean).slice(0, 300);
    const sets = await setsOfVariations(s.db, person.id, of, today);
    return c.json(seesHealth(meOf(c), person) ? sets : sets.map(setWithoutHealth));
  });

  app.post('/api/people/:id/place', async (c) => {
    const id = idOf(c);
    const request = await bodyOf<PlaceRequest>(c, placeSchema);
    const me = meOf(c);
    const now = await when();
    const made = await s.db.transaction((tx) => place(tx, me, id, request, now));
    return c.json({ id: made }, 201);
  });

  app.get('/api/people/:id/placements', async (c) => {
    const person = await personOf(s.db, idOf(c));
    return c.json(await placementsOf(s.db, person.id, seesHealth(meOf(c), person)));
  });

  app.post('/api/people/:id/placements/next', async (c) => {
    const request = await bodyOf<PlacementRequest>(c, placementSchema);
    const { today } = await when();
    return c.json(await nextTrial(s.db, meOf(c), idOf(c), request, today));
  });

  app.post('/api/people/:id/placements', async (c) => {
    const id = idOf(c);
    const request = await bodyOf<PlacementRequest>(c, placementSchema);
    const now = await when();
    return c.json(await s.db.transaction((tx) => keepPlacement(tx, meOf(c), id, request, now)), 201);
  });

  app.post('/api/people/:id/sign-offs', async (c) => {
    const id = idOf(c);
    const request = await bodyOf<SignOffRequest>(c, signOffSchema);
    const { today } = await when();
    const made = randomUUID();
    const { shelf } = await shelfInForce(s.db);
    await s.db.transaction((tx) =>
      addSignOff(tx, made, id, shelf.get('ladder', request.ladder), request, meOf(c), today),
    );
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

  app.post('/api/ladders/try', async (c) => {
    const request = await bodyOf<TryRequest>(c, trySchema);
    if (request.ladder.kind !== 'ladder') throw new Refusal(422, 'ladder: this is no ladder.');
    const person = await personOf(s.db, validId(request.personId, 'personId'));
    if (!seesHealth(meOf(c), person)) {
      throw new Refusal(403, 'A ladder is tried on the log of people of your own squads.');
    }
    const { today } = await when();
    return c.json(await tryLadder(s.db, await shelfInForce(s.db), request, today));
  });

  app.put('/api/sets/:id', async (c) => {
    const id = idOf(c);
    const request = await bodyOf<SetRequest>(c, setSchema);
    const me = meOf(c);
    const { at, today } = await when();
    return c.json(await s.db.transaction((tx) => putSet(tx, id, request, staffLogger(me), at, today)));
  });

  app.delete('/api/sets/:id', async (c) => {
    const id = idOf(c);
    const { edit } = await bodyOf<{ edit: number }>(c, deleteSetSchema);
    const { at } = await when();
    return c.json(await s.db.transaction((tx) => deleteSet(tx, id, edit, at)));
  });

  app.get('/api/sets.csv', async (c) => {
    const { squad, person, from, to } = c.req.query();
    const people = (await personList(s.db)).filter(
      (p) => (squad === undefined || p.squadId === squad) && (person === undefined || p.id === person),
    );
    const csv = await exportSetsCsv(
      s.db,
      { personIds: people.map((p) => p.id), from: from ?? null, to: to ?? null },
      meOf(c),
    );
    return c.body(csv, 200, {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="meister-sets.csv"',
    });
  });

  app.post('/api/sets/csv/preview', async (c) => {
    const { text } = await bodyOf<{ text: string }>(c, csvSchema);
    const { today } = await when();
    return c.json(await previewSetsCsv(s.db, await shelfInForce(s.db), text, meOf(c), today));
  });

  app.post('/api/sets/csv', async (c) => {
    const { text } = await bodyOf<{ text: string }>(c, csvSchema);
    const { today } = await when();
    const inForce = await shelfInForce(s.db);
    return c.json(await s.db.transaction((tx) => importSetsCsv(tx, inForce, text, meOf(c), today)), 201);
  });

  app.get('/api/people/:id/own-links', async (c) => {
    const person = await personOf(s.db, idOf(c));
    return c.json(await ownLinksOf(s.db, person.id, s.clock()));
  });

  app.post('/api/people/:id/own-links', async (c) => {
    const { days } = await bodyOf<{ days: number }>(c, ownLinkSchema);
    return c.json(await makeOwnLink(s.db, meOf(c), idOf(c), days, s.clock(), s.publicUrl), 201);
  });

  app.post('/api/own-links/:id/revoke', async (c) => {
    await revokeOwnLink(s.db, meOf(c), idOf(c), s.clock());
    return c.json({ ok: true });
  });

  // ---- What the holder of a personal link may do, without sign-in.
  app.get('/api/own/:token', async (c) => {
    const { at, today } = await when();
    return c.json(await ownDay(s.db, await shelfInForce(s.db), c.req.param('token'), today, at));
  });

  app.put('/api/own/:token/sets/:id', async (c) => {
    const id = idOf(c);
    const request = await bodyOf<SetRequest>(c, setSchema);
    const { at, today } = await when();
    const token = c.req.param('token');
    return c.json(await s.db.transaction((tx) => putOwnSet(tx, token, id, request, at, today)));
  });

  app.delete('/api/own/:token/sets/:id', async (c) => {
    const id = idOf(c);
    const { edit } = await bodyOf<{ edit: number }>(c, deleteSetSchema);
    const { at } = await when();
    const token = c.req.param('token');
    return c.json(await s.db.transaction((tx) => dropOwnSet(tx, token, id, edit, at)));
  });
}
