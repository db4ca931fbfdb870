import { memo, useEffect, useMemo, useRef, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { EntrySummary } from '../../../contract/library.ts';
import { KIND_WORDS, KINDS } from '../../../core/library/index.ts';
import type { Kind } from '../../../core/library/index.ts';
import { useAddress, useLibrary, useSigned } from '../../shell/index.ts';
import { Button, ButtonLink, Empty, Loaded, useKeys, useRested } from '../../ui/index.ts';
import { DocumentView } from '../read/document-view.tsx';
import { EntryList } from './entry-list.tsx';
import { ListsOut } from './lists-out-buttons.tsx';
import { FilterBar } from './filter-bar.tsx';
import { chosenIn, equalsIn, FACETS, narrowed } from './filters.ts';
import { entryId, useSearch } from '../../workers/index.ts';
import { KIND_ORDER, KIND_TABS } from './kinds.ts';
import { NewDocument } from '../write/new-document.tsx';

/** What only prepares stands after what is taught and worked. */
const isDrill = (e: EntrySummary) => e.roles.length === 1 && e.roles[0] === 'prepare';
const inOrder = (a: EntrySummary, b: EntrySummary) =>
  Number(isDrill(a)) - Number(isDrill(b)) || a.title.localeCompare(b.title);

/** List beside sheet; kind, search and filters live in the address. */
export function LibraryRoom() {
  const { query: library } = useLibrary();
  return (
    <Loaded query={library} what="the library">
      {({ entries }) => <Room entries={entries} />}
    </Loaded>
  );
}

/** How long the address and the sheet wait for the typing to rest. */
const REST_MS = 250;

function Room({ entries }: { entries: EntrySummary[] }) {
  const { kind: pathKind, slug } = useParams();
  const { params, set } = useAddress();
  const navigate = useNavigate();
  const { me } = useSigned();
  const input = useRef<HTMLInputElement>(null);
  const sheet = useRef<HTMLDivElement>(null);
  const asked = pathKind ?? params.get('kind') ?? '';
  const kind = (KINDS as readonly string[]).includes(asked) ? (asked as Kind) : 'variation';
  const [text, setText] = useTypedParam('q');
  const { found: hits, busy } = useSearch(entries, text);
  const filters = FACETS.map((f) => params.get(f.key) ?? '').join('|');
  const withRetired = params.has('retired');

  const { list, found, counts, valuesOf, chosen } = useMemo(
    () => {
      const found = new Map((hits ?? []).map((h) => [h.id, h]));
      const rank = new Map((hits ?? []).map((h, i) => [h.id, i]));
      const live = entries.filter((e) => !e.retired || withRetired);
      const matching = hits ? live.filter((e) => found.has(entryId(e))) : live;
      const chosen = kind === 'variation' ? chosenIn(params) : {};
      const { shown, valuesOf } = narrowed(
        matching.filter((e) => e.kind === kind),
        chosen,
        equalsIn(entries),
      );
      shown.sort(hits ? (a, b) => rank.get(entryId(a))! - rank.get(entryId(b))! : inOrder);
      const counts = new Map(KIND_ORDER.map((k) => [k, matching.filter((e) => e.kind === k).length]));
      return { list: shown, found, counts, valuesOf, chosen };
    },
    // The filters are all of the address that is read here.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [entries, hits, kind, filters, withRetired],
  );
  const shown = slug ?? list[0]?.slug ?? null;
  const at = list.findIndex((e) => e.slug === shown);
  // With what is typed, though it does not stand in the address yet: a step onwards must not lose it.
  const typed = new URLSearchParams(params);
  if (text) typed.set('q', text);
  else typed.delete('q');
  const query = typed.size > 0 ? `?${typed.toString()}` : '';
  // A chosen sheet comes at once; one that only heads the list waits until the typing rests.
  const rested = useRested(shown, REST_MS);
  const read = slug ?? rested;

  const clear = () => set(Object.fromEntries(FACETS.map((f) => [f.key, null])));
  const step = (by: number) => {
    const next = list[at + by];
    if (next) void navigate(`/library/${kind}/${next.slug}${query}`);
  };
  const toSheet = () => {
    const heading = sheet.current?.querySelector('h1');
    heading?.setAttribute('tabindex', '-1');
    heading?.focus();
  };

  useKeys({ '.': () => step(1), ',': () => step(-1), q: () => input.current?.focus() });

  return (
    <div className="grid gap-6 lg:grid-cols-[21rem_1fr]">
      {slug && (
        // On a tablet or phone the sheet has the whole width.
        <p className="lg:hidden">
          <Link to={`/library?${new URLSearchParams([...params, ['kind', kind]]).toString()}`}>
            All {KIND_TABS[kind].toLowerCase()}
          </Link>
        </p>
      )}
      <div
        className={`flex flex-col lg:sticky lg:top-4 lg:h-[calc(100vh-5.5rem)] lg:self-start ${slug ? 'max-lg:hidden' : ''}`}
      >
        <h1 className="sr-only">Library</h1>
        <nav aria-label="Kinds of document" className="mb-2 flex flex-wrap">
          {KIND_ORDER.map((k) => (
            <Link
              key={k}
              to={`/library?kind=${k}${text ? `&q=${encodeURIComponent(text)}` : ''}`}
              aria-current={k === kind ? 'page' : undefined}
              className={`px-2 py-1.5 font-head text-sm no-underline ${k === kind ? 'taped font-semibold' : 'text-soft'}`}
            >
              {KIND_TABS[k]}
              {hits && counts.get(k)! > 0 && <span className="font-normal"> {counts.get(k)}</span>}
            </Link>
          ))}
        </nav>
        <input
          ref={input}
          type="search"
          aria-label="Find in the library"
          aria-keyshortcuts="q"
          className="field"
          placeholder="Name, cue, fault or kit"
          value={text}
          onChange={(e) => setText(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === 'ArrowDown') step(1);
            else if (e.key === 'ArrowUp') step(-1);
            else if (e.key === 'Enter') toSheet();
            else return;
            e.preventDefault();
          }}
        />
        {kind === 'variation' && (
          <FilterBar
            chosen={chosen}
            valuesOf={valuesOf}
            entries={entries}
            onChoose={(facet, list) => set({ [facet]: list.join(',') })}
            onClear={clear}
          />
        )}
        <div className="mt-2 flex flex-wrap items-center justify-between gap-x-3">
          <p className="label" role="status">
            {list.length} {list.length === 1 ? KIND_WORDS[kind] : KIND_TABS[kind].toLowerCase()}
          </p>
          <ListsOut
            name={KIND_TABS[kind]}
            table={async () => (await import('./lists-out.ts')).tableOf(kind, list, entries)}
          />
        </div>
        {list.length > 0 ? (
          <EntryList
            label={KIND_TABS[kind]}
            list={list}
            shown={shown}
            query={query}
            found={found}
            busy={busy}
          />
        ) : (
          <Empty
            next={
              me.role === 'head coach' &&
              entries.length === 0 && {
                to: '/overview',
                what: 'Begin with the library that comes with Meister',
              }
            }
          >
            {text || Object.keys(chosen).length > 0 ? (
              <Button
                onClick={() => {
                  setText('');
                  void navigate(`/library?kind=${kind}`);
                }}
              >
                Nothing matches: show all
              </Button>
            ) : (
              `No ${KIND_WORDS[kind]} yet.`
            )}
          </Empty>
        )}
        <div className="mt-2 flex flex-wrap items-center gap-x-4">
          {me.role !== 'viewer' && (
            <>
              {kind === 'variation' && entries.some((e) => e.kind === kind) ? (
                <ButtonLink to="/library/new/variation">New variation</ButtonLink>
              ) : (
                <NewDocument kind={kind} entries={entries} />
              )}
              <Link to="/library/health" className="text-sm">
                Health of the library
              </Link>
            </>
          )}
          <label className="flex min-h-8 items-center gap-1.5 text-sm">
            <input
              type="checkbox"
              checked={withRetired}
              onChange={(e) => set({ retired: e.target.checked ? 'yes' : null })}
            />
            with retired
          </label>
        </div>
      </div>
      <div ref={sheet} className="min-w-0">
        {read ? <Sheet key={`${kind}/${read}`} kind={kind} slug={read} entries={entries} /> : null}
      </div>
    </div>
  );
}

/** The sheet is not drawn anew while the list beside it follows the typing. */
const Sheet = memo(DocumentView);

/**
 * A text of the address that is typed: it stands here at once and in the address when the typing rests, since a change
 * of the address renders the whole room. A change of the address from elsewhere (back, a link) comes through.
 */
function useTypedParam(key: string): [string, (text: string) => void] {
  const { params, set } = useAddress();
  const inAddress = params.get(key) ?? '';
  const [text, setText] = useState(inAddress);
  const [seen, setSeen] = useState(inAddress);
  // What was written from here comes back a moment later, when more may have been typed already.
  const [written, setWritten] = useState<string | null>(null);
  if (inAddress !== seen) {
    setSeen(inAddress);
    if (inAddress !== written) setText(inAddress);
  }
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  // The address may have moved on to a sheet by the time the typing rests: what is written is written into that one.
  const write = useRef<(next: string) => void>(undefined);
  useEffect(() => {
    write.current = (next) => {
      setWritten(next);
      set({ [key]: next });
    };
  });
  useEffect(() => () => clearTimeout(timer.current), []);
  const type = (next: string) => {
    setText(next);
    clearTimeout(timer.current);
    timer.current = setTimeout(() => write.current?.(next), REST_MS);
  };
  return [text, type];
}
