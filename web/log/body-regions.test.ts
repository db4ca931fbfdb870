import { describe, expect, it } from 'vitest';
import { REGIONS } from '../../core/terms/index.ts';
import { FIGURE_HEIGHT, FIGURE_WIDTH, OUTLINE, PLACES } from './body-regions.ts';

const numbers = (path: string) => (path.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);
/** Corners of a straight outline. */
const box = (path: string) => {
  const n = numbers(path);
  const xs = n.filter((_, i) => i % 2 === 0);
  const ys = n.filter((_, i) => i % 2 === 1);
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
};

describe('the places of the body', () => {
  it('are every region that can be felt, once, or once a side', () => {
    for (const region of REGIONS) {
      const places = PLACES.filter((p) => p.region === region);
      expect(places.map((p) => p.side).sort(), region).toEqual(
        places.length === 1 ? [null] : ['left', 'right'],
      );
    }
  });
  it('lie on the drawing, mirrored: left is on the right from the front, on the left from behind', () => {
    for (const p of PLACES) {
      const b = box(p.reach);
      expect(b.left).toBeGreaterThanOrEqual(0);
      expect(b.right).toBeLessThanOrEqual(FIGURE_WIDTH);
      expect(b.bottom).toBeLessThanOrEqual(FIGURE_HEIGHT);
      if (p.side) expect(p.middle[0] > 100).toBe((p.view === 'front') === (p.side === 'left'));
    }
  });
  it('never lie over each other, where they are drawn and where a finger finds them', () => {
    for (const part of ['path', 'reach'] as const)
      for (const a of PLACES)
        for (const b of PLACES) {
          if (a === b || a.view !== b.view) continue;
          const [p, q] = [box(a[part]), box(b[part])];
          const over =
            Math.min(p.right, q.right) - Math.max(p.left, q.left) > 0 &&
            Math.min(p.bottom, q.bottom) - Math.max(p.top, q.top) > 0;
          expect(over, `${a.region} ${a.side} over ${b.region} ${b.side}`).toBe(false);
        }
  });
  it('stand within an outline that is the same on both sides', () => {
    const n = numbers(OUTLINE.slice(OUTLINE.lastIndexOf('M')));
    const xs = n.filter((_, i) => i % 2 === 0);
    expect(Math.max(...xs) - 100).toBeCloseTo(100 - Math.min(...xs), 6);
  });
});
