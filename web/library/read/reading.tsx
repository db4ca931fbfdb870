import { Link } from 'react-router';
import type { EntrySummary } from '../../../contract/library.ts';
import { REFERENCE_BUILD } from '../../../core/body/index.ts';
import { meantIn, sectionsOf } from '../../../core/library/index.ts';
import type {
  Body,
  DocumentField,
  DocumentFields,
  EquipmentNeed,
  HoldsUnder,
  Kind,
  Line,
} from '../../../core/library/index.ts';
import type { Mechanics } from '../../../core/posture/index.ts';
import { settledAlone } from '../../../core/posture/index.ts';
import { sentencesOf } from '../../../core/criterion/index.ts';
import type { RuledCriterion } from '../../../core/criterion/index.ts';
import { Movement, PATTERN_OF_POSTURE } from '../../figure/index.ts';
import { fullDay } from '../../ui/index.ts';
import { Condition } from './condition.tsx';
import { mechanicsWords, valueWords } from './words.ts';

type Values = Record<string, unknown>;

/** A document section by section in reading order; what is empty is left out. */
export function DocumentReading({ body, entries }: { body: Body; entries: readonly EntrySummary[] }) {
  return (
    <div className="mt-3">
      {sectionsOf(body.kind)
        .map((s) => ({ ...s, fields: withoutHeading(s.fields) }))
        .filter((s) => hasWords(s.fields, body as unknown as Values))
        .map((s) => (
          <section
            key={s.title}
            className="grid gap-x-6 border-t border-rule py-2 md:grid-cols-[10rem_minmax(0,1fr)]"
          >
            <h3>{s.title}</h3>
            <Reading fields={s.fields} value={body} title={s.title} of={body} entries={entries} />
          </section>
        ))}
    </div>
  );
}

/** Name and other names stand over the document. */
const withoutHeading = (fields: DocumentFields): DocumentFields =>
  Object.fromEntries(Object.entries(fields).filter(([key, f]) => !f.named && key !== 'alsoCalled'));

const isEmpty = (v: unknown): boolean =>
  v === undefined || v === '' || v === false || (Array.isArray(v) && v.length === 0);

/** Whether anything is said in the members. */
export const hasWords = (fields: DocumentFields, value: Values): boolean =>
  Object.keys(fields).some((key) => !isEmpty(value[key]));

/** What is read in a few words, beside others of its kind. */
function isShort(f: DocumentField): boolean {
  switch (f.is) {
    case 'text':
      return f.most <= 120;
    case 'number':
    case 'ruled number':
    case 'choice':
    case 'choices':
    case 'flag':
    case 'date':
    case 'short id':
    case 'short ids':
    case 'names':
    case 'document':
      return true;
    case 'group':
      return Object.values(f.fields).every(isShort);
    default:
      return false;
  }
}

interface Props {
  fields: DocumentFields;
  value: object;
  entries: readonly EntrySummary[];
  /** The document itself: its own items are meant by name. */
  of: object;
  /** What stands over it: a member of the same name is not told twice. */
  title?: string;
  /** In a list the first words need no label. */
  inList?: boolean;
}

/** Members of a document in their order: what is short in runs of words, what is long beneath its label. */
export function Reading({ fields, value, entries, of, title = '', inList = false }: Props) {
  const values = value as Values;
  const said = Object.entries(fields).filter(
    ([key, f]) => f.is !== 'house rule' && !(f.is === 'short id' && f.own) && !isEmpty(values[key]),
  );
  const runs: [string, DocumentField][][] = [];
  for (const member of said) {
    const last = runs.at(-1)?.[0];
    if (last && isShort(last[1]) && isShort(member[1])) runs.at(-1)!.push(member);
    else runs.push([member]);
  }
  const read = ([key, f]: [string, DocumentField]) => (
    <Value field={f} value={values[key]} of={of} entries={entries} />
  );
  /** What leads in a list and what stands under its own name need no label. */
  const silent = ([key, f]: [string, DocumentField]) =>
    f.label === title || (inList && (key === said[0]![0] || f.is === 'document'));
  return (
    <div className="grid gap-1">
      {runs.map((run) => {
        const [[key, f]] = run as [[string, DocumentField]];
        if (!isShort(f)) {
          return (
            <div key={key}>
              {!silent([key, f]) && <p className="label">{f.label}</p>}
              {read([key, f])}
            </div>
          );
        }
        return (
          <dl key={key} className="flex flex-wrap gap-x-5 gap-y-0.5">
            {run.map((member) => (
              <div key={member[0]} className="flex flex-wrap gap-x-1.5">
                <dt className={silent(member) ? 'sr-only' : 'text-soft'}>{member[1].label}</dt>
                <dd className={inList && member[0] === said[0]![0] ? 'font-semibold' : ''}>{read(member)}</dd>
              </div>
            ))}
          </dl>
        );
      })}
      {'holdsUnder' in values && 'holdsUnder' in fields && (
        <Condition holdsUnder={values['holdsUnder'] as HoldsUnder | undefined} />
      )}
    </div>
  );
}

export function LineReading({ line }: { line: Line }) {
  return (
    <>
      {line.text}
      <Condition holdsUnder={line.holdsUnder} />
    </>
  );
}

function Value({
  field: f,
  value,
  of,
  entries,
}: {
  field: DocumentField;
  value: unknown;
  of: object;
  entries: readonly EntrySummary[];
}) {
  const link = (kind: Kind, slug: string) => {
    const e = entries.find((x) => x.kind === kind && x.slug === slug);
    if (e?.revision === 0) return <>{e.title} (new, saved along with this)</>;
    return <Link to={`/library/${kind}/${slug}`}>{e?.title ?? `${slug} (not in the library)`}</Link>;
  };
  switch (f.is) {
    case 'line':
      return (
        <p className="[overflow-wrap:anywhere]" dir="auto">
          <LineReading line={value as Line} />
        </p>
      );
    case 'lines':
      return (
        <ul>
          {(value as Line[]).map((l, i) => (
            <li key={i} className="[overflow-wrap:anywhere]" dir="auto">
              <LineReading line={l} />
            </li>
          ))}
        </ul>
      );
    case 'short id':
    case 'short ids': {
      const meant = f.among ? meantIn(of, f.among) : [];
      return (typeof value === 'string' ? [value] : (value as string[]))
        .map((id) => meant.find((m) => m.id === id)?.words ?? id)
        .join(', ');
    }
    case 'flag':
      return 'yes';
    case 'date':
      return fullDay(value as string);
    case 'document':
      return link(f.of, value as string);
    case 'documents':
      return (
        <ol className={f.of === 'cue' ? 'list-decimal pl-7' : 'flex flex-wrap gap-x-5'}>
          {(value as string[]).map((s, i) => (
            // The first three cues stand large, as on the sheet.
            <li key={s} className={f.of === 'cue' && i < 3 ? 'text-lg font-semibold' : ''}>
              {link(f.of, s)}
            </li>
          ))}
        </ol>
      );
    case 'group':
      return <Reading fields={f.fields} value={value as object} of={of} entries={entries} />;
    case 'list':
      return (
        <ul>
          {(value as object[]).map((item, i) => (
            <li key={i} className="border-b border-rule py-1 last:border-0">
              <Reading fields={f.fields} value={item} of={of} entries={entries} inList />
            </li>
          ))}
        </ul>
      );
    case 'groups':
      return (value as EquipmentNeed[][]).map((g, i) => (
        <p key={i}>
          One of:{' '}
          {g.map((n, j) => (
            <span key={n.equipment}>
              {j > 0 && ', '}
              {link('equipment', n.equipment)}
            </span>
          ))}
        </p>
      ));
    case 'criterion': {
      const sentences = sentencesOf(value as RuledCriterion);
      return (
        <ul>
          {sentences.map((s) => (
            <li key={s}>{s}</li>
          ))}
        </ul>
      );
    }
    case 'mechanics': {
      const m = value as Mechanics;
      return (
        <>
          <Movement
            mechanics={settledAlone(m)}
            pattern={PATTERN_OF_POSTURE[m.type]}
            build={REFERENCE_BUILD}
            scale={0.8}
          />
          <p className="text-sm text-soft">{mechanicsWords(m)}</p>
        </>
      );
    }
    default:
      return valueWords(f, value);
  }
}
