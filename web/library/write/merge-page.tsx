import { useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import type { EntrySummary } from '../../../contract/library.ts';
import { useAsk, useLibrary, useSend, useSigned } from '../../shell/index.ts';
import { Button, Loaded, Notice, TextField } from '../../ui/index.ts';
import { EffectsView } from '../health/effects-view.tsx';
import { CuePicker } from './fields/cue-picker.tsx';

/** Two cues become one wording; every sheet that carried either carries the one kept. */
export function MergePage() {
  const { query: library } = useLibrary();
  return (
    <Loaded query={library} what="the library">
      {({ entries }) => <Merge entries={entries} />}
    </Loaded>
  );
}

function Merge({ entries }: { entries: EntrySummary[] }) {
  const { slug = '' } = useParams();
  const [params, setParams] = useSearchParams();
  const { me } = useSigned();
  const navigate = useNavigate();
  const keep = params.get('keep');
  const plan = useAsk('mergePlan', keep ? { slug, keep } : null);
  const send = useSend('mergeCues', { slug, keep: keep ?? '' });
  const [reason, setReason] = useState('');
  const title = (cue: string) => entries.find((e) => e.kind === 'cue' && e.slug === cue)?.title ?? cue;
  const head = me.role === 'head coach';
  return (
    <div className="mx-auto max-w-4xl">
      <p>
        <Link to={`/library/cue/${slug}`}>Back to the cue</Link>
      </p>
      <h1>One wording for two cues</h1>
      <dl className="mt-3 grid grid-cols-[8rem_1fr] items-baseline gap-y-1">
        <dt className="label">No longer said</dt>
        <dd>
          <del className="text-warn">{title(slug)}</del>
        </dd>
        <dt className="label">Said instead</dt>
        <dd className="text-lg font-semibold">{keep ? title(keep) : 'Choose below.'}</dd>
      </dl>
      {keep && (
        <p className="mt-2 flex flex-wrap gap-x-4">
          <Button onClick={() => void navigate(`/library/cue/${keep}/merge?keep=${slug}`, { replace: true })}>
            The other way round
          </Button>
          <Button tone="quiet" onClick={() => setParams({}, { replace: true })}>
            Choose another
          </Button>
        </p>
      )}
      {!keep && (
        <div className="mt-4">
          <CuePicker
            entries={entries}
            like={title(slug)}
            leaveOut={[slug]}
            label="The wording that stays"
            onPick={(cue) => setParams({ keep: cue }, { replace: true })}
          />
        </div>
      )}
      {keep && (
        <Loaded query={plan} what="what would change">
          {({ documents, carryBoth, effects, state }) => (
            <>
              <p className="mt-4">
                {documents.length === 0
                  ? 'Nothing names the old wording; it is only retired.'
                  : `Rewired in one change: ${documents.map((d) => d.title).join(', ')}.`}
              </p>
              {carryBoth.length > 0 && (
                <p>Carried both so far, and will carry one: {carryBoth.join(', ')}.</p>
              )}
              <section className="my-4 border-l-4 border-tape bg-paper px-4 py-2">
                <h2>What changes</h2>
                <EffectsView effects={effects} />
              </section>
              {send.error && <Notice tone="warn">{send.error.message}</Notice>}
              <div className="flex flex-wrap items-end gap-3">
                <TextField
                  label="Why this change"
                  value={reason}
                  onChange={(e) => setReason(e.target.value)}
                  className="grow"
                />
                <Button
                  tone="main"
                  disabled={send.isPending}
                  onClick={() =>
                    send.mutate(
                      { reason, state },
                      {
                        onSuccess: (r) =>
                          void navigate(
                            r.outcome === 'proposed' ? `/changes/${r.change}` : `/library/cue/${keep}`,
                          ),
                      },
                    )
                  }
                >
                  {head ? 'Merge them' : 'Propose the merge'}
                </Button>
              </div>
            </>
          )}
        </Loaded>
      )}
    </div>
  );
}
