import type { Predicate, WayOn, DocumentField } from '../../../core/library/index.ts';
import { wayOnSentence } from '../../../core/ladder/index.ts';
import type { Mechanics } from '../../../core/posture/index.ts';
import type { RuledNumber } from '../../../core/terms/index.ts';

export function predicateSentence(p: Predicate): string {
  switch (p.test) {
    case 'all':
      return p.of.map(predicateSentence).join(' and ');
    case 'any':
      return p.of.map(predicateSentence).join(' or ');
    case 'not':
      return `not (${predicateSentence(p.of)})`;
    case 'every variation':
      return 'every variation';
    case 'impact':
      return 'has a jump or a landing';
    default:
      return `${p.test}: ${p.is.join(' or ')}`;
  }
}

/** A number with its unit behind it. */
const withUnit = (n: number, unit = '') => (unit === '°' ? `${n}°` : unit ? `${n} ${unit}` : String(n));

/** A number, or one for each answer to a house question. */
export function ruledWords(n: RuledNumber, unit = ''): string {
  if (typeof n === 'number') return withUnit(n, unit);
  const by = Object.entries(n.byAnswer).map(([a, x]) => `${withUnit(x, unit)} under "${a}"`);
  return `${by.join(', ')}, else ${withUnit(n.otherwise, unit)} (${n.question})`;
}

/** The members of a mechanics block as words: what it is and its value. */
export function memberWords(m: Mechanics): Map<string, string> {
  return new Map(
    Object.entries(m as unknown as Record<string, unknown>).map(([key, v]) => {
      const name = key
        .replace(/(Deg|M)$/, '')
        .replace(/([A-Z])/g, ' $1')
        .toLowerCase();
      const unit = key.endsWith('Deg') ? '°' : key.endsWith('M') ? ' m' : '';
      if (v === null || typeof v !== 'object') return [name, `${String(v)}${unit}`];
      if ('question' in v) return [name, ruledWords(v as RuledNumber)];
      return [
        name,
        Object.entries(v)
          .map(([k, x]) => `${k.replace(/([A-Z])/g, ' $1').toLowerCase()} ${String(x)}`)
          .join(', '),
      ];
    }),
  );
}

export const mechanicsWords = (m: Mechanics): string =>
  [...memberWords(m)].map(([name, value]) => `${name}: ${value}`).join('; ');

/** A member of a document that is read as one run of words. */
export function valueWords(f: DocumentField, value: unknown): string {
  switch (f.is) {
    case 'choice':
      return f.words?.[String(value)] ?? String(value);
    case 'choices':
    case 'short ids':
    case 'names':
      return (value as string[]).join(', ');
    case 'number':
      return withUnit(value as number, f.unit);
    case 'ruled number':
      return ruledWords(value as RuledNumber, f.unit);
    case 'ways on':
      return (value as WayOn[]).map(wayOnSentence).join('; ');
    case 'predicate':
      return predicateSentence(value as Predicate);
    default:
      return typeof value === 'string' ? value : JSON.stringify(value);
  }
}
