/** Calendar day of the hall, `YYYY-MM-DD`; compares as text. */
export type IsoDate = string;

// The same few days are asked for again and again, and reading one takes long.
const read = new Map<IsoDate, number>();
function dayNumber(date: IsoDate): number {
  const known = read.get(date) ?? Date.parse(`${date}T00:00:00Z`) / 86_400_000;
  read.set(date, known);
  return known;
}

/** Whole days from one hall date to another. */
export function daysBetween(from: IsoDate, to: IsoDate): number {
  return Math.round(dayNumber(to) - dayNumber(from));
}

/** The hall date so many days later; negative for earlier. */
export function daysAfter(date: IsoDate, days: number): IsoDate {
  return new Date((dayNumber(date) + days) * 86_400_000).toISOString().slice(0, 10);
}
