import Papa from 'papaparse';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shelfOf, summariesOf } from '../../../core/library/index.ts';
import { cue, variation } from '../../../core/testing/samples.ts';
import { csvOf, markdownOf, tableOf } from './lists-out.ts';

const entries = summariesOf(
  shelfOf([
    cue('push', { line: { text: 'Push, "away" | now' } }),
    cue('evil', { line: { text: '=1+1' } }),
    variation('lift', { name: 'The lift', cues: ['push', 'evil'], muscles: ['trunk'] }),
  ]),
  new Map([['cue/push', 4]]),
);
const table = (kind: 'cue' | 'variation') =>
  tableOf(
    kind,
    entries.filter((e) => e.kind === kind),
    entries,
  );

describe('a list as a table', () => {
  it('names its columns, and counts the sheets of a cue', () => {
    expect(table('cue').columns).toEqual([
      'Name',
      'Sheets',
      'Answers faults',
      'Revision',
      'Retired',
      'Short id',
    ]);
    expect(table('cue').rows).toEqual([
      ['=1+1', '1', '0', '0', '', 'evil'],
      ['Push, "away" | now', '1', '0', '4', '', 'push'],
    ]);
    const [row] = table('variation').rows;
    expect(row).toContain('Push, "away" | now / =1+1');
  });
});

describe('CSV', () => {
  it('keeps what a spreadsheet would run from running (OWASP: cells that begin with = + - @ or a control)', () => {
    for (const start of ['=', '+', '-', '@', '\t', '\r']) {
      const csv = csvOf({ columns: ['Name'], rows: [[`${start}1`]] });
      const cell = (Papa.parse<string[]>(csv.trimEnd()).data[1] as string[])[0]!;
      expect(cell).toBe(`'${start}1`);
    }
  });

  it('reads back cell by cell (RFC 4180)', () => {
    const cell = fc.string().filter((s) => !/^[=+\-@\t\r]/.test(s));
    fc.assert(
      fc.property(fc.array(fc.tuple(cell, cell), { minLength: 1, maxLength: 5 }), (rows) => {
        const csv = csvOf({ columns: ['a', 'b'], rows: rows.map((r) => [...r]) });
        const read = Papa.parse<string[]>(csv, { newline: '\r\n', delimiter: ',' }).data.slice(1, -1);
        expect(read).toEqual(rows.map((r) => [...r]));
      }),
    );
  });
});

describe('Markdown', () => {
  it('is a table of as many cells however odd the text', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        const [head, rule, row, end] = markdownOf({ columns: ['Name', 'x'], rows: [[text, 'y']] }).split(
          '\n',
        );
        expect([head, rule, end]).toEqual(['| Name | x |', '| --- | --- |', '']);
        // Pipes that are not escaped are the three of the row itself.
        expect(row!.replace(/\\./g, '').split('|')).toHaveLength(4);
      }),
    );
    expect(markdownOf({ columns: ['a'], rows: [['<b>|\n*x*']] })).toBe(
      '| a |\n| --- |\n| \\<b\\>\\| \\*x\\* |\n',
    );
  });
});
