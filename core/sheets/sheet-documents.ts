import {
  answerReferencesOf,
  branchesOf,
  documentId,
  placesOn,
  referencesOf,
  resolve,
} from '../library/index.ts';
import type { Body, Kind, Shelf, Variation } from '../library/index.ts';
import { STAGES } from '../terms/index.ts';
import { sheetBlocks } from './sheet-blocks.ts';
import type { JobItem } from './job.ts';
import { warmUpFor } from './warm-up.ts';

/**
 * Every document, as `kind/slug`, that a printed sheet draws on: a change of any of them, and of nothing else,
 * makes the paper outdated. What the shelf does not hold is left out. Whom it was printed for is not asked: cues of
 * every stage count.
 */
export function sheetDocuments(item: JobItem, shelf: Shelf): Set<string> {
  const ids = new Set<string>();
  const take = (kind: Kind, slug: string): Body | undefined => {
    const body = shelf.get(kind, slug);
    if (!body) return undefined;
    ids.add(documentId(body));
    for (const { question } of answerReferencesOf(body)) {
      if (shelf.get('houseQuestion', question)) ids.add(`houseQuestion/${question}`);
    }
    return body;
  };
  /** The variation, and what its blocks are read from for any reader. */
  const withBlocks = (v: Variation) => {
    take('variation', v.slug);
    for (const person of [undefined, ...STAGES.map((stage) => ({ stage, answers: {} }))]) {
      for (const block of sheetBlocks(item.kind, resolve(v, shelf, person))) {
        for (const id of block.documents) {
          const [kind, slug] = id.split('/') as [Kind, string];
          take(kind, slug);
        }
      }
    }
  };
  const found = item.of.flatMap((slug) => shelf.get('variation', slug) ?? []);
  switch (item.kind) {
    case 'poster': {
      const ladder = take('ladder', item.of[0]!);
      if (ladder?.kind === 'ladder') {
        for (const l of ladder.levels) for (const slug of [l.main, ...l.equals]) take('variation', slug);
        for (const b of branchesOf(shelf, ladder)) take('ladder', b.slug);
      }
      break;
    }
    case 'full':
      for (const v of found) {
        withBlocks(v);
        // What the answers in force drop for everybody still stands on the sheet of somebody with answers of their own.
        for (const r of referencesOf(v)) take(r.kind, r.slug);
      }
      break;
    case 'floor':
    case 'handout':
    case 'log':
      found.forEach(withBlocks);
      break;
    case 'warm-up': {
      const patterns = new Set(found.map((v) => v.pattern));
      const places = placesOn(shelf);
      for (const v of found) {
        take('variation', v.slug);
        // Which light version is nearest is read from the ladder.
        for (const p of places.get(v.slug) ?? []) take('ladder', p.ladder);
      }
      for (const list of shelf.all('drillList')) if (patterns.has(list.pattern)) take('drillList', list.slug);
      for (const q of ['preparation', 'activation']) take('houseQuestion', q);
      for (const e of warmUpFor({ shelf, work: found }).entries) withBlocks(e.variation);
      break;
    }
  }
  return ids;
}
