import { X } from 'lucide-react';
import { useCallback, useState } from 'react';
import { Link } from 'react-router';
import type { EntrySummary } from '../../contract/library.ts';
import { PATTERNS } from '../../core/terms/index.ts';
import {
  isOfDay,
  MOST_ITEMS,
  MOST_OF_DAY,
  readJob,
  SHEET_KINDS,
  SHEET_WORDS,
  writeJob,
} from '../../core/sheets/index.ts';
import type { JobItem, SheetKind } from '../../core/sheets/index.ts';
import { PersonSelect, useAddress, useAsk, useLibrary, usePeople, useSigned } from '../shell/index.ts';
import { Button, capital, Dialog, Loaded, Notice, SelectField } from '../ui/index.ts';
import type { Paper } from './paper.tsx';
import { PrintedJob } from './print-job.tsx';
import { ShareForm } from './share-form.tsx';

const LOOPBACK: ReadonlySet<string> = new Set(['127.0.0.1', 'localhost', '[::1]']);

/** What each kind is for, beside its choice. */
const KIND_HINTS: Record<SheetKind, string> = {
  floor: 'To be read at two metres, 20 pt and more.',
  full: 'Everything on one page, or two.',
  handout: 'For an athlete to take home.',
  log: 'Blank, to be filled with a pencil.',
  'warm-up': 'Put together for today’s work, to tick.',
  poster: 'The stairs with their criteria.',
};

function jobIn(text: string): { items: JobItem[]; problem: string | null } {
  try {
    return { items: readJob(text), problem: null };
  } catch (error) {
    return {
      items: [],
      problem: error instanceof RangeError ? error.message : 'The address names no print job.',
    };
  }
}

/** Sheets put together, looked at as they will be on paper, printed as one job or shared by a link. */
export function PrintRoom() {
  const { hall, me } = useSigned();
  const { params, set } = useAddress();
  const { items, problem } = jobIn(params.get('job') ?? '');
  const personId = me.role === 'viewer' ? null : params.get('person');
  const paper = (params.get('paper') as Paper | null) ?? hall.paper;
  const { entries, titleOf } = useLibrary();
  const { people, find } = usePeople();
  const asked = { job: writeJob(items), person: personId ?? undefined };
  const job = useAsk('prints', items.length > 0 ? asked : null);
  const [pages, setPages] = useState<Readonly<Record<string, number>>>({});
  const onPages = useCallback(
    (sheet: string, n: number) => setPages((old) => (old[sheet] === n ? old : { ...old, [sheet]: n })),
    [],
  );
  const [sharing, setSharing] = useState(false);
  const nameOf = (kind: SheetKind, slug: string) => titleOf(kind === 'poster' ? 'ladder' : 'variation', slug);
  const write = (next: JobItem[]) => set({ job: writeJob(next) || null });
  const person = find(personId);
  const total = items.reduce((sum, i) => sum + (pages[writeJob([i])] ?? 1), 0);
  const first = items[0];
  const back =
    first === undefined
      ? '/library'
      : first.kind === 'poster'
        ? `/ladders/${first.of[0]}`
        : `/library/variation/${first.of[0]}`;
  return (
    <div className="min-h-screen bg-ground md:grid md:grid-cols-[21rem_1fr] print:block print:min-h-0 print:bg-white">
      <aside className="no-print border-rule bg-paper p-4 md:sticky md:top-0 md:h-screen md:overflow-y-auto md:border-r">
        <p>
          <Link to={back}>Back</Link>
        </p>
        <h1>Print</h1>
        {problem && <Notice tone="warn">{problem} Nothing was put together.</Notice>}
        <ol className="my-2 border-t border-ink">
          {items.map((item, i) => (
            <li
              key={`${i} ${writeJob([item])}`}
              className="flex items-center justify-between gap-2 border-b border-rule py-1"
            >
              <span>
                <b>{SHEET_WORDS[item.kind]}</b>: {item.of.map((slug) => nameOf(item.kind, slug)).join(', ')}
                {(pages[writeJob([item])] ?? 1) > 1 && (
                  <span className="text-soft"> ({pages[writeJob([item])]} pages)</span>
                )}
              </span>
              <Button
                tone="quiet"
                aria-label={`Leave out: ${SHEET_WORDS[item.kind]}, ${item.of.join(', ')}`}
                onClick={() => write(items.filter((_, j) => j !== i))}
              >
                <X aria-hidden="true" size={16} />
              </Button>
            </li>
          ))}
        </ol>
        {items.length === 0 && (
          <p className="text-soft">Nothing yet. Choose a kind of sheet and what it is about.</p>
        )}
        <AddSheet entries={entries} items={items} onAdd={(item) => write([...items, item])} onOfDay={write} />
        <div className="mt-4 grid gap-3 border-t border-rule pt-3">
          {people.length > 0 && (
            <PersonSelect
              label="For"
              hint="With their stage, dose and last settings."
              people={people}
              value={personId}
              onPick={(id) => set({ person: id })}
              none="nobody in particular"
            />
          )}
          <SelectField label="Paper" value={paper} onChange={(e) => set({ paper: e.target.value })}>
            <option value="A4">A4</option>
            <option value="Letter">Letter</option>
          </SelectField>
          {items.length > 0 && (
            <>
              <Button tone="main" onClick={() => print()}>
                Print {total === 1 ? 'one page' : `${total} pages`} on {paper}
              </Button>
              {me.role !== 'viewer' && <Button onClick={() => setSharing(true)}>Share by a link</Button>}
            </>
          )}
          {me.role !== 'viewer' && <Link to="/shares">Shared links</Link>}
          {job.data && LOOPBACK.has(new URL(job.data.publicUrl).hostname) && (
            <p className="text-sm text-soft">
              The codes lead to {job.data.publicUrl}, which only this machine reaches. Started with PUBLIC_URL
              they lead to where phones reach it.
            </p>
          )}
          <p className="text-sm text-soft">
            Safe in black and white. The code on each sheet tells whether it is still current.
          </p>
        </div>
      </aside>
      <main className="overflow-x-auto p-4 print:overflow-visible print:p-0">
        {items.length > 0 && (
          <Loaded query={job} what="the sheets">
            {(j) => (
              <div className="grid gap-6 print:block">
                <PrintedJob job={j} paper={paper} link={null} onPages={onPages} />
              </div>
            )}
          </Loaded>
        )}
      </main>
      <Dialog title="Share by a link" open={sharing} onClose={() => setSharing(false)}>
        <ShareForm job={writeJob(items)} person={personId} personName={person?.name ?? null} />
      </Dialog>
    </div>
  );
}

/** One more sheet; a variation may be added to the log or warm-up that is there already. */
function AddSheet({
  entries,
  items,
  onAdd,
  onOfDay,
}: {
  entries: readonly EntrySummary[];
  items: readonly JobItem[];
  onAdd: (item: JobItem) => void;
  onOfDay: (items: JobItem[]) => void;
}) {
  const [kind, setKind] = useState<SheetKind>('floor');
  const [slug, setSlug] = useState('');
  const subject = kind === 'poster' ? 'ladder' : 'variation';
  const choices = entries.filter((e) => e.kind === subject && !e.retired);
  const chosen = choices.some((e) => e.slug === slug) ? slug : '';
  const ofDay = isOfDay(kind) ? items.findIndex((i) => i.kind === kind && i.of.length < MOST_OF_DAY) : -1;
  const full = items.length >= MOST_ITEMS;
  return (
    <form
      className="grid gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (!chosen) return;
        if (ofDay === -1) onAdd({ kind, of: [chosen] });
        else onOfDay(items.map((i, j) => (j === ofDay ? { ...i, of: [...new Set([...i.of, chosen])] } : i)));
        setSlug('');
      }}
    >
      <SelectField
        label="Sheet"
        hint={KIND_HINTS[kind]}
        value={kind}
        onChange={(e) => setKind(e.target.value as SheetKind)}
      >
        {SHEET_KINDS.map((k) => (
          <option key={k} value={k}>
            {SHEET_WORDS[k]}
          </option>
        ))}
      </SelectField>
      <SelectField
        label={subject === 'ladder' ? 'Ladder' : 'Variation'}
        value={chosen}
        onChange={(e) => setSlug(e.target.value)}
      >
        <option value="">choose …</option>
        {PATTERNS.map((pattern) => (
          <optgroup key={pattern} label={capital(pattern)}>
            {choices
              .filter((e) => e.pattern === pattern)
              .map((e) => (
                <option key={e.slug} value={e.slug}>
                  {e.title}
                </option>
              ))}
          </optgroup>
        ))}
      </SelectField>
      <Button type="submit" disabled={!chosen || (full && ofDay === -1)}>
        {ofDay === -1 ? 'Add the sheet' : `Add it to the ${SHEET_WORDS[kind].toLowerCase()}`}
      </Button>
      {full && <p className="text-sm text-soft">{MOST_ITEMS} sheets are one job at most.</p>}
    </form>
  );
}
