import { describe, expect, it } from 'vitest';
import { REFERENCE_BUILD } from '../body/index.ts';
import type { FaultShows } from '../library/index.ts';
import { figureAt, isComputed, rangeOf } from '../posture/index.ts';
import type { SettledMechanics } from '../posture/index.ts';
import { REPERTOIRE, bridge, hinge, lunge, squat } from '../testing/repertoire.ts';
import { seeded } from '../testing/seeded.ts';
import {
  LANDMARKS,
  askedOf,
  isMeasured,
  lookedAt,
  keptTrack,
  laidOver,
  judgeSet,
  measureSet,
  passes,
  performedS,
  trackKept,
  truthTrack,
} from './index.ts';
import type { Landmark, MeasureOf, Performed, Track } from './index.ts';

const FRAMING = { pxPerM: 200, x: 320, y: 430 };
const TEMPO = { loweringS: 3, bottomS: 1, risingS: 2, topS: 1 };

const performed = (mechanics: SettledMechanics, of: Partial<Performed> = {}): Performed => ({
  build: REFERENCE_BUILD,
  mechanics,
  range: isComputed(mechanics) ? rangeOf(REFERENCE_BUILD, mechanics) : null,
  tempo: TEMPO,
  reps: 5,
  view: 'side',
  ...of,
});
const about = (p: Performed, of: Partial<MeasureOf> = {}): MeasureOf => ({
  ...lookedAt(p.mechanics),
  workingIs: p.range?.workingIs ?? 'bottom',
  statureM: REFERENCE_BUILD.statureM,
  view: p.view,
  hidden: false,
  ...of,
});
const looked = (p: Performed, { rate = 15, change = (t: Track) => t } = {}) => {
  const set = measureSet(change(truthTrack(p, rate, FRAMING)), about(p));
  return { set, judged: judgeSet(set, askedOf(p.build, p.mechanics, p.range, p.tempo)) };
};

/** Every point moved by a function. */
const moved = (t: Track, f: (x: number, y: number) => [number, number]): Track => ({
  ...t,
  points: Object.fromEntries(
    Object.entries(t.points).map(([k, list]) => [k, list.map((p) => p && f(p[0], p[1]))]),
  ) as unknown as Track['points'],
});

/** Movements that stand or lie in the plane of the picture. */
const FLAT = REPERTOIRE.filter(
  (m) => m.mechanics.type !== 'drawn' && !/^(Lateral|Side lunge)/.test(m.name),
).filter((m) => isComputed(m.mechanics));

describe('a set of the whole repertoire, seen from the side', () => {
  it('is counted to the repetition, whole, with nothing wrong in it', { timeout: 120_000 }, () => {
    expect(FLAT.length).toBeGreaterThan(45);
    for (const { name, mechanics } of FLAT) {
      const { set, judged } = looked(performed(mechanics));
      expect({ name, reps: set.reps.length }).toEqual({ name, reps: 5 });
      expect({ name, clean: judged.clean, seen: judged.seen }).toEqual({ name, clean: 5, seen: [] });
      expect({ name, range: judged.range }).toEqual({ name, range: 'yes' });
      expect({ name, tempo: judged.tempo }).toEqual({
        name,
        tempo: set.phaseBandS !== null && about(performed(mechanics)).workingIs === 'bottom' ? 'yes' : null,
      });
    }
  });
});

const SQUAT = squat();
const shows = (s: Partial<FaultShows>): FaultShows => ({ view: 'side', at: 1, ...s });
const FAULTY = [2, 3];

describe('what goes wrong', () => {
  it('is found in the repetitions that have it', () => {
    const cases = [
      { sign: 'trunk leans more', mechanics: SQUAT, shows: shows({ trunkDeg: 26, at: 0.9 }) },
      { sign: 'knees run ahead', mechanics: SQUAT, shows: shows({ shinDeg: 14, at: 0.9 }) },
      { sign: 'knees run ahead', mechanics: lunge(), shows: shows({ shinDeg: 14, thighDeg: -8, at: 0.9 }) },
    ];
    for (const { sign, mechanics, shows: s } of cases) {
      const { judged } = looked(performed(mechanics, { fault: { shows: s, amount: 1, in: FAULTY } }));
      expect(judged.seen.find((x) => x.sign === sign)?.reps).toEqual(FAULTY);
      expect(judged.clean).toBe(3);
    }
  });

  it('is found from the front where the knees fall in, and only there', () => {
    const fault = { shows: shows({ view: 'front', kneesInDeg: 15, at: 0.9 }), amount: 1, in: FAULTY };
    const front = looked(performed(SQUAT, { view: 'front', fault }));
    expect(front.set.reps).toHaveLength(5);
    expect(front.judged.seen.map((s) => [s.sign, s.reps])).toEqual([['knees fall in', FAULTY]]);
    expect(looked(performed(SQUAT)).judged.notSeen).toContain('knees fall in');
    expect(front.judged.notSeen).toContain('trunk leans more');
    expect(front.set.reps[0]!.at.knee).toEqual({ not: 'not from this view' });
  });

  it('is short of the range where all of it is, by squat, hinge and bridge', () => {
    // Of somebody who lies the hip is told within so much that half the way is too close to call.
    for (const [m, reach] of [
      [SQUAT, 0.5],
      [hinge(), 0.5],
      [bridge(), 0.25],
    ] as const) {
      const { judged } = looked(performed(m, { reach }));
      expect(judged.range).toBe('no');
      expect(judged.seen[0]).toMatchObject({ sign: 'range short', reps: [0, 1, 2, 3, 4] });
    }
  });

  it('is told of a lowering that is fast, and of a tempo that is not kept', () => {
    const fast = { ...TEMPO, loweringS: 0.5, bottomS: 0 };
    const p = performed(SQUAT, { tempo: fast });
    const set = measureSet(truthTrack(p, 30, FRAMING), about(p));
    const judged = judgeSet(set, askedOf(p.build, p.mechanics, p.range, TEMPO));
    expect(judged.seen.map((s) => s.sign)).toContain('lowered fast');
    expect(judged.tempo).toBe('no');
  });
});

describe('the same set otherwise', () => {
  const p = performed(SQUAT);
  const plain = looked(p).set;
  const angles = (s: typeof plain) =>
    s.reps.map((r) =>
      (['knee', 'trunk', 'shin'] as const).map((q) => (isMeasured(r.at[q]) ? r.at[q].value : null)),
    );
  const same = (s: typeof plain) => {
    expect(s.reps).toHaveLength(plain.reps.length);
    angles(s).forEach((row, i) => row.forEach((v, k) => expect(v).toBeCloseTo(angles(plain)[i]![k]!, 6)));
  };

  it('has the same angles shifted, scaled or mirrored', () => {
    same(looked(p, { change: (t) => moved(t, (x, y) => [x + 91, y - 40]) }).set);
    same(looked(p, { change: (t) => moved(t, (x, y) => [2.5 * x, 2.5 * y]) }).set);
    same(looked(p, { change: (t) => moved(t, (x, y) => [640 - x, y]) }).set);
  });

  it('has as many repetitions with noise within the band, and when it is slower', () => {
    const random = seeded(7);
    const noisy = (t: Track) => moved(t, (x, y) => [x + 6 * (random() - 0.5), y + 6 * (random() - 0.5)]);
    expect(looked(p, { change: noisy }).set.reps).toHaveLength(5);
    const slower = (t: Track) => ({ ...t, timeS: t.timeS.map((s) => 2 * s) });
    expect(looked(p, { change: slower, rate: 30 }).set.reps).toHaveLength(5);
  });

  it('is turned with the camera, and turned back by two points of the floor', () => {
    const [c, s] = [Math.cos(0.1), Math.sin(0.1)];
    const tilted = (t: Track) => moved(t, (x, y) => [c * x - s * y, s * x + c * y]);
    const track = tilted(truthTrack(p, 15, FRAMING));
    const roll = (0.1 * 180) / Math.PI;
    same(measureSet(track, about(p, { placed: { metresPerPx: null, rollDeg: roll, heelCm: null } })));
  });

  it('does not tell phases of few frames a second, nor what has holes', () => {
    expect(looked(p, { rate: 6 }).set.phaseBandS).toBeNull();
    const lostAt = (t: Track) => t.timeS.map((s) => (s > 9 && s < 14 ? 0.1 : 1));
    const lost = (t: Track): Track => ({
      ...t,
      scores: { ...t.scores, 'right knee': lostAt(t), 'left knee': lostAt(t) },
    });
    const { set } = looked(p, { change: lost });
    expect(set.holes.some(([a, b]) => a <= 9.2 && b >= 13.8)).toBe(true);
    expect(set.reps.length).toBeLessThan(5);
  });
});

it('calls nothing that is within its band of the limit', () => {
  expect([passes(15, 10, 4), passes(13, 10, 4), passes(6, 10, 4)]).toEqual(['yes', 'too close', 'no']);
});

it('lasts as long as its repetitions and the standing before and after', () => {
  expect(performedS(performed(SQUAT))).toBeCloseTo(5 * 7 + 3, 9);
});

it('is the same set after it was kept, to the pixel', () => {
  const p = performed(SQUAT);
  const track = truthTrack(p, 15, FRAMING);
  const back = trackKept(keptTrack({ ...track, timeS: track.timeS.map((t) => t + 100) }));
  expect(back.timeS[0]).toBe(0);
  const [was, is] = [measureSet(track, about(p)), measureSet(back, about(p))];
  expect(is.reps).toHaveLength(was.reps.length);
  is.reps.forEach((r, i) => {
    const [a, b] = [r.at.knee, was.reps[i]!.at.knee];
    expect(isMeasured(a) && isMeasured(b) && Math.abs(a.value - b.value)).toBeLessThan(1);
  });
});

it('lies over the body that it was computed for, mirrored where they look the other way', () => {
  const p = performed(SQUAT);
  const figure = figureAt(p.build, p.mechanics, p.range, 1);
  const bottom = Math.round((1.5 + 3.5) * 15);
  for (const change of [(t: Track) => t, (t: Track) => moved(t, (x, y) => [640 - x, y])]) {
    const track = change(truthTrack(p, 15, FRAMING));
    const over = laidOver(figure, track, bottom, 'right')!;
    (['right hip', 'right knee', 'right shoulder'] as const).forEach((k) => {
      const [x, y] = over[LANDMARKS.indexOf(k)]!;
      expect(x).toBeCloseTo(track.points[k][bottom]![0], 3);
      expect(y).toBeCloseTo(track.points[k][bottom]![1], 3);
    });
  }
});

describe('what a network does wrong', () => {
  /** Left and right of these joints taken for each other in every so many frames. */
  const mixed = (every: number, joints: readonly ('hip' | 'knee' | 'ankle')[]) => (t: Track) => {
    const swap = <T>(of: Readonly<Record<Landmark, readonly T[]>>): Record<Landmark, readonly T[]> => {
      const out = { ...of };
      for (const j of joints)
        for (const [a, b] of [
          ['left', 'right'],
          ['right', 'left'],
        ] as const)
          out[`${a} ${j}`] = of[`${a} ${j}`].map((v, i) => (i % every < every / 2 ? of[`${b} ${j}`][i]! : v));
      return out;
    };
    return { ...t, points: swap(t.points), scores: swap(t.scores) };
  };

  it('changes no count and no phase of a lunge or of one-leg work, whose legs are taken for each other', () => {
    for (const m of [lunge(), squat({ legs: 1, thighDeg: 75, hands: 'forward' })]) {
      const sound = looked(performed(m)).set;
      for (const joints of [['knee'], ['knee', 'ankle'], ['hip', 'knee', 'ankle']] as const) {
        const { set } = looked(performed(m), { change: mixed(7, joints) });
        expect(set.reps).toHaveLength(5);
        set.reps.forEach((r, i) => {
          expect(Math.abs(r.loweringS - sound.reps[i]!.loweringS)).toBeLessThan(0.2);
        });
      }
    }
  });

  it('counts no joint that jumps while the hips stay where they are', () => {
    const p = performed(SQUAT, { reps: 2 });
    const { set } = looked(p, {
      // For half a second after the last one a knee is seen far ahead.
      change: (t) => {
        const last = t.timeS.at(-1)!;
        const off = t.points['right knee'].map((q, i) =>
          q && t.timeS[i]! > last - 1 && t.timeS[i]! < last - 0.3 ? ([q[0] + 60, q[1]] as const) : q,
        );
        return { ...t, points: { ...t.points, 'right knee': off, 'left knee': off } };
      },
    });
    expect(set.reps).toHaveLength(2);
  });

  it('bridges a hole on the way down to count, and shows it', () => {
    const { set } = looked(performed(SQUAT), {
      change: (t) => ({
        ...t,
        scores: Object.fromEntries(
          Object.entries(t.scores).map(([k, list]) => [
            k,
            list.map((v, i) => (t.timeS[i]! > 3 && t.timeS[i]! < 3.6 ? 0 : v)),
          ]),
        ) as unknown as Track['scores'],
      }),
    });
    expect(set.reps).toHaveLength(5);
    expect(set.holes).toHaveLength(1);
    expect(set.reps[0]!.loweringS).toBeCloseTo(set.reps[1]!.loweringS, 0);
  });

  it('leaves a shin untold that lies down on somebody who stands', () => {
    const { set } = looked(performed(SQUAT), {
      change: (t) => ({
        ...t,
        points: {
          ...t.points,
          ...Object.fromEntries(
            (['left ankle', 'right ankle'] as const).map((k) => [
              k,
              t.points[k].map((q, i) => {
                const knee = t.points['right knee'][i];
                return q && knee ? ([knee[0] - 88, knee[1] + 10] as const) : q;
              }),
            ]),
          ),
        },
      }),
    });
    for (const r of set.reps)
      for (const q of ['knee', 'shin', 'depth'] as const) expect(isMeasured(r.at[q])).toBe(false);
  });
});
