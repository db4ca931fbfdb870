import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { Agent } from 'node:http';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { eq } from 'drizzle-orm';
import { blankSet } from '../core/log/index.ts';
import { laddersOf } from '../core/library/index.ts';
import { openEmbedded, schema } from '../server/db/index.ts';
import { loadDemo } from '../server/demo/index.ts';
import { shelfInForce } from '../server/library/index.ts';
import { fill } from './bench-log.ts';
import { startHall } from './hall-server.ts';
import { high, middle, show } from './measure.ts';

const COACHES = 50;
const SETS_EACH = 250;
const TODAY_EVERY_MS = 10_000;
const SET_EVERY_MS = 20_000;

interface Coach {
  cookie: string;
  people: string[];
}

/** A hall of 500 people in fifty squads with a coach each, all signed in. */
export async function makeHall(
  folder: string,
  today: string,
): Promise<{ coaches: Coach[]; variations: string[] }> {
  const { db, close } = await openEmbedded(path.join(folder, 'db'));
  await loadDemo(db, new Date());
  await fill(db, SETS_EACH, today);
  const variations = laddersOf((await shelfInForce(db)).shelf).map((l) => l.levels[0]!.main);
  const people = await db.select({ id: schema.person.id }).from(schema.person);
  const coaches: Coach[] = [];
  for (let i = 0; i < COACHES; i++) {
    const [squadId, staffId] = [randomUUID(), randomUUID()];
    const token = randomBytes(32).toString('base64url');
    await db.insert(schema.squad).values({ id: squadId, name: `Squad ${i}` });
    await db
      .insert(schema.staff)
      .values({ id: staffId, login: `coach-${i}`, name: `Coach ${i}`, role: 'coach', passwordHash: '' });
    await db.insert(schema.staffSquad).values({ staffId, squadId });
    await db.insert(schema.signIn).values({
      tokenHash: createHash('sha256').update(token).digest('hex'),
      staffId,
      expiresAt: '2200-01-01T00:00:00Z',
    });
    const own = people.slice(i * 10, i * 10 + 10).map((p) => p.id);
    for (const id of own) await db.update(schema.person).set({ squadId }).where(eq(schema.person.id, id));
    coaches.push({ cookie: `meister_session=${token}`, people: own });
  }
  await close();
  return { coaches, variations };
}

/** How long anybody else waits while one sends what is crowded, and asks for what takes long to compute. */
async function benchStalls(base: string, cookie: string): Promise<void> {
  const headers = { cookie, origin: base, 'content-type': 'application/json' };
  const ask = async (method: string, to: string, body?: string) => {
    const answer = await fetch(base + to, { method, headers, ...(body ? { body } : {}) });
    return { status: answer.status, text: await answer.text() };
  };
  const keys = `{${Array.from({ length: 36_000 }, (_, i) => `"key${i}":1`).join()}}`;
  const lists = `{"items":[${'[],'.repeat(150_000)}[]]}`;
  const question = JSON.parse((await ask('GET', '/api/library/houseQuestion/depth')).text) as {
    body: object;
  };
  const check = JSON.stringify({ items: [question.body] });
  for (const [name, work] of [
    ['nothing', () => new Promise((go) => setTimeout(go, 500))],
    ['480 kB of keys before sign-in', () => ask('POST', '/api/sign-in', keys)],
    ['480 kB of keys', () => ask('POST', '/api/library/check', keys)],
    ['450 kB of lists', () => ask('POST', '/api/library/check', lists)],
    ['what the library says about itself', () => ask('GET', '/api/library/health')],
    ['the effects of a house answer', () => ask('POST', '/api/library/check', check)],
  ] as const) {
    let busy = true;
    const waits: number[] = [];
    const others = (async () => {
      while (busy) {
        const start = performance.now();
        await ask('GET', '/api/heartbeat');
        waits.push(performance.now() - start);
      }
    })();
    // One that is answered before it was sent to its end may find its connection closed: that is its own affair.
    await Promise.allSettled([work(), work(), work()]);
    busy = false;
    await others;
    show(`longest wait of others beside ${name}`, Math.max(...waits));
  }
}

/**
 * Fifty coaches on the built server: each reads today every ten seconds and logs a set every twenty, beginning all at
 * once on a server that has just started.
 */
export async function benchLoad(seconds = 60): Promise<void> {
  console.log(`\nFifty coaches for ${seconds} s`);
  const folder = await mkdtemp(path.join(tmpdir(), 'meister-load-'));
  const today = new Date().toISOString().slice(0, 10);
  const { coaches, variations } = await makeHall(folder, today);
  const server = await startHall(folder);
  // The hall opens: what it puts together for the day is under way when the first coach asks.
  await new Promise((go) => setTimeout(go, 1_000));
  const agent = new Agent({ keepAlive: true });
  const took: Record<'today' | 'set', number[]> = { today: [], set: [] };
  let failed = 0;
  const send = (coach: Coach, of: 'today' | 'set', method: string, to: string, body?: unknown) =>
    new Promise<void>((done) => {
      const start = performance.now();
      const end = (ok: boolean) => {
        took[of].push(performance.now() - start);
        if (!ok) failed++;
        done();
      };
      const text = body === undefined ? undefined : JSON.stringify(body);
      const headers = {
        cookie: coach.cookie,
        origin: server.base,
        ...(text ? { 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) } : {}),
      };
      const r = request(new URL(to, server.base), { method, agent, headers }, (answer) => {
        answer.resume();
        answer.on('end', () => end(answer.statusCode === 200));
      });
      r.on('error', () => end(false));
      r.end(text);
    });
  const set = (coach: Coach, n: number) =>
    send(coach, 'set', 'PUT', `/api/sets/${randomUUID()}`, {
      ...blankSet(),
      personId: coach.people[n % coach.people.length],
      date: today,
      edit: 1,
      ordinal: n + 1,
      variation: variations[n % variations.length],
      variationRevision: 1,
      watched: true,
      doneReps: 10,
      effort: 6,
      pain: 0,
    });
  const cpu = process.cpuUsage();
  const started = performance.now();
  const until = started + 1000 * seconds;
  const every = async (ms: number, first: number, work: (n: number) => Promise<void>) => {
    for (let n = 0, at = started + first; at < until; n++, at += ms) {
      await new Promise((go) => setTimeout(go, Math.max(0, at - performance.now())));
      // Not waited for: a slow answer keeps no coach from the next.
      void work(n).catch(() => failed++);
    }
  };
  await Promise.all(
    coaches.flatMap((coach, i) => [
      every(TODAY_EVERY_MS, (i * TODAY_EVERY_MS) / COACHES, () => send(coach, 'today', 'GET', '/api/today')),
      every(SET_EVERY_MS, (i * SET_EVERY_MS) / COACHES, (n) => set(coach, n)),
    ]),
  );
  await new Promise((go) => setTimeout(go, 2_000));
  const own = process.cpuUsage(cpu);
  const share = (own.user + own.system) / 1000 / (performance.now() - started);
  const all = [...took.today, ...took.set].sort((a, b) => a - b);
  for (const [what, list] of Object.entries(took)) {
    show(`${what}: median of ${list.length}`, middle(list));
    show(`${what}: 95th percentile`, high(list), ['the median', middle(list)]);
  }
  show('all: 95th percentile', high(all), ['the median', middle(all)]);
  show('all: 99th percentile', all[Math.floor(all.length * 0.99)]!, ['the median', middle(all)]);
  show('all: slowest', all.at(-1)!);
  console.log(`errors: ${failed}; this program used ${Math.round(100 * share)} % of one core`);
  await benchStalls(server.base, coaches[0]!.cookie);
  agent.destroy();
  await server.stop();
  await rm(folder, { recursive: true, force: true });
}
