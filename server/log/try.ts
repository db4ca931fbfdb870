import { and, eq, gte, inArray } from 'drizzle-orm';
import { daysAfter } from '../../core/terms/index.ts';
import type { Standing } from '../../core/ladder/index.ts';
import { criterionBreaches } from '../../core/library/index.ts';
import type { TryRequest, TryResult } from '../../contract/session.ts';
import { schema } from '../db/index.ts';
import type { Context } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { recordsOf } from './records.ts';
import { setsOfSummary } from './summary.ts';

const { setSummary } = schema;
/** A level somebody does not stand on is tried on so many days of their log. */
const TRY_DAYS = 84;

/** What an edited ladder would say about somebody's log; nothing is kept. */
export async function tryLadder(c: Context, { ladder, personId, level: id }: TryRequest): Promise<TryResult> {
  const { db, today } = c;
  const level = ladder.levels.find((l) => l.id === id);
  if (!level) throw new Refusal(422, `level: the ladder has no level "${id}".`);
  const unfit = criterionBreaches(ladder)[0];
  if (unfit) throw new Refusal(422, `${unfit[0]}: ${unfit[1]} Nothing was tried.`);
  const own = (await recordsOf(db, c, [personId]))(personId);
  const now = own.standings.get(ladder.slug);
  const standsHere = now?.level === id;
  const from = daysAfter(today, -TRY_DAYS);
  const since = standsHere && now.since > from ? now.since : from;
  const rows = await db
    .select()
    .from(setSummary)
    .where(
      and(
        eq(setSummary.personId, personId),
        inArray(setSummary.variation, [level.main, ...level.equals]),
        gte(setSummary.date, since),
      ),
    );
  const standing: Standing = standsHere ? { ...now, since } : { level: id, since, taken: [] };
  const evidence = { sets: rows.flatMap(setsOfSummary), earlierSessions: 0 };
  const { evidence: _whole, ...records } = own;
  const { decision, failure } = await c.work('judge', c.inForce, {
    ladder,
    records,
    evidence,
    standing,
    today,
  });
  return { since: rows.length ? since : null, standsHere, decision, failure };
}
