import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { standingAfter } from '../../core/ladder/index.ts';
import type { SetRequest } from '../../contract/log.ts';
import { rebuildDerived, refreshStanding, schema } from '../db/index.ts';
import { placedPerson, setOf, testHall } from '../testing/hall.ts';
import type { TestHall } from '../testing/hall.ts';
import { setsOfSummary } from './summary.ts';
import { runs } from '../../core/testing/runs.ts';

let hall: TestHall;
beforeAll(async () => void (hall = await testHall()));
afterAll(() => hall.close());

const summaries = async (personId: string) =>
  (await hall.db.select().from(schema.setSummary).where(eq(schema.setSummary.personId, personId))).sort(
    (a, b) => (`${a.date}${a.variation}` < `${b.date}${b.variation}` ? -1 : 1),
  );

describe('summaries of sets', () => {
  it('are those made anew, whatever is put, corrected, moved to another day and deleted', async () => {
    const id = await placedPerson(hall);
    const coach = hall.as('coach');
    const sets = Array.from({ length: 6 }, () => randomUUID());
    const step = fc.record({
      set: fc.nat(5),
      remove: fc.constantFrom(false, false, false, true),
      date: fc.constantFrom('2026-11-20', '2026-11-22', '2026-11-24'),
      variation: fc.constantFrom('floor-lift', 'floor-hold'),
      ordinal: fc.integer({ min: 1, max: 4 }),
      warmUp: fc.boolean(),
      pain: fc.option(fc.constantFrom(0, 3)),
    });
    let edit = 1;
    await fc.assert(
      fc.asyncProperty(fc.array(step, { minLength: 1, maxLength: 8 }), async (steps) => {
        for (const { set, remove, ...change } of steps) {
          edit++;
          if (remove) await coach.ok('DELETE', `/api/sets/${sets[set]}`, { edit });
          else await coach.ok('PUT', `/api/sets/${sets[set]}`, setOf(id, { edit, ...change }));
        }
        const kept = await summaries(id);
        await rebuildDerived(hall.db);
        expect(kept).toEqual(await summaries(id));
      }),
      { numRuns: runs(10) },
    );
  });

  it('give back each set as it was sent, with what is not known', async () => {
    const id = await placedPerson(hall);
    const setId = randomUUID();
    const sent = setOf(id, {
      effort: null,
      pain: 0,
      faults: [{ fault: 'pelvis-drops', side: null, reps: 2 }],
      sensations: [{ region: 'back of hip', kind: 'work', side: 'left', leg: 'front' }],
      aids: [],
      settings: [{ name: 'step height', value: 0.25, side: null }],
    });
    await hall.as('coach').ok('PUT', `/api/sets/${setId}`, sent);
    const [row] = await summaries(id);
    const { personId: _p, edit: _e, ...same } = sent;
    expect(setsOfSummary(row!)).toEqual([{ ...same, id: setId, sessionId: row!.sessionId }]);
  });
});

describe('where somebody stands', () => {
  it('is what their moves in order have led to', async () => {
    const id = await placedPerson(hall);
    const kinds = ['placed', 'move up', 'step back', 'grow', 'hold'] as const;
    const aMove = fc.record({
      kind: fc.constantFrom(...kinds),
      toLevel: fc.constantFrom('lift', 'hold', 'band'),
      role: fc.option(fc.constantFrom('prepare' as const, 'work' as const)),
      to: fc.integer({ min: 8, max: 14 }),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(aMove, { minLength: 1, maxLength: 7 }), async (moves) => {
        await hall.db.delete(schema.move).where(eq(schema.move.personId, id));
        const rows = moves.map(({ kind, toLevel, role, to }, i) => ({
          id: randomUUID(),
          personId: id,
          ladder: 'bridge-ladder',
          date: `2026-11-0${i + 1}`,
          kind,
          toLevel,
          taken: kind === 'grow' ? { way: 'repetitions' as const, to } : null,
          role: kind === 'placed' ? role : null,
          reason: '',
          by: 'a coach',
          at: '2026-11-24T12:00:00Z',
          stateNumber: 1,
          revisions: {},
          setIds: [],
        }));
        for (const row of rows) await hall.db.insert(schema.move).values(row);
        await refreshStanding(hall.db, id, 'bridge-ladder');
        const [kept] = await hall.db.select().from(schema.standing).where(eq(schema.standing.personId, id));
        const read = kept!.moves.map((m) => ({ ...m, taken: m.taken ?? null }));
        expect(standingAfter(read)).toEqual(standingAfter(rows));
        expect(kept!.lastMoveId).toBe(rows.at(-1)!.id);
      }),
      { numRuns: runs(30) },
    );
  });
});

describe('two tablets', () => {
  interface Parcel {
    id: string;
    edit: number;
    set: SetRequest | null;
  }
  const deliver = async (parcels: readonly Parcel[]) => {
    for (const { id, edit, set } of parcels) {
      const send = hall.as('coach').send;
      const r = set
        ? await send('PUT', `/api/sets/${id}`, set)
        : await send('DELETE', `/api/sets/${id}`, { edit });
      // A correction that lost against another of the same number is told so; nothing else is refused.
      if (!r.ok) expect(r.status).toBe(409);
    }
  };
  const stateOf = async (personId: string) => {
    const rows = await hall.db
      .select({ set: schema.loggedSet, date: schema.session.date })
      .from(schema.loggedSet)
      .innerJoin(schema.session, eq(schema.session.id, schema.loggedSet.sessionId))
      .where(eq(schema.session.personId, personId));
    return rows
      .map(({ set: { id, edit, doneReps, ordinal, deletedAt }, date }) => ({
        id,
        date,
        // What a deleted set last said is of no account.
        ...(deletedAt === null ? { edit, doneReps, ordinal } : { gone: true }),
      }))
      .filter((s) => !('gone' in s))
      .sort((a, b) => (a.id < b.id ? -1 : 1));
  };

  it('that log the same person’s session end in one state, in whatever order their sets arrive', async () => {
    const ids = Array.from({ length: 4 }, (_, i) => `00000000-0000-4000-8000-00000000000${i}`);
    const parcel = fc.record({
      set: fc.nat(3),
      edit: fc.integer({ min: 1, max: 3 }),
      remove: fc.boolean(),
      doneReps: fc.integer({ min: 1, max: 15 }),
      date: fc.constantFrom('2026-11-23', '2026-11-24'),
    });
    const outbox = fc.array(parcel, { minLength: 1, maxLength: 5 });
    let run = 0;
    await fc.assert(
      fc.asyncProperty(outbox, outbox, fc.infiniteStream(fc.boolean()), async (a, b, coin) => {
        const prefix = (++run).toString(16).padStart(8, '0');
        const about = async (order: (x: Parcel[], y: Parcel[]) => Parcel[], salt: string) => {
          const person = await placedPerson(hall);
          const make = (list: typeof a): Parcel[] =>
            list.map(({ set, edit, remove, doneReps, date }) => ({
              id: `${prefix}${ids[set]!.slice(8, -12)}${salt}${ids[set]!.slice(-11)}`,
              edit: remove ? Math.max(2, edit) : edit,
              set: remove ? null : setOf(person, { edit, doneReps, date }),
            }));
          await deliver(order(make(a), make(b)));
          return (await stateOf(person)).map(({ id, ...rest }) => ({ ...rest, id: id.slice(-4) }));
        };
        const flips = [...coin.take(20)];
        const zipped = (x: Parcel[], y: Parcel[]) => {
          const out: Parcel[] = [];
          const [p, q] = [[...x], [...y]];
          while (p.length || q.length) out.push(((flips.pop() && p.length) || !q.length ? p : q).shift()!);
          return out;
        };
        const first = await about((x, y) => [...x, ...y], '1');
        expect(await about((x, y) => [...y, ...x], '2')).toEqual(first);
        expect(await about(zipped, '3')).toEqual(first);
      }),
      { numRuns: runs(12) },
    );
  }, 60_000);

  it('keep what a correction replaced', async () => {
    const person = await placedPerson(hall);
    const id = randomUUID();
    const coach = hall.as('coach');
    await coach.ok('PUT', `/api/sets/${id}`, setOf(person, { doneReps: 9 }));
    await coach.ok('PUT', `/api/sets/${id}`, setOf(person, { doneReps: 11, edit: 2 }));
    const versions = await hall.db.select().from(schema.setVersion).where(eq(schema.setVersion.setId, id));
    expect(versions).toMatchObject([{ edit: 1, body: { doneReps: 9 }, loggedBy: 'coach' }]);
  });
});
