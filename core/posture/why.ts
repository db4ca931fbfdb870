import type { Build, Segment } from '../body/index.ts';
import { squat, squatDefaults } from './squat.ts';
import type { SquatSetUp } from './squat.ts';

/** One input that is not as in the reference, and how much of the lean goes when it alone is put back. */
export interface LeanReason {
  input: string;
  /** As it is and as it is in the reference, in words with units. */
  is: string;
  reference: string;
  /** Degrees of lean that go; negative: this input keeps the trunk up. Null where no lean balances at all. */
  leanDeg: number | null;
  /** Metres of shortfall that go, at the greatest lean. */
  shortM: number;
}

export interface LeanExplained {
  /** Trunk lean that balance asks at this depth, whatever limits there are; null where no lean balances. */
  leanDeg: number | null;
  /** How far the centre of mass stays behind the foot's pressure at the greatest lean, metres. */
  shortM: number;
  referenceLeanDeg: number | null;
  /** Largest first. One at a time, so they need not add up. */
  reasons: LeanReason[];
}

/** Lean that balance asks with nothing limiting the trunk, degrees; null: none does. */
export function leanNeededDeg(build: Build, set: Partial<SquatSetUp>): number | null {
  const p = squat({ ...build, hipLimitDeg: 300 }, { ...set, leanLimitDeg: 120, box: 'none', pull: 'none' });
  return p.verdict === 'balanced' ? p.trunkDeg : null;
}

/** Shortfall with the model's own limits and no support, metres. */
const shortAt = (build: Build, set: Partial<SquatSetUp>) =>
  squat(build, { ...set, box: 'none', pull: 'none' }).shortM;

/** Where one segment of a build is replaced by another build's. */
const withSegment = (build: Build, segment: Segment, m: number): Build => ({
  ...build,
  lengths: { ...build.lengths, [segment]: m },
});

const deg = (n: number) => (Number.isFinite(n) ? `${n.toFixed(0)}°` : 'no limit');
const cm = (m: number) => `${(100 * m).toFixed(1)} cm`;
const places: Record<SquatSetUp['load'], string> = {
  none: 'no load',
  goblet: 'goblet',
  chest: 'hugged to the chest',
  front: 'front of shoulders',
  'across high': 'bar high across the shoulders',
  'across low': 'bar low across the shoulders',
  counterweight: 'at arm’s length',
  'at the sides': 'hanging at the sides',
};

/**
 * What a squat's lean comes from: each input that differs from the reference is put back alone and the lean
 * that balance then asks is compared. A load and its place go back together.
 */
export function whyLean(build: Build, partial: Partial<SquatSetUp>, reference: Build): LeanExplained {
  const set = { ...squatDefaults(build), ...partial };
  const plain = squatDefaults(reference);
  const lean = leanNeededDeg(build, set);
  const short = shortAt(build, set);
  const reasons: LeanReason[] = [];
  const back = (input: string, is: string, was: string, b: Build, s: SquatSetUp) => {
    if (is === was) return;
    const without = leanNeededDeg(b, s);
    reasons.push({
      input,
      is,
      reference: was,
      leanDeg: lean === null || without === null ? null : lean - without,
      shortM: short - shortAt(b, s),
    });
  };
  const segment = (name: string, key: Segment) =>
    back(
      name,
      cm(build.lengths[key]),
      cm(reference.lengths[key]),
      withSegment(build, key, reference.lengths[key]),
      set,
    );
  segment('Thigh', 'thigh');
  segment('Shank', 'shank');
  segment('Hip to shoulder', 'hipShoulder');
  segment('Foot', 'foot');
  const changed = <K extends keyof SquatSetUp>(input: string, key: K, words: (v: SquatSetUp[K]) => string) =>
    back(input, words(set[key]), words(plain[key]), build, { ...set, [key]: plain[key] });
  back(
    'Ankle range',
    deg(build.ankleLimitDeg),
    deg(reference.ankleLimitDeg),
    { ...build, ankleLimitDeg: reference.ankleLimitDeg },
    set,
  );
  changed('Shin rule', 'shinLimitDeg', deg);
  changed('Knee past toe', 'kneePastToeM', (m) => (Number.isFinite(m) ? `at most ${cm(m)}` : 'no limit'));
  changed('Foot pressure', 'pressure', (x) => `${(100 * x).toFixed(0)} % of the foot`);
  changed('Heel wedge', 'heelWedgeDeg', deg);
  changed('Depth', 'thighDeg', (d) => `thigh at ${deg(d)}`);
  changed('Stance', 'spreadDeg', (d) => `legs spread by ${deg(d)}`);
  const loadWords = (s: SquatSetUp) =>
    s.loadKg > 0
      ? `${((100 * s.loadKg) / build.massKg).toFixed(0)} % of body mass, ${places[s.load]}`
      : 'no load';
  back('Load', loadWords(set), 'no load', build, { ...set, load: 'none', loadKg: 0 });
  if (set.load === 'none') changed('Hands', 'arms', (a) => a);
  back('Mass table', build.masses.name, reference.masses.name, { ...build, masses: reference.masses }, set);
  // Where the lean cannot be compared, what changes the shortfall most stands first.
  reasons.sort(
    (a, b) => Math.abs(b.leanDeg ?? 0) - Math.abs(a.leanDeg ?? 0) || Math.abs(b.shortM) - Math.abs(a.shortM),
  );
  return {
    leanDeg: lean,
    shortM: short,
    referenceLeanDeg: leanNeededDeg(reference, { ...plain, thighDeg: plain.thighDeg }),
    reasons,
  };
}
