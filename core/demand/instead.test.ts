import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { REFERENCE_BUILD, buildOf } from '../body/index.ts';
import type { LibraryFile } from '../exchange/index.ts';
import { resolveMechanics, shelfOf } from '../library/index.ts';
import type { Variation } from '../library/index.ts';
import { demandOf } from './variation.ts';
import { INSTEAD_GROUPS, insteadOf } from './instead.ts';
import { TIE_POINTS } from './order.ts';
import type { InsteadGroup, InsteadOptions } from './instead.ts';
import type { Measured } from './variation.ts';

const file = JSON.parse(
  readFileSync(new URL('../../server/library/shipped.json', import.meta.url), 'utf8'),
) as LibraryFile;
const shelf = shelfOf(file.documents);
const v = (slug: string) => shelf.get('variation', slug)!;
const ask = (slug: string, o: Partial<InsteadOptions> = {}) =>
  insteadOf(v(slug), shelf, { build: REFERENCE_BUILD, ...o });
const group = (slug: string, name: InsteadGroup, o: Partial<InsteadOptions> = {}) =>
  ask(slug, o).groups.find((g) => g.group === name)!.entries;
const demand = (x: Variation) => demandOf(REFERENCE_BUILD, resolveMechanics(x, shelf)) as Measured;

describe('what can be given instead', () => {
  it('is of the same pattern, never the asked one but with other kit, and every entry has reasons', () => {
    for (const x of shelf.all('variation')) {
      const { groups } = ask(x.slug);
      expect(groups.map((g) => g.group)).toEqual([...INSTEAD_GROUPS]);
      for (const { entries } of groups) {
        for (const e of entries) {
          expect(v(e.slug).pattern).toBe(x.pattern);
          expect(e.slug).not.toBe(x.slug);
          expect(e.reasons.length).toBeGreaterThan(0);
        }
      }
    }
  });

  it('is easier, equal or harder by the computed points, nearest first', () => {
    for (const slug of ['back-squat', 'goblet-squat', 'split-squat', 'bench-thrust']) {
      for (const e of group(slug, 'easier')) expect(e.points).toBeLessThanOrEqual(-TIE_POINTS);
      for (const e of group(slug, 'equal')) expect(Math.abs(e.points!)).toBeLessThan(TIE_POINTS);
      for (const e of group(slug, 'harder')) expect(e.points).toBeGreaterThanOrEqual(TIE_POINTS);
      const far = group(slug, 'easier').map((e) => Math.abs(e.points!));
      expect(far).toEqual([...far].sort((a, b) => a - b));
    }
  });

  it('needs nothing that is taken: the rack is taken, what now', () => {
    const taken = v('back-squat').equipmentAll.map((n) => n.equipment);
    expect(taken.length).toBeGreaterThan(0);
    const entries = group('back-squat', 'without the equipment', { without: taken });
    expect(entries.length).toBeGreaterThan(0);
    for (const e of entries) {
      const needed = v(e.slug).equipmentAll.map((n) => n.equipment);
      const replaced = e.reasons.filter((r) => r.startsWith('with '));
      for (const t of needed.filter((n) => taken.includes(n))) {
        expect(replaced.join()).toContain(shelf.get('equipment', t)!.name.toLowerCase());
      }
    }
    expect(group('back-squat', 'without the equipment')).toEqual([]);
  });

  it('offers the same with an equal piece first', () => {
    const bar = shelf.get('equipment', v('back-squat').equipmentAll[0]!.equipment)!;
    const other = { ...bar, slug: 'other-bar', name: 'Other bar', equals: [bar.slug] };
    const more = shelfOf([...file.documents, other]);
    const [first] = insteadOf(v('back-squat'), more, {
      build: REFERENCE_BUILD,
      without: [bar.slug],
    }).groups.find((g) => g.group === 'without the equipment')!.entries;
    expect(first).toMatchObject({
      slug: 'back-squat',
      points: 0,
      reasons: [`the same, with other bar for ${bar.name.toLowerCase()}`],
    });
  });

  it('is kinder to the knee or the back by the computed part, and works the same place', () => {
    const knee = group('goblet-squat', 'kinder to the knee');
    for (const e of knee) {
      expect(demand(v(e.slug)).knee).toBeLessThanOrEqual(demand(v('goblet-squat')).knee - 4);
      expect(e.reasons.join()).toMatch(/knee −\d+ points/);
    }
    const back = group('back-squat', 'kinder to the back');
    expect(back.length).toBeGreaterThan(0);
    for (const e of back) expect(demand(v(e.slug)).back).toBeLessThan(demand(v('back-squat')).back);
  });

  it('can be done at home only where every piece has a substitute, which is named', () => {
    const entries = group('bench-thrust', 'at home');
    expect(entries.length).toBeGreaterThan(0);
    for (const e of entries) {
      for (const n of v(e.slug).equipmentAll) {
        const piece = shelf.get('equipment', n.equipment)!;
        expect(piece.homeSubstitutes.length).toBeGreaterThan(0);
        expect(e.reasons.join()).toContain(`${piece.name.toLowerCase()}: `);
      }
    }
  });

  it('leaves out what is barred or what the body cannot hold, and says why', () => {
    const barred = ask('back-squat', {
      barred: (x) => (x.slug === 'goblet-squat' ? 'barred: deep positions' : null),
    });
    expect(barred.leftOut).toContainEqual({
      slug: 'goblet-squat',
      name: v('goblet-squat').name,
      why: 'barred: deep positions',
    });
    expect(JSON.stringify(barred.groups)).not.toContain('goblet-squat');
    const stiff = buildOf({ statureM: 1.95, massKg: 95, ankleLimitDeg: 5 });
    expect(ask('back-squat', { build: stiff }).leftOut.length).toBeGreaterThan(0);
  });

  it('says where it stands on a ladder that both are on', () => {
    const reasons = ask('back-squat').groups.flatMap((g) => g.entries.flatMap((e) => e.reasons));
    expect(reasons.some((r) => /^level \d+ of the .* ladder, \d+ (above|below)$/.test(r))).toBe(true);
  });

  it('answers a drill with drills', () => {
    const drill = shelf.all('variation').find((x) => x.roles.every((r) => r === 'prepare'))!;
    for (const { entries } of ask(drill.slug).groups) {
      for (const e of entries) expect(v(e.slug).roles.every((r) => r === 'prepare')).toBe(true);
    }
  });
});
