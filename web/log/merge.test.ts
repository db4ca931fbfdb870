import { describe, expect, it } from 'vitest';
import type { SetRequest, StoredSet } from '../../contract/log.ts';
import { set } from '../../core/testing/samples.ts';
import { mergedSets } from './merge.ts';
import type { Parcel } from './outbox-store.ts';

const WHO = 'person-1';
const stored = (id: string, edit = 1, change: Partial<StoredSet> = {}): StoredSet => ({
  ...set('2026-11-24', { id, ...change }),
  edit,
  own: false,
  loggedBy: 'a coach',
});
function parcel(
  id: string,
  edit: number,
  state: Parcel['state'],
  change: Partial<StoredSet> | null = {},
): Parcel {
  const { id: _id, sessionId: _session, loggedBy: _by, ...fields } = stored(id, edit, change ?? {});
  const request: SetRequest = { ...fields, personId: WHO };
  return {
    id,
    personId: WHO,
    edit,
    state,
    receivedAt: null,
    error: null,
    set: change === null ? null : request,
  };
}

describe('what the floor shows while things are on their way', () => {
  it('adds sets that only this tablet has, in their place, and says so', () => {
    const shown = mergedSets(
      [stored('a', 1, { ordinal: 2 })],
      [parcel('b', 1, 'waiting', { ordinal: 1 })],
      WHO,
    );
    expect(shown.map((s) => [s.id, s.unsent])).toEqual([
      ['b', true],
      ['a', false],
    ]);
  });
  it('lays a waiting correction over the stored set, and hides a waiting deletion', () => {
    const shown = mergedSets(
      [stored('a'), stored('b')],
      [parcel('a', 2, 'waiting', { doneReps: 3 }), parcel('b', 2, 'waiting', null)],
      WHO,
    );
    expect(shown).toMatchObject([{ id: 'a', doneReps: 3, unsent: true }]);
  });
  it('prefers the server once it has the edit, or a newer one', () => {
    const shown = mergedSets(
      [stored('a', 3, { doneReps: 8 })],
      [parcel('a', 2, 'sent', { doneReps: 3 })],
      WHO,
    );
    expect(shown).toMatchObject([{ doneReps: 8, unsent: false }]);
  });
  it('keeps showing what was sent until the next reading brings it', () => {
    expect(mergedSets([], [parcel('a', 1, 'sent')], WHO)).toMatchObject([{ id: 'a', unsent: false }]);
  });
  it('shows nobody else’s', () => {
    expect(mergedSets([], [{ ...parcel('a', 1, 'waiting'), personId: 'other' }], WHO)).toEqual([]);
  });
});
