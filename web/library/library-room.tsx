import { useDeferredValue } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import type { EntrySummary, LibraryList } from '../../contract/library.ts';
import { KIND_WORDS, KINDS, PATTERNS, ROLES } from '../../core/library/index.ts';
import type { Kind, Pattern, Role } from '../../core/library/index.ts';
import { useGet, useSigned } from '../shell/index.ts';
import { Button, Empty, Loaded, PatternWord } from '../ui/index.ts';
import { DocumentView } from './document-view.tsx';
import { NewDocument } from './new-document.tsx';
import { EntryIcon } from './sheet-view.tsx';

const KIND_TABS: Record<Kind, string> = {
  variation: 'Variations',
  cue: 'Cues',
  fault: 'Faults',
  caution: 'Cautions',
  equipment: 'Equipment',
  houseQuestion: 'House rules',
  drillList: 'Drill lists',
  ladder: 'Ladders',
};
const ORDER: Kind[] = [
  'variation',
  'cue',
  'fault',
  'caution',
  'equipment',
  'houseQuestion',
  'drillList',
  'ladder',
];

/** What only prepares stands after what is taught and worked. */
const isDrill = (e: EntrySummary) => e.roles.length === 1 && e.roles[0] === 'prepare';

function matches(e: EntrySummary, words: string[]): boolean {
  const text = `${e.title.toLowerCase()} ${e.words}`;
  return words.every((w) => text.includes(w));
}

/** List beside sheet; kind, filters and search live in the address. */
export function LibraryRoom() {
  const { kind: pathKind, slug } = useParams();
  const [params, setParams] = useSearchParams();
  const navigate = useNavigate();
  const { me } = useSigned();
  const library = useGet<LibraryList>('/api/library');
  const kind = (KINDS as readonly string[]).includes(pathKind ?? params.get('kind') ?? '')
    ? ((pathKind ?? params.get('kind')) as Kind)
    : 'variation';
  const search = params.get('q') ?? '';
  const pattern = params.get('pattern') as Pattern | null;
  const role = params.get('role') as Role | null;
  const words = useDeferredValue(search).toLowerCase().split(/\s+/).filter(Boolean);
  const set = (key: string, value: string | null) =>
    setParams(
      (p) => {
        if (value) p.set(key, value);
        else p.delete(key);
        return p;
      },
      { replace: true },
    );
  return (
    <Loaded query={library} what="the library">
      {({ entries }) => {
        const list = entries
          .filter((e) => e.kind === kind && (!e.retired || params.has('retired')))
          .filter(
            (e) =>
              (!pattern || e.pattern === pattern) && (!role || e.roles.includes(role)) && matches(e, words),
          )
          .sort((a, b) => Number(isDrill(a)) - Number(isDrill(b)) || a.title.localeCompare(b.title));
        const shown = slug ?? (list[0]?.slug || null);
        const at = list.findIndex((e) => e.slug === shown);
        const query = params.toString() ? `?${params.toString()}` : '';
        const step = (by: number) => {
          const next = list[at + by];
          if (next) void navigate(`/library/${kind}/${next.slug}${query}`);
        };
        return (
          <div className="grid gap-6 lg:grid-cols-[19rem_1fr]">
            <div className="lg:sticky lg:top-4 lg:self-start">
              <h1 className="sr-only">Library</h1>
              <nav aria-label="Kinds of document" className="mb-2 flex flex-wrap">
                {ORDER.map((k) => (
                  <Link
                    key={k}
                    to={`/library?kind=${k}`}
                    aria-current={k === kind ? 'page' : undefined}
                    className={`px-2 py-1.5 font-head text-sm no-underline ${k === kind ? 'taped font-semibold' : 'text-soft'}`}
                  >
                    {KIND_TABS[k]}
                  </Link>
                ))}
              </nav>
              <input
                type="search"
                aria-label="Find in this list"
                className="field"
                placeholder={`Find in ${KIND_TABS[kind].toLowerCase()}`}
                value={search}
                onChange={(e) => set('q', e.target.value)}
                onKeyDown={(e) => {
                  if (e.key === 'ArrowDown') step(1);
                  else if (e.key === 'ArrowUp') step(-1);
                  else return;
                  e.preventDefault();
                }}
              />
              {kind === 'variation' && (
                <div className="mt-2 grid grid-cols-2 gap-2">
                  <select
                    aria-label="Pattern"
                    className="field"
                    value={pattern ?? ''}
                    onChange={(e) => set('pattern', e.target.value)}
                  >
                    <option value="">every pattern</option>
                    {PATTERNS.map((p) => (
                      <option key={p}>{p}</option>
                    ))}
                  </select>
                  <select
                    aria-label="Role"
                    className="field"
                    value={role ?? ''}
                    onChange={(e) => set('role', e.target.value)}
                  >
                    <option value="">every role</option>
                    {ROLES.map((r) => (
                      <option key={r}>{r}</option>
                    ))}
                  </select>
                </div>
              )}
              <ul
                className="mt-2 max-h-[62vh] overflow-y-auto border-t border-ink"
                aria-label={KIND_TABS[kind]}
              >
                {list.map((e) => (
                  <li key={e.slug} className="border-b border-rule">
                    <Link
                      to={`/library/${kind}/${e.slug}${query}`}
                      aria-current={e.slug === shown ? 'true' : undefined}
                      className={`flex items-center gap-3 px-3 py-2 no-underline hover:bg-paper ${e.slug === shown ? 'taped-left bg-paper pl-4 font-semibold' : ''}`}
                    >
                      <EntryIcon entry={e} size={40} />
                      <span>
                        {e.title}
                        {e.pattern && (
                          <span className="block text-sm font-normal">
                            <PatternWord pattern={e.pattern} />,{' '}
                            <span className="text-soft">{e.roles.join(', ')}</span>
                          </span>
                        )}
                        {e.retired && <span className="block text-sm text-warn">retired</span>}
                      </span>
                    </Link>
                  </li>
                ))}
              </ul>
              {list.length === 0 && (
                <Empty>
                  {words.length || pattern || role ? (
                    <Button onClick={() => void navigate(`/library?kind=${kind}`)}>
                      Nothing matches: show all
                    </Button>
                  ) : (
                    `No ${KIND_WORDS[kind]} yet.`
                  )}
                </Empty>
              )}
              {me.role !== 'viewer' && (
                <NewDocument kind={kind} taken={entries.filter((e) => e.kind === kind).map((e) => e.slug)} />
              )}
            </div>
            <div className="min-w-0">
              {shown ? (
                <DocumentView key={`${kind}/${shown}`} kind={kind} slug={shown} entries={entries} />
              ) : null}
            </div>
          </div>
        );
      }}
    </Loaded>
  );
}
