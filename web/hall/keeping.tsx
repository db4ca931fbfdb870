import { addressOf } from '../../contract/endpoints.ts';
import { useRef, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { editionLabel } from '../../core/exchange/index.ts';
import {
  Download,
  refreshAfter,
  Refused,
  send,
  useAsk,
  useLibrary,
  useSend,
  useSigned,
} from '../shell/index.ts';
import { Button, fullDay, Notice, TextField } from '../ui/index.ts';

const LINK =
  'inline-flex min-h-9 items-center border border-soft bg-paper px-3 no-underline hover:border-ink';

/** Library file in and out, editions, and the backup of everything. */
export function LibraryKeeping() {
  const { edition } = useSigned();
  const library = useLibrary();
  const editions = useAsk('editions');
  const name = useSend('nameEdition');
  const client = useQueryClient();
  const file = useRef<HTMLInputElement>(null);
  const [editionName, setEditionName] = useState('');
  const [result, setResult] = useState<{ text: string; errors: string[]; bad: boolean } | null>(null);
  const [busy, setBusy] = useState(false);
  const empty = library.query.data?.entries.length === 0;

  const load = async (chosen: File) => {
    setBusy(true);
    setResult(null);
    try {
      const { documents } = await send('importLibrary', {}, await chosen.text());
      setResult({ text: `${documents} documents are in force.`, errors: [], bad: false });
      await refreshAfter(client, 'importLibrary');
    } catch (error) {
      const errors =
        error instanceof Refused ? (error.problem.errors ?? []).map((e) => `${e.field}: ${e.detail}`) : [];
      setResult({ text: (error as Error).message, errors, bad: true });
    } finally {
      setBusy(false);
      if (file.current) file.current.value = '';
    }
  };

  return (
    <div className="grid gap-8 md:grid-cols-2">
      <section>
        <h2 className="border-b border-ink pb-1">Library file</h2>
        <p className="my-2">
          {library.entries.length} documents in force, {edition && editionLabel(edition)}. One open file holds
          them all: no people, no history.
        </p>
        <div className="flex flex-wrap gap-2">
          <a className={LINK} href={addressOf('exportLibrary', {})} download>
            Download the library
          </a>
          <a className={LINK} href={addressOf('librarySchema', {})} target="_blank" rel="noreferrer">
            Its JSON Schema
          </a>
        </div>
        <div className="mt-4">
          <label className="label mb-1 block" htmlFor="library-file">
            Load a library file
          </label>
          <input
            id="library-file"
            ref={file}
            type="file"
            accept="application/json,.json"
            disabled={busy || !empty}
            onChange={(e) => {
              const chosen = e.target.files?.[0];
              if (chosen) void load(chosen);
            }}
          />
          {!empty && library.query.data && (
            <p className="mt-1 text-sm text-soft">Only an empty hall takes a file; this one has a library.</p>
          )}
          {busy && <p>Reading and checking …</p>}
          {result && (
            <Notice tone={result.bad ? 'warn' : 'plain'}>
              {result.text}
              <ul className="list-disc pl-5">
                {result.errors.slice(0, 30).map((e) => (
                  <li key={e}>{e}</li>
                ))}
                {result.errors.length > 30 && <li>and {result.errors.length - 30} more</li>}
              </ul>
            </Notice>
          )}
        </div>
      </section>
      <section>
        <h2 className="border-b border-ink pb-1">Editions</h2>
        <p className="my-2">
          An edition names the library as it is now. Sheets print it with the number of changes since, so that
          an old sheet on the wall is recognised.
        </p>
        <ul>
          {editions.data?.map((e) => (
            <li key={e.number} className="border-b border-rule py-1">
              Edition {e.number}: {e.name}, {fullDay(e.date)}
            </li>
          ))}
        </ul>
        <form
          className="mt-3 flex items-end gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            name.mutate({ name: editionName.trim() }, { onSuccess: () => setEditionName('') });
          }}
        >
          <TextField
            label="Name of a new edition"
            required
            value={editionName}
            onChange={(e) => setEditionName(e.target.value)}
            className="grow"
          />
          <Button type="submit">Name it</Button>
        </form>
        {name.error && <Notice tone="warn">{name.error.message}</Notice>}
      </section>
      <section>
        <h2 className="border-b border-ink pb-1">Backup</h2>
        <p className="my-2">
          Everything: library with history, people, sets, moves, accounts. Keep the file where only you can
          read it. It is read back into a new folder with <code>npm run restore</code>. Snapshots of the same
          kind are written every few minutes by themselves.
        </p>
        <Download name="backup" of={{}}>
          Download everything
        </Download>
      </section>
    </div>
  );
}
