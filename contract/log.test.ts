import { describe, expect, it } from 'vitest';
import { blankSet, setFields } from '../core/log/index.ts';
import { setSchema } from './log.ts';

const sent = {
  personId: '0b0e7c0e-2b7c-4c39-9d3a-1f6f4a6f1c11',
  date: '2026-11-24',
  edit: 1,
  variation: 'box-squat',
  variationRevision: 1,
  ...blankSet(),
  ordinal: 1,
};
const without = (name: string): object =>
  Object.fromEntries(Object.entries(sent).filter(([k]) => k !== name));

describe('a set as it is sent', () => {
  it('may come from a version that does not know of a field: what is left out is not known', () => {
    const unknown = setFields().filter(([, f]) => f.blank === null);
    expect(unknown.length).toBeGreaterThan(10);
    for (const [name] of unknown) {
      const { value, error } = setSchema.validate(without(name)) as { value: object; error?: Error };
      expect(error, name).toBeUndefined();
      expect(value).toEqual(sent);
    }
  });

  it('says all that cannot be unknown', () => {
    for (const [name, f] of setFields()) {
      if (f.blank === null) continue;
      expect(setSchema.validate(without(name)).error?.message, name).toContain('is required');
    }
  });
});
