import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { LibraryFile } from '../exchange/index.ts';
import { buildOf } from '../body/index.ts';
import { resolve, shelfOf } from '../library/index.ts';
import type { HallKit } from '../library/index.ts';
import { rangeOf } from '../posture/index.ts';
import { aboutMeasure, SET_UP_MEASURES } from '../terms/index.ts';
import type { Piece, SetUpMeasure } from '../terms/index.ts';
import { kitOf, piece } from '../testing/kit.ts';
import { seeded } from '../testing/seeded.ts';
import { fitCard } from './card.ts';
import type { FitRow } from './placed.ts';
import { touchedBoxM } from './fit.ts';
import { setOn, touchedThighDeg } from './set-on.ts';

const { documents } = JSON.parse(
  readFileSync(new URL('../../server/library/shipped.json', import.meta.url), 'utf8'),
) as LibraryFile;
const library = (kit?: HallKit) => shelfOf(documents, kit);
const WORN = { soleM: 0 };
const middle = buildOf({ statureM: 1.75, massKg: 75 });
const rack = (of: Partial<Piece> = {}): Piece =>
  piece('bar-and-rack', {
    form: 'rack',
    sizes: { firstM: 0.4, spacingM: 0.05, notches: 26, countedFrom: 'below' },
    ...of,
  });
const box = (heightM: number, of: Partial<Piece> = {}) =>
  piece('plyo-box', { form: 'height', sizes: { heightM }, ...of });
const pads = (count: number) => piece('pads', { form: 'pad', sizes: { thicknessM: 0.05 }, count });

const rows = (slug: string, pieces: Piece[], build = middle, loadKg: number | null = null): FitRow[] => {
  const shelf = library(kitOf(...pieces));
  return fitCard(resolve(shelf.get('variation', slug)!, shelf), shelf, { build, worn: WORN, loadKg }).rows;
};
const row = (
  slug: string,
  measure: SetUpMeasure,
  pieces: Piece[],
  build = middle,
  loadKg: number | null = null,
) => rows(slug, pieces, build, loadKg).find((r) => r.measure === measure)!;

describe('a fit card', () => {
  it('sets hooks and safeties by the numbers of each rack, both sides alike', () => {
    const other = rack({
      name: 'Rack 3',
      sizes: { firstM: 0.42, spacingM: 0.06, notches: 22, countedFrom: 'above' },
    });
    const hooks = row('back-squat', 'rack hooks, shoulder', [rack(), other]);
    // Shoulder 143.2 − 5 = 138.2 cm: notch 20 of the one at 135; of the other the 17th, at 138, counted from above.
    expect(hooks.asked!.m).toBeCloseTo(1.382, 3);
    expect(hooks.own).toMatchObject({ notch: 22 - 17 + 1, name: 'Rack 3' });
    expect(hooks.others).toMatchObject([{ notch: 20 }]);
    expect(hooks.others[0]!.setting).toEqual([
      { name: 'rack hooks', value: 20, side: 'left' },
      { name: 'rack hooks', value: 20, side: 'right' },
    ]);
    const safeties = row('back-squat', 'safeties', [rack()], middle, 60);
    // Bar at 88.1 cm with 60 kg at level thighs, less 1.4 and 3 cm: notch 9 at 80 cm.
    expect(safeties.asked!.tapeM).toBeCloseTo(0.881, 2);
    expect(safeties.own).toMatchObject({ notch: 9, heightM: 0.8 });
  });

  it('puts pads on the nearest box, and says what is not as computed', () => {
    // 32.4 cm wanted of a touched box: 30 is nearer than 35.
    const touched = row('touch-box-squat', 'box, touched', [box(0.3), box(0.45), pads(4)]);
    expect(touched.own).toMatchObject({ heightM: 0.3, pads: 0 });
    expect(touched.fitting).toBe('fits');
    expect(touched.misfit).toMatchObject({ what: 'thigh' });
    const seated = row('box-squat', 'box, full sit', [box(0.3), box(0.6), pads(4)]);
    expect(seated.own).toMatchObject({ pads: 2 });
    expect(seated.own!.setting).toEqual([{ name: 'box height', value: 0.4, side: null }]);
  });

  it('says not with what we have, and what would do', () => {
    const far = row('touch-box-squat', 'box, touched', [box(0.6)]);
    expect(far.fitting).toBe('does not fit');
    expect(far.wouldDo!.fromM).toBeCloseTo(0.324 - 0.025, 2);
    // A box of no noted height is neither.
    expect(row('touch-box-squat', 'box, touched', [piece('plyo-box')]).fitting).toBe('size not noted');
    // What is out of use is not there.
    expect(row('touch-box-squat', 'box, touched', [box(0.3, { condition: 'out' })]).own).toBeNull();
  });

  it('never takes a step above the level height, nor a wedge that is too low', () => {
    const step = row('high-step-up', 'step-up', [box(0.45), box(0.6)]);
    expect(step.own).toMatchObject({ heightM: 0.45 });
    expect(row('high-step-up', 'step-up', [box(0.6)]).fitting).toBe('does not fit');
    const stiff = buildOf({ statureM: 1.75, massKg: 75, ankleLimitDeg: 20 });
    const wedges = [0.02, 0.04].map((heightM) => piece('heel-wedge', { form: 'height', sizes: { heightM } }));
    expect(row('wedge-squat', 'heel wedge', wedges, stiff).own).toMatchObject({ heightM: 0.04 });
    expect(row('wedge-squat', 'heel wedge', wedges).notAsked).toBe('not needed');
  });

  it('takes a load that hangs on the floor for what it is: blocks under the plates', () => {
    const blocks = [0.1, 0.2].map((heightM) =>
      piece('blocks', { form: 'height', sizes: { heightM }, count: 2 }),
    );
    // The bar begins at 38 cm; on plates of 45 cm it lies at 22.5.
    const start = row('bar-from-blocks', 'start height', blocks);
    expect(start.asked!.m).toBeCloseTo(0.155, 6);
    expect(start.own).toMatchObject({ heightM: 0.2 });
  });

  it('chooses the ball by its measured seat', () => {
    const balls = [0.37, 0.43, 0.5].map((seatM) => piece('gym-ball', { form: 'ball', sizes: { seatM } }));
    const own = row('ball-bridge', 'ball seat', balls);
    expect(own.own).toMatchObject({ heightM: 0.43 });
    expect(own.fitting).toBe('fits');
  });

  it('computes something, or says why not, for every measure of every variation', () => {
    const shelf = library();
    const seen = new Set<SetUpMeasure>();
    for (const v of shelf.all('variation')) {
      for (const r of fitCard(resolve(v, shelf), shelf, { build: middle, worn: WORN, loadKg: null }).rows) {
        seen.add(r.measure);
        expect(r.asked === null, `${v.slug} ${r.measure}`).toBe(r.notAsked !== null);
        if (r.asked) expect(r.asked.m, `${v.slug} ${r.measure}`).toBeGreaterThan(0);
        expect(r.notAsked, `${v.slug} ${r.measure}`).not.toBe('this body cannot take the posture');
      }
    }
    expect([...seen].sort()).toEqual([...SET_UP_MEASURES].sort());
  });
});

describe('set on the hall’s own things', () => {
  it('a movement ends where the box, the bench or the step lets it', () => {
    for (const H of [1.55, 1.75, 1.95]) {
      const build = buildOf({ statureM: H, massKg: 24 * H * H });
      const shelf = library(
        kitOf(
          box(0.3),
          box(0.45),
          pads(4),
          piece('thrust-bench', { form: 'height', sizes: { heightM: 0.4 } }),
        ),
      );
      const on = (slug: string) => {
        const read = resolve(shelf.get('variation', slug)!, shelf);
        const { rows } = fitCard(read, shelf, { build, worn: WORN, loadKg: null });
        return { rows, m: setOn(build, read.mechanics, rows, 0) };
      };
      const touched = on('touch-box-squat');
      if (touched.m.type !== 'squat') throw new Error('no squat');
      expect(touchedBoxM(build, touched.m.thighDeg)).toBeCloseTo(touched.rows[0]!.own!.heightM, 4);
      const seated = on('box-squat');
      const sits = rangeOf(build, seated.m as never, { steps: 40 }).postures.at(-1)!;
      const seat = sits.joints.hip.y - build.constants.buttockDepth * H;
      // The house rule lets the shin lean more than the 5° that the height is computed with.
      expect(Math.abs(seat - seated.rows[0]!.own!.heightM)).toBeLessThan(0.016);
      expect(on('bench-thrust').m).toMatchObject({ bench: { heightM: 0.4 } });
      const shod = fitCard(resolve(shelf.get('variation', 'touch-box-squat')!, shelf), shelf, {
        build,
        worn: { soleM: 0.03 },
        loadKg: null,
      });
      expect(setOn(build, touched.m, shod.rows, 0.03)).toMatchObject({ type: 'squat' });
    }
    expect(touchedThighDeg(middle, 2)).toBeNull();
  });
});

describe('set at the fitted height', () => {
  const random = seeded(21);
  const builds = Array.from({ length: 60 }, () =>
    buildOf({ statureM: 1.5 + 0.5 * random(), massKg: 50 + 60 * random() }),
  );
  it('a touched box ends with level thighs', () => {
    for (const build of builds) {
      const asked = row('touch-box-squat', 'box, touched', [], build).asked!.m;
      const m = { type: 'squat', legs: 2, thighDeg: 90, hands: 'forward', loadPlace: 'none' } as const;
      // The lowest position whose buttocks are at the box or above it.
      const all = rangeOf(build, { ...m, thighDeg: 110 }, { steps: 440 }).postures;
      const seat = build.constants.buttockDepth * build.statureM;
      const at = all.find((p) => p.joints.hip.y - seat <= asked + 1e-9)!;
      expect(Math.abs(at.thighDeg - 90)).toBeLessThan(0.5);
    }
  });
  it('a bench has a level top', () => {
    for (const build of builds) {
      const asked = row('bench-thrust', 'thrust bench', [], build).asked!.m;
      const m = {
        type: 'bridge',
        legs: 2,
        bench: { heightM: asked },
        feetFartherDeg: 0,
        hold: false,
        loadPlace: 'none',
      } as const;
      const { hip, knee } = rangeOf(build, m, { steps: 4 }).postures.at(-1)!.joints;
      expect(Math.abs((Math.atan2(knee.y - hip.y, knee.x - hip.x) * 180) / Math.PI)).toBeLessThan(0.5);
    }
  });
  it('a taller person of like proportions never gets a lower hook', () => {
    let before = 0;
    for (let H = 1.45; H <= 2.05; H += 0.01) {
      const at = row(
        'back-squat',
        'rack hooks, shoulder',
        [rack()],
        buildOf({ statureM: H, massKg: 70 }),
      ).own!;
      expect(at.notch!).toBeGreaterThanOrEqual(before);
      before = at.notch!;
    }
  });
  it('shoes raise what is measured from the floor by their sole', () => {
    const shelf = library(kitOf(rack()));
    const read = resolve(shelf.get('variation', 'back-squat')!, shelf);
    const at = (soleM: number) =>
      fitCard(read, shelf, { build: middle, worn: { soleM }, loadKg: 60 }).rows.map((r) => r.asked!.m);
    at(0.025).forEach((m, i) => expect(m - at(0)[i]!).toBeCloseTo(0.025, 6));
  });
});

it('every measure is set in a unit that its setting has', () => {
  for (const m of SET_UP_MEASURES) expect(aboutMeasure(m).words.length).toBeGreaterThan(5);
});
