import type { HouseQuestion } from './documents.ts';
import type { Pattern, Slug, Stage } from '../terms/index.ts';

/** For whom an answer is given, of those that are documents; an athlete's own are rows. */
export type AnswerScope = 'hall' | Stage | 'loaded' | 'unloaded' | `pattern ${Pattern}` | `variation ${Slug}`;

/**
 * The question with another answer for one scope.
 * @param answer null takes the scope's own answer away; the hall always has one, so there it changes nothing
 */
export function withAnswer(
  q: HouseQuestion,
  scope: AnswerScope,
  answer: string | null,
  why: string,
): HouseQuestion {
  if (scope === 'hall') return answer === null ? q : { ...q, hall: { answer, why } };
  if (scope === 'loaded' || scope === 'unloaded') {
    const loaded = scope === 'loaded';
    const any = (l: HouseQuestion['byLoad'][number]) => l.loaded === loaded && !l.kinds?.length;
    return { ...q, byLoad: put(q.byLoad, any, answer && { loaded, answer, why }) };
  }
  if (scope.startsWith('pattern ')) {
    const pattern = scope.slice('pattern '.length) as Pattern;
    const byPattern = put(
      q.byPattern ?? [],
      (p) => p.pattern === pattern,
      answer && { pattern, answer, why },
    );
    return { ...q, byPattern };
  }
  if (scope === 'learning' || scope === 'sound' || scope === 'advanced') {
    return {
      ...q,
      byStage: put(q.byStage, (s) => s.stage === scope, answer && { stage: scope, answer, why }),
    };
  }
  const variation = scope.slice('variation '.length);
  return {
    ...q,
    byVariation: put(q.byVariation, (v) => v.variation === variation, answer && { variation, answer, why }),
  };
}

/** The list with the one item replaced, added or, for nothing, taken out. */
function put<T>(list: readonly T[], is: (item: T) => boolean, item: T | '' | null): T[] {
  if (!item) return list.filter((x) => !is(x));
  return list.some(is) ? list.map((x) => (is(x) ? item : x)) : [...list, item];
}
