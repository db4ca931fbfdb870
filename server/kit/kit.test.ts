import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { PieceEdit, PieceInHall } from '../../contract/kit.ts';
import type { EntryInForce, Health } from '../../contract/library.ts';
import type { Equipment } from '../../core/library/index.ts';
import { blankPiece } from '../../core/terms/index.ts';
import type { Piece } from '../../core/terms/index.ts';
import { kitApart, schema } from '../db/index.ts';
import { testHall } from '../testing/hall.ts';
import type { TestHall } from '../testing/hall.ts';

let hall: TestHall;
beforeAll(async () => void (hall = await testHall()));
afterAll(() => hall.close());

const pieces = () => hall.as('viewer').get<PieceInHall[]>('/api/kit');
const of = async (equipment: string) => (await pieces()).filter((p) => p.equipment === equipment);
const made = (equipment: string, more: Partial<Piece> = {}): PieceInHall => ({
  ...blankPiece(randomUUID(), equipment, more),
  edit: 0,
});
const save = (...list: PieceInHall[]) => hall.as('head').ok('PUT', '/api/kit', { pieces: list });
interface Sheet {
  resolved: { equipmentAll: { equipment: Equipment; stock: { count: number; place: string } }[] };
}
const onSheet = async () => {
  const { resolved } = await hall.as('coach').get<Sheet>('/api/sheets/bench-thrust');
  const { count, place } = resolved.equipmentAll.find((n) => n.equipment.slug === 'thrust-bench')!.stock;
  return { count, place };
};

describe('what the hall has', () => {
  const low = made('thrust-bench', { form: 'height', sizes: { heightM: 0.36 }, place: 'river wall' });
  const high = made('thrust-bench', {
    form: 'height',
    sizes: { heightM: 0.44 },
    count: 2,
    place: 'river wall',
  });

  it('is said by the head coach piece by piece, read by everybody, and stands on the sheet at once', async () => {
    await save(low, high);
    expect(await of('thrust-bench')).toEqual([
      { ...low, edit: 1 },
      { ...high, edit: 1 },
    ]);
    expect(await onSheet()).toEqual({ count: 3, place: 'river wall' });
  });

  it('counts what is out of use or overdue as not there, from the day on which it is', async () => {
    const coach = hall.as('coach');
    await coach.ok('PUT', `/api/kit/${low.id}/condition`, { condition: 'out', why: 'a leg is loose' });
    expect((await of('thrust-bench'))[0]).toMatchObject({
      condition: 'out',
      outSince: '2026-11-24',
      edit: 2,
    });
    expect(await onSheet()).toMatchObject({ count: 2 });
    // Putting it back is the head coach’s.
    const again = await coach.refused('PUT', `/api/kit/${low.id}/condition`, {
      condition: 'watch',
      why: 'x',
    });
    expect(again.status).toBe(409);
    await save({ ...high, edit: 1, inspectedOn: '2026-06-01', nextInspection: '2026-11-24' });
    expect(await onSheet()).toMatchObject({ count: 2 });
    hall.setNow('2026-11-25T12:00:00Z');
    expect(await onSheet()).toMatchObject({ count: 0 });
    const { findings } = await hall.as('head').get<Health>('/api/library/health');
    expect(findings.filter((f) => f.kind === 'equipment lacking').map((f) => f.document!.slug)).toContain(
      'bench-thrust',
    );
    hall.setNow('2026-11-24T12:00:00Z');
  });

  it('keeps who changed what, also after a piece has left the hall', async () => {
    const head = hall.as('head');
    await head.ok('DELETE', `/api/kit/${low.id}`);
    expect((await of('thrust-bench')).map((p) => p.id)).toEqual([high.id]);
    const edits = await head.get<PieceEdit[]>(`/api/kit/${low.id}/history`);
    expect(edits.map((e) => [e.edit, e.piece.condition, e.gone])).toEqual([
      [3, 'out', true],
      [2, 'out', false],
      [1, 'good', false],
    ]);
    expect((await head.refused('DELETE', `/api/kit/${low.id}`)).status).toBe(404);
    expect((await head.refused('PUT', '/api/kit', { pieces: [{ ...low, edit: 3 }] })).status).toBe(409);
  });

  it('refuses what somebody else changed meanwhile, with what is kept, and writes all or none', async () => {
    const other = made('mat', { count: 4 });
    const stale = await hall.as('head').refused('PUT', '/api/kit', { pieces: [other, { ...high, edit: 1 }] });
    expect(stale.status).toBe(409);
    expect(stale.inForce).toMatchObject({ id: high.id, edit: 2 });
    expect(await of('mat')).toEqual([]);
  });

  it.each<[string, Partial<PieceInHall> & { equipment?: string }, RegExp]>([
    ['equipment that the library does not know', { equipment: 'a-boat' }, /no equipment “a-boat”/],
    ['a count that is none', { count: 1.5 }, /count/],
    ['a height that no box has', { form: 'height', sizes: { heightM: 9 } }, /heightM/],
    ['a size that its form has not', { form: 'height', sizes: { seatM: 0.4 } }, /Seat under a person/],
    ['a highest below the lowest', { form: 'adjustable', sizes: { fromM: 1, toM: 0.5 } }, /below the lowest/],
    ['a band read on no day', { form: 'band', readings: [{ stretchM: 0.2, pullKg: 4 }] }, /day of the scale/],
    ['an inspection that goes back', { inspectedOn: '2026-11-01', nextInspection: '2026-10-01' }, /before/],
  ])('refuses %s', async (_what, wrong, words) => {
    const problem = await hall
      .as('head')
      .refused('PUT', '/api/kit', { pieces: [{ ...made('mat'), ...wrong }] });
    expect(problem.status).toBe(422);
    expect(problem.detail).toMatch(words);
    expect(await of('mat')).toEqual([]);
  });

  it('is nobody else’s to say', async () => {
    for (const who of ['coach', 'viewer'] as const)
      expect((await hall.as(who).refused('PUT', '/api/kit', { pieces: [made('mat')] })).status).toBe(403);
    expect((await hall.as('coach').refused('DELETE', `/api/kit/${high.id}`)).status).toBe(403);
    const flag = { condition: 'out', why: 'x' };
    expect((await hall.as('viewer').refused('PUT', `/api/kit/${high.id}/condition`, flag)).status).toBe(403);
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
  });

  it('in a database or a backup becomes a piece of the hall, once', async () => {
    const { revision: table, entry } = schema;
    const [at] = await hall.db.select().from(entry).where(eq(entry.slug, 'mat'));
    const before = (await hall.db.select().from(table).where(eq(table.slug, 'mat'))).find(
      (r) => r.number === at!.revision,
    )!;
    await hall.db
      .update(table)
      .set({ body: { ...before.body, inHall: 9, where: 'rack' } as never })
      .where(eq(table.slug, 'mat'));
    await kitApart(hall.db);
    await kitApart(hall.db);
    expect(await of('mat')).toMatchObject([{ count: 9, place: 'rack', form: 'thing' }]);
    const [after] = await hall.db.select().from(table).where(eq(table.slug, 'mat'));
    expect(after!.body).toEqual(before.body);
  });
});
