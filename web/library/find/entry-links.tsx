import { Link } from 'react-router';
import type { EntrySummary } from '../../../contract/library.ts';
import { EntryIcon } from './entry-icon.tsx';

/** Documents to go to, with their figure where they have one. */
export function EntryLinks({ entries }: { entries: readonly EntrySummary[] }) {
  return (
    <ul className="mt-1 grid gap-x-6 sm:grid-cols-2 xl:grid-cols-3">
      {entries.map((e) => (
        <li key={`${e.kind}/${e.slug}`} className="flex items-center gap-2 border-b border-rule py-1">
          <EntryIcon entry={e} size={32} />
          <Link to={`/library/${e.kind}/${e.slug}`}>{e.title}</Link>
        </li>
      ))}
    </ul>
  );
}
