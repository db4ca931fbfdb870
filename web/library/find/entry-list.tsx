import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import type { EntrySummary } from '../../../contract/library.ts';
import { PatternWord } from '../../ui/index.ts';
import { entryId } from '../../workers/index.ts';
import type { Found } from '../../workers/index.ts';
import { EntryIcon } from './entry-icon.tsx';

const FOUND_WORDS = {
  cues: 'found in its cues',
  faults: 'found in its faults',
  equipment: 'found in its kit',
};

interface Props {
  label: string;
  list: readonly EntrySummary[];
  shown: string | null;
  query: string;
  found: ReadonlyMap<string, Found>;
  /** A search is under way. */
  busy: boolean;
}

/** The entries, of which only those in sight are drawn. */
export function EntryList({ label, list, shown, query, found, busy }: Props) {
  const box = useRef<HTMLDivElement>(null);
  // Its functions are not kept over renders, which is all that the rule warns of.
  // eslint-disable-next-line react-hooks/incompatible-library
  const rows = useVirtualizer({
    count: list.length,
    getScrollElement: () => box.current,
    estimateSize: () => (list[0]?.mechanics ? 62 : 42),
    overscan: 6,
    getItemKey: (i) => entryId(list[i]!),
  });
  const at = list.findIndex((e) => e.slug === shown);
  useEffect(() => {
    if (at >= 0) rows.scrollToIndex(at, { align: 'auto' });
    // Only when another entry is shown, not when the list is measured anew.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [shown]);
  return (
    <div
      ref={box}
      className="mt-1 h-72 shrink overflow-y-auto border-y border-ink lg:h-auto lg:min-h-40 lg:flex-1"
      // Scrollable by keyboard even while nothing in it has the focus.
      tabIndex={-1}
    >
      <ul aria-label={label} aria-busy={busy} className="relative" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map((row) => {
          const e = list[row.index]!;
          const { foundIn = null, calledSo = null } = found.get(entryId(e)) ?? {};
          return (
            <li
              key={row.key}
              ref={rows.measureElement}
              data-index={row.index}
              aria-setsize={list.length}
              aria-posinset={row.index + 1}
              className="absolute inset-x-0 border-b border-rule"
              style={{ transform: `translateY(${row.start}px)` }}
            >
              <Link
                to={`/library/${e.kind}/${e.slug}${query}`}
                aria-current={e.slug === shown ? 'true' : undefined}
                className={`flex items-center gap-3 px-3 py-2 no-underline hover:bg-paper ${e.slug === shown ? 'taped-left bg-paper pl-4 font-semibold' : ''}`}
              >
                <EntryIcon entry={e} size={40} />
                <span className="min-w-0 [overflow-wrap:anywhere]">
                  {e.title}
                  {e.pattern && (
                    <span className="block text-sm font-normal">
                      <PatternWord pattern={e.pattern} />
                      {e.roles.length > 0 && <span className="text-soft">, {e.roles.join(', ')}</span>}
                    </span>
                  )}
                  {calledSo && (
                    <span className="block text-sm font-normal text-soft">also called {calledSo}</span>
                  )}
                  {foundIn && (
                    <span className="block text-sm font-normal text-soft">{FOUND_WORDS[foundIn]}</span>
                  )}
                  {e.retired && <span className="block text-sm text-warn">retired</span>}
                </span>
              </Link>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
