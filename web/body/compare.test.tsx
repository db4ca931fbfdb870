import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { REFERENCE_BUILD } from '../../core/body/index.ts';
import type { SettledMechanics } from '../../core/posture/index.ts';
import { bridge, lunge, squat } from '../../core/testing/repertoire.ts';
import { CompareTable, SumBars } from './compare.tsx';
import { solveSide } from './side.tsx';

const UNITS = { mass: 'kg', length: 'cm' } as const;
const side = (mechanics: SettledMechanics, at = 1) =>
  solveSide(REFERENCE_BUILD, { slug: null, name: 'X', pattern: 'squat', mechanics, changed: false }, at);
/** Rows of the table as texts, header first. */
const rowsOf = (markup: string) =>
  [...markup.matchAll(/<tr[^>]*>(.*?)<\/tr>/g)].map((r) =>
    [...r[1]!.matchAll(/<t[hd][^>]*>(.*?)<\/t[hd]>/g)].map((c) =>
      c[1]!
        .replace(/<[^>]+>(?=–)|(?<=–)<[^>]+>/g, '')
        .replace(/<[^>]+>/g, '|')
        .replace(/\s+/g, ' '),
    ),
  );
const table = (a: SettledMechanics, b: SettledMechanics | null) =>
  new Map(
    rowsOf(renderToStaticMarkup(<CompareTable a={side(a)} b={b && side(b)} units={UNITS} />)).map(
      ([name, ...cells]) => [name, cells],
    ),
  );

const load = {
  loadPlace: 'across the shoulders, high',
  referenceLoad: { fractionOfBodyMass: 0.8, per: 'total' },
} as const;

describe('the table of two set-ups', () => {
  it('shows the values of this position per leg and their difference', () => {
    // Check values of both postures: knee 236.5 and 184, hip 265.5 and 318, low back 198.7 and 240, in all.
    const rows = table(squat(load), squat({ ...load, kneePastToeM: 0 }));
    expect(rows.get('Knee, per leg')).toEqual(['118 N·m', '92 N·m', '−26']);
    expect(rows.get('Hip, per leg')).toEqual(['133 N·m', '159 N·m', '+26']);
    expect(rows.get('Low back (L5/S1)')).toEqual(['199 N·m', '240 N·m', '+41']);
    expect(rows.get('Knee past toe')!.slice(1)).toEqual(['0 cm', expect.stringMatching(/^−/) as string]);
  });
  it('shows no moments of a posture that falls', () => {
    const rows = table(squat({ shinLimitDeg: 0 }), null);
    expect(rows.has('Hip, per leg')).toBe(false);
    expect(rows.has('Trunk')).toBe(true);
    expect(table(squat(), squat({ shinLimitDeg: 0 })).get('Hip, per leg')).toEqual(['63 N·m', '–', '']);
  });
  it('names the leg and gives the band where statics leaves a force open', () => {
    const rows = table(lunge({ trunkDeg: 20 }), null);
    expect(rows.get('Knee, per leg')![0]).toMatch(/^111 N·m\|rear leg, \d+ to \d+\|$/);
    expect(rows.get('Weight on the front foot')![0]).toContain('58 %');
    expect(table(squat(), null).get('Hip, per leg')).toEqual(['63 N·m']);
  });
  it('makes no difference of a trunk from upright and one above level', () => {
    const rows = table(squat(), bridge({ bench: 'fitted' }));
    expect(rows.get('Trunk')![2]).toBe('');
    expect(rows.get('Hip, per leg')![2]).not.toBe('');
    expect(rows.get('Shin')![1]).toBe('–');
  });
});

describe('knee and hip as one bar', () => {
  const bars = (...list: SettledMechanics[]) =>
    renderToStaticMarkup(
      <SumBars sides={list.map((m, i) => [i === 0 ? 'A' : 'B', side(m)] as const)} massUnit="kg" />,
    );
  it('has one length for one depth and load, and its line moves', () => {
    const markup = bars(squat(load), squat({ ...load, kneePastToeM: 0 }));
    const labels = [...markup.matchAll(/aria-label="([AB]: [^"]+)"/g)].map((m) => m[1]);
    expect(labels).toEqual(['A: knee 118 and hip 133 N·m of 251', 'B: knee 92 and hip 159 N·m of 251']);
    expect([...markup.matchAll(/style="width:100%"/g)]).toHaveLength(2);
  });
  it('is not drawn where the sum is not fixed: one leg, other movements, a posture that falls', () => {
    expect(bars(squat({ legs: 1 }), bridge())).toBe('');
    expect(bars(squat({ shinLimitDeg: 0 }))).toBe('');
  });
  it('says where a support takes part of it', () => {
    expect(bars(squat({ pull: 'strap' }))).toContain('less what the support carries');
  });
});
