import { answerReferencesOf, carries, documentId, referencesOf } from '../library/index.ts';
import type { Body, Kind, Shelf } from '../library/index.ts';
import type { JobItem } from './job.ts';

/**
 * Every document, as `kind/slug`, that a printed sheet draws on: a change of any of them, and of nothing else,
 * makes the paper outdated. What the shelf does not hold is left out.
 */
export function drawsOn(item: JobItem, shelf: Shelf): Set<string> {
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
  const sheet = (slug: string) => {
    const v = shelf.get('variation', slug);
    if (!v) return;
    take('variation', slug);
    for (const r of referencesOf(v)) {
      const named = take(r.kind, r.slug);
      // A fault's answers print the words of their own, and the kit that they need by name.
      if (named?.kind === 'fault')
        for (const x of referencesOf(named)) if (x.kind !== 'variation') take(x.kind, x.slug);
    }
    for (const c of shelf.all('caution')) if (carries(v, c)) take('caution', c.slug);
  };
  if (item.kind === 'poster') {
    const ladder = take('ladder', item.of[0]!);
    if (ladder?.kind === 'ladder')
      for (const l of ladder.levels) for (const s of [l.main, ...l.equals]) take('variation', s);
    return ids;
  }
  item.of.forEach(sheet);
  if (item.kind === 'warm-up') {
    const patterns = new Set(item.of.map((slug) => shelf.get('variation', slug)?.pattern));
    for (const list of shelf.all('drillList')) {
      if (!patterns.has(list.pattern)) continue;
      take('drillList', list.slug);
      list.drills.forEach((slug) => take('variation', slug));
    }
    for (const q of ['preparation', 'activation']) take('houseQuestion', q);
  }
  return ids;
}
