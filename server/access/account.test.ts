import { eq } from 'drizzle-orm';
import { Secret, TOTP } from 'otpauth';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { Account, CodesOffered, Colleague } from '../../contract/access.ts';
import { ENDPOINTS } from '../../contract/endpoints.ts';
import type { Endpoint, EndpointName } from '../../contract/endpoints.ts';
import type { Start } from '../../contract/hall.ts';
import { openEmbedded, schema } from '../db/index.ts';
import { addStaff } from '../hall/index.ts';
import type { App } from '../http.ts';
import { clientOf, PASSWORD, placedPerson, setOf, signIn, testHall } from '../testing/hall.ts';
import type { Client, TestHall } from '../testing/hall.ts';
import { refuseCommon } from './common.ts';
import { allowedHosts, ownAddress } from './hosts.ts';
import { hashPassword } from './passwords.ts';
import { deviceWords, LASTING } from './sessions.ts';

let hall: TestHall;
let app: App;
let hash: string;
let person: string;
let n = 0;
beforeAll(async () => {
  hall = await testHall();
  // As it is in use: sessions end, and the password is asked for again.
  app = hall.server({ lasting: LASTING });
  hash = await hashPassword(PASSWORD);
  person = await placedPerson(hall);
});
afterAll(() => hall.close());
beforeEach(() => hall.setNow('2026-11-24T12:00:00Z'));

/** Somebody new of the staff, who has just signed in. */
async function member(role: 'coach' | 'head coach' = 'coach', from: App = app) {
  const login = `member-${++n}`;
  const id = await addStaff(
    hall.db,
    { login, name: `Member ${n}`, role, squadIds: role === 'coach' ? [hall.squadId] : [], password: '' },
    hash,
  );
  const client = clientOf(from, await signIn(from, login, PASSWORD));
  return { id, login, client, again: async () => clientOf(from, await signIn(from, login, PASSWORD)) };
}
const sure = (client: Client, more: object = {}) =>
  client.ok('POST', '/api/me/sure', { password: PASSWORD, ...more });
const who = async (client: Client) => (await client.get<Start>('/api/start')).me?.login ?? null;

describe('one’s own password', () => {
  it('is changed with the old one, and ends every other sign-in', async () => {
    const { client, again, login } = await member();
    const other = await again();
    const wrong = { old: 'not-my-password', password: 'seven-grey-herons' };
    expect(await client.refused('PUT', '/api/me/password', wrong)).toMatchObject({ status: 422 });
    await client.ok('PUT', '/api/me/password', { old: PASSWORD, password: 'seven-grey-herons' });
    expect([await who(client), await who(other)]).toEqual([login, null]);
    await signIn(app, login, 'seven-grey-herons');
    await expect(signIn(app, login, PASSWORD)).rejects.toThrow('401');
  });

  it.each(['1234567890', 'password123', 'qwertyuiop', 'aaaaaaaaaaaa', 'Q1W2E3R4T5Y6', 'member-name1'])(
    'is not %s: that is tried first',
    (password) => expect(() => refuseCommon(password, ['member.name'])).toThrow('among the first'),
  );

  it('may be anything else that is long', () => {
    for (const password of ['seven-grey-herons', 'zwölf Kähne am Kai', 'x8#kk2-Lw0q']) {
      expect(() => refuseCommon(password, ['coach'])).not.toThrow();
    }
  });

  it('of another is not set to a common one either', async () => {
    const { client } = await member('head coach');
    await sure(client);
    const edit = { login: 'new-one', name: 'New', role: 'coach', squadIds: [], password: 'password123' };
    expect(await client.refused('POST', '/api/staff', edit)).toMatchObject({ status: 422 });
  });
});

describe('a sign-in', () => {
  it('ends when nothing was asked for half a day, and after two weeks whatever was', async () => {
    const { client, again, login } = await member();
    hall.setNow('2026-11-24T23:59:00Z');
    expect(await who(client)).toBe(login);
    hall.setNow('2026-11-25T11:58:00Z');
    expect(await who(client)).toBe(login);
    hall.setNow('2026-11-25T23:59:00Z');
    expect(await who(client)).toBeNull();
    const used = await again();
    for (let hours = 10; hours <= 14 * 24; hours += 10) {
      hall.setNow(new Date(Date.parse('2026-11-25T23:59:00Z') + hours * 3600_000).toISOString());
      expect(await who(used)).toBe(login);
    }
    hall.setNow('2026-12-10T00:00:00Z');
    expect(await who(used)).toBeNull();
  });

  it('is listed with its device and ended alone, by its own holder', async () => {
    const { client, again } = await member();
    const other = await again();
    const { sessions } = await client.get<Account>('/api/me');
    expect(sessions.map((s) => s.current).sort()).toEqual([false, true]);
    const lost = sessions.find((s) => !s.current)!;
    const stranger = await member();
    expect(await stranger.client.refused('DELETE', `/api/me/sessions/${lost.id}`)).toMatchObject({
      status: 404,
    });
    expect(await who(other)).not.toBeNull();
    await client.ok('DELETE', `/api/me/sessions/${lost.id}`);
    expect(await who(other)).toBeNull();
    expect((await client.get<Account>('/api/me')).sessions).toHaveLength(1);
  });

  it.each([
    [
      'Mozilla/5.0 (iPad; CPU OS 17_5 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/17.5 Mobile/15E148 Safari/604.1',
      'Safari on iOS (tablet)',
    ],
    [
      'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Safari/537.36',
      'Chrome on Linux',
    ],
    ['', 'unknown device'],
    ['<script>alert(1)</script>', 'unknown device'],
  ])('names its device in words: %s', (userAgent, words) => {
    expect(deviceWords(userAgent)).toBe(words);
  });
});

describe('what goes out whole, is gone for good, or gives power', () => {
  const SURE = (Object.keys(ENDPOINTS) as EndpointName[]).filter(
    (name) => (ENDPOINTS[name] as Endpoint).sure,
  );

  it('is the backup, exports, erasing, accounts and their protection', () => {
    expect(SURE.sort()).toEqual(
      [
        'addStaff',
        'backup',
        'dropCodes',
        'erasePerson',
        'exportPerson',
        'offerCodes',
        'savePin',
        'saveStaff',
        'setsCsv',
      ].sort(),
    );
  });

  it('asks for the password again, which holds for five minutes and in one browser', async () => {
    const { client, again } = await member('head coach');
    const other = await again();
    const refused = async (of: Client) => {
      const answers = await Promise.all(
        SURE.map((name) => {
          const { method, path } = ENDPOINTS[name];
          return of.send(method, path.replace(/:\w+/, hall.squadId), method === 'GET' ? undefined : {});
        }),
      );
      const needs = await Promise.all(
        answers.map(async (r) => (r.ok ? null : ((await r.json()) as { needs?: string }).needs)),
      );
      return needs.filter((x) => x === 'password again').length;
    };
    expect(await refused(client)).toBe(SURE.length);
    expect(await client.refused('POST', '/api/me/sure', { password: 'wrong-password' })).toMatchObject({
      status: 422,
    });
    await sure(client);
    expect([await refused(client), await refused(other)]).toEqual([0, SURE.length]);
    hall.setNow('2026-11-24T12:05:01Z');
    expect(await refused(client)).toBe(SURE.length);
  });
});

describe('codes of an authenticator', () => {
  const codeAt = (secret: string, iso: string) =>
    new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: Date.parse(iso) });
  async function withCodes() {
    const m = await member();
    await sure(m.client);
    const { secret, url } = await m.client.ok<CodesOffered>('POST', '/api/me/codes');
    expect(url).toMatch(/^otpauth:\/\/totp\/Test%20hall:member-\d+\?/);
    // Until the first code nothing is asked for.
    await m.again();
    expect(await m.client.refused('PUT', '/api/me/codes', { code: '000000' })).toMatchObject({ status: 422 });
    const { recovery } = await m.client.ok<{ recovery: string[] }>('PUT', '/api/me/codes', {
      code: codeAt(secret, '2026-11-24T12:00:00Z'),
    });
    const enter = (code?: string) =>
      clientOf(app, null).send('POST', '/api/sign-in', {
        login: m.login,
        password: PASSWORD,
        ...(code ? { code } : {}),
      });
    return { ...m, secret, recovery, enter };
  }

  it('are those of RFC 6238: its test values, of which six digits are shown', () => {
    // Appendix B, SHA-1, secret "12345678901234567890".
    const totp = new TOTP({ secret: Secret.fromUTF8('12345678901234567890'), digits: 8 });
    const at = (s: number) => totp.generate({ timestamp: s * 1000 });
    expect([59, 1111111109, 1234567890, 20000000000].map(at)).toEqual([
      '94287082',
      '07081804',
      '89005924',
      '65353130',
    ]);
  });

  it('are asked for beside the password, and none is taken twice', async () => {
    const { secret, enter } = await withCodes();
    const bare = await enter();
    expect([bare.status, ((await bare.json()) as { needs: string }).needs]).toEqual([401, 'code']);
    hall.setNow('2026-11-24T12:01:00Z');
    const code = codeAt(secret, '2026-11-24T12:01:00Z');
    expect((await enter(code)).status).toBe(200);
    expect((await enter(code)).status).toBe(401);
    hall.setNow('2026-11-24T12:10:00Z');
    expect((await enter(codeAt(secret, '2026-11-24T12:08:00Z'))).status).toBe(401);
  });

  it('are stood in for by recovery codes, each once', async () => {
    const { client, recovery, enter } = await withCodes();
    expect(recovery).toHaveLength(10);
    expect((await enter(recovery[3]!.toUpperCase())).status).toBe(200);
    expect((await enter(recovery[3])).status).toBe(401);
    expect(await client.get<Account>('/api/me')).toMatchObject({ codes: true, recoveryLeft: 9 });
  });

  it('are asked for with the password given again, and put away with both', async () => {
    const { client, secret } = await withCodes();
    hall.setNow('2026-11-24T12:20:00Z');
    expect(await client.refused('DELETE', '/api/me/codes')).toMatchObject({ needs: 'password again' });
    expect(await client.refused('POST', '/api/me/sure', { password: PASSWORD })).toMatchObject({
      needs: 'code',
    });
    // Wrong codes are counted as wrong passwords are, although the password beside them is right.
    const guesses = [];
    for (let n = 0; n < 6; n++) {
      guesses.push(
        (await client.send('POST', '/api/me/sure', { password: PASSWORD, code: '000000' })).status,
      );
    }
    expect(guesses).toContain(429);
    hall.setNow('2026-11-24T12:40:00Z');
    await sure(client, { code: codeAt(secret, '2026-11-24T12:40:00Z') });
    await client.ok('DELETE', '/api/me/codes');
    expect(await client.get<Account>('/api/me')).toMatchObject({ codes: false, recoveryLeft: 0 });
  });
});

describe('the change of coach by PIN', () => {
  async function withPin(pin = '4719') {
    const m = await member();
    await sure(m.client);
    await m.client.ok('PUT', '/api/me/pin', { pin });
    return m;
  }
  const change = (client: Client, staff: string, pin = '4719') =>
    client.send('POST', '/api/colleagues/change', { staff, pin });

  it('opens the floor of another, and nothing else', async () => {
    const asel = await withPin();
    const { client } = await member();
    expect(await client.get<Colleague[]>('/api/colleagues')).toContainEqual({
      id: asel.id,
      name: expect.any(String) as string,
    });
    const answer = await change(client, asel.id);
    const tablet = clientOf(app, answer.headers.get('set-cookie')!.split(';')[0]!);
    expect((await tablet.get<Start>('/api/start')).me).toMatchObject({ login: asel.login, floorOnly: true });
    expect(await who(client)).toBeNull();
    await tablet.ok('PUT', `/api/sets/${crypto.randomUUID()}`, setOf(person));
    for (const name of Object.keys(ENDPOINTS) as EndpointName[]) {
      const { method, path, floor, who: may } = ENDPOINTS[name] as Endpoint;
      if (!may.includes('coach') || floor) continue;
      const response = await tablet.send(
        method,
        path.replace(/:\w+/g, person),
        method === 'GET' ? undefined : {},
      );
      expect({ name, status: response.status }).toEqual({ name, status: 403 });
    }
    expect((ENDPOINTS.confirm as Endpoint).floor).toBeUndefined();
  });

  it('takes five wrong ones, at once or one by one, until the password is given', async () => {
    const asel = await withPin();
    const { client } = await member();
    const tries = await Promise.all(Array.from({ length: 12 }, () => change(client, asel.id, '0000')));
    expect(tries.map((r) => r.status).filter((s) => s === 422)).toHaveLength(5);
    const over = await change(client, asel.id);
    // Not the password of who is signed in here: that would open nothing.
    expect([over.status, ((await over.json()) as { needs: string }).needs]).toEqual([403, 'sign-in']);
    await asel.again();
    expect((await change(client, asel.id)).status).toBe(200);
  });

  it('is refused for a PIN that is tried first, for who has none, and for who has left', async () => {
    const asel = await withPin();
    const { client, id } = await member();
    await sure(client);
    for (const pin of ['0000', '1234', '9876', '12a4', '123']) {
      expect(await client.refused('PUT', '/api/me/pin', { pin })).toMatchObject({ status: 422 });
    }
    expect((await change(asel.client, id)).status).toBe(403);
    await hall.db.update(schema.staff).set({ active: false }).where(eq(schema.staff.id, asel.id));
    expect((await change(client, asel.id)).status).toBe(403);
  });

  it('lasts no longer than the sign-in that the tablet began with', async () => {
    const asel = await withPin();
    const { client } = await member();
    hall.setNow('2026-11-24T20:00:00Z');
    const answer = await change(client, asel.id);
    const tablet = clientOf(app, answer.headers.get('set-cookie')!.split(';')[0]!);
    const { sessions } = await asel.client.get<Account>('/api/me');
    expect(sessions.find((s) => s.floorOnly)).toBeTruthy();
    const [row] = await hall.db.select().from(schema.signIn).where(eq(schema.signIn.floorOnly, true));
    expect(row).toBeTruthy();
    for (let hour = 8; hour < 14 * 24; hour += 8) {
      hall.setNow(new Date(Date.parse('2026-11-24T12:00:00Z') + hour * 3600_000).toISOString());
      expect(await who(tablet)).toBe(asel.login);
    }
    hall.setNow('2026-12-08T12:00:01Z');
    expect(await who(tablet)).toBeNull();
  });
});

describe('where the hall answers', () => {
  it('under its own names, and under no other', async () => {
    const at = allowedHosts('192.168.7.20', 'https://hall.example', 'tablet.hall , other');
    for (const own of ['192.168.7.20:4180', 'hall.example', 'localhost:4180', '[::1]:80', 'Tablet.Hall']) {
      expect([own, at(own)]).toEqual([own, true]);
    }
    for (const other of ['evil.example', '192.168.7.21', 'hall.example.evil.example', '']) {
      expect([other, at(other)]).toEqual([other, false]);
    }
    const server = hall.server({ answersAt: allowedHosts('127.0.0.1', 'http://127.0.0.1:4180') });
    expect((await server.request('http://rebound.example/api/start')).status).toBe(421);
    expect((await server.request('http://127.0.0.1/api/start')).status).toBe(200);
  });

  it('at an address that other devices reach, when it listens at all of them', () => {
    expect(ownAddress('127.0.0.1')).toBe('127.0.0.1');
    expect(ownAddress('::1')).toBe('[::1]');
    expect(ownAddress('0.0.0.0')).toMatch(/^\d+\.\d+\.\d+\.\d+$/);
    expect(ownAddress('0.0.0.0')).not.toBe('0.0.0.0');
    expect(allowedHosts('0.0.0.0', 'http://x')(`${ownAddress('0.0.0.0')}:4180`)).toBe(true);
  });
});

describe('the first account', () => {
  it('needs the code on the console where others reach the server', async () => {
    const { db, close } = await openEmbedded(null);
    const empty = hall.server({ db, setUpCode: 'ABCD2345', lasting: LASTING });
    const client = clientOf(empty, null);
    expect(await client.get<Start>('/api/start')).toMatchObject({ empty: true, needsCode: true });
    const first = { hallName: 'Boathouse', name: 'Ida', login: 'ida', password: 'seven-grey-herons' };
    expect(await client.refused('POST', '/api/first-account', first)).toMatchObject({ status: 403 });
    expect(await client.refused('POST', '/api/first-account', { ...first, setUp: 'WRONG234' })).toMatchObject(
      { status: 403 },
    );
    // Units, paper, days and time zone as the browser had them; a zone that is none is refused.
    const own = { timeZone: 'America/Lima', massUnit: 'lb', lengthUnit: 'in', paper: 'Letter', dates: 'es' };
    expect(
      await client.refused('POST', '/api/first-account', {
        ...first,
        ...own,
        timeZone: 'Moon/Sea',
        setUp: 'ABCD2345',
      }),
    ).toMatchObject({ status: 422 });
    await client.ok('POST', '/api/first-account', { ...first, ...own, setUp: ' abcd2345 ' });
    expect((await client.get<Start>('/api/start')).hall).toMatchObject(own);
    expect(await client.get<Start>('/api/start')).toMatchObject({ empty: false, needsCode: false });
    await close();
  });
});
