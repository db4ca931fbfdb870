import type { SettledMechanics } from '../posture/index.ts';
import type { Stage } from '../terms/index.ts';
import { canonicalJson } from './canonical.ts';
import { faultSection, printedLines } from './printed.ts';
import type { PrintedLine } from './printed.ts';
import type { ResolvedVariation } from './resolve.ts';

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
