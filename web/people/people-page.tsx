import type { PersonLine } from '../../core/floor/index.ts';
import {
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  useReactTable,
} from '@tanstack/react-table';
import type { SortingState } from '@tanstack/react-table';
import { lazy, Suspense, useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Person } from '../../contract/people.ts';
import { gravityOf, OUTCOMES } from '../../core/ladder/index.ts';
import type { Outcome } from '../../core/ladder/index.ts';
import { Said, useAddress, useAsk, usePeople, useSend, useSigned } from '../shell/index.ts';
import {
  Button,
  day,
  Dialog,
  Empty,
  Loaded,
  OUTCOME_WORDS,
  OutcomeWord,
  since,
  TextField,
} from '../ui/index.ts';
import { PersonForm } from './person-form.tsx';

interface Row {
  person: Person;
  squad: string;
  /** Where they stand, the gravest first. */
  lines: PersonLine[];
}

const AddSeveral = lazy(async () => ({ default: (await import('./add-several.tsx')).AddSeveral }));

const column = createColumnHelper<Row>();

/** What the list is narrowed to: people of whom a ladder says so. */
type Pick = Outcome | 'not placed';
const isOf = (r: Row, picked: Pick) =>
  picked === 'not placed' ? r.lines.length === 0 : r.lines.some((l) => l.outcome === picked);
const peopleWords = (n: number) => (n === 1 ? '1 person' : `${n} people`);

const NOT_YET = { data: undefined, error: null };

/** Everybody, where they stand and what the evidence says. */
export function People() {
  const { hall, me } = useSigned();
  const { people, query } = usePeople(true);
  const squads = useAsk('squads');
  const standings = useAsk('overview');
  const add = useSend('addPerson');
  const navigate = useNavigate();
  const { params, set } = useAddress();
  const adding = me.role === 'head coach' ? params.get('add') : null;
  const setAdding = (what: 'one' | 'several' | null) => set({ add: what });
  const [search, setSearch] = useState('');
  const [picked, setPicked] = useState<Pick | null>(null);
  const [sorting, setSorting] = useState<SortingState>([{ id: 'name', desc: false }]);

  const rows = useMemo(
    () =>
      people.flatMap((person): Row[] => {
        // Who is covered has no page here: what the floor needs of them is on the floor.
        if (person.covered) return [];
        const squad = squads.data?.find((s) => s.id === person.squadId)?.name ?? '';
        const lines = (standings.data ?? [])
          .filter((l) => l.personId === person.id && l.levelName !== null)
          .sort((a, b) => gravityOf(a.outcome) - gravityOf(b.outcome));
        return [{ person, squad, lines }];
      }),
    [people, squads.data, standings.data],
  );
  const shown = useMemo(() => rows.filter((r) => picked === null || isOf(r, picked)), [rows, picked]);
  const columns = useMemo(
    () => [
      column.accessor((r) => r.person.name, {
        id: 'name',
        header: 'Name',
        cell: (c) => (
          <Link className="font-semibold" to={`/people/${c.row.original.person.id}`}>
            {c.getValue()}
          </Link>
        ),
      }),
      column.accessor('squad', { header: 'Squad' }),
      column.accessor((r) => gravityOf(r.lines[0]?.outcome), {
        id: 'outcome',
        header: 'Where they stand, and what the evidence says',
        cell: ({ row: { original: r } }) =>
          r.lines.length === 0 ? (
            <Link to={`/people/${r.person.id}/trials`}>Not placed: place by trials</Link>
          ) : (
            <ul>
              {r.lines.map((l) => (
                <li
                  key={l.ladder}
                  className="grid grid-cols-[8.5rem_13rem_minmax(0,1fr)] items-start gap-x-3 max-md:grid-cols-1"
                >
                  {l.outcome ? <OutcomeWord outcome={l.outcome} /> : <span />}
                  <span>
                    {l.ladderName} {l.levelNumber}: {l.levelName}
                  </span>
                  <span className="line-clamp-1 text-sm leading-6 text-soft">
                    <Said of={l.reason ?? ''} />
                    {l.since && ` Here for ${since(l.since, hall.today)}.`}
                  </span>
                </li>
              ))}
            </ul>
          ),
      }),
      column.accessor(
        (r) =>
          r.lines
            .map((l) => l.lastSession ?? '')
            .sort()
            .at(-1) ?? '',
        {
          id: 'last',
          header: 'Last session',
          cell: (c) => (
            <span className="whitespace-nowrap">
              <span className="text-soft sm:hidden">Last session </span>
              {c.getValue() ? day(c.getValue(), hall.today) : 'never'}
            </span>
          ),
        },
      ),
    ],
    [hall.today],
  );
  // The table library keeps its own state in functions; the compiler's memoisation must leave it alone.
  // eslint-disable-next-line react-hooks/incompatible-library
  const table = useReactTable({
    data: shown,
    columns,
    state: { sorting, globalFilter: search },
    onSortingChange: setSorting,
    onGlobalFilterChange: setSearch,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
  });
  const count = (o: Pick) => rows.filter((r) => isOf(r, o)).length;

  return (
    <div>
      <div className="mb-3 flex flex-wrap items-end justify-between gap-4">
        <h1>People</h1>
        <div className="flex items-end gap-3">
          <TextField label="Find" value={search} onChange={(e) => setSearch(e.target.value)} />
          {me.role === 'head coach' && (
            <>
              <Button onClick={() => setAdding('several')}>Add several</Button>
              <Button tone="main" onClick={() => setAdding('one')}>
                Add a person
              </Button>
            </>
          )}
        </div>
      </div>
      <div
        role="group"
        aria-label="What the evidence says"
        className="mb-2 flex flex-wrap gap-x-1 border-y border-rule"
      >
        <OutcomeFilter on={picked === null} onPick={() => setPicked(null)}>
          All people <b>{rows.length}</b>
        </OutcomeFilter>
        {([...OUTCOMES, 'not placed'] as const).map((o) => (
          <OutcomeFilter key={o} on={picked === o} onPick={() => setPicked(picked === o ? null : o)}>
            {o === 'not placed' ? 'Not placed' : OUTCOME_WORDS[o]} <b>{peopleWords(count(o))}</b>
          </OutcomeFilter>
        ))}
      </div>
      {/* Rows that grow under a finger are tapped wrongly: the list waits for what the evidence says, if it comes at all. */}
      <Loaded query={standings.isPending ? NOT_YET : query} what="the people">
        {(all) =>
          all.length === 0 ? (
            <Empty>
              Nobody here yet.{' '}
              {me.role === 'head coach' ? (
                <Button tone="main" onClick={() => setAdding('several')}>
                  Add the first people
                </Button>
              ) : (
                'The head coach adds people.'
              )}
            </Empty>
          ) : (
            <table className="w-full text-left max-sm:block">
              <thead className="max-sm:sr-only">
                {table.getHeaderGroups().map((group) => (
                  <tr key={group.id} className="border-b border-ink">
                    {group.headers.map((h) => (
                      <th
                        key={h.id}
                        className="py-1 pr-4 text-sm font-semibold"
                        aria-sort={
                          { asc: 'ascending', desc: 'descending', false: undefined }[
                            String(h.column.getIsSorted())
                          ] as 'ascending' | 'descending' | undefined
                        }
                      >
                        {h.column.getCanSort() ? (
                          <button
                            type="button"
                            className="font-semibold"
                            onClick={h.column.getToggleSortingHandler()}
                          >
                            {flexRender(h.column.columnDef.header, h.getContext())}
                            <span aria-hidden="true">
                              {{ asc: ' ↑', desc: ' ↓', false: '' }[String(h.column.getIsSorted())]}
                            </span>
                          </button>
                        ) : (
                          flexRender(h.column.columnDef.header, h.getContext())
                        )}
                      </th>
                    ))}
                  </tr>
                ))}
              </thead>
              <tbody className="max-sm:block">
                {table.getRowModel().rows.map((row) => (
                  <tr
                    key={row.id}
                    className="border-b border-rule align-top hover:bg-paper max-sm:block max-sm:py-2"
                  >
                    {row.getVisibleCells().map((cell) => (
                      <td key={cell.id} className="py-2 pr-4 max-sm:block max-sm:py-0.5">
                        {flexRender(cell.column.columnDef.cell, cell.getContext())}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          )
        }
      </Loaded>
      <Dialog title="Add several people" open={adding === 'several'} onClose={() => setAdding(null)}>
        <Suspense fallback={<p className="text-soft">One moment …</p>}>
          <AddSeveral onDone={() => setAdding(null)} />
        </Suspense>
      </Dialog>
      <Dialog title="Add a person" open={adding === 'one'} onClose={() => setAdding(null)}>
        <PersonForm
          person={null}
          error={add.error}
          busy={add.isPending}
          onSave={(request) => add.mutate(request, { onSuccess: ({ id }) => void navigate(`/people/${id}`) })}
        />
      </Dialog>
    </div>
  );
}

function OutcomeFilter({
  on,
  onPick,
  children,
}: {
  on: boolean;
  onPick: () => void;
  children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={onPick}
      className={`min-h-10 px-3 text-sm ${on ? 'taped bg-paper' : 'text-soft'}`}
    >
      {children}
    </button>
  );
}
