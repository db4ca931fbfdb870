import type { APIRequestContext, Page } from '@playwright/test';
import type { Body } from '../core/library/index.ts';
import { another, expect, idOf, stranger, test } from './hall.ts';

/** What would run if any view wrote text into the page as anything but text. */
const SCRIPT = '"><img src=x onerror=window.planted=1><script>planted=1</script>';
const planted = (page: Page) =>
  page.evaluate(() => ({
    ran: 'planted' in window,
    elements: document.querySelectorAll('img[src="x"], [onerror]').length,
  }));

/** The document with the payload in every text that somebody wrote: what holds a blank is written, not chosen. */
const poisoned = <T>(value: T, key = ''): T =>
  (typeof value === 'string'
    ? value.includes(' ') || key === 'name'
      ? `${value.slice(0, 24)} ${SCRIPT}`
      : value
    : Array.isArray(value)
      ? value.map((v: unknown) => poisoned(v, key))
      : typeof value === 'object' && value !== null
        ? Object.fromEntries(Object.entries(value).map(([k, v]) => [k, poisoned(v as unknown, k)]))
        : value) as T;

/** Gives one place its old value again. */
function putBack(into: object, from: object, [key, ...rest]: readonly string[]): void {
  if (key === undefined) return;
  const [to, old] = [into, from] as [Record<string, object>, Record<string, object>];
  if (rest.length > 0 && to[key] && old[key]) putBack(to[key], old[key], rest);
  else to[key] = old[key]!;
}

test('a script in any field of anything is text on every view and every paper', async ({
  browser,
  address,
}) => {
  test.setTimeout(240_000);
  const head = await another(browser, 'head');
  const api = head.request;
  const headers = { origin: address };
  const ok = async (method: 'post' | 'put', path: string, data: unknown) => {
    const answer = await api[method](path, { headers, data });
    expect(answer.ok(), `${path}: ${await answer.text()}`).toBe(true);
    return (await answer.json()) as { id: string; url: string };
  };
  const { hall } = (await (await api.get('/api/start')).json()) as { hall: { today: string; name: string } };
  await ok('post', '/api/me/sure', { password: 'kestrel-quay' });

  // The library: names, lines and reasons of one of each kind, everything that such a document says.
  const changed: string[] = [];
  for (const [kind, slug] of await oneOfEach(api)) {
    const { body, revision } = (await (await api.get(`/api/library/${kind}/${slug}`)).json()) as {
      body: Body;
      revision: number;
    };
    // What is chosen from a list, or is short, stays as it was: the server says which.
    const next = poisoned(body);
    for (let round = 0; round < 4; round++) {
      const check = await api.post('/api/library/check', { headers, data: { items: [next] } });
      const { errors } = (await check.json()) as { errors: { field: string }[] };
      if (errors.length === 0) break;
      for (const { field } of errors) putBack(next, body, field.match(/[^.[\]]+/g) ?? []);
    }
    await ok('put', `/api/library/${kind}/${slug}`, { body: next, base: revision, reason: SCRIPT });
    if (JSON.stringify(next).includes('onerror')) changed.push(kind);
  }
  expect(changed).toEqual(['variation', 'ladder', 'houseQuestion', 'fault', 'cue', 'caution', 'equipment']);
  await ok('post', '/api/editions', { name: SCRIPT });
  const squad = await ok('post', '/api/squads', { name: SCRIPT });
  const staff = { login: `x${SCRIPT.slice(0, 40)}`, name: SCRIPT, role: 'coach', squadIds: [squad.id] };
  await ok('post', '/api/staff', { ...staff, password: 'seven-grey-herons' });
  await ok('put', '/api/hall', {
    name: SCRIPT,
    timeZone: 'UTC',
    paper: 'A4',
    massUnit: 'kg',
    lengthUnit: 'cm',
  });

  // A person and all that is said of them.
  const id = await idOf(head, 'Oskar Lindqvane');
  const about = { squadId: squad.id, statureM: 1.8, massKg: 80 };
  await ok('put', `/api/people/${id}`, {
    ...about,
    name: SCRIPT,
    note: SCRIPT,
    emergency: SCRIPT,
    firstAid: SCRIPT,
  });
  const one = `/api/people/${id}`;
  await ok('post', `${one}/restrictions`, {
    // What bars nothing that they do is not named.
    bars: [{ bars: 'pattern', pattern: 'bridge' }],
    from: hall.today,
    until: null,
    saidBy: SCRIPT,
  });
  await ok('put', `${one}/check-in/${hall.today}`, {
    here: true,
    pain: 2,
    sleepH: null,
    atEase: null,
    note: SCRIPT,
  });
  await ok('put', `${one}/check-in/${hall.today}`, {
    here: true,
    pain: 3,
    sleepH: null,
    atEase: null,
    note: `${SCRIPT}2`,
  });
  const stop = { personId: id, date: hall.today, reach: 'lunge', pain: null, words: SCRIPT };
  await ok('put', `/api/stops/${crypto.randomUUID()}`, stop);
  await ok('post', `${one}/clearances`, { saidBy: SCRIPT, what: SCRIPT, until: null });
  await ok('put', `/api/stops/${crypto.randomUUID()}`, stop);
  await ok('put', `/api/sets/${crypto.randomUUID()}`, {
    personId: id,
    date: hall.today,
    edit: 1,
    variation: 'goblet-squat',
    variationRevision: 1,
    ordinal: 1,
    role: 'work',
    warmUp: false,
    watched: true,
    sideTest: false,
    loadKind: 'kettlebell',
    faults: [],
    doneReps: 8,
    aids: [{ name: SCRIPT.slice(0, 60), setting: SCRIPT.slice(0, 40) }],
  });
  const link = await ok('post', `${one}/own-links`, { days: 5 });
  const share = await ok('post', '/api/shares', {
    job: 'floor:goblet-squat,handout:goblet-squat',
    person: id,
    days: 5,
  });

  const job =
    'floor:goblet-squat,full:goblet-squat,handout:goblet-squat,log:goblet-squat,warm-up:goblet-squat,poster:squat-ladder';
  const views = [
    '/floor',
    `/floor/session?people=${id}`,
    `/floor/${id}`,
    '/faults',
    '/faults/report',
    '/overview',
    '/people',
    `/people/${id}`,
    '/library/variation/goblet-squat',
    '/library/variation/goblet-squat/history',
    '/library/variation/goblet-squat/edit',
    '/library/health',
    '/ladders',
    '/ladders/squat-ladder',
    '/body?a=goblet-squat',
    '/changes',
    '/hall',
    '/shares',
    '/me',
    `/print?job=${job}&person=${id}`,
  ];
  for (const [kind, slug] of await oneOfEach(api)) views.push(`/library/${kind}/${slug}`);
  for (const view of views) {
    await head.goto(view);
    await expect(head.locator('body')).not.toContainText('One moment');
    await expect
      .poll(() =>
        head
          .locator('body')
          .innerText()
          .then((t) => t.length),
      )
      .toBeGreaterThan(60);
    // There to be seen, as text; a slow page is waited for. One's own page names nothing of others.
    if (view !== '/me') {
      await expect
        .poll(async () => (await head.locator('body').innerText()).includes('onerror='), { message: view })
        .toBe(true);
    }
    expect({ view, ...(await planted(head)) }).toEqual({ view, ran: false, elements: 0 });
  }
  for (const url of [link.url, share.url]) {
    const phone = await stranger(browser);
    await phone.goto(url);
    await expect(phone.getByText('onerror=').first()).toBeVisible();
    expect(await planted(phone)).toEqual({ ran: false, elements: 0 });
  }
});

/** One document of each kind that stands on a sheet or in a decision. */
async function oneOfEach(api: APIRequestContext): Promise<[string, string][]> {
  const { entries } = (await (await api.get('/api/library')).json()) as {
    entries: { kind: string; slug: string }[];
  };
  const first = (kind: string) => entries.find((e) => e.kind === kind)!.slug;
  return [
    ['variation', 'goblet-squat'],
    ['ladder', 'squat-ladder'],
    ['houseQuestion', 'depth'],
    // Seen often enough to stand in every report.
    ['fault', 'knee-falls-in'],
    // On no sheet, so that it is told with the health of the library.
    ['cue', 'toes-hello'],
    ...['caution', 'equipment'].map((kind): [string, string] => [kind, first(kind)]),
  ];
}
