import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { caseSchema } from '../../contract/fault.ts';
import type { Tried } from '../../core/fault/index.ts';
import { outbox } from '../log/index.ts';
import { keepCase, newCase, openCaseOf } from './case-store.ts';

const run = vi.spyOn(outbox, 'run').mockResolvedValue();
beforeEach(() => run.mockClear());

const PERSON = '7d9f3c1e-4a55-4b8a-9a1e-0d6f6f5b8c11';
let n = 0;
/** A case of a variation that no other test has open. */
const begun = (personId: string | null = PERSON) =>
  newCase({
    personId,
    date: '2026-11-24',
    variation: `squat-${n++}`,
    variationRevision: 1,
    signs: [{ fault: 'wobbles', side: null }],
  });
const tried: Tried = { fault: 'wobbles', answer: 'Slower.', causes: null, outcome: 'same' };

describe('a case at the desk', () => {
  it('is not sent before it has told anything', () => {
    const kept = keepCase(begun());
    expect(run).not.toHaveBeenCalled();
    expect(openCaseOf(kept)).toEqual(kept);
  });

  it('goes out whole after every step, each the next edit', () => {
    const first = keepCase({ ...begun(), tried: [tried] });
    const second = keepCase({ ...first, tried: [tried, tried] });
    expect(run.mock.calls.map(([id, person, errand]) => [id, person, errand.path])).toEqual([
      [first.id, PERSON, `/api/fault-cases/${first.id}`],
      [first.id, PERSON, `/api/fault-cases/${first.id}`],
    ]);
    const bodies = run.mock.calls.map(([, , errand]) => errand.body as { edit: number; tried: unknown[] });
    expect(bodies.map((b) => [b.edit, b.tried.length])).toEqual([
      [1, 1],
      [2, 2],
    ]);
    expect(second.edit).toBe(2);
  });

  it('ends by being sent, and is open no more', () => {
    const c = begun();
    keepCase(c);
    keepCase({ ...c, end: 'better' });
    expect(openCaseOf(c)).toBeUndefined();
    expect(run).toHaveBeenCalledTimes(1);
  });

  it('of nobody is only remembered on this page', () => {
    const c = keepCase({ ...begun(null), tried: [tried] });
    expect(run).not.toHaveBeenCalled();
    expect(openCaseOf(c)?.tried).toHaveLength(1);
  });

  it('is found again by person, variation and day alone', () => {
    const c = keepCase(begun());
    expect(openCaseOf({ ...c, date: '2026-11-25' })).toBeUndefined();
    expect(openCaseOf({ ...c, personId: null })).toBeUndefined();
    expect(openCaseOf({ personId: c.personId, variation: c.variation, date: c.date })?.id).toBe(c.id);
  });

  it('is sent in the shape that the server takes', () => {
    keepCase({ ...begun(), tried: [tried], end: 'left' });
    expect(caseSchema.validate(run.mock.calls[0]![2].body).error).toBeUndefined();
  });
});
