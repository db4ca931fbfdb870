import { Link } from 'react-router';
import type { EntrySummary } from '../../../contract/library.ts';
import { KIND_WORDS } from '../../../core/library/index.ts';
import { PATTERNS } from '../../../core/terms/index.ts';
import { capital } from '../../ui/index.ts';
import { EntryIcon } from './entry-icon.tsx';

/** More than these fold by pattern. */
const MOST_AT_ONCE = 9;

/** Documents to go to, with their figure where they have one; many fold by pattern. */
export function EntryLinks({ entries }: { entries: readonly EntrySummary[] }) {
  if (entries.length <= MOST_AT_ONCE) return <Links entries={entries} />;
  const groups = [
    ...PATTERNS.map((p) => ({ name: capital(p), list: entries.filter((e) => e.pattern === p) })),
    { name: 'Others', list: entries.filter((e) => e.pattern === null) },
  ];
  return groups
    .filter((g) => g.list.length > 0)
    .map((g) => (
      <details key={g.name} className="border-b border-rule">
        <summary className="min-h-9 content-center">
          <b>{g.name}</b> {g.list.length}
          <span className="text-sm text-soft">
            {' '}
            {g.list
              .slice(0, 3)
              .map((e) => e.title)
              .join(', ')}
            {g.list.length > 3 && ' …'}
          </span>
        </summary>
        <Links entries={g.list} />
      </details>
    ));
}

function Links({ entries }: { entries: readonly EntrySummary[] }) {
  return (
    <ul className="mt-1 grid gap-x-6 sm:grid-cols-2 xl:grid-cols-3">
      {entries.map((e) => (
        <li key={`${e.kind}/${e.slug}`} className="flex items-center gap-2 border-b border-rule py-1">
          <EntryIcon entry={e} size={32} />
          <Link to={`/library/${e.kind}/${e.slug}`}>{e.title}</Link>
          {e.kind !== 'variation' && <span className="text-sm text-soft">{KIND_WORDS[e.kind]}</span>}
        </li>
      ))}
    </ul>
  );
}
