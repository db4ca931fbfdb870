import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { REFERENCE_BUILD } from '../body/index.ts';
import { resolve, shelfOf } from '../library/index.ts';
import type { Body, FaultShows } from '../library/index.ts';
import type { SettledMechanics, Figure, Point } from '../posture/index.ts';
import { figureAt, isComputed, rangeOf } from '../posture/index.ts';
import { faultFigure } from './picture.ts';

const documents = (
  JSON.parse(readFileSync(new URL('../../server/library/shipped.json', import.meta.url), 'utf8')) as {
    documents: Body[];
  }
).documents;
const shelf = shelfOf(documents);
const mechanicsOf = (slug: string) => resolve(shelf.get('variation', slug)!, shelf).mechanics;
const rangeFor = (m: SettledMechanics) => (isComputed(m) ? rangeOf(REFERENCE_BUILD, m) : null);
const drawn = (slug: string, shows: FaultShows): Figure => {
  const m = mechanicsOf(slug);
  return faultFigure(REFERENCE_BUILD, m, rangeFor(m), shows)!;
};
const sound = (slug: string, at: number) => {
  const m = mechanicsOf(slug);
  return figureAt(REFERENCE_BUILD, m, rangeFor(m), at);
};
const far = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y);
const lengthsOf = (f: Figure) => [
  far(f.near.hip, f.near.knee),
  far(f.near.knee, f.near.ankle),
  far(f.near.heel, f.near.toe),
  far(f.nearArm.shoulder, f.nearArm.elbow),
];

describe('the picture of a fault', () => {
  it('lifts the heels about toes that stay, and carries the knees forward', () => {
    const f = drawn('plain-squat', { view: 'side', at: 1, heelsDeg: 15, shinDeg: 6 });
    const s = sound('plain-squat', 1);
    expect(f.near.toe).toEqual(s.near.toe);
    expect(f.near.heel.y).toBeGreaterThan(0.04);
    expect(f.near.knee.x).toBeGreaterThan(s.near.knee.x + 0.03);
    lengthsOf(f).forEach((l, i) => expect(l).toBeCloseTo(lengthsOf(s)[i]!, 6));
  });

  it('bends a rounding back outwards and an arching one inwards, the hips staying', () => {
    const round = drawn('stick-hinge', { view: 'side', at: 1, spineDeg: 60 });
    const arch = drawn('stick-hinge', { view: 'side', at: 1, spineDeg: -60 });
    const line = (f: Figure) => {
      const d = { x: f.shoulder.x - f.hip.x, y: f.shoulder.y - f.hip.y };
      return (d.x * (f.spine!.y - f.hip.y) - d.y * (f.spine!.x - f.hip.x)) / Math.hypot(d.x, d.y);
    };
    // Leaning forward the back is up and behind: to the left of the line from hip to shoulder.
    expect(line(round)).toBeGreaterThan(0.03);
    expect(line(arch)).toBeLessThan(-0.03);
    expect(round.hip).toEqual(sound('stick-hinge', 1).hip);
    // A straight stick fits no bent back.
    expect(round.props.some((p) => p.kind === 'stick')).toBe(false);
  });

  it('raises the belly of an arched bridge while shoulders and feet stay', () => {
    const f = drawn('floor-lift', { view: 'side', at: 1, spineDeg: -60, trunkDeg: 5 });
    const s = sound('floor-lift', 1);
    expect(f.shoulder).toEqual(s.shoulder);
    expect(f.near.ankle).toEqual(s.near.ankle);
    expect(f.hip.y).toBeGreaterThan(s.hip.y);
    expect(f.spine!.y).toBeGreaterThan((f.hip.y + f.shoulder.y) / 2 + 0.03);
  });

  it('from the front: knees inside or outside the feet, on one leg or both, belt level or tipped', () => {
    const inward = drawn('plain-squat', { view: 'front', at: 1, kneesInDeg: 15 });
    const outward = drawn('plain-squat', { view: 'front', at: 1, kneesInDeg: -15 });
    const one = drawn('plain-squat', { view: 'front', at: 1, kneesInDeg: 15, oneLeg: true });
    const gap = (f: Figure) => f.far.knee.x - f.near.knee.x;
    const feet = (f: Figure) => f.far.ankle.x - f.near.ankle.x;
    expect(gap(inward)).toBeLessThan(feet(inward) - 0.1);
    expect(gap(outward)).toBeGreaterThan(feet(outward) + 0.1);
    expect(gap(one)).toBeGreaterThan(gap(inward) + 0.05);
    const tipped = drawn('one-leg-romanian', { view: 'front', at: 0.7, pelvisDeg: 15 });
    expect(tipped.near.hip.y - tipped.far.hip.y).toBeGreaterThan(0.02);
    const level = drawn('one-leg-romanian', { view: 'front', at: 0.7 });
    expect(level.near.hip.y).toBeCloseTo(level.far.hip.y, 9);
  });

  it('is not drawn where the variation itself is drawn from the front', () => {
    const m = mechanicsOf('side-lunge');
    expect(faultFigure(REFERENCE_BUILD, m, rangeFor(m), { view: 'side', at: 1, trunkDeg: 20 })).toBeNull();
  });

  it('of every fault in the library differs visibly from the sound posture, on every variation that has it', () => {
    const same: string[] = [];
    let pictures = 0;
    for (const v of shelf.all('variation')) {
      const m = mechanicsOf(v.slug);
      const range = rangeFor(m);
      for (const { fault } of v.faults) {
        const shows = shelf.get('fault', fault)!.shows;
        if (!shows) continue;
        const f = faultFigure(REFERENCE_BUILD, m, range, shows);
        if (!f) continue;
        pictures++;
        // A fault of range alone is compared with the working position.
        const bare =
          Object.keys(shows).length === 2 ||
          Object.values(shows).filter((x) => typeof x === 'number' && x !== 0).length <= 2;
        const at = bare ? 1 : shows.at;
        const s =
          shows.view === 'front'
            ? faultFigure(REFERENCE_BUILD, m, range, { view: 'front', at })!
            : figureAt(REFERENCE_BUILD, m, range, at);
        const points = (x: Figure) => [
          x.hip,
          x.near.hip,
          x.shoulder,
          x.head,
          x.near.knee,
          x.near.heel,
          x.far.knee,
          x.nearArm.hand,
          x.spine ?? { x: (x.hip.x + x.shoulder.x) / 2, y: (x.hip.y + x.shoulder.y) / 2 },
          x.load?.at ?? x.hip,
        ];
        const moved = Math.max(...points(f).map((p, i) => far(p, points(s)[i]!)));
        if (!(moved > 0.02) || !points(f).every((p) => Number.isFinite(p.x + p.y)))
          same.push(`${fault} on ${v.slug}: ${moved}`);
      }
    }
    expect(same).toEqual([]);
    expect(pictures).toBeGreaterThan(250);
  });
});
