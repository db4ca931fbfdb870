import { Link } from 'react-router';
import type { EntrySummary } from '../../../contract/library.ts';
import { sentenceOf } from '../../../core/criterion/index.ts';
import { wayOnSentence } from '../../../core/ladder/index.ts';
import type { RuledCriterion } from '../../../core/criterion/index.ts';
import type { WayOn, EquipmentNeed, Line, Predicate } from '../../../core/library/index.ts';
import type { Mechanics } from '../../../core/posture/index.ts';
import type { RuledNumber } from '../../../core/terms/index.ts';
import { fullDay } from '../../ui/index.ts';
import type { FieldSpec, Value } from '../write/fields/index.ts';

interface Props {
  fields: FieldSpec[];
  value: object;
  entries: EntrySummary[];
}

/** A document field by field in reading order; empty fields are left out. */
export function Reading({ fields, value, entries }: Props) {
  return (
    <dl className="mt-3">
      {fields.map((f) => {
        const v = (value as Value)[f.key];
        if (
          f.type === 'heading' ||
          // Shown as figure and numbers where they are read.
          f.key === 'example' ||
          v === undefined ||
          v === '' ||
          v === false ||
          (Array.isArray(v) && v.length === 0)
        ) {
          return null;
        }
        return (
          <div
            key={f.key}
            className="grid grid-cols-[minmax(8rem,12rem)_1fr] gap-4 border-t border-rule py-1.5"
          >
            <dt className="label">{f.label}</dt>
            <dd>
              <FieldReading field={f} value={v} entries={entries} />
            </dd>
          </div>
        );
      })}
    </dl>
  );
}

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

export function ruledWords(n: RuledNumber): string {
  if (typeof n === 'number') return String(n);
  const by = Object.entries(n.byAnswer).map(([a, x]) => `${x} under "${a}"`);
  return `${by.join(', ')}, else ${n.otherwise} (${n.question})`;
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

export function LineReading({ line }: { line: Line }) {
  const under = Object.entries(line.holdsUnder ?? {});
  return (
    <>
      {line.text}
      {under.length > 0 && (
        <span className="text-sm text-soft">
          {' '}
          [while {under.map(([q, a]) => `${q} is ${a.join(' or ')}`).join(' and ')}]
        </span>
      )}
    </>
  );
}

function FieldReading({
  field: f,
  value,
  entries,
}: {
  field: FieldSpec;
  value: unknown;
  entries: EntrySummary[];
}) {
  const link = (kind: string, slug: string) => {
    const e = entries.find((x) => x.kind === kind && x.slug === slug);
    return (
      <Link key={slug} to={`/library/${kind}/${slug}`}>
        {e?.title ?? slug}
      </Link>
    );
  };
  switch (f.type) {
    case 'line':
      return <LineReading line={value as Line} />;
    case 'lines':
      return (
        <ul>
          {(value as Line[]).map((l, i) => (
            <li key={i}>
              <LineReading line={l} />
            </li>
          ))}
        </ul>
      );
    case 'choices':
    case 'ids':
    case 'names':
      return (value as string[]).join(', ');
    case 'choice':
      return f.words?.[String(value)] ?? String(value);
    case 'flag':
      return 'yes';
    case 'date':
      return fullDay(value as string);
    case 'number':
      return `${String(value)}${f.unit ? ` ${f.unit}` : ''}`;
    case 'ruled':
      return ruledWords(value as RuledNumber);
    case 'document':
      return link(f.kind, value as string);
    case 'documents':
      return (
        <ol className="list-decimal pl-5">
          {(value as string[]).map((s) => (
            <li key={s}>{link(f.kind, s)}</li>
          ))}
        </ol>
      );
    case 'group':
      return <Reading fields={f.fields} value={value as object} entries={entries} />;
    case 'list':
      return (
        <ol>
          {(value as object[]).map((item, i) => (
            <li key={i} className="mb-2">
              <Reading fields={f.fields} value={item} entries={entries} />
            </li>
          ))}
        </ol>
      );
    case 'needGroups':
      return (value as EquipmentNeed[][]).map((g, i) => (
        <p key={i}>One of: {g.map((n) => n.equipment).join(', ')}</p>
      ));
    case 'criterion':
      return sentenceOf(value as RuledCriterion);
    case 'waysOn':
      return (value as WayOn[]).map(wayOnSentence).join('; ');
    case 'predicate':
      return predicateSentence(value as Predicate);
    case 'mechanics':
      return mechanicsWords(value as Mechanics);
    default:
      return typeof value === 'string' ? value : JSON.stringify(value);
  }
}
