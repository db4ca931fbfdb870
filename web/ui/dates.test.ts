import { afterEach, describe, expect, it } from 'vitest';
import { DATE_STYLES } from '../../core/terms/index.ts';
import type { DateStyle } from '../../core/terms/index.ts';
import { day, fullDay, moment, writeDatesAs } from './dates.ts';
import { written } from './said.ts';

afterEach(() => writeDatesAs('en-GB'));

// The forms are those of the Unicode Common Locale Data Repository, as the system's Intl has them.
describe('days', () => {
  it.each([
    ['en-GB', 'Mon 30 Nov', '30 Nov 2026', '30 November 2026'],
    ['en-US', 'Mon, Nov 30', 'Nov 30, 2026', 'November 30, 2026'],
    ['iso', '2026-11-30', '2026-11-30', '2026-11-30'],
    ['de', 'Mo., 30. Nov.', '30. Nov. 2026', '30. November 2026'],
    ['fr', 'lun. 30 nov.', '30 nov. 2026', '30 novembre 2026'],
  ] satisfies [DateStyle, string, string, string][])('are written as in %s', (style, near, far, whole) => {
    writeDatesAs(style);
    expect(day('2026-11-30', '2026-12-01')).toBe(near);
    expect(day('2026-11-30', '2027-01-01')).toBe(far);
    expect(fullDay('2026-11-30')).toBe(whole);
  });
  it('are written so inside computed sentences too', () => {
    writeDatesAs('en-US');
    expect(written('Seen on 2026-11-30.', '2026-12-01', 'kg')).toBe('Seen on Mon, Nov 30.');
  });
  it('and moments can be written in every language that is offered', () => {
    for (const style of Object.keys(DATE_STYLES) as DateStyle[]) {
      writeDatesAs(style);
      expect(moment('2026-11-30T18:05:00Z', 'UTC')).toMatch(/30/);
      expect(day('2026-11-30', '2026-12-01')).toMatch(/30/);
    }
  });
});
