import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { buildOf, REFERENCE_BUILD } from '../../core/body/index.ts';
import type { Build } from '../../core/body/index.ts';
import type { SettledMechanics } from '../../core/posture/index.ts';
import { figureAt, isComputed, rangeOf } from '../../core/posture/index.ts';
import { REPERTOIRE } from '../../core/testing/repertoire.ts';
import { Drawing, limbPath, solved, svgPoint } from './index.ts';
import { frameOf } from './shape.ts';
import { cycleOf, cycleS, placeAt } from '../../core/dose/index.ts';

const find = (name: string) => REPERTOIRE.find((m) => m.name === name)!.mechanics;
const figure = (build: Build, m: SettledMechanics, at = 1) =>
  figureAt(build, m, isComputed(m) ? rangeOf(build, m) : null, at);
const svg = (build: Build, name: string, detail: 'icon' | 'plain' | 'full' = 'full') =>
  renderToStaticMarkup(<Drawing figure={figure(build, find(name))} detail={detail} title="T" />);
/** Circles that mark hip, knee, ankle and shoulder, in that order. */
const jointsIn = (markup: string) =>
  [...markup.matchAll(/class="fig-joint" cx="([-\d.]+)" cy="([-\d.]+)"/g)].map((m) => ({
    x: Number(m[1]),
    y: Number(m[2]),
  }));

describe('the drawing', () => {
  it("marks its joints on the solver's own points", () => {
    for (const name of ['Back squat, bar high', 'Romanian lift, bar', 'Thrust, bar', 'Split squat']) {
      const m = find(name);
      if (!isComputed(m)) throw new Error(name);
      const { joints: j } = rangeOf(REFERENCE_BUILD, m).postures.at(-1)!;
      expect(jointsIn(svg(REFERENCE_BUILD, name)), name).toEqual(
        [j.hip, j.knee, j.ankle, j.shoulder].map(svgPoint),
      );
    }
  });
  it('moves the hip when the thigh is longer, and leaves the ankle', () => {
    const long = buildOf({ statureM: 1.75, massKg: 75, measured: { thigh: 0.47 } });
    const [usual, longer] = [REFERENCE_BUILD, long].map((b) => jointsIn(svg(b, 'Bodyweight squat')));
    expect(longer![0]!.x).toBeLessThan(usual![0]!.x - 1);
    expect(longer![2]).toEqual(usual![2]);
  });
  it('tells near from far, shows load, props, balance and pressure, and carries its words', () => {
    const markup = svg(REFERENCE_BUILD, 'Back squat to a box');
    for (const part of [
      'far leg',
      'near leg',
      'far arm',
      'near arm',
      'trunk',
      'load',
      'gravity',
      'pressure',
    ]) {
      expect(markup, part).toContain(`data-part="${part}"`);
    }
    expect(markup).toContain('data-what="box"');
    expect(markup).toMatch(/<title id="[^"]+">T<\/title>/);
    expect(markup).toContain('role="img"');
  });
  it('leaves the fine marks out of an icon and makes it square', () => {
    const markup = svg(REFERENCE_BUILD, 'Thrust, bar', 'icon');
    expect(markup).not.toContain('fig-joint');
    expect(markup).not.toContain('data-part="gravity"');
    const [, , w, h] = /viewBox="([-\d. ]+)"/.exec(markup)![1]!.split(' ').map(Number);
    expect(w).toBeCloseTo(h!, 6);
  });
  it('draws every movement of the repertoire without a broken number', () => {
    for (const { name, mechanics } of REPERTOIRE) {
      for (const at of [0, 0.3, 1]) {
        const markup = renderToStaticMarkup(
          <Drawing figure={figure(REFERENCE_BUILD, mechanics, at)} detail="full" />,
        );
        expect(markup, `${name} at ${at}`).not.toMatch(/NaN|Infinity|undefined/);
      }
    }
  });
  it('fits everything it draws into its frame', () => {
    for (const { name, mechanics } of REPERTOIRE) {
      const f = figure(REFERENCE_BUILD, mechanics);
      const frame = frameOf([f]);
      for (const p of [f.head, f.hip, f.near.toe, f.far.toe, f.nearArm.hand, f.farArm.hand].map(svgPoint)) {
        expect(p.x, name).toBeGreaterThanOrEqual(frame.x);
        expect(p.x, name).toBeLessThanOrEqual(frame.x + frame.width);
        expect(p.y, name).toBeGreaterThanOrEqual(frame.y);
        expect(p.y, name).toBeLessThanOrEqual(frame.y + frame.height);
      }
    }
  });
});

describe('a limb', () => {
  it('starts on a tangent of its larger circle', () => {
    // Equal radii: the tangents run straight beside the line of centres, one radius off it.
    expect(limbPath({ x: 0, y: 0 }, 0.1, { x: 1, y: 0 }, 0.1)).toMatch(/^M0 -10A/);
  });
  it('is a whole circle where one end lies inside the other', () => {
    expect(limbPath({ x: 0, y: 0 }, 0.2, { x: 0.05, y: 0 }, 0.1)).toBe(
      'M20 0a20 20 0 1 0 -40 0a20 20 0 1 0 40 0Z',
    );
  });
});

describe('ranges kept for the interface', () => {
  it('are computed once for a body and movement', () => {
    const m = find('Goblet squat');
    expect(solved(REFERENCE_BUILD, m)).toBe(solved(REFERENCE_BUILD, { ...m }));
  });
  it('say in words what a body cannot do, instead of breaking the page', () => {
    const small = buildOf({ statureM: 1.4, massKg: 40 });
    const m: SettledMechanics = {
      ...(find('Low step-up') as { type: 'squat' } & SettledMechanics),
      stepUpM: 0.7,
    };
    expect(solved(small, m)).toEqual({
      range: null,
      problem: 'The step is higher than this body can start from.',
    });
  });
});

describe('a repetition in its tempo', () => {
  const tempo = { loweringS: 3, bottomS: 1, risingS: 1, topS: 2 };
  it('lowers first where the work is low, and rises first where it is high', () => {
    const squat = cycleOf(tempo, 'bottom');
    expect(cycleS(squat)).toBe(7);
    expect([0, 1.5, 3.5, 4.5, 6].map((s) => placeAt(squat, s, true))).toEqual([0, 0.5, 1, 0.5, 0]);
    const thrust = cycleOf(tempo, 'top');
    expect([0, 0.5, 2, 4.5, 6.5].map((s) => placeAt(thrust, s, true))).toEqual([0, 0.5, 1, 0.5, 0]);
  });
  it('goes round, gives a movement without time a moment, and stands still between ends where motion is unwanted', () => {
    const legs = cycleOf({ loweringS: 0, bottomS: 0, risingS: 0, topS: 0 }, 'bottom');
    expect(cycleS(legs)).toBeGreaterThan(0);
    expect(placeAt(legs, cycleS(legs) + 0.2, true)).toBeCloseTo(placeAt(legs, 0.2, true), 9);
    const squat = cycleOf(tempo, 'bottom');
    for (let s = 0; s < 7; s += 0.1) expect([0, 1]).toContain(placeAt(squat, s, false));
  });
});
