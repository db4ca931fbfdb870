import Papa from 'papaparse';
import type { Kind } from '../../../core/library/index.ts';
import type { EntrySummary } from '../../../contract/library.ts';

/** A list as it leaves the hall: named columns, one row an entry. */
export interface Table {
  columns: string[];
  rows: string[][];
}

type Column = [string, (e: EntrySummary) => string];

/** What a list of one kind shows, as a table. */
export function tableOf(kind: Kind, list: readonly EntrySummary[], all: readonly EntrySummary[]): Table {
  const titles = new Map(all.map((e) => [`${e.kind}/${e.slug}`, e.title]));
  const uses = (e: EntrySummary, of: Kind) =>
    e.uses.filter((u) => u.startsWith(`${of}/`)).map((u) => titles.get(u) ?? u);
  const usedBy = (e: EntrySummary, by: Kind) =>
    all.filter((x) => x.kind === by && !x.retired && x.uses.includes(`${e.kind}/${e.slug}`)).length;
  const pattern: Column = ['Pattern', (e) => e.pattern ?? ''];
  const ofVariations: Column[] = [
    pattern,
    ['Roles', (e) => e.roles.join(', ')],
    ['Purpose', (e) => e.facets?.dominance ?? ''],
    ['Legs', (e) => e.laterality ?? ''],
    ['Levels', (e) => levelWords(e, titles)],
    ['Equipment', (e) => uses(e, 'equipment').join(', ')],
    ['Cues', (e) => uses(e, 'cue').join(' / ')],
    ['Faults', (e) => uses(e, 'fault').join(' / ')],
  ];
  const sheets: Column = ['Sheets', (e) => String(usedBy(e, 'variation'))];
  const answered: Column = ['Answers faults', (e) => String(usedBy(e, 'fault'))];
  const ofOthers = [
    ...(kind === 'ladder' || kind === 'drillList' ? [pattern] : []),
    sheets,
    ...(kind === 'cue' ? [answered] : []),
  ];
  const columns: Column[] = [
    ['Name', (e) => e.title],
    ...(kind === 'variation' ? ofVariations : ofOthers),
    ['Revision', (e) => String(e.revision)],
    ['Retired', (e) => (e.retired ? 'yes' : '')],
    ['Short id', (e) => e.slug],
  ];
  return {
    columns: columns.map(([name]) => name),
    rows: list.map((e) => columns.map(([, show]) => show(e))),
  };
}

const levelWords = (e: EntrySummary, titles: ReadonlyMap<string, string>) =>
  (e.facets?.levels ?? [])
    .map((l) => {
      const [ladder, level] = l.split('/');
      return `${titles.get(`ladder/${ladder}`) ?? ladder} ${level}`;
    })
    .join(', ');

/** RFC 4180; a cell that a spreadsheet would run as a formula gets an apostrophe before it. */
export const csvOf = ({ columns, rows }: Table): string =>
  `${Papa.unparse({ fields: columns, data: rows }, { escapeFormulae: true, newline: '\r\n' })}\r\n`;

/** A Markdown table (pipes and line ends of the cells made harmless). */
export function markdownOf({ columns, rows }: Table): string {
  const cell = (text: string) =>
    text
      .replace(/\\/g, '\\\\')
      .replace(/[|<>*_`[\]]/g, '\\$&')
      .replace(/\s*[\r\n]+\s*/g, ' ');
  const row = (cells: string[]) => `| ${cells.map(cell).join(' | ')} |`;
  return [row(columns), `|${columns.map(() => ' --- |').join('')}`, ...rows.map(row), ''].join('\n');
}

/** Hands a text to the browser as a file. */
export function download(name: string, type: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text], { type: `${type};charset=utf-8` }));
  const a = document.createElement('a');
  a.href = url;
  a.download = name;
  a.click();
  // The browser has taken its own hold of the file by then.
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
