import path from 'node:path';
import type { Person } from '../contract/people.ts';
import { root } from '../server/root.ts';
import { readFileSync } from 'node:fs';
import type { LibraryFile } from '../core/exchange/index.ts';
import { resolveMechanics, shelfOf } from '../core/library/index.ts';
import { contactSheet } from './contact-sheet.tsx';
import { demoServer } from './demo-server.ts';
import { ensureBuilt } from './prepare.mjs';

/** Takes the pictures of docs/screenshots from a fresh demo hall: `npm run screenshots [name …]`. */
const wanted = process.argv.slice(2);

interface Shot {
  name: string;
  login: 'head' | 'coach';
  path: (id: (name: string) => string) => string;
  size?: [number, number];
  dark?: boolean;
  /** Accessible names of buttons to press before the picture. */
  press?: string[];
  /** Words of what unfolds, to press as well. */
  fold?: string[];
  /** Label of a list and what to choose in it. */
  choose?: [string, string];
  scrollTo?: string;
  /** So many boxes to tick, the first ones. */
  tick?: number;
  /** What has to stand there first: some things are worked out for seconds. */
  until?: RegExp;
  /** Whose own page it is, on their phone. */
  own?: string;
}

function libraryMovements() {
  const file = JSON.parse(
    readFileSync(path.join(root, 'server/library/shipped.json'), 'utf8'),
  ) as LibraryFile;
  const shelf = shelfOf(file.documents);
  return shelf
    .all('variation')
    .map((v) => ({ name: v.shortName, pattern: v.pattern, mechanics: resolveMechanics(v, shelf) }));
}

/** Who stands on the floor in the pictures of a session. */
const SESSION = ['Pascal Ouderkerk', 'Nele Sandbrook', 'Jonah Sprigg', 'Wiebke Tarrant'];

/** A squad whose hour is planned. */
const CREW = [
  'Sunniva Graye',
  'Lorcan Whitlock',
  'Emre Dunmorrow',
  'Piet Harrowgate',
  'Oskar Lindqvane',
  'Zelda Marchbanks',
  'Marta Quillon',
  'Bea Hollowmere',
  'Gudrun Pellworth',
];

const SHOTS: Shot[] = [
  {
    name: 'hour',
    login: 'coach',
    path: (id) => `/floor/plan?people=${CREW.map(id).join(',')}`,
    until: /No plan with|points better is possible/,
  },
  {
    name: 'alone',
    login: 'coach',
    path: () => '',
    own: 'Jonah Sprigg',
    size: [390, 1180],
    press: ['At home, or on the road', 'a firm chair', 'a rucksack', '25 min'],
  },
  {
    name: 'measured',
    login: 'coach',
    path: (id) => `/people/${id('Zelda Marchbanks')}?part=measured`,
    size: [1280, 1180],
    tick: 2,
  },
  { name: 'overview', login: 'head', path: () => '/overview' },
  { name: 'decision', login: 'head', path: (id) => `/people/${id('Oskar Lindqvane')}` },
  { name: 'sheet', login: 'coach', path: () => '/library/variation/goblet-squat' },
  {
    name: 'print-room',
    login: 'coach',
    path: (id) => `/print?job=floor:floor-hold,warm-up:floor-hold,log:floor-hold&person=${id('Ida Farrow')}`,
    size: [1280, 1180],
  },
  { name: 'ladder', login: 'head', path: () => '/ladders/bridge-ladder' },
  {
    name: 'stairs',
    login: 'head',
    path: () => '/ladders/squat-ladder',
    press: ['Change the stairs'],
    size: [1280, 1180],
  },
  { name: 'body-room', login: 'coach', path: () => '/body?a=back-squat&b=bench-thrust' },
  { name: 'purpose', login: 'coach', path: () => '/body/purpose?want=hips%2C+at+the+top' },
  { name: 'library', login: 'coach', path: () => '/library?q=heels&pattern=squat,hinge' },
  { name: 'kit', login: 'head', path: () => '/kit?part=runs' },
  {
    name: 'house-effect',
    login: 'head',
    path: () => '/library/houseQuestion/depth',
    press: ['Change an answer'],
    choose: ['Answer', 'As deep as the back stays long'],
  },
  { name: 'today', login: 'coach', path: () => '/floor' },
  {
    name: 'session-tablet',
    login: 'coach',
    path: (id) => `/floor/session?people=${SESSION.map(id).join(',')}&who=${id('Pascal Ouderkerk')}`,
    size: [820, 1180],
  },
  {
    name: 'session-phone',
    login: 'coach',
    path: (id) => `/floor/session?people=${SESSION.map(id).join(',')}&who=${id('Nele Sandbrook')}`,
    size: [390, 844],
    dark: true,
  },
  {
    name: 'desk',
    login: 'coach',
    path: (id) => `/faults?person=${id('Pascal Ouderkerk')}&of=deep-squat&pattern=squat`,
    press: ['Low back rounds at the bottom', 'What to do?'],
  },
];

ensureBuilt();
const { base, browser, close } = await demoServer(4393);
try {
  for (const shot of SHOTS.filter((s) => wanted.length === 0 || wanted.includes(s.name))) {
    const [width, height] = shot.size ?? [1280, 800];
    const context = await browser.newContext({
      viewport: { width, height },
      colorScheme: shot.dark ? 'dark' : 'light',
    });
    const page = await context.newPage();
    await page.goto(base);
    await page.getByRole('button', { name: `(${shot.login})` }).click();
    await page.getByRole('navigation', { name: 'Rooms' }).waitFor();
    const people = (await (await page.request.get(`${base}/api/people`)).json()) as Person[];
    const id = (name: string) => people.find((p) => p.name === name)!.id;
    if (shot.own) {
      const made = await page.request.post(`${base}/api/people/${id(shot.own)}/own-links`, {
        headers: { origin: base },
        data: { days: 5 },
      });
      const { pathname, hash } = new URL(((await made.json()) as { url: string }).url);
      await page.goto(base + pathname + hash);
    } else await page.goto(base + shot.path(id));
    await page.waitForLoadState('networkidle');
    if (shot.until) await page.getByText(shot.until).waitFor({ timeout: 20_000 });
    for (const name of shot.press ?? []) await page.getByRole('button', { name }).click();
    for (let i = 0; i < (shot.tick ?? 0); i++) await page.getByRole('checkbox').nth(i).check();
    for (const text of shot.fold ?? []) await page.getByText(text, { exact: true }).click();
    if (shot.choose) await page.getByLabel(shot.choose[0], { exact: true }).selectOption(shot.choose[1]);
    if (shot.scrollTo) await page.locator(shot.scrollTo).evaluate((e) => e.scrollIntoView());
    await page.evaluate(() => document.fonts.ready);
    // What is asked after the last keystroke is there too.
    await page.waitForTimeout(1500);
    await page.screenshot({ path: path.join(root, 'docs/screenshots', `${shot.name}.png`) });
    await context.close();
    console.log(shot.name);
  }
  // The contact sheet: every variation of the library, as it would hang on a wall.
  if (wanted.length === 0 || wanted.includes('figures')) {
    const page = await browser.newPage({ viewport: { width: 1500, height: 900 } });
    await page.setContent(contactSheet(libraryMovements(), false));
    await page.screenshot({ path: path.join(root, 'docs/screenshots', 'figures.png'), fullPage: true });
    console.log('figures');
  }
} finally {
  await close();
}
