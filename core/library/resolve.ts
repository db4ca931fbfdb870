import type { Atom, Criterion, RuledCriterion } from '../criterion/index.ts';
import type {
  Cue,
  Dose,
  Equipment,
  Fault,
  FaultShows,
  HouseQuestion,
  Ladder,
  Level,
  RuledFelt,
  SettledLadder,
  Variation,
} from './documents.ts';
import type { HoldsUnder, Line } from './line.ts';
import type { Predicate } from './predicates.ts';
import type { Felt, RuledNumber, AnswerKind, Severity, Stage, CameraSign } from '../terms/index.ts';
import { settleMechanics, settleMembers } from '../posture/index.ts';
import type { SettledMechanics } from '../posture/index.ts';
import { branchesOf, standsAbove } from './places.ts';
import { carries } from './predicate.ts';
import type { Shelf } from './shelf.ts';
import type { Stock } from './stock.ts';
import { LINE_FIELDS } from './line-fields.ts';
import type { LineField } from './line-fields.ts';

/** Whom the variation is resolved for; answers of the athlete's own stand above the hall's. */
export interface ForPerson {
  stage: Stage;
  answers: Readonly<Record<string, string>>;
}

/** Answer in force to each house question, and the scope it came from. */
export type AnswersInForce = Record<string, { answer: string; scope: Scope }>;
export type Scope = 'hall' | 'stage' | 'pattern' | 'load' | 'variation' | 'athlete';

/** Tests of a caution that say nothing of the movement itself. */
const EVERYWHERE: ReadonlySet<Predicate['test']> = new Set(['every variation', 'load kind']);

export interface ResolvedNeed {
  equipment: Equipment;
  /** How many the hall has, and where they stand. */
  stock: Stock;
  count: number;
  setUp: string[];
}

export interface ResolvedCue {
  slug: string;
  text: string;
  /** What it means, in plain words; null: nobody has said. */
  plain: string | null;
  phase: Cue['phase'];
  cueKind: Cue['cueKind'];
  view: Cue['view'];
  addresses: string | null;
}

export interface ResolvedFault {
  slug: string;
  name: string;
  sign: string;
  phase: Fault['phase'];
  views: Fault['views'];
  severity: Severity;
  causes: { id: string; text: string; weight: number | null; alike: string | null }[];
  checks: {
    text: string;
    kit: KitGroup[];
    /** Causes by their ids. */
    results: { result: string; pointsTo: string[]; weights: { cause: string; weight: number }[] }[];
  }[];
  answers: ResolvedAnswer[];
  whenToStop: string;
  chain: { text: string; gate: string; variation: { slug: string; name: string } | null }[];
  felt: Felt[];
  shows: FaultShows | null;
  /** What of it a camera can measure; null: nothing. */
  cameraSign: CameraSign | null;
}

/** Pieces of which any one does; mostly one alone. */
export type KitGroup = { slug: string; name: string; inHall: number }[];

export interface ResolvedAnswer {
  answerKind: AnswerKind;
  text: string;
  cue: string | null;
  variation: { slug: string; name: string } | null;
  needsSecondPerson: boolean;
  /** What is fetched for it. */
  equipment: KitGroup;
  /** All that has to be there: the same, and what the variation that it leads to needs. */
  kit: KitGroup[];
  /** Ids of the causes that it answers; null: any. */
  causes: string[] | null;
  /** Why it is no answer on this variation: it leads to the variation itself, or to nothing easier; null: it is one. */
  unfit: string | null;
}

export interface ResolvedCaution {
  slug: string;
  name: string;
  lines: string[];
  /** Carried by every movement, or by every one with a load: nothing that is particular to this one. */
  everywhere: boolean;
}

/** A variation as it is printed and computed with: the answers in force applied, references followed. */
export interface ResolvedVariation {
  source: Variation;
  lines: Record<LineField, string[]>;
  toeOutDeg: number | null;
  /** What figure and demand are computed from. */
  mechanics: SettledMechanics;
  dose: (Omit<Dose, 'notes'> & { notes: string[] })[];
  equipmentAll: ResolvedNeed[];
  equipmentAny: ResolvedNeed[][];
  cues: ResolvedCue[];
  faults: ResolvedFault[];
  wanted: Felt[];
  tolerated: Felt[];
  unwanted: (Felt & { suggests: string | null })[];
  /** What is particular to the movement before what stands on every sheet. */
  cautions: ResolvedCaution[];
  drills: { slug: string; name: string }[];
  answers: AnswersInForce;
  /** Lines that the answers in force dropped: the interface can show that they exist. */
  dropped: { field: string; text: string; because: string }[];
}

/**
 * The answer to a question for a variation and a person.
 * Precedence: hall < stage < pattern < loaded/unloaded < variation < athlete.
 */
export function answerInForce(
  question: HouseQuestion,
  variation: Variation | undefined,
  person?: ForPerson,
): { answer: string; scope: Scope } {
  const own = person?.answers[question.slug];
  if (own !== undefined) return { answer: own, scope: 'athlete' };
  const here = variation && question.byVariation.find((v) => v.variation === variation.slug);
  if (here) return { answer: here.answer, scope: 'variation' };
  const load = variation && question.byLoad.find((l) => isOfLoad(l, variation));
  if (load) return { answer: load.answer, scope: 'load' };
  const pattern = variation && question.byPattern?.find((p) => p.pattern === variation.pattern);
  if (pattern) return { answer: pattern.answer, scope: 'pattern' };
  const stage = person && question.byStage.find((s) => s.stage === person.stage);
  if (stage) return { answer: stage.answer, scope: 'stage' };
  return { answer: question.hall.answer, scope: 'hall' };
}

const isOfLoad = ({ loaded, kinds = [] }: HouseQuestion['byLoad'][number], { loadKind }: Variation) =>
  kinds.length > 0 ? kinds.includes(loadKind) : loaded === (loadKind !== 'none');

/** The answers in force for a variation and a person, and what they make of lines and numbers. */
export function rulesFor(shelf: Shelf, variation: Variation | undefined, person?: ForPerson) {
  const answers: AnswersInForce = {};
  for (const q of shelf.all('houseQuestion')) answers[q.slug] = answerInForce(q, variation, person);
  return {
    answers,
    /** The answer that a line or sensation does not hold under, as `question: answer`; null where it stands. */
    contradiction: (of: { holdsUnder?: HoldsUnder }): string | null => {
      for (const [question, allowed] of Object.entries(of.holdsUnder ?? {})) {
        const now = answers[question]?.answer;
        if (now !== undefined && !allowed.includes(now)) return `${question}: ${now}`;
      }
      return null;
    },
    number: (n: RuledNumber): number =>
      typeof n === 'number' ? n : (n.byAnswer[answers[n.question]?.answer ?? ''] ?? n.otherwise),
  };
}

/**
 * The one reading of a variation: sheet, figure, demand, faults and criteria all start from it.
 * References that lead nowhere are left out; integrity checks keep them from being in force.
 */
export function resolve(variation: Variation, shelf: Shelf, person?: ForPerson): ResolvedVariation {
  const { answers, contradiction, number } = rulesFor(shelf, variation, person);
  const dropped: ResolvedVariation['dropped'] = [];
  const read = (field: string, line: Line): string | null => {
    const because = contradiction(line);
    if (because === null) return line.text;
    dropped.push({ field, text: line.text, because });
    return null;
  };
  const lines = (field: string, list: readonly Line[]) =>
    list.map((l) => read(field, l)).filter((t): t is string => t !== null);
  const needs = (list: Variation['equipmentAll']) =>
    list.flatMap((n) => {
      const equipment = shelf.get('equipment', n.equipment);
      return equipment
        ? [
            {
              equipment,
              stock: shelf.stock(n.equipment),
              count: n.count,
              setUp: [...lines('equipment', equipment.setUp), ...lines('equipment', n.setUp)],
            },
          ]
        : [];
    });
  const found = <T>(slugs: readonly string[], get: (slug: string) => T | undefined) =>
    slugs.map(get).filter((x): x is T => x !== undefined);

  const looksFor = new Set(variation.faults.map((f) => f.fault));
  const cues = found(variation.cues, (s) => shelf.get('cue', s))
    .filter((c) => !person || c.stages.includes(person.stage))
    .flatMap((c): ResolvedCue[] => {
      const text = read('cues', c.line);
      return text === null
        ? []
        : [
            {
              slug: c.slug,
              text,
              plain: c.plain ?? null,
              phase: c.phase,
              cueKind: c.cueKind,
              view: c.view,
              // Of several faults the one that is looked for here.
              addresses:
                [c.addresses, ...(c.alsoAddresses ?? [])].find((f) => f && looksFor.has(f)) ??
                c.addresses ??
                null,
            },
          ];
    });

  const faults = variation.faults.flatMap(({ fault: slug, severity }): ResolvedFault[] => {
    const f = shelf.get('fault', slug);
    const sign = f && read('faults', f.sign);
    if (!f || sign === null || sign === undefined) return [];
    const causes = f.causes.flatMap(({ id, line, weight, alike }) => {
      const text = read('faults', line);
      return text === null ? [] : [{ id, text, weight: weight ?? null, alike: alike ?? null }];
    });
    const stands = (id: string) => causes.some((c) => c.id === id);
    const named = (v: string | undefined) => {
      const found = v === undefined ? undefined : shelf.get('variation', v);
      return found ? { slug: found.slug, name: found.name } : null;
    };
    /** A cue that the rule in force drops is no answer either. */
    const cueStands = (cue: string | undefined) => {
      const said = cue === undefined ? undefined : shelf.get('cue', cue);
      return !said || read('faults', said.line) !== null;
    };
    return [
      {
        slug,
        name: f.name,
        sign,
        phase: f.phase,
        views: f.views,
        severity: severity ?? f.severity,
        causes,
        checks: f.checks.flatMap((c) => {
          const text = read('faults', c.line);
          const results = c.results.flatMap((r) => {
            const pointsTo = r.pointsTo.filter(stands);
            const weights = (r.weights ?? []).filter((w) => stands(w.cause));
            // A result whose every cause is dropped says nothing any more.
            return r.pointsTo.length > 0 && pointsTo.length === 0
              ? []
              : [{ result: r.result, pointsTo, weights }];
          });
          return text === null ? [] : [{ text, kit: kitOf(shelf, c.equipment ?? []), results }];
        }),
        answers: f.answers.flatMap((a) => {
          const text = read('faults', a.line);
          if (text === null || !cueStands(a.cue)) return [];
          const answers = a.causes?.filter(stands) ?? null;
          // An answer to causes that are all dropped answers nothing any more.
          if (answers?.length === 0) return [];
          return [
            {
              answerKind: a.answerKind,
              text,
              cue: a.cue ?? null,
              variation: named(a.variation),
              needsSecondPerson: a.needsSecondPerson,
              equipment: found(a.equipment, (e) => shelf.get('equipment', e)).map((e) => pieceOf(e, shelf)),
              kit: kitOf(shelf, a.equipment, a.variation),
              causes: answers,
              unfit: unfitFor(variation, a, shelf),
            },
          ];
        }),
        whenToStop: read('faults', f.whenToStop) ?? '',
        chain: f.chain.flatMap((c) => {
          const text = read('faults', c.line);
          const gate = read('faults', c.gate);
          return text === null || gate === null ? [] : [{ text, gate, variation: named(c.variation) }];
        }),
        felt: f.felt ?? [],
        shows: f.shows ?? null,
        cameraSign: f.cameraSign ?? null,
      },
    ];
  });

  return {
    source: variation,
    lines: Object.fromEntries(LINE_FIELDS.map((f) => [f, lines(f, variation[f])])) as Record<
      LineField,
      string[]
    >,
    toeOutDeg: variation.toeOutDeg === undefined ? null : number(variation.toeOutDeg),
    mechanics: settleMechanics(variation.mechanics, number),
    dose: variation.dose.map((d) => ({ ...d, notes: lines('dose', d.notes) })),
    equipmentAll: needs(variation.equipmentAll),
    equipmentAny: variation.equipmentAny.map(needs),
    cues,
    faults,
    wanted: feltUnder(variation.wanted, contradiction),
    tolerated: feltUnder(variation.tolerated, contradiction),
    unwanted: variation.unwanted.map((u) => ({
      ...feltOf(u),
      suggests: read('unwanted', u.suggests),
    })),
    // A caution stands above every answer: its lines are never dropped.
    cautions: shelf
      .all('caution')
      .filter((c) => !c.retired && carries(variation, c))
      .map((c) => ({
        slug: c.slug,
        name: c.name,
        lines: c.lines.map((l) => l.text),
        everywhere: EVERYWHERE.has(c.appliesTo.test),
      }))
      .sort((a, b) => Number(a.everywhere) - Number(b.everywhere)),
    drills: found(variation.drills, (s) => shelf.get('variation', s)).map((d) => ({
      slug: d.slug,
      name: d.name,
    })),
    answers,
    dropped,
  };
}

const pieceOf = ({ slug, name }: Equipment, shelf: Shelf): KitGroup[number] => ({
  slug,
  name,
  inHall: shelf.stock(slug).count,
});

/** What has to be there, and what a variation needs besides; an equal is not what was asked for at the desk. */
function kitOf(shelf: Shelf, needed: readonly string[], variation?: string): KitGroup[] {
  const to = variation === undefined ? undefined : shelf.get('variation', variation);
  const groups = [
    ...needed.map((e) => [e]),
    ...(to?.equipmentAll ?? []).map((n) => [n.equipment]),
    ...(to?.equipmentAny ?? []).map((group) => group.map((n) => n.equipment)),
  ];
  return groups.map((slugs) =>
    slugs.flatMap((s) => {
      const e = shelf.get('equipment', s);
      return e ? [pieceOf(e, shelf)] : [];
    }),
  );
}

/** An answer is written once for all variations of a fault; on some of them it leads nowhere. */
function unfitFor(v: Variation, a: Fault['answers'][number], shelf: Shelf): string | null {
  const to = a.variation === undefined ? undefined : shelf.get('variation', a.variation);
  if (!to) return null;
  if (to.slug === v.slug) return 'that is what is done';
  if (a.answerKind !== 'easier variation') return null;
  if (to.pattern !== v.pattern) return 'another pattern';
  return standsAbove(shelf, to.slug, v.slug) ? 'it stands higher on the ladder' : null;
}

const feltUnder = (list: readonly RuledFelt[], contradiction: (f: RuledFelt) => string | null): Felt[] =>
  list.filter((f) => contradiction(f) === null).map(feltOf);

const feltOf = ({ region, kind, leg }: Felt): Felt => ({ region, kind, ...(leg ? { leg } : {}) });

/** The wanted sensations alone under the answers in force. */
export const resolveWanted = (variation: Variation, shelf: Shelf, person?: ForPerson): Felt[] =>
  feltUnder(variation.wanted, rulesFor(shelf, variation, person).contradiction);

/** The mechanics block alone under the answers in force: for lists, where a whole sheet would be too much. */
export const resolveMechanics = (variation: Variation, shelf: Shelf, person?: ForPerson): SettledMechanics =>
  settleMechanics(variation.mechanics, rulesFor(shelf, variation, person).number);

/** Whether anything that a ladder is for holds under the answers in force: what has no purpose left is not begun. */
export function isTaught(
  ladder: Ladder,
  shelf: Shelf,
  answers: Readonly<Record<string, string>> = {},
): boolean {
  return purposeUnder(ladder, shelf, answers).length > 0;
}

/** The branches of a trunk that are taught under the answers in force. */
export const branchesTaught = (
  shelf: Shelf,
  trunk: Ladder,
  answers: Readonly<Record<string, string>> = {},
): Ladder[] => branchesOf(shelf, trunk).filter((b) => isTaught(b, shelf, answers));

const purposeUnder = (ladder: Ladder, shelf: Shelf, answers: Readonly<Record<string, string>>): Line[] => {
  const { contradiction } = rulesFor(shelf, undefined, { stage: ladder.levels[0]!.stage, answers });
  return ladder.purpose.filter((l) => contradiction(l) === null);
};

/**
 * The one reading of a ladder: each level's criteria under the answers in force for its main variation and stage.
 * @param answers of the athlete's own, by question
 */
export function resolveLadder(
  ladder: Ladder,
  shelf: Shelf,
  answers: Readonly<Record<string, string>> = {},
): SettledLadder {
  return {
    ...ladder,
    purpose: purposeUnder(ladder, shelf, answers),
    levels: ladder.levels.map((level, i) => {
      const main = shelf.get('variation', level.main);
      const settled = <T extends Pick<Level, 'advance' | 'stepBack'>>(of: T, stage: Stage) => {
        const { number } = rulesFor(shelf, main, { stage, answers });
        return {
          ...of,
          advance: settleCriterion(of.advance, number),
          stepBack: settleCriterion(of.stepBack, number),
        };
      };
      const { variants, interval, ...rest } = level;
      // A branch is entered at its first level, from what of the trunk is held.
      const own =
        ladder.branchOf && i === 0 ? { ...rest, entryNeeds: [ladder.branchOf, ...rest.entryNeeds] } : rest;
      return {
        ...settled(own, level.stage),
        ...(variants ? { variants: variants.map((v) => settled(v, v.stage ?? level.stage)) } : {}),
        ...(interval ? { interval: settled(interval, level.stage) } : {}),
      };
    }),
  };
}

function settleCriterion(c: RuledCriterion, number: (ruled: RuledNumber) => number): Criterion {
  switch (c.kind) {
    case 'all':
    case 'any':
      return { ...c, of: c.of.map((part) => settleCriterion(part, number)) };
    case 'not':
      return { ...c, of: settleMembers(c.of, number) as unknown as Atom };
    case 'sessionsRunning':
      return { ...c, of: settleCriterion(c.of, number) };
    default:
      return settleMembers(c, number) as unknown as Atom;
  }
}
