import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Closes, Purchases, RunsOfHall } from '../../contract/fit.ts';
import { boughtIn, programOf, recount } from '../../core/kit/index.ts';
import { blankPiece } from '../../core/terms/index.ts';
import type { Piece } from '../../core/terms/index.ts';
import { placedPerson, testHall } from '../testing/hall.ts';
import type { TestHall } from '../testing/hall.ts';
import { solve } from '../solve.ts';

let hall: TestHall;
let id: string;
const bench = (heightM: number, more: Partial<Piece> = {}) =>
  blankPiece(randomUUID(), 'thrust-bench', { form: 'height', sizes: { heightM }, ...more });
const own = bench(0.4);
beforeAll(async () => {
  hall = await testHall();
  // Stands where the bench comes in.
  id = await placedPerson(hall, 'thrust');
  const none = ['chair', 'plyo-box', 'flat-seat'].map((slug) => blankPiece(randomUUID(), slug, { count: 0 }));
  await hall.as('head').ok('PUT', '/api/kit', { pieces: [own, ...none].map((p) => ({ ...p, edit: 0 })) });
});
afterAll(() => hall.close());

const cellAt = async (level: string) => {
  const { people, levels } = await hall.as('coach').get<RunsOfHall>('/api/kit/runs');
  return levels.find((l) => l.ladder === 'bridge-ladder' && l.level === level)!.cells[people.indexOf(id)]!;
};

describe('what can be run, and for whom', () => {
  it('is open with a bench that fits, and lost without it, to those who stand there', async () => {
    expect(await cellAt('thrust')).toMatchObject({ result: 'open' });
    const closes = await hall.as('coach').get<Closes>(`/api/kit/closes?without=${own.id}`);
    expect(closes.lost).toMatchObject([
      { person: id, ladder: 'bridge-ladder', level: 'thrust', today: true },
    ]);
    expect(closes.variations.map((v) => v.slug)).toContain('bench-thrust');
    // Nothing is out of use, so nothing is closed.
    expect(await hall.as('coach').get<Closes>('/api/kit/closes')).toEqual({ lost: [], variations: [] });
  });

  it('says what closes as soon as something is out of use', async () => {
    await hall.as('coach').ok('PUT', `/api/kit/${own.id}/condition`, { condition: 'out', why: 'a leg' });
    expect((await cellAt('thrust')).result).toBe('hole');
    const closes = await hall.as('coach').get<Closes>('/api/kit/closes');
    expect(closes.lost.map((l) => l.level)).toEqual(['thrust']);
    // Another coach’s people are not theirs to see.
    expect((await hall.as('stand-in').get<Closes>('/api/kit/closes')).lost).toEqual([]);
  });
});

describe('what to buy', () => {
  const low = { id: randomUUID(), piece: bench(0.42), price: 90 };
  const high = { id: randomUUID(), piece: bench(0.7), price: 10 };
  it('is what fits those who need it, at the head coach’s own prices', async () => {
    const head = hall.as('head');
    for (const { id: wish, ...body } of [low, high]) await head.ok('PUT', `/api/kit/wishes/${wish}`, body);
    const found = await head.get<Purchases>('/api/kit/purchases');
    expect(found.wishes.map((w) => w.price)).toEqual([10, 90]);
    // The cheap one is too high for a level line: it opens nothing.
    const dear = found.curve.at(-1)!;
    expect(dear.purchase.bought).toEqual([low.id]);
    expect(dear.purchase.opens.flatMap((o) => o.people)).toContain(id);
    expect(found.curve[0]!.purchase).toMatchObject({ bought: [], weight: 0 });
    let before = -1;
    for (const { budget, purchase, optimal } of found.curve) {
      expect(optimal).toBe(true);
      expect(purchase.cost).toBeLessThanOrEqual(budget);
      expect(purchase.weight).toBeGreaterThanOrEqual(before);
      before = purchase.weight;
      // The answer of the server, solved and counted once more.
      const again = await solve(programOf(found.holes, found.wishes, budget), { timeS: 5 });
      expect(recount(found.holes, found.wishes, boughtIn(again.values!, found.wishes))).toEqual(purchase);
    }
  });

  it('is the head coach’s alone to see and to say', async () => {
    expect((await hall.as('coach').refused('GET', '/api/kit/purchases')).status).toBe(403);
    const one = { piece: low.piece, price: 5 };
    expect((await hall.as('coach').refused('PUT', `/api/kit/wishes/${low.id}`, one)).status).toBe(403);
    const free = await hall.as('head').refused('PUT', `/api/kit/wishes/${low.id}`, { ...one, price: 0 });
    expect(free.status).toBe(422);
    const boat = { piece: { ...low.piece, equipment: 'a-boat' }, price: 5 };
    expect((await hall.as('head').refused('PUT', `/api/kit/wishes/${low.id}`, boat)).status).toBe(422);
    await hall.as('head').ok('DELETE', `/api/kit/wishes/${high.id}`);
    expect((await hall.as('head').get<Purchases>('/api/kit/purchases')).wishes.map((w) => w.id)).toEqual([
      low.id,
    ]);
  });
});
