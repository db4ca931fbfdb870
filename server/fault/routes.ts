import { daysAfter } from '../../core/terms/index.ts';
import { allOrNothing, handlers } from '../endpoint.ts';
import type { Mine } from '../endpoint.ts';
import { deskKnowledge, keepCase, keepChainTry } from './cases.ts';
import { rateSet, setsToRate } from './ratings.ts';
import { faultReport } from './report.ts';

/** The report looks back so far unless told otherwise. */
const REPORT_DAYS = 91;

const peopleAsked = ({ mine }: Mine, ids: readonly string[] = []) =>
  mine.filter(({ person }) => ids.includes(person.id));
const received = (at: Date) => ({ receivedAt: at.toISOString() });

export const faultRoutes = handlers({
  desk: async (c) => deskKnowledge(c, peopleAsked(c, c.query.people)),

  keepCase: async (c) => {
    await allOrNothing(c, (tx) => keepCase(tx, tx.params.id, tx.body));
    return received(c.at);
  },

  keepChainTry: async (c) => {
    await allOrNothing(c, (tx) => keepChainTry(tx, tx.params.id, tx.body));
    return received(c.at);
  },

  setsToRate: async (c) => setsToRate(c, peopleAsked(c, c.query.people)),

  rateSet: async (c) => {
    await allOrNothing(c, (tx) => rateSet(tx, tx.params.id, tx.body));
    return received(c.at);
  },

  faultReport: ({ db, inForce, query, today }) =>
    faultReport(db, inForce, daysAfter(today, -(query.days ?? REPORT_DAYS)), today),
});
