import type { Lack, SettledMechanics } from '../posture/index.ts';
import type { LoadPlace } from '../terms/index.ts';
import type { Demand, Measured } from './variation.ts';

/** Differences below this many points are ties. */
export const TIE_POINTS = 3;
/** A step is too big when it is over this many points and over this share of what is below it. */
export const TOO_BIG = { points: 15, share: 0.4 } as const;

export interface Step {
  /** What the step is called in its ladder. */
  id: string;
  name: string;
  mechanics: SettledMechanics;
  demand: Demand;
  /** The head coach's correction, points. */
  adjustment: number;
}

/** How a step compares with the one below it. */
export type Comparison = 'harder' | 'tie' | 'inversion' | 'too big' | 'same posture' | 'not compared';

export interface StepProfile extends Step {
  /** Demand with the correction; null where none is computed. */
  points: number | null;
  /** Against the step below; null for the lowest. */
  below: { comparison: Comparison; points: number | null; share: number | null; because: string } | null;
}

export interface StepQuestion {
  kind: 'inversion' | 'too big' | 'cannot';
  from: string | null;
  to: string;
  /** The question as a coach would ask it, with its figures. */
  text: string;
}

/** Places where nothing is carried: a loop pulls, and statics does not see it. */
const NO_LOAD: ReadonlySet<LoadPlace> = new Set<LoadPlace>(['none', 'round the knees', 'round the ankles']);

const sameNumbers = (a: SettledMechanics, b: SettledMechanics): boolean => {
  const plain = (m: SettledMechanics) =>
    JSON.stringify(
      Object.fromEntries(
        Object.entries(m)
          .filter(([k, v]) => k !== 'hold' && !(k === 'loadPlace' && NO_LOAD.has(v as LoadPlace)))
          .sort(([x], [y]) => (x < y ? -1 : 1)),
      ),
    );
  return a.type !== 'drawn' && plain(a) === plain(b);
};

/** What besides posture and load a level of the same posture asks more of. */
function growsElsewhere(below: SettledMechanics, above: SettledMechanics): string {
  const grows: string[] = [];
  const hold = (m: SettledMechanics) => m.type === 'bridge' && m.hold;
  const band = (m: SettledMechanics) =>
    m.type !== 'drawn' &&
    'loadPlace' in m &&
    (m.loadPlace === 'round the knees' || m.loadPlace === 'round the ankles');
  if (hold(above) && !hold(below)) grows.push('time under tension');
  if (band(above) && !band(below)) grows.push('the pull of the band');
  return grows.length > 0 ? `what grows is ${grows.join(' and ')}` : 'what grows is dose, time or fewer aids';
}

/**
 * What leaves open which of two steps asks more; null: nothing. Both stand at the same end of what is open, so low is compared
 * with low and high with high.
 */
function undecided(
  a: Pick<Step, 'demand' | 'adjustment'>,
  b: Pick<Step, 'demand' | 'adjustment'>,
): string | null {
  if (a.demand.kind !== 'measured' || b.demand.kind !== 'measured') return null;
  const end = (s: Measured, which: 'low' | 'high') => (s.band ? s.band[which] : s.points);
  const by = (which: 'low' | 'high') =>
    end(b.demand as Measured, which) + b.adjustment - end(a.demand as Measured, which) - a.adjustment;
  return by('low') * by('high') < 0 ? (b.demand.band?.open ?? a.demand.band?.open ?? null) : null;
}

/** A level's demand with its correction. */
export const adjusted = (step: Pick<Step, 'demand' | 'adjustment'>): number | null =>
  step.demand.kind === 'measured' ? step.demand.points + step.adjustment : null;

const round = (n: number) => Math.round(n).toString();

/**
 * The profile of demand beneath a ladder, steps in the ladder's own order. It informs: the order is the head
 * coach's, and every disagreement becomes a question.
 */
export function profileOf(steps: readonly Step[]): { steps: StepProfile[]; questions: StepQuestion[] } {
  const questions: StepQuestion[] = [];
  const profiles = steps.map((step, i): StepProfile => {
    const points = adjusted(step);
    const { demand } = step;
    if (demand.kind === 'cannot') {
      questions.push({ kind: 'cannot', from: null, to: step.id, text: `${step.name}: ${demand.why}` });
    } else if (demand.kind === 'measured' && !demand.feasible) {
      questions.push({
        kind: 'cannot',
        from: null,
        to: step.id,
        text: `${step.name}: this build ${verdictClause(demand)}.`,
      });
    }
    const lower = steps[i - 1];
    if (!lower) return { ...step, points, below: null };
    const before = adjusted(lower);
    const none = (because: string): StepProfile => ({
      ...step,
      points,
      below: { comparison: 'not compared', points: null, share: null, because },
    });
    if (points === null)
      return none(demand.kind === 'drawn only' ? 'drawn only' : 'not possible for this build');
    if (before === null) return none(`${lower.name} has no computed demand`);
    const rise = points - before;
    const share = before === 0 ? Infinity : rise / before;
    const below = (comparison: Comparison, because: string): StepProfile => ({
      ...step,
      points,
      below: { comparison, points: rise, share, because },
    });
    if (sameNumbers(lower.mechanics, step.mechanics)) {
      return below('same posture', growsElsewhere(lower.mechanics, step.mechanics));
    }
    if (Math.abs(rise) < TIE_POINTS) return below('tie', `within ${TIE_POINTS} points`);
    const open = undecided(lower, step);
    if (open) return below('tie', `more or less, by ${open}, which statics leaves open`);
    if (rise < 0) {
      questions.push({
        kind: 'inversion',
        from: lower.id,
        to: step.id,
        text: `${step.name} asks ${round(-rise)} points less than ${lower.name} below it (${round(points)} against ${round(before)}). Why does it stand above?`,
      });
      return below('inversion', `${round(-rise)} points less`);
    }
    if (rise > TOO_BIG.points && share > TOO_BIG.share) {
      questions.push({
        kind: 'too big',
        from: lower.id,
        to: step.id,
        text: `From ${lower.name} to ${step.name} is ${round(rise)} points, ${round(100 * share)} % more. What goes between?`,
      });
      return below('too big', `${round(rise)} points, ${round(100 * share)} % more`);
    }
    return below('harder', `${round(rise)} points more`);
  });
  return { steps: profiles, questions };
}

/** `ankle range: it takes 25°, there are 18°`; `room: the rear knee would be 4 cm under the floor` */
export function lackWords(l: Lack): string {
  if (l.of === 'floor') {
    const cm = (100 * l.underM).toFixed(l.underM < 0.01 ? 1 : 0);
    return `room: the ${l.part} would be ${cm} cm under the floor`;
  }
  const [needs, has] = [l.needsDeg.toFixed(0), l.hasDeg.toFixed(0)];
  const of = l.rear ? `${l.of} in the rear leg` : l.of;
  if (l.of === 'straight knee') return `a knee that bends back: ${needs}° beyond straight, ${has}° are usual`;
  return `${of}: it takes ${needs}°, there are ${has}°`;
}

/** Why a body cannot hold it, where it cannot. */
export const whyNot = (d: Demand): string | null =>
  d.kind === 'cannot'
    ? d.why
    : d.kind === 'measured' && !d.feasible
      ? `this build ${verdictClause(d)}`
      : null;

export function verdictClause(d: Measured): string {
  const cm = d.shortM < 0.001 ? 'less than 0.1' : (100 * d.shortM).toFixed(1);
  const [lack] = d.lacks;
  if (lack && (d.verdict === 'balanced' || d.verdict === 'held by support'))
    return `lacks ${lackWords(lack)}`;
  switch (d.verdict) {
    case 'falls backward':
      return `falls backward, ${cm} cm short of balance`;
    case 'weight shifts back':
      return `rolls back onto the heels, ${cm} cm short of balance`;
    case 'tips forward':
      return 'tips forward';
    case 'out of reach':
      return 'cannot shift its weight that far';
    case 'lifts off':
      return 'could only stand so if something pulled it down';
    case 'slips':
      return 'slips';
    case 'held by support':
      return 'is held by the support';
    case 'balanced':
      return 'balances';
  }
}

/**
 * Kendall's tau-b between the order of a ladder and its points: 1 where every later level asks more, 0 where there is no
 * relation; differences within a tie count as ties (Kendall 1945). Null with fewer than two levels or none that differ.
 */
export function kendallTau(points: readonly number[]): number | null {
  let sum = 0;
  let pairs = 0;
  let untied = 0;
  for (let i = 0; i < points.length; i++) {
    for (let j = i + 1; j < points.length; j++) {
      const by = points[j]! - points[i]!;
      pairs++;
      if (Math.abs(by) < TIE_POINTS) continue;
      untied++;
      sum += Math.sign(by);
    }
  }
  return untied === 0 ? null : sum / Math.sqrt(pairs * untied);
}

/** Order by feasibility first, then demand; what has no number stands at the end in its old order. */
export function byDemand<T extends Step>(steps: readonly T[]): T[] {
  const rank = (s: T) => (s.demand.kind !== 'measured' ? 2 : s.demand.feasible ? 0 : 1);
  return [...steps].sort((a, b) => rank(a) - rank(b) || (adjusted(a) ?? 0) - (adjusted(b) ?? 0));
}
