import { describe, expect, it } from 'vitest';
import { fieldsOf, freshItem, KINDS, meantIn, sectionAt, sectionsOf } from './index.ts';
import type { DocumentField } from './index.ts';
import { fault } from '../testing/samples.ts';

describe('the sections of a document', () => {
  it.each(KINDS)('%s: every member lies in one of them, in the order of the document', (kind) => {
    const sections = sectionsOf(kind);
    expect(sections.flatMap((s) => Object.keys(s.fields))).toEqual(Object.keys(fieldsOf(kind)));
    expect(new Set(sections.map((s) => s.title)).size).toBe(sections.length);
    expect(sections.at(-1)!.title).toBe('Keeping');
  });
  it('are found by the path of a member', () => {
    expect(sectionAt('variation', 'tempo.topS')?.title).toBe('Execution');
    expect(sectionAt('fault', 'causes[2].line.text')?.title).toBe('Causes');
    expect(sectionAt('cue', 'line')?.title).toBe('Cue');
    expect(sectionAt('cue', 'nothing')).toBeUndefined();
  });
});

describe('items that other members mean', () => {
  const causes = fieldsOf('fault')['causes'] as Extract<DocumentField, { is: 'list' }>;
  it('are known by their words', () => {
    const f = fault('f', {
      causes: [
        { id: 'stiff', line: { text: 'The ankles are stiff.' } },
        { id: 'new', line: { text: '' } },
      ],
    });
    expect(meantIn(f, 'causes')).toEqual([
      { id: 'stiff', words: 'The ankles are stiff.' },
      { id: 'new', words: 'the 2. without words yet' },
    ]);
    expect(meantIn(f, 'no such list')).toEqual([]);
  });
  it('get an id that no other has', () => {
    const first = freshItem(causes.fields, 'cause', []) as { id: string };
    expect(first.id).toBe('cause-1');
    expect(freshItem(causes.fields, 'cause', [{ id: 'x' }, { id: 'cause-3' }])).toMatchObject({
      id: 'cause-4',
    });
  });
  it('every id that means one names a list that there is', () => {
    for (const kind of KINDS) {
      const check = (fields: Record<string, DocumentField>) => {
        for (const f of Object.values(fields)) {
          if ((f.is === 'short id' || f.is === 'short ids') && f.among)
            expect(fieldsOf(kind)[f.among]?.is, `${kind} ${f.label}`).toBe('list');
          if ('fields' in f) check(f.fields);
        }
      };
      check(fieldsOf(kind));
    }
  });
});
