import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { setSchema } from '../../contract/log.ts';
import type { Variation } from '../../core/library/index.ts';
import { set, variation } from '../../core/testing/samples.ts';
import { correctSet, dropSet, keepSet } from './keep-set.ts';
import { inForm, observedOf } from './observed.ts';
import type { ShownSet } from './merge.ts';
import { outbox } from './outbox-store.ts';

const put = vi.spyOn(outbox, 'put').mockResolvedValue();
beforeEach(() => put.mockClear());
const parcel = () => put.mock.calls.at(-1)![0];

const PERSON = '7d9f3c1e-4a55-4b8a-9a1e-0d6f6f5b8c11';
const shown = (change: Partial<ShownSet> = {}): ShownSet => ({
  ...set('2026-11-24', { variation: 'squat' }),
  edit: 3,
  loggedBy: 'Jo',
  own: false,
  unsent: false,
  ...change,
});
const about = (change: Partial<Variation> = {}, target: { reps?: number } | null = { reps: 12 }) => {
  return {
    personId: PERSON,
    date: '2026-11-24',
    ordinal: 2,
    source: variation('squat', change),
    revision: 4,
    target: target as never,
  };
};

describe('keeping a set', () => {
  it('sends what was seen with what it was, in the shape that the server takes', () => {
    const id = keepSet(about({ loadKind: 'dumbbell' }), observedOf(shown({ doneReps: 9, pain: 2 })));
    expect(parcel()).toMatchObject({ id, personId: PERSON, edit: 1 });
    expect(parcel().set).toMatchObject({
      ordinal: 2,
      variation: 'squat',
      variationRevision: 4,
      plannedReps: 12,
      doneReps: 9,
      pain: 2,
      loadKind: 'dumbbell',
      role: 'work',
    });
    expect(setSchema.validate(parcel().set).error).toBeUndefined();
  });

  it('plans repetitions only of what is counted in them, and a warm-up set prepares', () => {
    keepSet(about({ countedIn: 'seconds held' }), observedOf(shown({ warmUp: true })));
    expect(parcel().set).toMatchObject({ plannedReps: null, role: 'prepare' });
    keepSet(about({}, null), observedOf(shown()));
    expect(parcel().set).toMatchObject({ plannedReps: null });
    keepSet(about(), { ...observedOf(shown()), ...inForm('rounds', 3) });
    expect(parcel().set).toMatchObject({ plannedReps: null, doneReps: null, holdS: null, rounds: 3 });
  });

  it('gives each set an id of its own', () => {
    expect(keepSet(about(), observedOf(shown()))).not.toBe(keepSet(about(), observedOf(shown())));
  });
});

describe('correcting', () => {
  it('changes what is given, goes out as the next edit, and sends nothing that only the list shows', () => {
    const before = shown({ doneReps: 10, effort: 7 });
    correctSet(before, PERSON, { doneReps: 8 });
    const { set: sent } = parcel();
    expect(sent).toMatchObject({ personId: PERSON, edit: 4, doneReps: 8, effort: 7 });
    expect(setSchema.validate(sent).error).toBeUndefined();
  });

  it('takes a set back as the next edit of it', () => {
    dropSet({ id: 'x', edit: 3 }, PERSON);
    expect(parcel()).toEqual({ id: 'x', personId: PERSON, set: null, edit: 4 });
  });
});
