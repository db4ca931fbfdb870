import { describe, expect, it } from 'vitest';
import { question, variation } from '../testing/samples.ts';
import { answerInForce } from './resolve.ts';
import { withAnswer } from './answer.ts';
import type { AnswerScope } from './answer.ts';

const loaded = variation('v', { loadKind: 'bar' });
const read = (q: Parameters<typeof answerInForce>[0]) =>
  answerInForce(q, loaded, { stage: 'sound', answers: {} });

describe('an answer given for a scope', () => {
  // From the widest to the narrowest: each stands above those before it.
  const scopes: [AnswerScope, string][] = [
    ['hall', 'hall'],
    ['sound', 'stage'],
    ['pattern bridge', 'pattern'],
    ['loaded', 'load'],
    ['variation v', 'variation'],
  ];

  it('is in force from there on, and the wider one again when it is taken away', () => {
    let q = question('q');
    for (const [scope, name] of scopes) {
      const before = read(q);
      const next = withAnswer(q, scope, 'c', 'Because.');
      expect(read(next)).toEqual({ answer: 'c', scope: name });
      if (scope !== 'hall') expect(read(withAnswer(next, scope, null, ''))).toEqual(before);
      q = next;
    }
  });

  it('replaces what the scope had, and leaves the others alone', () => {
    const q = withAnswer(withAnswer(question('q'), 'learning', 'b', 'x'), 'learning', 'c', 'y');
    expect(q.byStage).toEqual([{ stage: 'learning', answer: 'c', why: 'y' }]);
    expect(withAnswer(q, 'unloaded', 'd', '').byStage).toEqual(q.byStage);
    expect(withAnswer(q, 'unloaded', 'd', '').byLoad).toEqual([{ loaded: false, answer: 'd', why: '' }]);
  });

  it('never leaves the hall without one', () => {
    const q = question('q');
    expect(withAnswer(q, 'hall', null, '')).toBe(q);
  });
});
