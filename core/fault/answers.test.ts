import { describe, expect, it } from 'vitest';
import { answer, deskFault, priced } from '../testing/faults.ts';
import {
  afterTry,
  answersOf,
  byCausesInPlay,
  expectedCost,
  KIT_COST,
  NO_ANSWER_COST,
  SECOND_PERSON_COST,
} from './answers.ts';
import { causesOf } from './causes.ts';

const beliefs = (p: Record<string, number>) => new Map(Object.entries(p));

describe('answers', () => {
  it('stand cheapest first: by kind, then what they need, then as the library has them', () => {
    const box = { slug: 'box', name: 'Box', inHall: 1 };
    const f = deskFault('f', ['a', 'b'], {
      answers: [
        answer('easier', { answerKind: 'easier variation' }),
        answer('set-up with a box', { answerKind: 'set-up change', equipment: [box] }),
        answer('cue two'),
        answer('touch by a coach', { answerKind: 'touch or constraint', needsSecondPerson: true }),
        answer('set-up', { answerKind: 'set-up change' }),
        answer('cue three'),
      ],
    });
    const got = answersOf([f], causesOf([f]));
    expect(got.map((a) => a.text)).toEqual([
      'cue two',
      'cue three',
      'touch by a coach',
      'set-up',
      'set-up with a box',
      'easier',
    ]);
    expect(got[2]!.cost).toBe(1.5 + SECOND_PERSON_COST);
    expect(got[4]!.cost).toBe(2.5 + KIT_COST);
    expect([...got[0]!.serves]).toEqual(['f/a', 'f/b']);
  });

  it('leave out what leads nowhere on this variation', () => {
    const f = deskFault('f', ['a'], {
      answers: [answer('one', { unfit: 'that is what is done' }), answer('two')],
    });
    expect(answersOf([f], causesOf([f])).map((a) => a.text)).toEqual(['two']);
  });

  it('for causes in play come before the others: at least a third as likely as the likeliest', () => {
    const list = [priced(1, 'c'), priced(2, 'a'), priced(3, 'b')];
    const { inPlay, others } = byCausesInPlay(list, beliefs({ a: 0.6, b: 0.25, c: 0.15 }));
    expect(inPlay.map((a) => a.cost)).toEqual([2, 3]);
    expect(others.map((a) => a.cost)).toEqual([1]);
  });
});

describe('expected cost in sets', () => {
  it.each([
    // 1 always, 2 in the half that the first is not for.
    ['two answers to two equal causes', { a: 0.5, b: 0.5 }, [priced(1, 'a'), priced(2, 'b')], 2],
    ['one cheapest answer to all', { a: 0.5, b: 0.5 }, [priced(1, 'a', 'b'), priced(2, 'b')], 1],
    // The second is only for what the first answered: passed over.
    [
      'an answer to what is answered',
      { a: 0.5, b: 0.5 },
      [priced(1, 'a'), priced(1, 'a'), priced(2, 'b')],
      2,
    ],
    // 2 for the likely cause first, 1 in the tenth that is left.
    ['the likely cause first', { a: 0.9, b: 0.1 }, [priced(1, 'b'), priced(2, 'a')], 2.1],
    ['nothing left for one cause', { a: 0.75, b: 0.25 }, [priced(1, 'a')], 1 + 0.25 * NO_ANSWER_COST],
    ['nothing at all', { a: 1 }, [], NO_ANSWER_COST],
  ])('%s', (_, p, answers, cost) => {
    expect(expectedCost(answers, beliefs(p))).toBeCloseTo(cost, 12);
  });
});

describe('after an answer was tried', () => {
  const a = { serves: new Set(['a']) };
  it('better speaks for its causes, the same and worse against them', () => {
    const before = beliefs({ a: 0.5, b: 0.5 });
    // .7 against .1, .25 against .75, .05 against .15
    expect(afterTry(before, a, 'better').get('a')).toBeCloseTo(0.875, 12);
    expect(afterTry(before, a, 'same').get('a')).toBeCloseTo(0.25, 12);
    expect(afterTry(before, a, 'worse').get('a')).toBeCloseTo(0.25, 12);
  });
});
