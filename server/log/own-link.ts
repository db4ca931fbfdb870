import {
  alonePiece,
  atHome,
  doorFor,
  isHalfDone,
  ledWarmUp,
  lineAtHome,
  lineOf,
  neededBy,
  placesOfHall,
  readingOfVariation,
  variationsNow,
} from '../../core/floor/index.ts';
import type { HomeThing } from '../../core/kit/index.ts';
import { ENDING_PAIN_ALONE, tempoAt } from '../../core/ladder/index.ts';
import { randomUUID } from 'node:crypto';
import type { Context as Wire } from 'hono';
import { and, desc, eq, isNull } from 'drizzle-orm';
import { laddersOf } from '../../core/library/index.ts';
import { daysAfter } from '../../core/terms/index.ts';
import { takesLoad } from '../../core/sheets/index.ts';
import type { Query } from '../../contract/endpoints.ts';
import type { SetRequest, SetResult } from '../../contract/log.ts';
import type { OwnStopRequest } from '../../contract/reports.ts';
import type { OwnDay, OwnLinkMade, OwnLinkRow } from '../../contract/session.ts';
import { devicesOf, hashOfToken, knowDevice, linkState, newToken, onItsDevice } from '../access/index.ts';
import { schema } from '../db/index.ts';
import type { About, Context, OpenContext, OwnHolder } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { bodiesOf, makersMay, personOf } from '../people/index.ts';
import { cuesTriedBy } from './check-ins.ts';
import { newestWithSettings, setsOn } from './history.ts';
import { recordsOf } from './records.ts';
import { deleteSet, keepSet } from './sets.ts';
import type { Logger } from './sets.ts';
import { tell } from './stops.ts';

const { loggedSet, ownLink, session } = schema;
const DAY_MS = 24 * 3600_000;
/** Nobody does more sets than this in a day; a lost link cannot fill the database. */
const MOST_SETS_A_DAY = 80;
/** Nor tells of pain, or presses stop, more often. */
const MOST_TOLD_A_DAY = 100;
/** Days back for which a person may still write down what they did. */
const DAYS_BACK = 7;

/** Makes a link with which a person logs their own sets; those who see their health may. */
export async function makeOwnLink(
  { db, me, person, at: now, publicUrl }: Context & About,
  days: number,
): Promise<OwnLinkMade> {
  const token = newToken();
  const id = randomUUID();
  const expiresAt = new Date(now.getTime() + days * DAY_MS).toISOString();
  await db.insert(ownLink).values({
    id,
    tokenHash: hashOfToken(token),
    personId: person.id,
    madeBy: me.name,
    madeById: me.id,
    madeAt: now.toISOString(),
    expiresAt,
  });
  return { id, url: `${publicUrl}/own#${token}`, expiresAt };
}

export async function ownLinksOf({
  db,
  person: { id: personId },
  at: now,
  today,
}: Context & About): Promise<OwnLinkRow[]> {
  const rows = await db
    .select()
    .from(ownLink)
    .where(eq(ownLink.personId, personId))
    .orderBy(desc(ownLink.madeAt));
  const may = await makersMay(db, rows, today);
  const iso = (at: string | null) => at && new Date(at).toISOString();
  return rows.map((r) => ({
    id: r.id,
    madeBy: r.madeBy,
    madeAt: iso(r.madeAt)!,
    expiresAt: iso(r.expiresAt)!,
    revokedAt: iso(r.revokedAt),
    lastUsedAt: iso(r.lastUsedAt),
    state: may(r) ? linkState(r, now) : 'revoked',
  }));
}

/** @throws Refusal 404 without such a link */
export async function revokeOwnLink({ db, at: now }: Context, id: string): Promise<void> {
  const [row] = await db.select().from(ownLink).where(eq(ownLink.id, id));
  if (!row) throw new Refusal(404, 'There is no such link.');
  if (row.revokedAt === null) {
    await db.update(ownLink).set({ revokedAt: now.toISOString() }).where(eq(ownLink.id, id));
  }
}

type LinkRow = typeof ownLink.$inferSelect;

/** @throws Refusal 410 when the link has ended */
async function refuseEnded({ db, at: now, today }: OpenContext, row: LinkRow): Promise<void> {
  if (linkState(row, now) !== 'open' || !(await makersMay(db, [row], today))(row)) {
    throw new Refusal(410, 'This link has ended. Ask your coach for a new one.');
  }
}

/**
 * Binds a link to the device that shows its token: once, so that whoever finds the link later opens nothing. Must run
 * inside a transaction.
 * @throws Refusal 404 for a token never given, 410 when it has ended, 409 where another device has it
 */
export async function openOwn(c: OpenContext & { wire: Wire }, token: string): Promise<{ id: string }> {
  const [row] = await c.db
    .select()
    .from(ownLink)
    .where(eq(ownLink.tokenHash, hashOfToken(token)))
    .for('update');
  if (!row) throw new Refusal(404, 'This link leads nowhere. Ask your coach for a new one.');
  await refuseEnded(c, row);
  if (!(await onItsDevice(c, c.wire, 'own', row.id))) {
    if ((await devicesOf(c, 'own', row.id)) > 0) {
      throw new Refusal(
        409,
        'This link is in use on another phone or tablet. For this one, ask your coach for a new link.',
      );
    }
    await knowDevice(c, c.wire, 'own', row);
  }
  return { id: row.id };
}

/** Whom a personal link belongs to, on the device that has opened it. */
export async function ownHolder(c: OpenContext, wire: Wire, id: string): Promise<OwnHolder> {
  const [link] = await c.db.select().from(ownLink).where(eq(ownLink.id, id));
  if (!link || !(await onItsDevice(c, wire, 'own', id))) {
    throw new Refusal(
      401,
      'This device has not opened the link. Open the link itself, or ask your coach for a new one.',
    );
  }
  await refuseEnded(c, link);
  return { link, person: await personOf(c.db, link.personId) };
}

type Held = OpenContext & { own: OwnHolder };

const ownLogger = (name: string): Logger => ({
  id: null,
  name: `${name} (own)`,
  onlyToday: null,
  own: true,
});

/**
 * What the holder does today, and what they have written down for the day; with what is at home, where they say what
 * that is.
 */
export async function ownDay(c: Held & { query: Query<'ownDay'> }): Promise<OwnDay> {
  const { link, person } = c.own;
  const { db, inForce, hall, today: date, at: now } = c;
  const { shelf, revisions } = inForce;
  const own = (await recordsOf(db, c, [person.id]))(person.id);
  const withSettings = await newestWithSettings(db, [person.id], variationsNow(inForce, own));
  const used = withSettings.get(person.id) ?? [];
  const tried = (await cuesTriedBy(db, [person.id])).get(person.id) ?? [];
  // Nothing ticked is told too: at home with nothing is not in the hall.
  const have = c.query.have === undefined ? null : ([...c.query.have] as HomeThing[]);
  const body = (await bodiesOf(c, [person.id])).get(person.id) ?? null;
  const places = new Map(placesOfHall(inForce).places.map((p) => [p.id, p.form]));
  const notLed: OwnDay['notLed'] = [];
  const done = (await setsOn(db, [person.id], date)).get(person.id) ?? [];
  const lines = laddersOf(shelf).flatMap((ladder): OwnDay['lines'] => {
    // What stands in the log about health is theirs, but reasons are for the coach to tell.
    const line = lineOf({
      floor: c,
      ladder,
      own,
      withSettings: used,
      tried,
      door: doorFor(false),
      body: null,
    });
    if (!line) return [];
    const { ladderName, levelName, pattern } = line;
    if (line.variation === null) {
      notLed.push({ ladderName, why: 'barred' });
      return [];
    }
    const home = have ? atHome(inForce, line, have, own, date) : null;
    if (have && !home) {
      notLed.push({ ladderName, why: 'nothing for it here' });
      return [];
    }
    const as = home ? lineAtHome(line, home, done, date) : line;
    const v = shelf.get('variation', as.variation ?? '');
    if (!v || as.variation === null) return [];
    const read = home?.read ?? readingOfVariation(inForce, v, { stage: line.stage, answers: own.answers });
    const [needed] = home
      ? []
      : neededBy(
          inForce,
          {
            personId: person.id,
            lines: [line],
            done,
            body,
            restrictions: own.restrictions,
            answers: own.answers,
            chains: [],
          },
          date,
        );
    const at = needed?.options[0]?.at ?? null;
    const { variationName, oneSided, sides, target, next, cues, countedIn, ifItGoesWrong } = as;
    return [
      {
        ladderName,
        levelName,
        pattern,
        variation: as.variation,
        variationName,
        oneSided,
        sides,
        target,
        next,
        cues,
        countedIn,
        ifItGoesWrong,
        revision: revisions.get(`variation/${v.slug}`) ?? 1,
        loadKind: v.loadKind,
        takesLoad: takesLoad(v),
        mechanics: read.mechanics,
        tempo: tempoAt(v.tempo, target),
        home: home && { how: home.how, with: home.with, load: home.load, loadKg: home.loadKg },
        piece: needed ?? alonePiece(person.id, as, v, done),
        halfDone: isHalfDone(as, done),
        form: (at === null ? undefined : places.get(at)) ?? 'floor',
      },
    ];
  });
  const rows = await db
    .select({ set: loggedSet })
    .from(loggedSet)
    .innerJoin(session, eq(session.id, loggedSet.sessionId))
    .where(
      and(
        eq(session.personId, person.id),
        eq(session.date, date),
        isNull(loggedSet.deletedAt),
        eq(loggedSet.own, true),
      ),
    )
    .orderBy(loggedSet.ordinal);
  await db.update(ownLink).set({ lastUsedAt: now.toISOString() }).where(eq(ownLink.id, link.id));
  return {
    name: person.name,
    hallName: hall?.name ?? '',
    date,
    massUnit: hall?.massUnit ?? 'kg',
    lengthUnit: hall?.lengthUnit ?? 'cm',
    dates: hall?.dates ?? 'en-GB',
    stopped: [...new Set(own.stops.map((s) => s.reach))],
    lines,
    notLed,
    warmUp: ledWarmUp(
      inForce,
      {
        personId: person.id,
        work: lines.flatMap((l) => l.variation ?? []),
        answers: own.answers,
        restrictions: own.restrictions,
        lacking: body?.lacking.map((r) => r.joint) ?? [],
        tellsWhy: false,
      },
      date,
    ),
    ended: done.some((s) => s.own === true && (s.pain ?? 0) >= ENDING_PAIN_ALONE),
    tell: link.madeBy,
    sets: rows.map(({ set: s }) => ({
      id: s.id,
      edit: s.edit,
      variation: shelf.get('variation', s.variation)?.name ?? s.variation,
      set: { ...s, date },
    })),
    until: new Date(link.expiresAt).toISOString(),
  };
}

/** Keeps a set that the holder sends: their own, of the last days, and never watched. */
export async function putOwnSet(c: Held, id: string, request: SetRequest): Promise<SetResult> {
  const { person } = c.own;
  if (request.date < daysAfter(c.today, -DAYS_BACK)) {
    throw new Refusal(
      422,
      `date: only the last ${DAYS_BACK} days can be written down here. Ask your coach for older ones.`,
    );
  }
  // By its id alone: whatever day it was logged on, a coach's set is not theirs to change.
  const [mine] = await c.db
    .select({ own: loggedSet.own, personId: session.personId })
    .from(loggedSet)
    .innerJoin(session, eq(session.id, loggedSet.sessionId))
    .where(eq(loggedSet.id, id));
  if (mine && mine.personId !== person.id) throw new Refusal(404, 'There is no such set of yours.');
  if (mine && !mine.own) throw new Refusal(403, 'A coach wrote this set down. Ask them to correct it.');
  const of = await c.db
    .select({ id: loggedSet.id })
    .from(loggedSet)
    .innerJoin(session, eq(session.id, loggedSet.sessionId))
    .where(and(eq(session.personId, person.id), eq(session.date, request.date)));
  if (!mine && of.length >= MOST_SETS_A_DAY) {
    throw new Refusal(422, `There are ${of.length} sets on this day already. Nothing was kept.`);
  }
  return keepSet(c, id, { ...request, personId: person.id }, ownLogger(person.name));
}

/** The holder presses stop: nothing at all is proposed until a coach has looked and the head coach clears it. */
export async function keepOwnStop(c: Held, id: string, { words }: OwnStopRequest): Promise<void> {
  const { person } = c.own;
  const { report } = schema;
  const told = and(eq(report.personId, person.id), eq(report.date, c.today), eq(report.told, 'alone'));
  if ((await c.db.$count(report, told)) >= MOST_TOLD_A_DAY) {
    throw new Refusal(422, 'Your coaches have been told. If it gets worse, see a doctor. Nothing was added.');
  }
  await tell(c, ownLogger(person.name), {
    personId: person.id,
    source: `stop ${person.id} ${id}`,
    date: c.today,
    told: 'alone',
    pain: null,
    words,
    reach: 'everything',
  });
}

/** Takes back a set that the holder wrote down. */
export async function dropOwnSet(c: Held, id: string, edit: number): Promise<SetResult> {
  const { person } = c.own;
  const [row] = await c.db
    .select({ own: loggedSet.own, pain: loggedSet.pain, personId: session.personId })
    .from(loggedSet)
    .innerJoin(session, eq(session.id, loggedSet.sessionId))
    .where(eq(loggedSet.id, id));
  if (!row || row.personId !== person.id || !row.own)
    throw new Refusal(404, 'There is no such set of yours.');
  if (row.pain) {
    throw new Refusal(
      403,
      'Pain that was reported stays. Ask your coach to correct it. Nothing was changed.',
    );
  }
  return deleteSet(c, id, edit);
}
