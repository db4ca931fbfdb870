import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { piece } from '../testing/kit.ts';
import { bandCurve, pullAt, pullWithinKg, rankBands } from './bands.ts';
import type { BandReading, Piece } from '../terms/index.ts';

const readings = (...pairs: [stretchM: number, pullKg: number][]): BandReading[] =>
  pairs.map(([stretchM, pullKg]) => ({ stretchM, pullKg }));
const BAND = readings([0.2, 4.1], [0.4, 6.6], [0.6, 8.9], [0.8, 11.8]);
const kgAt = (of: BandReading[], m: number) => {
  const p = pullAt(bandCurve(of), m);
  return p.known ? p.kg : null;
};

describe('the pull of a band', () => {
  // SciPy 1.17.1, scipy.interpolate.PchipInterpolator on the same five points.
  it.each([
    [0.1, 2.2742],
    [0.3, 5.4388],
    [0.5, 7.7288],
    [0.7, 10.2707],
  ])('between the readings, at %s m', (m, kg) => {
    expect(kgAt(BAND, m)).toBeCloseTo(kg, 4);
  });
  it('is each reading where it was read, and nothing at rest', () => {
    for (const r of BAND) expect(kgAt(BAND, r.stretchM)).toBeCloseTo(r.pullKg, 12);
    expect(kgAt(BAND, 0)).toBe(0);
  });
  it('goes straight on for a fifth beyond the last reading, and is not known farther out', () => {
    expect(bandCurve(BAND).slopes.at(-1)).toBeCloseTo(16.0, 9);
    expect(kgAt(BAND, 0.9)).toBeCloseTo(11.8 + 16 * 0.1, 9);
    expect(kgAt(BAND, 0.97)).toBeNull();
  });
  it('refuses readings that cannot be one band’s', () => {
    expect(() => bandCurve(readings([0.2, 4], [0.4, 3], [0.6, 5]))).toThrow('falls');
    expect(() => bandCurve(readings([0.2, 4], [0.4, 6]))).toThrow('Three readings');
    expect(() => bandCurve(readings([0.2, 4], [0.2, 5], [0.6, 8]))).toThrow('Two readings');
    expect(() => bandCurve(readings([0, 0], [0.2, 5], [0.6, 8]))).toThrow('needs a stretch');
    // A swing of the scale is no fall.
    expect(() => bandCurve(readings([0.2, 4], [0.4, 3.95], [0.6, 5]))).not.toThrow();
  });
  it('never falls as the band is stretched, for any readings', () => {
    const step = fc.record({
      m: fc.double({ min: 0.05, max: 0.4, noNaN: true }),
      kg: fc.double({ min: 0, max: 8, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(step, { minLength: 3, maxLength: 6 }), (steps) => {
        let [m, kg] = [0, 0];
        const of = steps.map((s) => ({ stretchM: (m += s.m), pullKg: (kg += s.kg) }));
        const curve = bandCurve(of);
        let before = 0;
        for (let i = 1; i <= 50; i++) {
          const p = pullAt(curve, (m * i) / 50);
          if (!p.known) throw new Error('inside the readings');
          expect(p.kg).toBeGreaterThanOrEqual(before - 1e-9);
          before = p.kg;
        }
      }),
    );
  });
});

it('is known less well beyond the readings', () => {
  const curve = bandCurve(BAND);
  const last = curve.knots.at(-1)!;
  expect(pullWithinKg(curve, 0)).toBe(0);
  expect(pullWithinKg(curve, last.stretchM / 2)).toBeCloseTo(0.015 * last.pullKg, 9);
  expect(pullWithinKg(curve, 1.1 * last.stretchM)).toBeGreaterThan(pullWithinKg(curve, last.stretchM));
  expect(pullWithinKg(curve, 1.2 * last.stretchM)).toBeCloseTo(0.07 * last.pullKg, 9);
});

describe('the bands of a hall', () => {
  const band = (name: string, of: BandReading[], more: Partial<Piece> = {}) =>
    piece('long-band', {
      id: name,
      name,
      form: 'band',
      sizes: { restM: 1 },
      readings: of,
      readOn: '2026-11-01',
      ...more,
    });
  const TODAY = '2026-12-01';
  // Stiff at first and then soft, against the other way round.
  const early = band('red', readings([0.2, 5], [0.4, 7], [0.8, 9]));
  const late = band('grey', readings([0.2, 2], [0.4, 5], [0.8, 14]));
  it('are ranked by their pull where they are used, and cross over', () => {
    expect(rankBands([early, late], 1.2, TODAY).ranked.map((b) => b.id)).toEqual(['grey', 'red']);
    const far = rankBands([early, late], 1.8, TODAY);
    expect(far.ranked.map((b) => b.id)).toEqual(['red', 'grey']);
    expect(far.crossed).toEqual([{ lighter: 'red', heavier: 'grey' }]);
    expect(rankBands([early, late], 1.2, TODAY).crossed).toEqual([]);
  });
  it('pull as far as they are stretched beyond their own rest length', () => {
    const short = { ...early, id: 'short', name: 'short', sizes: { restM: 0.8 } };
    expect(rankBands([early, short], 1.4, TODAY).ranked).toMatchObject([{ id: 'red' }, { id: 'short' }]);
    const [a, b] = rankBands([early, short], 1.4, TODAY).ranked;
    expect(b!.kg).toBeGreaterThan(a!.kg);
  });
  it('are left out, with why', () => {
    const old = band('old', BAND, { readOn: '2026-04-01' });
    const torn = band('torn', BAND, { condition: 'out' });
    const short = band('short', readings([0.1, 2], [0.2, 4], [0.3, 6]));
    const unread = band('unread', []);
    const slack = band('slack', BAND, { sizes: { restM: 2 } });
    expect(rankBands([old, torn, short, early, unread, slack], 1.6, TODAY)).toMatchObject({
      ranked: [{ id: 'red' }],
      left: [
        { id: 'old', why: 'read too long ago' },
        { id: 'torn', why: 'out of use' },
        { id: 'short', why: 'beyond the readings' },
        { id: 'unread', why: 'never read' },
        { id: 'slack', why: 'not stretched' },
      ],
    });
  });
});
