import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { KitRow } from '../../contract/kit.ts';
import type { EntryInForce, Health } from '../../contract/library.ts';
import type { Equipment } from '../../core/library/index.ts';
import { kitApart, schema } from '../db/index.ts';
import { testHall } from '../testing/hall.ts';
import type { TestHall } from '../testing/hall.ts';

let hall: TestHall;
beforeAll(async () => void (hall = await testHall()));
afterAll(() => hall.close());

const rows = () => hall.as('viewer').get<KitRow[]>('/api/kit');
const bench = async () => (await rows()).find((r) => r.equipment === 'thrust-bench');
interface Sheet {
  resolved: { equipmentAll: { equipment: Equipment; stock: { count: number; place: string } }[] };
}
const onSheet = async () =>
  (await hall.as('coach').get<Sheet>('/api/sheets/bench-thrust')).resolved.equipmentAll.find(
    (n) => n.equipment.slug === 'thrust-bench',
  )!.stock;

describe('what the hall has', () => {
  it('is said by the head coach, read by everybody, and stands on the sheet at once', async () => {
    const head = hall.as('head');
    await head.ok('PUT', '/api/kit/thrust-bench', { count: 3, place: 'river wall' });
    expect(await bench()).toEqual({ equipment: 'thrust-bench', count: 3, place: 'river wall' });
    expect(await onSheet()).toEqual({ count: 3, place: 'river wall' });
    await head.ok('PUT', '/api/kit/thrust-bench', { count: 0, place: '' });
    expect(await onSheet()).toEqual({ count: 0, place: '' });
    const { findings } = await head.get<Health>('/api/library/health');
    expect(findings.filter((f) => f.kind === 'equipment lacking').map((f) => f.document!.slug)).toContain(
      'bench-thrust',
    );
    await head.ok('PUT', '/api/kit/thrust-bench', { count: 3, place: 'river wall' });
  });

  it('is nobody else’s to say, and only of what the library knows', async () => {
    const one = { count: 1, place: '' };
    expect((await hall.as('coach').refused('PUT', '/api/kit/thrust-bench', one)).status).toBe(403);
    expect((await hall.as('head').refused('PUT', '/api/kit/a-boat', one)).status).toBe(404);
    const refused = await hall.as('head').refused('PUT', '/api/kit/thrust-bench', { count: 501, place: '' });
    expect(refused.status).toBe(422);
    expect(await bench()).toMatchObject({ count: 3 });
  });
});

describe('equipment of a version before', () => {
  const path = '/api/library/equipment/thrust-bench';
  it('is taken as it was written, without what it said of the hall', async () => {
    const head = hall.as('head');
    const { body, revision } = await head.get<EntryInForce>(path);
    const old = { ...body, inHall: 7, where: 'Shed', setUp: [{ text: 'Against the wall.' }] };
    await head.ok('PUT', path, { body: old, base: revision, reason: '' });
    const now = (await head.get<EntryInForce>(path)).body as Equipment;
    expect(now.setUp).toEqual([{ text: 'Against the wall.' }]);
    expect(now).not.toHaveProperty('inHall');
    expect(now).not.toHaveProperty('where');
    // What the hall has was said otherwise.
    expect(await bench()).toMatchObject({ count: 3 });
  });

  it('in a database or a backup becomes rows of the hall, once', async () => {
    const { revision: table, entry } = schema;
    const [at] = await hall.db.select().from(entry).where(eq(entry.slug, 'mat'));
    const before = (await hall.db.select().from(table).where(eq(table.slug, 'mat'))).find(
      (r) => r.number === at!.revision,
    )!;
    await hall.db
      .update(table)
      .set({ body: { ...before.body, inHall: 9, where: 'rack' } as never })
      .where(eq(table.slug, 'mat'));
    await hall.db.delete(schema.kit).where(eq(schema.kit.equipment, 'mat'));
    await kitApart(hall.db);
    await kitApart(hall.db);
    expect((await rows()).find((r) => r.equipment === 'mat')).toEqual({
      equipment: 'mat',
      count: 9,
      place: 'rack',
    });
    const [after] = await hall.db.select().from(table).where(eq(table.slug, 'mat'));
    expect(after!.body).toEqual(before.body);
  });
});
