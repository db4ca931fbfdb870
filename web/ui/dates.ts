import { format, formatDistanceStrict, parseISO } from 'date-fns';

/** A hall date as people say it: "Mon 23 Nov". The year is added when it is not this one. */
export function day(iso: string, today?: string): string {
  const sameYear = !today || iso.slice(0, 4) === today.slice(0, 4);
  return format(parseISO(iso), sameYear ? 'EEE d MMM' : 'd MMM yyyy');
}

export const fullDay = (iso: string) => format(parseISO(iso), 'd MMMM yyyy');

/** Moment in the hall's time zone. */
export function moment(iso: string, timeZone: string): string {
  return new Intl.DateTimeFormat('en-GB', { timeZone, dateStyle: 'medium', timeStyle: 'short' }).format(
    new Date(iso),
  );
}

export const since = (iso: string, today: string) =>
  iso === today ? 'today' : `${formatDistanceStrict(parseISO(iso), parseISO(today), { unit: 'day' })}`;

export const capital = (s: string) => `${s[0]?.toUpperCase() ?? ''}${s.slice(1)}`;
