import { describe, expect, it } from 'vitest';
import { blankBody, fieldsOf, KINDS } from '../../../core/library/index.ts';
import { cue, ladder, level, question, variation } from '../../../core/testing/samples.ts';
import { slugFrom } from '../write/new-document.tsx';
import { differingFields as differing } from './readable.ts';

const differingFields = (a: Parameters<typeof differing>[0], b: Parameters<typeof differing>[1]) =>
  differing(a, b, (kind, slug) => `the ${kind} ${slug}`);

describe('the editor', () => {
  it.each(KINDS)(
    'has a field for every member of a %s, so that nothing is out of the head coach’s reach',
    (kind) => {
      const keys = Object.keys(blankBody(kind, 'x', 'X', 'A. Tester')).filter(
        (k) => k !== 'kind' && k !== 'slug',
      );
      const fields = Object.keys(fieldsOf(kind));
      expect(keys.filter((k) => !fields.includes(k))).toEqual([]);
    },
  );
});

describe('two versions side by side', () => {
  it('name only the fields that differ, in words', () => {
    expect(
      differingFields(
        cue('c'),
        cue('c', { view: 'front', line: { text: 'New.', holdsUnder: { q: ['a', 'b'] } } }),
      ),
    ).toEqual([
      { label: 'The cue: one short line', before: ['Cue c'], after: ['New. [while q is a or b]'] },
      { label: 'Checked from', before: ['side'], after: ['front'] },
    ]);
  });
  it('say criteria as sentences', () => {
    const before = ladder([level('one', { kind: 'cleanReps', reps: 12, sets: 2 })]);
    const after = ladder([level('one', { kind: 'cleanReps', reps: 15, sets: 2 })]);
    const [field] = differingFields(before, after);
    expect(field!.before).toContain('1. Move up when: 2 sets of 12 clean repetitions');
    expect(field!.after).toContain('1. Move up when: 2 sets of 15 clean repetitions');
  });
  it('show a new document against nothing', () => {
    const fields = differingFields(null, question('q'));
    expect(fields.find((f) => f.label === 'Question')).toEqual({
      label: 'Question',
      before: [],
      after: ['q'],
    });
  });
  it('read numbers that depend on an answer', () => {
    const after = variation('v', {
      toeOutDeg: { question: 'toe-out', byAnswer: { slight: 5 }, otherwise: 0 },
    });
    expect(differingFields(variation('v'), after)).toEqual([
      { label: 'Toes out', before: [], after: ['5° under "slight", else 0° (toe-out)'] },
    ]);
  });
});

describe('slugs', () => {
  it.each([
    ['Hip lift, one leg', 'hip-lift-one-leg'],
    ['  Çà & là!  ', 'ca-la'],
    ['***', ''],
    ['x'.repeat(90), 'x'.repeat(60)],
  ])('%j becomes %j', (name, slug) => {
    expect(slugFrom(name)).toBe(slug);
  });
});
