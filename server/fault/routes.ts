import { caseSchema, chainTrySchema, ratingSchema } from '../../contract/fault.ts';
import type { CaseRequest, ChainTryRequest, RatingRequest } from '../../contract/fault.ts';
import { daysAfter } from '../../core/ladder/index.ts';
import { hallToday } from '../hall/index.ts';
import { bodyOf, idOf, meOf, Refusal } from '../http.ts';
import type { App, Services } from '../http.ts';
import { shelfInForce } from '../library/index.ts';
import { personList } from '../people/index.ts';
import { deskKnowledge, keepCase, keepChainTry } from './cases.ts';
import { rateSet, setsToRate } from './ratings.ts';
import { faultReport } from './report.ts';

/** The report looks back so far unless told otherwise, and never farther than a year. */
const REPORT_DAYS = 91;
const MOST_DAYS = 366;

export function faultRoutes(app: App, s: Services): void {
  const when = async () => {
    const at = s.clock();
    return { at, today: await hallToday(s.db, at) };
  };
  const peopleAsked = async (asked: string | undefined) => {
    const ids = (asked ?? '').split(',').filter(Boolean);
    return (await personList(s.db)).filter((p) => ids.includes(p.id));
  };

  app.get('/api/faults/desk', async (c) => {
    const people = await peopleAsked(c.req.query('people'));
    const { today } = await when();
    return c.json(await deskKnowledge(s.db, (await shelfInForce(s.db)).shelf, people, meOf(c), today));
  });

  app.put('/api/fault-cases/:id', async (c) => {
    const id = idOf(c);
    const request = await bodyOf<CaseRequest>(c, caseSchema);
    const { at, today } = await when();
    await s.db.transaction((tx) => keepCase(tx, id, request, meOf(c), at, today));
    return c.json({ receivedAt: at.toISOString() });
  });

  app.put('/api/chain-tries/:id', async (c) => {
    const id = idOf(c);
    const request = await bodyOf<ChainTryRequest>(c, chainTrySchema);
    const { at, today } = await when();
    const { shelf } = await shelfInForce(s.db);
    await s.db.transaction((tx) => keepChainTry(tx, id, request, shelf, meOf(c), at, today));
    return c.json({ receivedAt: at.toISOString() });
  });

  app.get('/api/ratings', async (c) => {
    const people = await peopleAsked(c.req.query('people'));
    const { today } = await when();
    return c.json(await setsToRate(s.db, people, today, meOf(c)));
  });

  app.put('/api/ratings/:id', async (c) => {
    const id = idOf(c);
    const request = await bodyOf<RatingRequest>(c, ratingSchema);
    const { at } = await when();
    const { shelf } = await shelfInForce(s.db);
    await s.db.transaction((tx) => rateSet(tx, id, request, shelf, meOf(c), at));
    return c.json({ receivedAt: at.toISOString() });
  });

  app.get('/api/faults/report', async (c) => {
    const days = Number(c.req.query('days') ?? REPORT_DAYS);
    if (!Number.isInteger(days) || days < 1 || days > MOST_DAYS) {
      throw new Refusal(422, `days: a whole number from 1 to ${MOST_DAYS} is needed.`);
    }
    const { today } = await when();
    const from = daysAfter(today, -days);
    return c.json(await faultReport(s.db, await shelfInForce(s.db), from, today));
  });
}
