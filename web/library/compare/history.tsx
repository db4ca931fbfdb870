import { Link, useNavigate, useParams } from 'react-router';
import { titleOf } from '../../../core/library/index.ts';
import type { Body, Kind } from '../../../core/library/index.ts';
import { useAddress, useAsk, useLibrary, useSend, useSigned } from '../../shell/index.ts';
import { Button, Loaded, moment, Notice } from '../../ui/index.ts';
import { EffectsView } from '../health/effects-view.tsx';
import { DocumentReading } from '../read/reading.tsx';
import { SideBySide } from './side-by-side.tsx';
import { useCheck } from '../write/use-check.ts';

/** Every revision of a document, readable as it was and beside any other; which two lives in the address. */
export function History() {
  const { kind, slug } = useParams() as { kind: Kind; slug: string };
  const { hall, me } = useSigned();
  const { params, set } = useAddress();
  const revisions = useAsk('revisions', { kind, slug });
  const { entries } = useLibrary();
  const newest = revisions.data?.[0]?.number ?? null;
  const number = Number(params.get('revision')) || newest;
  const against = Number(params.get('against')) || (number && number > 1 ? number - 1 : null);
  const shown = useAsk('revision', number ? { kind, slug, number } : null);
  const other = useAsk('revision', against && against !== number ? { kind, slug, number: against } : null);
  const choose = (key: 'revision' | 'against', n: number) =>
    set({
      [key]: String(n),
      ...(key === 'revision' && params.get('against') === String(n) ? { against: null } : {}),
    });
  return (
    <div className="grid gap-6 lg:grid-cols-[22rem_1fr]">
      <section>
        <h1>History</h1>
        <p>
          <Link to={`/library/${kind}/${slug}`}>Back to what is in force</Link>
        </p>
        <Loaded query={revisions} what="the revisions">
          {(list) => (
            <ol className="mt-2 border-t border-ink">
              {list.map((r) => (
                <li
                  key={r.number}
                  className={`border-b border-rule ${r.number === number ? 'taped-left bg-paper' : ''}`}
                >
                  <button
                    type="button"
                    aria-pressed={r.number === number}
                    onClick={() => choose('revision', r.number)}
                    className="w-full px-3 pt-2 text-left"
                  >
                    <b>Revision {r.number}</b>, library state {r.state}
                    <span className="block text-sm text-soft">
                      {r.author}, {moment(r.at, hall.timeZone)}
                    </span>
                    <span className="block text-sm [overflow-wrap:anywhere]">{r.reason}</span>
                  </button>
                  <p className="px-3 pb-1">
                    {r.number !== number && (
                      <Button
                        tone="quiet"
                        className="text-sm"
                        aria-pressed={r.number === against}
                        onClick={() => choose('against', r.number)}
                      >
                        {r.number === against ? 'Compared with' : 'Compare with this'}
                      </Button>
                    )}
                  </p>
                </li>
              ))}
            </ol>
          )}
        </Loaded>
      </section>
      <section className="min-w-0">
        {shown.data && number && (
          <>
            <h2>
              Revision {number}: {titleOf(shown.data.body)}
            </h2>
            {me.role !== 'viewer' && newest !== null && number < newest && (
              <Restore
                key={number}
                kind={kind}
                slug={slug}
                old={shown.data.body}
                number={number}
                newest={newest}
              />
            )}
            {other.data && against && (
              <SideBySide
                {...(against < number
                  ? { before: other.data.body, after: shown.data.body }
                  : { before: shown.data.body, after: other.data.body })}
                titles={[`Revision ${Math.min(against, number)}`, `Revision ${Math.max(against, number)}`]}
              />
            )}
            <h3 className="mt-6">As it was, in full</h3>
            <DocumentReading body={shown.data.body} entries={entries} />
          </>
        )}
      </section>
    </div>
  );
}

/** An old revision put in force again as a new one, with what that changes shown first. */
function Restore({
  kind,
  slug,
  old,
  number,
  newest,
}: {
  kind: Kind;
  slug: string;
  old: Body;
  number: number;
  newest: number;
}) {
  const { me } = useSigned();
  const navigate = useNavigate();
  const { params, set } = useAddress();
  const asked = params.has('restore');
  const check = useCheck([old], asked);
  const now = useAsk('document', asked ? { kind, slug } : null);
  const send = useSend('saveDocument', { kind, slug });
  const ask = (yes: boolean) => set({ restore: yes ? 'yes' : null });
  const head = me.role === 'head coach';
  if (!asked) {
    return (
      <p className="my-2">
        <Button onClick={() => ask(true)}>
          {head ? 'Bring it back as' : 'Propose to bring it back as'} revision {newest + 1}
        </Button>
      </p>
    );
  }
  const refused = [...(check.data?.errors ?? []), ...(check.data?.breaches ?? [])];
  return (
    <section className="my-3 border-l-4 border-tape bg-paper px-4 py-3" aria-label="Bring it back">
      <h3>What would change</h3>
      {check.data?.effects ? (
        <EffectsView effects={check.data.effects} />
      ) : (
        <p className="text-soft">Looking …</p>
      )}
      {refused.map((r, i) => (
        <p key={i} className="font-semibold text-warn">
          {'problem' in r ? r.problem : `${r.field}: ${r.detail}`}
        </p>
      ))}
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <div className="mt-2 flex gap-2">
        <Button
          tone="main"
          disabled={!now.data || refused.length > 0 || send.isPending}
          onClick={() =>
            send.mutate(
              { body: old, base: now.data!.revision, reason: `Revision ${number} brought back.` },
              {
                onSuccess: (r) =>
                  void navigate(
                    r.outcome === 'proposed' ? `/changes/${r.change}` : `/library/${kind}/${slug}`,
                  ),
              },
            )
          }
        >
          {head ? 'Put it in force' : 'Propose it'}
        </Button>
        <Button onClick={() => ask(false)}>Leave it</Button>
      </div>
    </section>
  );
}
