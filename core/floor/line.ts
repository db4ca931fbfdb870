import {
  isInForce,
  barSentence,
  bridgeOf,
  barring,
  cueRecord,
  nextSet,
  planAt,
  rankedCues,
  recurringFaults,
  setsToFollow,
  takenWaySentence,
  targetAt,
} from '../ladder/index.ts';
import { setsToWatch } from '../criterion/index.ts';
import { sideWorkOf, sidesApart } from '../terms/index.ts';
import type {
  CountedIn,
  Form,
  LoadKind,
  Pattern,
  SetUpMeasure,
  SettingUsed,
  SideWork,
  Stage,
} from '../terms/index.ts';
import type { RangeJoint, RangeLacking } from '../body/index.ts';
import { fitCard, settingsOf } from '../kit/index.ts';
import type { RunBody } from '../kit/index.ts';
import type { CueTried, NextSet, Outcome, Plan, Target } from '../ladder/index.ts';
import type { Door, Shown } from './door.ts';
import type { Floor } from './judge.ts';
import type { Ladder, ResolvedVariation, Shelf, ShelfInForce } from '../library/index.ts';
import type { LoggedSet, VariationFacts } from '../log/index.ts';
import { painfulDays } from './records.ts';
import type { PersonRecords } from './records.ts';
import { judge } from './judge.ts';
import { sidesDiffer } from '../log/index.ts';
import { levelOf, readingOfLadder, readingOfVariation } from './readings.ts';
/** One thing to keep an eye on before a set. */
export interface Watch {
  kind: 'fault' | 'restriction' | 'cue works' | 'cue failed' | 'pain' | 'sides' | 'range';
  text: string;
}

/** What a range that lacks changes, and in which work (common practice, no source). */
const RANGE_WATCH: Record<RangeJoint, { patterns: readonly Pattern[]; then: string }> = {
  ankle: { patterns: ['squat', 'lunge'], then: 'less depth, or a wedge, before the heels lift' },
  hip: { patterns: ['squat', 'hinge'], then: 'stop before the low back rounds' },
  'back of thigh': { patterns: ['hinge'], then: 'stop where the back stays long' },
  'front of hip': { patterns: ['lunge', 'bridge'], then: 'ribs down, stop before the low back arches' },
};

/** What somebody does next on one ladder. */
export interface TodayLine {
  ladder: string;
  ladderName: string;
  pattern: Pattern;
  levelName: string;
  levelNumber: number;
  levels: number;
  stage: Stage;
  /** The day they came to the level. */
  since: string;
  /** One level down, where nothing bars it: what is given when a fault has no answer left. */
  below: { variation: string; name: string; levelName: string } | null;
  outcome: Outcome | null;
  reason: string | null;
  /** What is done today: the main variation, or the nearest that restrictions and kit permit; null when barred. */
  variation: string | null;
  variationName: string | null;
  variationNote: string | null;
  oneSided: boolean;
  /** How the sides work. */
  sides: SideWork;
  /** What is lifted; null: nothing is done. */
  loadKind: LoadKind | null;
  /** What is asked today. */
  target: Target;
  /** The same with why; null where it could not be computed. */
  plan: Plan | null;
  next: NextSet | null;
  /** Sets of the variation that the next one follows from, of earlier days. */
  recent: Shown<LoggedSet>[];
  form: Form;
  /** What decisions know of the variation, as far as the next set needs it. */
  countedIn: CountedIn;
  severities: VariationFacts['severities'];
  /** The way on that the decision proposes, or the first still open. */
  wayOn: string | null;
  wayOnDue: boolean;
  /** How its load step is bridged, where it is a large one. */
  wayOnBridge: string | null;
  watch: Watch[];
  /** The three cues for this person, those that worked first, those that failed last. */
  cues: { slug: string; text: string; plain: string | null; record: 'works' | 'failed' | null }[];
  ifItGoesWrong: string[];
  /** How it is set to them as computed, on the hall’s own things; empty where nothing is, or nobody is measured. */
  setTo: SettingUsed[];
  /** What of it does not fit with what the hall has. */
  unfit: SetUpMeasure[];
  /** Sets of today that have to be watched for the way up; 0: it does not ask for it. */
  toWatch: number;
  /** Equipment that may be taken, for what can be given instead. */
  kit: { slug: string; name: string }[];
  failure: string | null;
}

/** Equipment of a variation, what the hall has fewest of first: that is what will be taken. */
function kitOf(read: ResolvedVariation, shelf: Shelf): TodayLine['kit'] {
  return [...read.equipmentAll, ...read.equipmentAny.flat()]
    .map(({ equipment: { slug, name } }) => ({
      slug,
      name,
      inHall: shelf.get('equipment', slug) ? shelf.stock(slug).count : 0,
    }))
    .sort((a, b) => a.inHall - b.inHall)
    .map(({ slug, name }) => ({ slug, name }));
}

const CUES_SHOWN = 3;

/** The variations of the levels somebody stands on, equals too. */
export const variationsNow = ({ shelf }: ShelfInForce, { standings }: PersonRecords): string[] =>
  [...standings].flatMap(([slug, s]) => {
    const level = shelf.get('ladder', slug)?.levels.find((l) => l.id === s.level);
    return level ? [level.main, ...level.equals] : [];
  });

/** A body that things are fitted to, and its ranges that lack. */
export type FloorBody = NonNullable<RunBody> & { lacking: readonly RangeLacking[] };

/** What a line of today is made of. */
export interface LineInput {
  floor: Floor;
  ladder: Ladder;
  own: PersonRecords;
  /** The sets that told aids and settings last, of what is done now. */
  withSettings: readonly LoggedSet[];
  tried: readonly CueTried[];
  door: Door;
  /** null: nobody has measured them. */
  body: FloorBody | null;
}

/** The line, or, where it cannot be computed, that it could not: the others go on, and so does logging. */
export function lineOrFailure(of: LineInput): TodayLine | null {
  try {
    return lineOf(of);
  } catch (error) {
    const { floor, ladder, own } = of;
    const { inForce } = floor;
    floor.told?.(`What is next on ${ladder.slug} failed:`, error);
    const level = ladder.levels.find((l) => l.id === own.standings.get(ladder.slug)?.level);
    const main = level && inForce.shelf.get('variation', level.main);
    if (!level || !main) return null;
    return {
      ladder: ladder.slug,
      ladderName: ladder.name,
      pattern: ladder.pattern,
      levelName: level.name,
      levelNumber: ladder.levels.indexOf(level) + 1,
      levels: ladder.levels.length,
      stage: level.stage,
      since: own.standings.get(ladder.slug)?.since ?? '',
      below: null,
      outcome: null,
      reason: null,
      variation: main.slug,
      variationName: main.name,
      variationNote: null,
      oneSided: sidesApart(main),
      sides: sideWorkOf(main),
      loadKind: main.loadKind,
      target: targetAt(level.dose, []),
      plan: null,
      next: null,
      recent: [],
      form: 'sets',
      countedIn: main.countedIn,
      severities: {},
      wayOn: null,
      wayOnDue: false,
      wayOnBridge: null,
      watch: [],
      cues: [],
      ifItGoesWrong: [],
      setTo: [],
      unfit: [],
      toWatch: 0,
      kit: [],
      failure: 'What is next could not be computed. Logging goes on; nothing is lost.',
    };
  }
}

/** What one person does on one ladder today; null where they do not stand on it. */
export function lineOf({ floor, ladder, own, withSettings, tried, door, body }: LineInput): TodayLine | null {
  const { inForce, today: date } = floor;
  const { shelf } = inForce;
  const { standing, decision, failure } = judge(floor, ladder, own, { foretell: false });
  if (!standing) return null;
  const { settled, facts } = readingOfLadder(inForce, ladder, own.answers, standing);
  const level = levelOf(settled, standing.level);
  if (!level) return null;
  const stage = standing.stage ?? level.stage;
  const stopped = decision?.outcome === 'stop and refer';
  const slug = stopped ? null : decision ? decision.variation : level.main;
  const known = slug === null ? undefined : facts.get(slug);
  const raw = slug === null ? undefined : shelf.get('variation', slug);
  const read = raw && readingOfVariation(inForce, raw, { stage, answers: own.answers });
  const shown = decision && door.decision(decision);
  const plan: Plan = shown?.plan ?? planAt(targetAt(level.dose, standing.taken));
  const { sets } = own.evidence(ladder.slug);
  const seen = new Set(sets.map((s) => s.id));
  const all = [...sets, ...withSettings.filter((s) => !seen.has(s.id))];
  const record = cueRecord(tried, slug ?? '');
  // The decision names the first way on still open, whether it is due or not.
  const wayOn = decision?.grow.next ?? null;
  const card =
    body && read?.source.measures?.length
      ? fitCard(read, shelf, { ...body, loadKg: plan.target.loadKg ?? null })
      : null;
  const cueText = new Map(read?.cues.map((c) => [c.slug, c.text]));
  return {
    ladder: ladder.slug,
    ladderName: ladder.name,
    pattern: ladder.pattern,
    levelName: level.name,
    levelNumber: settled.levels.indexOf(level) + 1,
    levels: settled.levels.length,
    stage,
    since: standing.since,
    below: belowOf(),
    outcome: shown?.outcome ?? null,
    reason: shown?.reasons[0]?.text ?? null,
    variation: slug,
    variationName: raw?.name ?? null,
    variationNote: decision?.variationNote ?? null,
    oneSided: known?.oneSided ?? false,
    // The sides change inside a round.
    sides: raw && !known?.inIntervals ? sideWorkOf(raw) : 'together',
    loadKind: raw?.loadKind ?? null,
    target: plan.target,
    plan,
    next: known ? nextSet(all, known, plan, date) : null,
    recent: setsToFollow(all, slug ?? '', date).map(door.set),
    form: standing.form ?? 'sets',
    countedIn: known?.countedIn ?? 'repetitions',
    severities: known?.severities ?? {},
    wayOn: wayOn ? takenWaySentence(wayOn) : null,
    wayOnDue: wayOn !== null && decision?.outcome === 'grow',
    wayOnBridge: wayOn && bridgeOf(wayOn, plan.target.loadKg),
    watch: door.watch(watchOf()),
    cues: rankedCues(read?.cues ?? [], record)
      .slice(0, CUES_SHOWN)
      .map((c) => ({
        slug: c.slug,
        text: c.text,
        plain: c.plain,
        record: record.works.includes(c.slug) ? 'works' : record.failed.includes(c.slug) ? 'failed' : null,
      })),
    ifItGoesWrong: read?.lines.ifItGoesWrong ?? [],
    setTo: settingsOf(card),
    unfit: card?.rows.flatMap((r) => (r.fitting === 'does not fit' ? [r.measure] : [])) ?? [],
    toWatch: setsToWatch(level.advance),
    kit: read ? kitOf(read, shelf) : [],
    failure,
  };

  function belowOf(): TodayLine['below'] {
    const under = settled.levels[settled.levels.indexOf(level!) - 1];
    const main = under && shelf.get('variation', under.main);
    if (!under || !main) return null;
    const bars = own.restrictions.filter((r) => isInForce(r, date));
    if (barring(bars, main).length > 0) return null;
    return { variation: main.slug, name: main.name, levelName: under.name };
  }

  function watchOf(): Watch[] {
    const found: Watch[] = [];
    const bars = own.restrictions.filter((r) => isInForce(r, date));
    for (const r of bars) {
      found.push({
        kind: 'restriction',
        text: `Barred: ${r.bars.map(barSentence).join(', ')}${r.until ? ` until ${r.until}` : ''}`,
      });
    }
    for (const f of recurringFaults(sets).filter((x) => x.variation === slug)) {
      const name = shelf.get('fault', f.fault)?.name ?? f.fault;
      const where = f.side ? `, only on the ${f.side}` : '';
      found.push({ kind: 'fault', text: `${name}: ${f.dates.length} sessions running${where}` });
    }
    const sides = decision?.sides ?? null;
    if (sides && sidesDiffer(sides)) {
      found.push({
        kind: 'sides',
        text: `Left ${sides.left}, right ${sides.right} in the side test of ${sides.date}`,
      });
    }
    for (const { joint, deg, date: on } of body?.lacking ?? []) {
      const { patterns, then } = RANGE_WATCH[joint];
      if (patterns.includes(ladder.pattern))
        found.push({ kind: 'range', text: `${joint} ${Math.round(deg)}° on ${on}: ${then}` });
    }
    const pain = door.pain(painfulDays(own).at(-1) ?? null);
    if (pain && pain >= standing!.since) found.push({ kind: 'pain', text: `Pain was reported on ${pain}` });
    for (const c of record.works) {
      const text = cueText.get(c);
      if (text) found.push({ kind: 'cue works', text });
    }
    for (const c of record.failed) {
      const text = cueText.get(c);
      if (text) found.push({ kind: 'cue failed', text });
    }
    return found;
  }
}
