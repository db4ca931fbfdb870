import { describe, expect, it } from 'vitest';
import { breachesOf, cutToPattern, shelfOf } from './index.ts';
import { cue, fault, ladder, level, question, variation } from '../testing/samples.ts';

describe('a library cut to one pattern', () => {
  const bodies = [
    question('depth', { byVariation: [{ variation: 'bend', answer: 'a', why: '' }] }),
    cue('down', { addresses: 'rounds' }),
    cue('bend-down', {}),
    fault('tips', {
      answers: [
        {
          answerKind: 'easier variation',
          line: { text: 'Bend instead.' },
          variation: 'bend',
          equipment: [],
          needsSecondPerson: false,
        },
      ],
    }),
    fault('rounds'),
    variation('sit', {
      pattern: 'squat',
      cues: ['down'],
      faults: [{ fault: 'tips' }],
      drills: ['warm'],
      stance: [{ text: 'Wide.', holdsUnder: { depth: ['a'] } }],
    }),
    variation('warm', { pattern: 'hinge', roles: ['prepare', 'work'] }),
    variation('bend', { pattern: 'hinge', cues: ['bend-down'] }),
    {
      ...ladder(
        [
          level(
            'one',
            { kind: 'painAtMost', pain: 0 },
            { main: 'sit', entryNeeds: [{ ladder: 'bends', level: 'b' }] },
          ),
        ],
        'sits',
      ),
      pattern: 'squat' as const,
    },
    {
      ...ladder([level('b', { kind: 'painAtMost', pain: 0 }, { main: 'bend' })], 'bends'),
      pattern: 'hinge' as const,
    },
  ];
  const cut = cutToPattern(bodies, 'squat');
  const of = <K extends (typeof cut)[number]['kind']>(kind: K, slug: string) =>
    cut.find((b) => b.kind === kind && b.slug === slug) as
      Extract<(typeof cut)[number], { kind: K }> | undefined;

  it('is whole in itself', () => {
    expect(breachesOf(shelfOf(bodies))).toEqual([]);
    expect(breachesOf(shelfOf(cut))).toEqual([]);
  });
  it('keeps what its sheets name and what prepares for them, to prepare', () => {
    expect(cut.map((b) => b.slug)).toEqual(['depth', 'down', 'tips', 'sit', 'warm', 'sits']);
    expect(of('variation', 'warm')?.roles).toEqual(['prepare']);
  });
  it('loses only what points out of it, never words', () => {
    expect(of('fault', 'tips')?.answers).toEqual([
      {
        answerKind: 'easier variation',
        line: { text: 'Bend instead.' },
        equipment: [],
        needsSecondPerson: false,
      },
    ]);
    expect(of('cue', 'down')).not.toHaveProperty('addresses');
    expect(of('ladder', 'sits')?.levels[0]!.entryNeeds).toEqual([]);
    expect(of('houseQuestion', 'depth')?.byVariation).toEqual([]);
  });
  it('leaves a branch without its trunk, and nothing of another pattern', () => {
    const branch = {
      ...ladder([level('c', { kind: 'painAtMost', pain: 0 }, { main: 'sit' })], 'beside'),
      pattern: 'squat' as const,
      branchOf: { ladder: 'bends', level: 'b' },
    };
    const slugs = cutToPattern([...bodies, branch], 'squat').map((b) => b.slug);
    expect(slugs).not.toContain('beside');
    expect(slugs).not.toContain('bends');
  });
});
