import { useState } from 'react';
import { Link, useParams } from 'react-router';
import type { LibraryList, RevisionSummary } from '../../contract/library.ts';
import { titleOf } from '../../core/library/index.ts';
import type { Body, Kind } from '../../core/library/index.ts';
import { useGet, useSigned } from '../shell/index.ts';
import { Loaded, moment } from '../ui/index.ts';
import { FORMS } from './fields/index.ts';
import { Reading } from './reading.tsx';
import { SideBySide } from './side-by-side.tsx';

/** Every revision of a document, readable as it was and beside the one before it. */
export function History() {
  const { kind, slug } = useParams() as { kind: Kind; slug: string };
  const { hall } = useSigned();
  const path = `/api/library/${kind}/${slug}/revisions`;
  const revisions = useGet<RevisionSummary[]>(path);
  const library = useGet<LibraryList>('/api/library');
  const [picked, setPicked] = useState<number | null>(null);
  const number = picked ?? revisions.data?.[0]?.number ?? null;
  const shown = useGet<{ body: Body }>(number ? `${path}/${number}` : null);
  const before = useGet<{ body: Body }>(number && number > 1 ? `${path}/${number - 1}` : null);
  return (
    <div className="grid gap-6 lg:grid-cols-[20rem_1fr]">
      <section>
        <h1>History</h1>
        <p>
          <Link to={`/library/${kind}/${slug}`}>Back to the sheet in force</Link>
        </p>
        <Loaded query={revisions} what="the revisions">
          {(list) => (
            <ol className="mt-2 border-t border-ink">
              {list.map((r) => (
                <li key={r.number} className="border-b border-rule">
                  <button
                    type="button"
                    aria-pressed={r.number === number}
                    onClick={() => setPicked(r.number)}
                    className={`w-full px-3 py-2 text-left ${r.number === number ? 'taped-left bg-paper' : ''}`}
                  >
                    <b>Revision {r.number}</b>, library state {r.state}
                    <span className="block text-sm text-soft">
                      {r.author}, {moment(r.at, hall.timeZone)}
                    </span>
                    <span className="block text-sm">{r.reason}</span>
                  </button>
                </li>
              ))}
            </ol>
          )}
        </Loaded>
      </section>
      <section className="min-w-0">
        {shown.data && (
          <>
            <h2>
              Revision {number}: {titleOf(shown.data.body)}
            </h2>
            {before.data && number && number > 1 && (
              <SideBySide
                before={before.data.body}
                after={shown.data.body}
                titles={[`Revision ${number - 1}`, `Revision ${number}`]}
              />
            )}
            <h3 className="mt-6">As it was, in full</h3>
            <Reading fields={FORMS[kind]} value={shown.data.body} entries={library.data?.entries ?? []} />
          </>
        )}
      </section>
    </div>
  );
}
