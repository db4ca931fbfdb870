import { format, formatDistanceStrict, parseISO } from 'date-fns';
import type { DateStyle } from '../../core/terms/index.ts';

/** As the hall writes its days; one hall a page. */
let style: DateStyle = 'en-GB';
export const writeDatesAs = (next: DateStyle): void => {
  style = next;
};

// A formatter costs a hundred times what it then does.
const formats = new Map<string, Intl.DateTimeFormat>();

function inLanguage(iso: string, parts: Intl.DateTimeFormatOptions): string {
  const key = `${style} ${JSON.stringify(parts)}`;
  const format = formats.get(key) ?? new Intl.DateTimeFormat(style, parts);
  formats.set(key, format);
  return format.format(parseISO(iso));
}

/** A hall date as people say it: "Mon 23 Nov". The year is added when it is not this one. */
export function day(iso: string, today?: string): string {
  const sameYear = !today || iso.slice(0, 4) === today.slice(0, 4);
  if (style === 'iso') return iso;
  if (style === 'en-GB') return format(parseISO(iso), sameYear ? 'EEE d MMM' : 'd MMM yyyy');
  return inLanguage(iso, {
    day: 'numeric',
    month: 'short',
    ...(sameYear ? { weekday: 'short' } : { year: 'numeric' }),
  });
}

export const fullDay = (iso: string): string => {
  if (style === 'iso') return iso;
  if (style === 'en-GB') return format(parseISO(iso), 'd MMMM yyyy');
  return inLanguage(iso, { day: 'numeric', month: 'long', year: 'numeric' });
};

/** Moment in the hall's time zone. */
export function moment(iso: string, timeZone: string): string {
  // The Swedish way of writing is that of ISO 8601.
  const language = style === 'iso' ? 'sv' : style;
  return new Intl.DateTimeFormat(language, { timeZone, dateStyle: 'medium', timeStyle: 'short' }).format(
    new Date(iso),
  );
}

/** "18:05", by the hall's clock. */
export function timeOfDay(at: Date, timeZone: string): string {
  const language = style === 'iso' ? 'sv' : style;
  return new Intl.DateTimeFormat(language, { timeZone, timeStyle: 'short' }).format(at);
}

export const since = (iso: string, today: string) =>
  iso === today ? 'today' : `${formatDistanceStrict(parseISO(iso), parseISO(today), { unit: 'day' })}`;

export const capital = (s: string) => `${s[0]?.toUpperCase() ?? ''}${s.slice(1)}`;
