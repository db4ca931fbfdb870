import type { RuledNumber } from '../terms/index.ts';

/** Says what a level of another ladder is called; without it the ids stand. */
export type NameOfLevel = (ladder: string, level: string) => string;
export const byId: NameOfLevel = (ladder, level) => `${level} on ${ladder}`;

/** A number that a house answer decides is written with what it depends on. */
export const said = (n: RuledNumber): string =>
  typeof n === 'number'
    ? String(n)
    : `${n.otherwise} (${Object.entries(n.byAnswer)
        .map(([answer, x]) => `${x} while ${n.question} is ${answer}`)
        .join(', ')})`;

/** "1 set", "3 sets". */
export const plural = (n: RuledNumber, one: string, many = `${one}s`): string =>
  `${said(n)} ${n === 1 ? one : many}`;

/** Known values as they are listed: "12, 9 clean". */
export const listed = (unit: string) => (values: number[]) => `${values.join(', ')} ${unit}`;

/** "2 of 3 sets", "0 of 1 set". */
export const ofSets = (some: number, all: number): string => `${some} of ${plural(all, 'set')}`;

/** The account without that it is not known, where that has been said. */
export const withoutNotKnown = (account: string): string => account.replace(/^not known: /, '');
