import type { SettledMechanics } from '../posture/index.ts';
import { STAGES } from '../terms/index.ts';
import type { Stage } from '../terms/index.ts';
import { canonicalJson, resolve } from '../library/index.ts';
import type { ResolvedVariation, Shelf } from '../library/index.ts';
import { faultSection, hasFigure, hasToes, lineWords, sheetLines } from './sheet-blocks.ts';
import type { BlockLine, Medium } from './sheet-blocks.ts';
import type { SheetKind } from './job.ts';

/** A line as it is read, with what it is told under. */
export interface PrintedLine {
  section: string;
  text: string;
}

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

/** What differs between two readings of one variation on paper or screen; null where they print and draw the same. */
export function sheetDifference(
  on: Medium,
  before: ResolvedVariation,
  after: ResolvedVariation,
  stage: Stage | null,
): SheetEffect | null {
  const [rawBefore, rawAfter] = [sheetLines(on, before), sheetLines(on, after)];
  const figure = hasFigure(on) && canonicalJson(before.mechanics) !== canonicalJson(after.mechanics);
  // Most sheets are the same, so that is looked at first.
  const same =
    rawBefore.length === rawAfter.length &&
    rawBefore.every((l, i) => sameLine(l, rawAfter[i]!) && l.lead === rawAfter[i]!.lead);
  if (same && !figure) return null;
  const [allBefore, allAfter] = [rawBefore.map(told), rawAfter.map(told)];
  const [was, is] = [faultsIn(allBefore), faultsIn(allAfter)];
  const faultsGone = [...was].filter(([id]) => !is.has(id)).map(([, name]) => name);
  const faultsNew = [...is].filter(([id]) => !was.has(id)).map(([, name]) => name);
  // A fault that comes or goes is said by its name, not by each of its lines.
  const whole = new Set([...faultsGone, ...faultsNew].map(faultSection));
  const [a, b] = [allBefore, allAfter].map((list) =>
    list.filter((l) => !whole.has(l.section)).map(({ section, text }): PrintedLine => ({ section, text })),
  ) as [PrintedLine[], PrintedLine[]];
  const dropped = without(a, b);
  const takenUp = without(b, a);
  const toes = hasToes(on) && before.toeOutDeg !== after.toeOutDeg;
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

/** A line as it makes sense alone. */
const told = (l: BlockLine) => ({
  section: l.section,
  text: l.lead === null || l.section.endsWith(l.lead) ? l.text : lineWords(l),
  of: l.of,
});

const FAULT = faultSection('');
/** The faults that the lines are of, by their document, with their names. */
const faultsIn = (lines: ReturnType<typeof told>[]) =>
  new Map(
    lines.flatMap((l) =>
      l.of?.startsWith('fault/') ? [[l.of, l.section.slice(FAULT.length)] as const] : [],
    ),
  );

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

/**
 * What reads or is drawn differently on paper of a kind, variation by variation, for everybody or for a stage;
 * variations that are new or gone are no difference.
 */
export function differsOnPaper(
  kind: SheetKind,
  slugs: Iterable<string>,
  before: Shelf,
  after: Shelf,
): SheetEffect[] {
  const effects = new Map<string, SheetEffect>();
  for (const slug of slugs) {
    const [old, now] = [before.get('variation', slug), after.get('variation', slug)];
    if (!old || !now) continue;
    // Cues and answers differ by stage; a stage that reads the same difference needs no line of its own.
    for (const person of [undefined, ...STAGES.map((stage) => ({ stage, answers: {} }))]) {
      const [a, b] = [resolve(old, before, person), resolve(now, after, person)];
      const effect = sheetDifference(kind, a, b, person?.stage ?? null);
      if (!effect) continue;
      const key = JSON.stringify({ ...effect, stage: null });
      if (!effects.has(key)) effects.set(key, effect);
    }
  }
  return [...effects.values()];
}
