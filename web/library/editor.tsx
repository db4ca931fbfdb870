import { useEffect, useRef, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import type { Draft, EntryInForce, LibraryList, SaveRequest, SaveResult } from '../../contract/library.ts';
import { canonicalJson, blankBody, KIND_WORDS, titleOf } from '../../core/library/index.ts';
import type { Body, Kind } from '../../core/library/index.ts';
import { queryClient, Refused, request, useGet, useSend, useSigned } from '../shell/index.ts';
import { Button, Loaded, moment, Notice, TextField } from '../ui/index.ts';
import { FORMS } from './fields/index.ts';
import type { Value } from './fields/index.ts';
import { EditFields } from './fields/edit.tsx';
import { SideBySide } from './side-by-side.tsx';

interface Start {
  body: Body;
  base: number;
  inForce: Body | null;
  draftAt: string | null;
}

/** Writes one document; what is typed is kept as a draft on the server until it is saved. */
export function Editor() {
  const { kind: pathKind, slug = '' } = useParams();
  const [params] = useSearchParams();
  const { me } = useSigned();
  const kind = pathKind as Kind;
  const [start, setStart] = useState<Start | null>(null);
  const [error, setError] = useState<Error | null>(null);
  const name = params.get('name') ?? slug;

  useEffect(() => {
    let gone = false;
    const load = async (): Promise<Start> => {
      const draft = await request<Draft | null>('GET', `/api/drafts/${kind}/${slug}`);
      const found = await request<EntryInForce>('GET', `/api/library/${kind}/${slug}`).catch((e: unknown) => {
        if (e instanceof Refused && e.problem.status === 404) return null;
        throw e;
      });
      if (draft)
        return { body: draft.body, base: draft.base, inForce: found?.body ?? null, draftAt: draft.at };
      return {
        body: found?.body ?? blankBody(kind, slug, name, me.name),
        base: found?.revision ?? 0,
        inForce: found?.body ?? null,
        draftAt: null,
      };
    };
    load().then(
      (s) => !gone && setStart(s),
      (e: Error) => !gone && setError(e),
    );
    return () => {
      gone = true;
    };
  }, [kind, slug, name, me.name]);

  if (error) return <Notice tone="warn">{error.message}</Notice>;
  if (!start) return <p className="p-4 text-soft">Opening …</p>;
  return <Writing key={`${kind}/${slug}`} start={start} />;
}

function Writing({ start }: { start: Start }) {
  const { me, hall } = useSigned();
  const navigate = useNavigate();
  const library = useGet<LibraryList>('/api/library');
  const { kind, slug } = start.body;
  const [body, setBody] = useState(start.body);
  const [base, setBase] = useState(start.base);
  const [reason, setReason] = useState('');
  const [draftAt, setDraftAt] = useState(start.draftAt);
  const [stale, setStale] = useState<Body | null>(null);
  const undo = useRef<Body[]>([]);
  const [undoCount, setUndoCount] = useState(0);
  const send = useSend<SaveRequest, SaveResult>('PUT', `/api/library/${kind}/${slug}`);
  const head = me.role === 'head coach';
  const dirty = !start.inForce || canonicalJson(body) !== canonicalJson(start.inForce);
  const touched = useRef(false);

  // The draft follows a moment after the last keystroke.
  useEffect(() => {
    if (!touched.current) return;
    const timer = setTimeout(() => {
      request<{ at: string }>('PUT', `/api/drafts/${kind}/${slug}`, { body, base }).then(
        ({ at }) => setDraftAt(at),
        () => undefined,
      );
    }, 800);
    return () => clearTimeout(timer);
  }, [body, base, kind, slug]);

  const change = (next: Body) => {
    touched.current = true;
    undo.current = [...undo.current.slice(-99), body];
    setUndoCount(undo.current.length);
    setBody(next);
  };
  const back = () => {
    const last = undo.current.pop();
    setUndoCount(undo.current.length);
    if (last) setBody(last);
  };
  const discard = async () => {
    await request('DELETE', `/api/drafts/${kind}/${slug}`);
    void navigate(start.inForce ? `/library/${kind}/${slug}` : `/library?kind=${kind}`);
  };
  const errors = new Map(
    send.error instanceof Refused
      ? (send.error.problem.errors ?? []).map((e) => [
          e.field.replace(/^body\./, '').replace(`${kind}/${slug} `, ''),
          e.detail,
        ])
      : [],
  );
  const save = () =>
    send.mutate(
      { body, base, reason },
      {
        onSuccess: (result) => {
          touched.current = false;
          void navigate(
            result.outcome === 'proposed' ? `/changes/${result.change}` : `/library/${kind}/${slug}`,
          );
        },
        onError: (e) => {
          if (e instanceof Refused && e.problem.status === 409) setStale(e.problem.inForce as Body);
        },
      },
    );

  return (
    <div className="mx-auto max-w-4xl">
      <div className="sticky top-0 z-10 mb-4 flex flex-wrap items-end justify-between gap-3 border-b border-ink bg-ground py-2">
        <div>
          <p className="label">
            {start.inForce ? (head ? 'Editing' : 'Proposing a change to') : 'New'} {KIND_WORDS[kind]}
            {draftAt && <span> (draft kept {moment(draftAt, hall.timeZone)})</span>}
          </p>
          <h1 className="text-xl">{titleOf(body)}</h1>
        </div>
        <div className="flex gap-2">
          <Button disabled={undoCount === 0} onClick={back}>
            Undo
          </Button>
          <Button tone="quiet" onClick={() => void discard()}>
            Discard the draft
          </Button>
          <Button tone="main" disabled={!dirty || send.isPending} onClick={save}>
            {head ? 'Put in force' : 'Propose'}
          </Button>
        </div>
      </div>
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      {errors.size > 0 && (
        <ul className="mb-3 list-disc pl-8 text-warn">
          {[...errors].map(([field, detail]) => (
            <li key={field}>
              {field}: {detail}
            </li>
          ))}
        </ul>
      )}
      {stale && (
        <section className="my-4 border-2 border-warn p-4">
          <h2>Somebody changed this meanwhile</h2>
          <p>
            Left: what is in force now. Right: yours, kept as your draft. Take over what you need, then go on
            from the newest.
          </p>
          <SideBySide before={stale} after={body} titles={['In force now', 'Yours']} />
          <div className="mt-3 flex gap-2">
            <Button
              tone="main"
              onClick={() => {
                void queryClient
                  .fetchQuery({
                    queryKey: ['stale', kind, slug],
                    queryFn: () => request<EntryInForce>('GET', `/api/library/${kind}/${slug}`),
                    staleTime: 0,
                  })
                  .then((now) => {
                    setBase(now.revision);
                    setStale(null);
                    send.reset();
                  });
              }}
            >
              Keep mine, based on the newest
            </Button>
            <Button
              onClick={() => {
                change(stale);
                setStale(null);
                send.reset();
                void request<EntryInForce>('GET', `/api/library/${kind}/${slug}`).then((now) =>
                  setBase(now.revision),
                );
              }}
            >
              Start again from what is in force
            </Button>
          </div>
        </section>
      )}
      <TextField
        label="Why this change"
        value={reason}
        onChange={(e) => setReason(e.target.value)}
        hint="Kept with the revision; a word is enough."
        className="mb-4"
      />
      <Loaded query={library} what="the library">
        {({ entries }) => (
          <EditFields
            fields={FORMS[kind]}
            value={body as unknown as Value}
            path=""
            context={{ entries, errors }}
            onChange={(v) => change(v as unknown as Body)}
          />
        )}
      </Loaded>
      <p className="mt-6">
        <Link to={`/library/${kind}/${slug}`}>Back without saving (the draft stays)</Link>
      </p>
    </div>
  );
}
