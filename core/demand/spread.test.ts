import { describe, expect, it } from 'vitest';
import { buildOf } from '../body/index.ts';
import { bridge, REPERTOIRE, squat } from '../testing/repertoire.ts';
import { demandOf } from './variation.ts';
import { spreadOver } from './spread.ts';

const people = [1.55, 1.7, 1.85].map((statureM, i) =>
  buildOf({
    statureM,
    massKg: 60 + 10 * i,
    measured: { thigh: (0.235 + 0.01 * i) * statureM },
    ankleLimitDeg: 40 - 12 * i,
  }),
);

describe('the spread over many builds', () => {
  it('holds the least and most that single builds give, and counts who cannot', () => {
    const mechanics = squat({ thighDeg: 90 });
    const [spread] = [...spreadOver({ variations: [{ id: 'squat', mechanics }], builds: people })];
    const single = people.map((b) => demandOf(b, mechanics));
    const points = single.flatMap((d) => (d.kind === 'measured' && d.feasible ? [d.points] : []));
    expect(spread).toEqual({
      id: 'squat',
      low: Math.min(...points),
      high: Math.max(...points),
      cannot: single.length - points.length,
      builds: 3,
    });
    expect(spread!.cannot).toBeGreaterThan(0);
  });
  it('comes variation by variation, so that it can be stopped between them', () => {
    const job = spreadOver({
      variations: [
        { id: 'a', mechanics: squat() },
        { id: 'b', mechanics: bridge() },
      ],
      builds: people,
    });
    expect(job.next()).toMatchObject({ done: false, value: { id: 'a' } });
    expect(job.next()).toMatchObject({ done: false, value: { id: 'b' } });
    expect(job.next().done).toBe(true);
  });
  it('has nobody to count for what is only drawn, and no points where nobody can', () => {
    const drawn = REPERTOIRE.find((m) => m.mechanics.type === 'drawn')!.mechanics;
    const impossible = squat({ legs: 1, stepUpM: 0.95 });
    const all = [
      ...spreadOver({
        variations: [
          { id: 'drawn', mechanics: drawn },
          { id: 'impossible', mechanics: impossible },
        ],
        builds: people,
      }),
    ];
    expect(all).toEqual([
      { id: 'drawn', low: 0, high: 0, cannot: 0, builds: 0 },
      { id: 'impossible', low: 0, high: 0, cannot: 3, builds: 3 },
    ]);
  });
});
