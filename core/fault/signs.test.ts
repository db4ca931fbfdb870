import { describe, expect, it } from 'vitest';
import { deskFault } from '../testing/faults.ts';
import { mayBeOneSided, missingFelt, readFelt, sensesOf, signsFor, viewsOf } from './signs.ts';

const knee = deskFault('knee', [], { views: ['front'], phase: 'rising' });
const drop = deskFault('drop', [], { views: ['side', 'ear'], phase: 'bottom' });
const cramp = deskFault('cramp', [], {
  views: ['ask'],
  felt: [{ region: 'back of thigh, low', kind: 'work' }],
});
const ahead = deskFault('ahead', [], { felt: [{ region: 'front of knee', kind: 'pressure' }] });
const all = [knee, drop, cramp, ahead];

describe('signs', () => {
  it('are seen, felt or heard, some of them more than one', () => {
    expect(all.map(sensesOf)).toEqual([['seen'], ['seen', 'heard'], ['felt'], ['seen', 'felt']]);
    expect(viewsOf(drop, 'seen')).toEqual(['side']);
    expect(viewsOf(drop, 'heard')).toEqual(['ear']);
  });

  it('are asked for their side where one leg works or they are seen across the body', () => {
    expect([knee, drop].map((f) => mayBeOneSided(f, 'two legs'))).toEqual([true, false]);
    expect(mayBeOneSided(drop, 'split')).toBe(true);
  });

  it('are narrowed by view and phase', () => {
    const slugs = (by: Parameters<typeof signsFor>[1]) => signsFor(all, by).map((f) => f.slug);
    expect(slugs({ sense: 'seen', view: null, phase: null })).toEqual(['knee', 'drop', 'ahead']);
    expect(slugs({ sense: 'seen', view: 'side', phase: 'bottom' })).toEqual(['drop']);
    expect(slugs({ sense: 'heard', view: null, phase: 'rising' })).toEqual([]);
  });

  it('from a sensation: what the sheet says of it, and the faults it goes with', () => {
    const v = {
      faults: all,
      wanted: [{ region: 'back of hip', kind: 'work' } as const],
      tolerated: [{ region: 'calf', kind: 'work' } as const],
      unwanted: [{ region: 'front of knee', kind: 'pressure', suggests: 'Sit back.' } as const],
    };
    expect(readFelt(v, { region: 'front of knee', kind: 'pressure' })).toEqual({
      faults: ['ahead'],
      standing: 'unwanted',
      suggests: 'Sit back.',
    });
    expect(readFelt(v, { region: 'back of hip', kind: 'work' }).standing).toBe('wanted');
    expect(readFelt(v, { region: 'calf', kind: 'work' }).standing).toBe('tolerated');
    expect(readFelt(v, { region: 'back of thigh, low', kind: 'work' })).toEqual({
      faults: ['cramp'],
      standing: 'not mentioned',
      suggests: null,
    });
    expect(missingFelt(v.wanted, [])).toEqual(v.wanted);
    expect(missingFelt(v.wanted, [{ region: 'back of hip', kind: 'work' }])).toEqual([]);
  });
});
