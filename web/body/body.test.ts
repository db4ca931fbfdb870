import { describe, expect, it } from 'vitest';
import { personalBuild, REFERENCE_BUILD } from '../../core/body/index.ts';
import type { SettledMechanics, Computed } from '../../core/posture/index.ts';
import { figureAt, rangeOf, squat, whatHelps } from '../../core/posture/index.ts';
import { REPERTOIRE } from '../../core/testing/repertoire.ts';
import { buildFrom, REFERENCE_STATE, stateOf } from './body-state.ts';
import { controlsOf, STARTS } from './controls.ts';
import type { Control } from './controls.ts';
import { lookControlsOf } from './look-controls.ts';
import { plain } from '../testing/plain.ts';
import { momentAt, upward } from './curves.tsx';
import { helpSentences, verdictSentence, worstLeg } from './words.ts';

const UNITS = { mass: 'kg', length: 'cm' } as const;

describe('the body on the sliders', () => {
  it('is the reference build where nothing was moved', () => {
    expect(buildFrom(REFERENCE_STATE)).toEqual(REFERENCE_BUILD);
  });
  it('keeps the height of the chain when the others give way, and not otherwise', () => {
    const chain = (s: typeof REFERENCE_STATE) => {
      const { shank, thigh, hipShoulder } = buildFrom(s).lengths;
      return shank + thigh + hipShoulder;
    };
    const long = { ...REFERENCE_STATE, thigh: 1.08 };
    expect(chain(long)).toBeCloseTo(chain(REFERENCE_STATE), 12);
    expect(chain({ ...long, others: 'kept' })).toBeGreaterThan(chain(REFERENCE_STATE) + 0.03);
  });
  it("takes a person's own body", () => {
    const own = personalBuild({
      statureM: 1.8,
      massKg: 80,
      massSet: 'men',
      measured: { thigh: 0.46 },
      tests: [],
    })!;
    const back = buildFrom(stateOf({ ...own, personId: 'x', name: 'X' }));
    expect(back.lengths.thigh).toBeCloseTo(0.46, 3);
    expect(back.masses.name).toBe('men');
  });
});

describe('the controls of a set-up', () => {
  const by = (controls: Control[], label: string) => controls.find((c) => c.label === label)!;
  it('every control gives a set-up that the model takes, at both ends and all choices', () => {
    const bodies = [...REPERTOIRE.map((m) => m.mechanics), ...STARTS.map((s) => s.mechanics)];
    for (const m of bodies) {
      for (const c of [...controlsOf(m, REFERENCE_BUILD, UNITS), ...lookControlsOf(m)]) {
        const made: SettledMechanics[] =
          c.kind === 'slider' ? [c.set(c.min), c.set(c.max), c.set(c.value)] : c.options.map((o) => c.set(o));
        for (const next of made) {
          if (next.type === 'drawn') {
            const { head } = figureAt(REFERENCE_BUILD, next, null, 1);
            expect(Number.isFinite(head.x + head.y), `${m.type} ${c.label}`).toBe(true);
            continue;
          }
          try {
            const { postures } = rangeOf(REFERENCE_BUILD, next, { steps: 4 });
            expect(
              postures.every((p) => Number.isFinite(p.joints.hip.x)),
              `${m.type} ${c.label}`,
            ).toBe(true);
          } catch (error) {
            // What a body cannot do is said, never broken.
            expect(error, `${m.type} ${c.label}`).toBeInstanceOf(RangeError);
          }
        }
      }
    }
  });
  it('takes a rule away at the end of its slider', () => {
    const m: SettledMechanics = {
      type: 'squat',
      legs: 2,
      thighDeg: 90,
      hands: 'forward',
      loadPlace: 'none',
      shinLimitDeg: 10,
    };
    const shin = by(controlsOf(m, REFERENCE_BUILD, UNITS), 'Shin rule');
    if (shin.kind !== 'slider') throw new Error('slider');
    expect(shin.show).toBe('at most 10°');
    expect(shin.set(shin.max)).not.toHaveProperty('shinLimitDeg');
  });
  it('puts a load where it is chosen, and its amount as a share of the body', () => {
    const m = STARTS[0]!.mechanics;
    const place = by(controlsOf(m, REFERENCE_BUILD, UNITS), 'Load');
    if (place.kind !== 'choice') throw new Error('choice');
    const loaded = place.set('front of shoulders');
    const amount = by(controlsOf(loaded, REFERENCE_BUILD, UNITS), 'Amount');
    if (amount.kind !== 'slider') throw new Error('slider');
    expect(plain(amount.show)).toBe('7.5 kg');
    expect(amount.set(60)).toMatchObject({ referenceLoad: { fractionOfBodyMass: 0.8, per: 'total' } });
  });
});

describe('curves', () => {
  it('run from the lowest to the highest position, whichever way the repetition works', () => {
    for (const name of ['Back squat, bar high', 'Thrust, bar', 'Bar from the floor']) {
      const m = REPERTOIRE.find((x) => x.name === name)!.mechanics as Computed;
      const ys = upward(rangeOf(REFERENCE_BUILD, m, { steps: 20 })).map(
        (p) => p.posture.joints.hip.y + 0.01 * p.posture.joints.shoulder.y,
      );
      expect(ys, name).toEqual([...ys].sort((a, b) => a - b));
    }
  });
  it('leave a gap where nobody holds the posture', () => {
    const range = rangeOf(REFERENCE_BUILD, {
      type: 'squat',
      legs: 2,
      thighDeg: 90,
      hands: 'forward',
      loadPlace: 'none',
      shinLimitDeg: 0,
    });
    const hips = momentAt(range, 'hip');
    expect(hips[0]!.nm).toBeNull();
    expect(hips.at(-1)!.nm).not.toBeNull();
  });
});

describe('words', () => {
  it('say what helps by the lean it goes with', () => {
    const helps = whatHelps({ ...REFERENCE_BUILD, ankleLimitDeg: 20 }, {}, [55]);
    expect(helpSentences(helps, UNITS).map(plain)).toEqual([
      'At a lean of 55°: 3.5 kg held at arm’s length, or heels on a wedge of 4.5°, or a strap or hand that pulls with 33 N at shoulder height, or going only to a thigh angle of 64° (90° is level).',
      'At a lean of 40°: sitting on a box of 40.1 cm, which carries 27.5 kg.',
    ]);
  });
  it('say what happens, with its amount', () => {
    const p = squat(REFERENCE_BUILD, { shinLimitDeg: 0 });
    expect(verdictSentence(p.verdict, p.shortM)).toBe('Falls backward: 17.2 cm short of balance.');
  });
  it('name the leg that holds most', () => {
    const legs = [
      { leg: 'front leg' as const, ankleNm: 0, kneeNm: 13, hipNm: 116 },
      { leg: 'rear leg' as const, ankleNm: 0, kneeNm: 131, hipNm: -100 },
    ];
    expect(worstLeg(legs, 'kneeNm')).toEqual({ nm: 131, leg: 'rear leg' });
    expect(worstLeg([], 'hipNm')).toBeNull();
  });
});
