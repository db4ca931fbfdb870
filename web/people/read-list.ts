import type { PeopleRequest } from '../../contract/people.ts';
import { fromLength, fromMass } from '../ui/index.ts';

export interface ListRead {
  people: PeopleRequest['people'];
  problems: string[];
}

interface Units {
  mass: 'kg' | 'lb';
  length: 'cm' | 'in';
}

const NAMES = ['name', 'squad', 'stature', 'mass', 'note'] as const;

/**
 * People out of typed or pasted lines: a name on each, then squad, stature, mass and a note where they are known, parted
 * by commas, semicolons or tabs. A first line that names the columns gives their order. Units are those of the screen.
 * @param rows the cells of each line
 */
export function readList(rows: readonly (readonly string[])[], units: Units): ListRead {
  const first =
    rows[0]?.map((c) =>
      c
        .trim()
        .toLowerCase()
        .replace(/[ _,(].*$/, ''),
    ) ?? [];
  const headed = first.includes('name');
  const columns = headed ? first : [...NAMES];
  const problems: string[] = [];
  const people = rows.slice(headed ? 1 : 0).flatMap((row, i): PeopleRequest['people'] => {
    const line = i + (headed ? 2 : 1);
    const cell = (name: (typeof NAMES)[number]) => row[columns.indexOf(name)]?.trim() ?? '';
    const number = (name: 'stature' | 'mass', turn: (n: number) => number) => {
      const text = cell(name).replace(',', '.');
      if (text === '') return null;
      const n = Number(text.replace(/\s*(cm|in|kg|lb)$/, ''));
      if (Number.isFinite(n) && n > 0) return turn(n);
      problems.push(`Line ${line}: “${cell(name)}” is no ${name}.`);
      return null;
    };
    if (row.every((c) => c.trim() === '')) return [];
    if (cell('name') === '') {
      problems.push(`Line ${line} has no name.`);
      return [];
    }
    return [
      {
        name: cell('name'),
        squad: cell('squad'),
        statureM: number('stature', (n) => fromLength(n, units.length)),
        massKg: number('mass', (n) => fromMass(n, units.mass)),
        note: cell('note'),
      },
    ];
  });
  return { people, problems };
}
