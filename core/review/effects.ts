import { referencesOf, resolve, resolveLadder, documentId } from '../library/index.ts';
import type { Body, Kind, Ladder, Variation, ForPerson, Shelf } from '../library/index.ts';
import { sentenceOf } from '../criterion/index.ts';
import { sheetDifference } from '../sheets/index.ts';
import type { SheetEffect } from '../sheets/index.ts';
import { STAGES } from '../terms/index.ts';

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
  const [was, is] = [touching(ids, before), touching(ids, after)];
  for (const v of after.all('variation')) {
    const old = before.get('variation', v.slug);
    if (!old || v.retired || old.retired) continue;
    if (!is(v) && !was(old)) continue;
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

/** Whether a sheet draws on any of the documents, directly or through one that it names: a house question too. */
function touching(ids: ReadonlySet<string>, shelf: Shelf): (v: Variation) => boolean {
  // Any caution may newly carry or leave a sheet: its predicate is looked at by resolving.
  const caution = [...ids].some((id) => id.startsWith('caution/'));
  const known = new Map<string, boolean>();
  const names = (body: Body, only?: Kind): boolean =>
    referencesOf(body).some((r) => (only ?? r.kind) === r.kind && ids.has(`${r.kind}/${r.slug}`));
  const through = ({ kind, slug }: { kind: Kind; slug: string }): boolean => {
    const id = `${kind}/${slug}`;
    let found = known.get(id);
    if (found === undefined) {
      // Another variation is named, not read. A fault is read with its answers and what they name; of what else is named,
      // only the house questions that it stands under change what is read here.
      const body = kind === 'variation' ? undefined : shelf.get(kind, slug);
      found =
        body !== undefined && (kind === 'fault' ? names(body) || deeper(body) : names(body, 'houseQuestion'));
      known.set(id, found);
    }
    return found;
  };
  const deeper = (fault: Body): boolean =>
    referencesOf(fault).some((r) => r.kind !== 'variation' && r.kind !== 'fault' && through(r));
  return (v) => ids.has(documentId(v)) || caution || names(v) || referencesOf(v).some(through);
}

function sheetEffects(
  before: Shelf,
  after: Shelf,
  old: Variation,
  v: Variation,
  stages: boolean,
): SheetEffect[] {
  const at = (person?: ForPerson) =>
    sheetDifference('screen', resolve(old, before, person), resolve(v, after, person), person?.stage ?? null);
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
