import { sentenceOf } from '../ladder/index.ts';
import { canonicalJson } from './canonical.ts';
import type { Body, Ladder, Variation } from './documents.ts';
import type { SettledMechanics } from './mechanics.ts';
import { faultSection, printedLines } from './printed.ts';
import type { PrintedLine } from './printed.ts';
import { referencesOf } from './references.ts';
import { resolve, resolveLadder } from './resolve.ts';
import type { ForPerson, ResolvedVariation } from './resolve.ts';
import { documentId } from './shelf.ts';
import type { Shelf } from './shelf.ts';
import { STAGES } from './vocabulary.ts';
import type { Stage } from './vocabulary.ts';

/** What a change does to one sheet. */
export interface SheetEffect {
  variation: string;
  name: string;
  /** Stage of the reader for whom it differs; null: for everybody. */
  stage: Stage | null;
  dropped: PrintedLine[];
  takenUp: PrintedLine[];
  /** The same lines in another order, by section. */
  reordered: string[];
  /** Faults that are no longer faults here, and new ones. */
  faultsGone: string[];
  faultsNew: string[];
  /** Both mechanics blocks where the figure changes. */
  figure: { before: SettledMechanics; after: SettledMechanics } | null;
  toeOutDeg: { before: number | null; after: number | null } | null;
}

/** A criterion whose sentence changes. */
export interface CriterionEffect {
  ladder: string;
  ladderName: string;
  level: string;
  criterion: 'advance' | 'stepBack';
  before: string;
  after: string;
}

export interface Effects {
  sheets: SheetEffect[];
  criteria: CriterionEffect[];
  /** Sheets that the changed documents stand on, changed or not. */
  looked: number;
}

/**
 * What changes for readers when some documents change: every sheet they stand on is resolved before and after.
 * New and withdrawn sheets are no effect. Stages are told apart where a house question is among what changed.
 */
export function effectsOf(before: Shelf, after: Shelf, changed: readonly Body[]): Effects {
  const question = changed.some((b) => b.kind === 'houseQuestion');
  const ids = new Set(changed.map(documentId));
  const sheets: SheetEffect[] = [];
  let looked = 0;
  for (const v of after.all('variation')) {
    const old = before.get('variation', v.slug);
    if (!old || v.retired || old.retired) continue;
    if (!question && !touches(ids, v, after) && !touches(ids, old, before)) continue;
    looked++;
    sheets.push(...sheetEffects(before, after, old, v, question));
  }
  const ladders = after.all('ladder').filter((l) => question || ids.has(documentId(l)));
  return { sheets, criteria: criterionEffects(before, after, ladders), looked };
}

/** Criteria of some ladders whose sentences change; a new ladder or level is no effect. */
export function criterionEffects(before: Shelf, after: Shelf, ladders: readonly Ladder[]): CriterionEffect[] {
  return ladders.flatMap((ladder) => {
    const old = before.get('ladder', ladder.slug);
    if (!old) return [];
    const was = new Map(resolveLadder(old, before).levels.map((l) => [l.id, l]));
    return resolveLadder(ladder, after).levels.flatMap((level) =>
      (['advance', 'stepBack'] as const).flatMap((criterion): CriterionEffect[] => {
        const from = was.get(level.id);
        const [a, b] = [from && sentenceOf(from[criterion]), sentenceOf(level[criterion])];
        if (a === undefined || a === b) return [];
        const { slug, name } = ladder;
        return [{ ladder: slug, ladderName: name, level: level.name, criterion, before: a, after: b }];
      }),
    );
  });
}

/** Whether a sheet draws on any of the documents, directly or through one it names. */
function touches(ids: ReadonlySet<string>, v: Variation, shelf: Shelf): boolean {
  if (ids.has(documentId(v))) return true;
  // Any caution may newly carry or leave a sheet: its predicate is looked at by resolving.
  for (const id of ids) if (id.startsWith('caution/')) return true;
  return referencesOf(v).some((r) => {
    if (ids.has(`${r.kind}/${r.slug}`)) return true;
    const fault = r.kind === 'fault' ? shelf.get('fault', r.slug) : undefined;
    return fault !== undefined && referencesOf(fault).some((x) => ids.has(`${x.kind}/${x.slug}`));
  });
}

function sheetEffects(
  before: Shelf,
  after: Shelf,
  old: Variation,
  v: Variation,
  stages: boolean,
): SheetEffect[] {
  const at = (person?: ForPerson) =>
    sheetDifference(resolve(old, before, person), resolve(v, after, person), person?.stage ?? null);
  const plain = at();
  if (!stages) return plain ? [plain] : [];
  const byStage = STAGES.map((stage) => at({ stage, answers: {} }));
  const text = (e: SheetEffect | null) => JSON.stringify(e && { ...e, stage: null, ...cueless(e) });
  // A stage that reads the same difference as everybody needs no line of its own; cues differ by stage anyway.
  const own = byStage.filter((e): e is SheetEffect => e !== null && text(e) !== text(plain));
  return [...(plain ? [plain] : []), ...own];
}

const cueless = (e: SheetEffect) => ({
  dropped: e.dropped.filter((l) => l.section !== 'Cues'),
  takenUp: e.takenUp.filter((l) => l.section !== 'Cues'),
  reordered: e.reordered.filter((s) => s !== 'Cues'),
});

/** What differs between two readings of one sheet; null where they print and draw the same. */
export function sheetDifference(
  before: ResolvedVariation,
  after: ResolvedVariation,
  stage: Stage | null,
): SheetEffect | null {
  if (sameSheet(before, after)) return null;
  const names = (r: ResolvedVariation) => new Map(r.faults.map((f) => [f.slug, f.name]));
  const [was, is] = [names(before), names(after)];
  const faultsGone = [...was].filter(([slug]) => !is.has(slug)).map(([, name]) => name);
  const faultsNew = [...is].filter(([slug]) => !was.has(slug)).map(([, name]) => name);
  // A fault that comes or goes is said by its name, not by each of its lines.
  const whole = new Set([...faultsGone, ...faultsNew].map(faultSection));
  const read = (r: ResolvedVariation) => printedLines(r).filter((l) => !whole.has(l.section));
  const [a, b] = [read(before), read(after)];
  const dropped = without(a, b);
  const takenUp = without(b, a);
  const figure = canonicalJson(before.mechanics) !== canonicalJson(after.mechanics);
  const toes = before.toeOutDeg !== after.toeOutDeg;
  const reordered = [...new Set(a.map((l) => l.section))].filter((section) => {
    const of = (list: PrintedLine[]) => list.filter((l) => l.section === section).map((l) => l.text);
    const [x, y] = [of(a), of(b)];
    return x.join('\n') !== y.join('\n') && [...x].sort().join('\n') === [...y].sort().join('\n');
  });
  return {
    variation: after.source.slug,
    name: after.source.name,
    stage,
    dropped,
    takenUp,
    reordered,
    faultsGone,
    faultsNew,
    figure: figure ? { before: before.mechanics, after: after.mechanics } : null,
    toeOutDeg: toes ? { before: before.toeOutDeg, after: after.toeOutDeg } : null,
  };
}

/** Whether two readings print and draw the same; most sheets do, so it is looked at first. */
function sameSheet(before: ResolvedVariation, after: ResolvedVariation): boolean {
  const [a, b] = [printedLines(before), printedLines(after)];
  return (
    a.length === b.length &&
    a.every((l, i) => sameLine(l, b[i]!)) &&
    before.faults.length === after.faults.length &&
    before.toeOutDeg === after.toeOutDeg &&
    canonicalJson(before.mechanics) === canonicalJson(after.mechanics)
  );
}

/** The lines of the first list that the second has not, each as often as it is missing. */
function without(list: readonly PrintedLine[], other: readonly PrintedLine[]): PrintedLine[] {
  // Sheets differ in a few lines: what is the same at both ends is not looked at further.
  let start = 0;
  while (start < list.length && start < other.length && sameLine(list[start]!, other[start]!)) start++;
  let end = 0;
  while (
    end < Math.min(list.length, other.length) - start &&
    sameLine(list[list.length - 1 - end]!, other[other.length - 1 - end]!)
  ) {
    end++;
  }
  const left = new Map<string, number>();
  const key = (l: PrintedLine) => `${l.section}\n${l.text}`;
  for (const l of other.slice(start, other.length - end)) left.set(key(l), (left.get(key(l)) ?? 0) + 1);
  return list.slice(start, list.length - end).filter((l) => {
    const n = left.get(key(l)) ?? 0;
    left.set(key(l), n - 1);
    return n <= 0;
  });
}

const sameLine = (a: PrintedLine, b: PrintedLine) => a.text === b.text && a.section === b.section;
