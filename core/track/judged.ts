import type { CameraSign } from '../terms/index.ts';
import { BANDS, LEAST_RATE, isMeasured } from './measure.ts';
import type { MeasuredRep, MeasuredSet, Quantity } from './measure.ts';

/** What a limit says of a value within its band: beyond it, within it, or too close to call. */
export type Verdict = 'yes' | 'no' | 'too close';

/** @param limit what has to be passed upwards */
export const passes = (value: number, limit: number, band: number): Verdict =>
  value >= limit + band ? 'yes' : value <= limit - band ? 'no' : 'too close';

/**
 * From where on something is told (common practice, no source; a coach decides what it means). Changes are against the
 * own first repetitions, where what the picture shows wrongly is wrong in both.
 */
const SIGN_LIMITS = {
  trunkDeg: 10,
  shinDeg: 8,
  kneesFall: 0.15,
  heelCm: 1,
  bounceS: 0.15,
  fastS: 1,
} as const;
/** Within which a change against the own first repetitions is told (judgement: half of a value's own band). */
const CHANGE = 0.5;
/** Repetitions that are the own first ones. */
const FIRST = 2;

/** A smooth lowering is seen for this share of its time: by rule it begins at 5 % and its bottom at 94 % of its depth. */
const SEEN_OF_PHASE = 0.72;
/** Kept with so much of the tempo asked (judgement). */
const KEPT = 0.8;

/** The one quantity that says how far a movement goes. */
export const RANGE_OF = {
  squat: 'knee',
  lunge: 'knee',
  hinge: 'trunk',
  lift: 'trunk',
  bridge: 'hip',
  extension: 'hip',
  drawn: null,
} as const satisfies Record<string, Quantity | null>;

/** What is asked of a set, as far as a camera can see it. */
export interface Asked {
  type: keyof typeof RANGE_OF;
  workingIs: 'bottom' | 'top';
  /** What the computed posture of this body has where it works, degrees; absent: not computed. */
  posture: Partial<Record<Quantity, number>>;
  /**
   * Seconds of lowering that the same rule finds in this movement done just in the tempo asked: edges lie inside the real
   * beginning and end. null: nothing is asked.
   */
  loweringS: number | null;
  /** The movement itself stands still on its way up: it is told of nobody. */
  stalls: boolean;
}

/** Something the camera saw that a fault of the library goes by. */
export interface SeenSign {
  sign: CameraSign;
  /** Which repetitions, from 0. */
  reps: number[];
  /** The largest value, what it is compared with, and within what it is told. */
  value: number;
  limit: number;
  band: number;
}

export interface Judged {
  /** Repetitions that went the whole way. */
  whole: number;
  /** Of these, those in which nothing was seen; what a camera cannot see may still have been there. */
  clean: number;
  /** By repetition: whether the range was reached; null: not to be told from here. */
  ranges: (Verdict | null)[];
  /** The whole set's. */
  range: Verdict | null;
  /** The angle of the least deep repetition; null: none is told, or it is no angle that grows with the range. */
  rangeAngle: { value: number; band: number } | null;
  tempo: Verdict | null;
  /** Largest difference of the lowering from its mean, as a share; null: not told. */
  tempoSpread: number | null;
  seen: SeenSign[];
  /** Repetitions that stood still on the way up. */
  stalled: number[];
  /** Signs that may have been there: within the band of their limit. */
  close: CameraSign[];
  /** Signs that this view cannot show. */
  notSeen: CameraSign[];
  /** Against the computed posture, by quantity, mean over the repetitions. */
  againstPosture: Partial<Record<Quantity, number>>;
}

const mean = (list: readonly number[]) =>
  list.length === 0 ? null : list.reduce((a, b) => a + b, 0) / list.length;

/** Mean of a quantity over repetitions, with its band; null: it is told of none. */
export function meanOf(
  reps: readonly Pick<MeasuredRep, 'at'>[],
  q: Quantity,
): { value: number; band: number } | null {
  const told = reps.flatMap((r) => (isMeasured(r.at[q]) ? [r.at[q]] : []));
  const value = mean(told.map((m) => m.value));
  return value === null ? null : { value, band: Math.max(...told.map((m) => m.band)) };
}

/** What a measured set shows against what is asked, its own first repetitions and the computed posture. */
export function judgeSet(set: MeasuredSet, asked: Asked): Judged {
  const { reps } = set;
  const whole = reps.filter((r) => !r.partial && !r.unsure);
  const first = whole.slice(0, FIRST);
  const rangeBy = RANGE_OF[asked.type];
  const wanted = rangeBy === null ? undefined : asked.posture[rangeBy];
  const ranges = reps.map((r) => {
    const m = rangeBy === null ? null : r.at[rangeBy];
    if (!m || !isMeasured(m) || wanted === undefined) return null;
    // A hip is straight at 0: less is farther.
    const short = rangeBy === 'hip' && asked.workingIs === 'top' ? m.value - wanted : wanted - m.value;
    return passes(-short, -2 * m.band, m.band);
  });
  const signs = new Map<CameraSign, SeenSign>();
  const close = new Set<CameraSign>();
  // What was compared with the own first repetitions in one of them at least.
  const compared = new Set<CameraSign>();
  const note = (sign: CameraSign, rep: number, v: number, limit: number, band: number) => {
    const said = passes(v, limit, band);
    if (said === 'too close') close.add(sign);
    if (said !== 'yes') return;
    const before = signs.get(sign);
    signs.set(sign, {
      sign,
      limit,
      band,
      reps: [...(before?.reps ?? []), rep],
      value: Math.max(v, before?.value ?? v),
    });
  };
  const change = (r: MeasuredRep, q: Quantity): { by: number; band: number } | null => {
    const [m, from] = [r.at[q], meanOf(first, q)];
    return isMeasured(m) && from !== null ? { by: m.value - from.value, band: CHANGE * BANDS[q].band } : null;
  };
  reps.forEach((r, i) => {
    if (r.unsure) return;
    const band = set.phaseBandS;
    const ranged = ranges[i];
    if (ranged === 'no') {
      const m = r.at[rangeBy!];
      if (isMeasured(m)) note('range short', i, Math.abs(wanted! - m.value), 2 * m.band, m.band);
    } else if (ranged === 'too close') close.add('range short');
    const trunk = asked.type === 'bridge' || asked.type === 'hinge' ? null : change(r, 'trunk');
    const compare = (sign: CameraSign, by: number, limit: number, within: number) => {
      compared.add(sign);
      note(sign, i, by, limit, within);
    };
    if (trunk) compare('trunk leans more', trunk.by, SIGN_LIMITS.trunkDeg, trunk.band);
    const shin = asked.type === 'bridge' ? null : change(r, 'shin');
    if (shin) compare('knees run ahead', shin.by, SIGN_LIMITS.shinDeg, shin.band);
    const apart = change(r, 'kneesApart');
    if (apart) compare('knees fall in', -apart.by, SIGN_LIMITS.kneesFall, apart.band);
    if (isMeasured(r.at.heel)) note('heels lift', i, r.at.heel.value, SIGN_LIMITS.heelCm, r.at.heel.band);
    if (band === null || asked.workingIs === 'top') return;
    note('lowered fast', i, -r.loweringS, -SIGN_LIMITS.fastS * SEEN_OF_PHASE, band);
    if (r.bottomS !== null && set.rate >= LEAST_RATE.bounce)
      note('no stop at the bottom', i, -r.bottomS, -SIGN_LIMITS.bounceS, 1 / set.rate);
  });
  const lowering = whole.map((r) => r.loweringS);
  const meanS = mean(lowering);
  const marked = new Set([...signs.values()].flatMap((s) => s.reps));
  const known = ranges.flatMap((r) => r ?? []);
  return {
    whole: reps.filter((r) => !r.partial).length,
    clean: reps.filter((r, i) => !r.partial && !r.unsure && !marked.has(i)).length,
    ranges,
    range:
      known.length === 0 || known.length < reps.length
        ? null
        : known.every((r) => r === 'yes')
          ? 'yes'
          : known.some((r) => r === 'no')
            ? 'no'
            : 'too close',
    rangeAngle: leastDeep(whole, rangeBy),
    tempo:
      asked.loweringS === null || meanS === null || set.phaseBandS === null
        ? null
        : passes(meanS, KEPT * asked.loweringS, set.phaseBandS),
    tempoSpread:
      meanS === null || meanS === 0 || set.phaseBandS === null
        ? null
        : Math.max(...lowering.map((s) => Math.abs(s - meanS))) / meanS,
    seen: [...signs.values()],
    stalled: asked.stalls ? [] : reps.flatMap((r, i) => (r.stallsS.length > 0 ? [i] : [])),
    close: [...close].filter((s) => !signs.has(s)),
    notSeen: notSeenFrom(set, asked, { compared, ranges }),
    againstPosture: Object.fromEntries(
      Object.entries(asked.posture).flatMap(([q, p]) => {
        const got = meanOf(whole, q as Quantity);
        return got === null ? [] : [[q, got.value - p]];
      }),
    ),
  };
}

/** A hip that is straight at 0 grows with no range. */
function leastDeep(reps: readonly MeasuredRep[], q: Quantity | null): Judged['rangeAngle'] {
  if (q === null || q === 'hip') return null;
  const told = reps.flatMap((r) => (isMeasured(r.at[q]) ? [r.at[q]] : []));
  return told.length === 0 ? null : told.reduce((a, b) => (b.value < a.value ? b : a));
}

/** What this view, so few frames a second, or points that were not found cannot show. */
function notSeenFrom(
  set: MeasuredSet,
  asked: Asked,
  { compared, ranges }: { compared: ReadonlySet<CameraSign>; ranges: readonly (Verdict | null)[] },
): CameraSign[] {
  const not: CameraSign[] = [];
  if (ranges.every((r) => r === null)) not.push('range short');
  for (const sign of ['trunk leans more', 'knees run ahead', 'knees fall in'] as const)
    if (!compared.has(sign)) not.push(sign);
  if (!set.reps.some((r) => isMeasured(r.at.heel))) not.push('heels lift');
  if (set.phaseBandS === null || asked.workingIs === 'top') not.push('lowered fast');
  if (set.rate < LEAST_RATE.bounce || asked.workingIs === 'top') not.push('no stop at the bottom');
  return not;
}
