import {
  answerReferencesOf,
  carries,
  documentId,
  placesOn,
  referencesOf,
  resolve,
} from '../library/index.ts';
import { STAGES } from '../terms/index.ts';
import type { Body, Kind, Shelf, Variation } from '../library/index.ts';
import type { JobItem } from './job.ts';
import { LEADING } from './on-paper.ts';
import { warmUpFor } from './warm-up.ts';

/**
 * Every document, as `kind/slug`, that a printed sheet draws on: a change of any of them, and of nothing else,
 * makes the paper outdated. What the shelf does not hold is left out. Whom it was printed for is not asked: cues of
 * every stage count.
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
  /** The variation, and as many of its cues as lead for any reader. */
  const withCues = (v: Variation, leading: number) => {
    take('variation', v.slug);
    for (const person of [undefined, ...STAGES.map((stage) => ({ stage, answers: {} }))]) {
      for (const c of resolve(v, shelf, person).cues.slice(0, leading)) take('cue', c.slug);
    }
  };
  const found = item.of.flatMap((slug) => shelf.get('variation', slug) ?? []);
  switch (item.kind) {
    case 'poster': {
      const ladder = take('ladder', item.of[0]!);
      if (ladder?.kind === 'ladder') {
        for (const l of ladder.levels) for (const slug of [l.main, ...l.equals]) take('variation', slug);
      }
      break;
    }
    case 'full':
      for (const v of found) {
        take('variation', v.slug);
        for (const r of referencesOf(v)) {
          const named = take(r.kind, r.slug);
          // A fault's answers print words of their own, and the kit that they need by name.
          if (named?.kind !== 'fault') continue;
          for (const x of referencesOf(named)) if (x.kind !== 'variation') take(x.kind, x.slug);
        }
        for (const c of shelf.all('caution')) if (carries(v, c)) take('caution', c.slug);
      }
      break;
    case 'floor':
    case 'handout':
      for (const v of found) {
        withCues(v, LEADING[item.kind]);
        for (const r of referencesOf(v)) if (r.kind === 'equipment') take(r.kind, r.slug);
        for (const { fault, severity } of v.faults) {
          if ((severity ?? shelf.get('fault', fault)?.severity) === 3) take('fault', fault);
        }
        if (item.kind === 'handout') {
          for (const c of shelf.all('caution')) if (carries(v, c)) take('caution', c.slug);
        }
      }
      break;
    case 'log':
      for (const v of found) {
        take('variation', v.slug);
        for (const { fault } of v.faults) take('fault', fault);
      }
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
      for (const e of warmUpFor({ shelf, work: found }).entries) withCues(e.variation, LEADING['warm-up']);
      break;
    }
  }
  return ids;
}
