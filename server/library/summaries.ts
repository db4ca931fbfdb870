import { documentId, holdsFor, referencesOf, resolveMechanics, titleOf } from '../../core/library/index.ts';
import type { Body, Shelf, Variation } from '../../core/library/index.ts';
import { needsOf } from '../../core/kit/index.ts';
import type { EntrySummary, VariationFacets } from '../../contract/library.ts';

// A shelf never changes once read, so its list is made once.
const made = new WeakMap<Shelf, EntrySummary[]>();

/** The library as its list: enough to find, narrow and draw every entry, without a single sheet. */
export function summariesOf(shelf: Shelf, revisions: ReadonlyMap<string, number>): EntrySummary[] {
  let list = made.get(shelf);
  if (!list) {
    const levels = new Map<string, string[]>();
    for (const ladder of shelf.all('ladder')) {
      if (ladder.retired) continue;
      ladder.levels.forEach((level, i) => {
        for (const slug of [level.main, ...level.equals]) {
          levels.set(slug, [...(levels.get(slug) ?? []), `${ladder.slug}/${i + 1}`]);
        }
      });
    }
    list = shelf.everything().map((body) => summaryOf(body, shelf, revisions, levels));
    made.set(shelf, list);
  }
  return list;
}

function summaryOf(
  body: Body,
  shelf: Shelf,
  revisions: ReadonlyMap<string, number>,
  levels: ReadonlyMap<string, string[]>,
): EntrySummary {
  const variation = body.kind === 'variation' ? body : null;
  return {
    kind: body.kind,
    slug: body.slug,
    title: titleOf(body),
    revision: revisions.get(documentId(body)) ?? 0,
    retired: body.retired,
    pattern: 'pattern' in body ? body.pattern : null,
    roles: variation?.roles ?? [],
    laterality: variation?.laterality ?? null,
    mechanics: variation && resolveMechanics(variation, shelf),
    demandAdjustment: variation?.demandAdjustment?.points ?? 0,
    facets: variation && facetsOf(variation, shelf, levels.get(variation.slug) ?? []),
    words: wordsOf(body),
    uses: [...new Set(referencesOf(body).map(documentId))],
  };
}

function facetsOf(v: Variation, shelf: Shelf, levels: string[]): VariationFacets {
  const { all, any } = needsOf(v);
  return {
    dominance: v.dominance,
    muscles: v.muscles,
    felt: [...new Set(v.wanted.map((f) => f.region))],
    cautions: shelf
      .all('caution')
      .filter((c) => !c.retired && (v.extraCautions.includes(c.slug) || holdsFor(c.appliesTo, v)))
      .map((c) => c.slug),
    levels,
    equipmentAll: [...all],
    equipmentAny: any.map((group) => [...group]),
  };
}

/** What else a document is looked for by: other names, what is seen, where it stands. */
function wordsOf(body: Body): string {
  switch (body.kind) {
    case 'variation':
      return body.shortName === body.name ? '' : body.shortName;
    case 'fault':
      return body.sign.text;
    case 'equipment':
      return body.where;
    case 'caution':
      return body.lines.map((l) => l.text).join(' ');
    case 'houseQuestion':
      return body.answers.map((a) => a.name).join(' ');
    case 'ladder':
      return body.levels.map((l) => l.name).join(' ');
    case 'cue':
    case 'drillList':
      return '';
  }
}
