import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { OwnDay, OwnLinkMade } from '../../contract/session.ts';
import type { Person } from '../../contract/people.ts';
import { equalsAmong, HOME_THINGS, HOME_THING_NAMES } from '../../core/kit/index.ts';
import type { HomeThing } from '../../core/kit/index.ts';
import { blankSet } from '../../core/log/index.ts';
import type { ShelfInForce } from '../../core/library/index.ts';
import { schema } from '../db/index.ts';
import type { OpenDatabase } from '../db/index.ts';
import { shelfInForce } from '../library/index.ts';
import { DEMO_NOW, DEMO_TODAY, demoDatabase } from '../testing/demo.ts';
import { clientOf, deviceOf, hallOn, signIn } from '../testing/hall.ts';

let database: OpenDatabase;
let inForce: ShelfInForce;
const own = new Map<
  string,
  { get: (have: readonly HomeThing[] | null) => Promise<OwnDay>; keep: (body: object) => Promise<unknown> }
>();
let people: Person[];
beforeAll(async () => {
  database = await demoDatabase();
  inForce = await shelfInForce(database.db);
  const app = hallOn(database.db, () => DEMO_NOW);
  const [hall] = await database.db.select().from(schema.hall);
  const head = clientOf(app, await signIn(app, 'head', hall!.demoPassword!));
  people = await head.get<Person[]>('/api/people');
  for (const p of people) {
    const made = await head.ok<OwnLinkMade>('POST', `/api/people/${p.id}/own-links`, { days: 5 });
    const device = await deviceOf(app, made.url);
    own.set(p.id, {
      get: (have) => device.get<OwnDay>(`${device.base}${have ? `?have=${have.join(',')}` : ''}`),
      keep: (body) => device.ok('PUT', `${device.base}/sets/${randomUUID()}`, body),
    });
  }
});
afterAll(() => database.close());

const TICKED: readonly (readonly HomeThing[])[] = [
  [],
  ['chair', 'rucksack'],
  ['bottles', 'stairs', 'sofa'],
  HOME_THING_NAMES,
];

/** Whether each need has something that stands in for it, by plain rules: the thing itself, or one equal of it. */
function canBeDone(slug: string, have: readonly HomeThing[]): boolean {
  const v = inForce.shelf.get('variation', slug)!;
  const there = new Set([
    'mat',
    'tape-line',
    'pole',
    'bench-pad',
    'bar-pad',
    ...have.flatMap((h) => HOME_THINGS[h].for as readonly string[]),
  ]);
  const equals = equalsAmong(inForce.shelf.all('equipment'));
  const met = (e: string) => there.has(e) || [...(equals.get(e) ?? [])].some((x) => there.has(x));
  return (
    v.equipmentAll.every((n) => met(n.equipment)) &&
    v.equipmentAny.every((g) => g.length === 0 || g.some((n) => met(n.equipment)))
  );
}

describe('a session alone at home', () => {
  it('gives everybody what can be done with what is there: the same where it can, never with more load', async () => {
    let same = 0;
    let other = 0;
    for (const p of people) {
      const hall = await own.get(p.id)!.get(null);
      for (const have of TICKED) {
        const home = await own.get(p.id)!.get(have);
        const named = new Set([
          ...home.lines.map((l) => l.ladderName),
          ...home.notLed.map((n) => n.ladderName),
        ]);
        for (const l of hall.lines) expect(named).toContain(l.ladderName);
        for (const l of home.lines) {
          expect({ v: l.variation, have, home: l.home, ok: canBeDone(l.variation!, have) }).toMatchObject({
            ok: true,
          });
          const here = hall.lines.find((x) => x.ladderName === l.ladderName)!;
          if (l.home!.how === 'the same') {
            same++;
            expect(l.variation).toBe(here.variation);
          } else {
            other++;
            // Only where the line itself cannot be done; one of each things may still be too few of it.
            const needs = inForce.shelf.get('variation', here.variation!)!;
            const several =
              [...needs.equipmentAll, ...needs.equipmentAny.flat()].some((n) => n.count > 1) ||
              needs.equipmentAll.length > 1;
            if (!several) expect(canBeDone(here.variation!, have)).toBe(false);
          }
          const asked = here.next?.loadKg ?? here.target.loadKg ?? null;
          if (l.home!.loadKg !== null) expect(l.home!.loadKg).toBeLessThanOrEqual(asked! + 1e-9);
          expect(l.piece.options[0]!.workS).toBeGreaterThan(0);
        }
      }
    }
    expect(same).toBeGreaterThan(20);
    expect(other).toBeGreaterThan(20);
  });

  it('with more things there is never less to do', async () => {
    for (const p of people.slice(0, 12)) {
      const [none, all] = [await own.get(p.id)!.get([]), await own.get(p.id)!.get(HOME_THING_NAMES)];
      expect(all.lines.length).toBeGreaterThanOrEqual(none.lines.length);
    }
  });

  it('ends with pain of 5, says whom to tell, and goes on at 4', async () => {
    const with1 = [];
    for (const p of people) {
      const day = await own.get(p.id)!.get(null);
      if (day.lines.length > 0 && day.stopped.length === 0) with1.push({ p, day });
    }
    const set = (day: OwnDay, pain: number) => ({
      ...blankSet(),
      personId: randomUUID(),
      date: DEMO_TODAY,
      edit: 1,
      variation: day.lines[0]!.variation,
      variationRevision: day.lines[0]!.revision,
      doneReps: 5,
      pain,
    });
    const [a, b] = [with1[0]!, with1[1]!];
    await own.get(a.p.id)!.keep(set(a.day, 4));
    expect((await own.get(a.p.id)!.get(null)).ended).toBe(false);
    await own.get(b.p.id)!.keep(set(b.day, 5));
    expect(await own.get(b.p.id)!.get(null)).toMatchObject({ ended: true, tell: 'Mirela Ostrander' });
  });

  it('shows nothing of anybody else, and leads only what nothing bars', async () => {
    const names = people.map((p) => p.name);
    for (const p of people) {
      const text = JSON.stringify(await own.get(p.id)!.get(['chair']));
      expect(names.filter((n) => n !== p.name && text.includes(n))).toEqual([]);
      expect(text).not.toContain('barred:');
    }
  });
});
