import { useCallback, useEffect, useRef, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import type { DraftRequest, EntryInForce, EntrySummary, Proposal } from '../../../contract/library.ts';
import {
  blankBody,
  canonicalJson,
  documentId,
  KIND_WORDS,
  referencesOf,
  sectionAt,
  sectionsOf,
  titleOf,
} from '../../../core/library/index.ts';
import type { Body, Kind } from '../../../core/library/index.ts';
import { ask, Refused, send, useLibrary, useSend, useSigned } from '../../shell/index.ts';
import { Button, Loaded, moment, Notice, useHistory } from '../../ui/index.ts';
import { InPlace } from './in-place.tsx';
import { slugFrom } from './new-document.tsx';
import { PutTogether } from '../compare/put-together.tsx';
import { WritingAside } from './writing-aside.tsx';

/** A document being written, with those written along with it. */
interface Written {
  body: Body;
  also: Proposal[];
}

interface Start extends Written {
  base: number;
  /** The revision that the edit started from. */
  baseBody: Body | null;
  inForce: EntryInForce | null;
  draftAt: string | null;
}

async function documentInForce(kind: Kind, slug: string): Promise<EntryInForce | null> {
  return ask('document', { kind, slug }).catch((e: unknown) => {
    if (e instanceof Refused && e.problem.status === 404) return null;
    throw e;
  });
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
      const draft = await ask('draft', { kind, slug });
      const inForce = await documentInForce(kind, slug);
      if (draft) {
        const { body, base, also, at } = draft;
        const outdated = base > 0 && base !== inForce?.revision;
        const baseBody = outdated
          ? (await ask('revision', { kind, slug, number: base })).body
          : base > 0
            ? (inForce?.body ?? null)
            : null;
        return { body, base, also, baseBody, inForce, draftAt: at };
      }
      return {
        body: inForce?.body ?? blankBody(kind, slug, name, me.name),
        also: [],
        base: inForce?.revision ?? 0,
        baseBody: inForce?.body ?? null,
        inForce,
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

/** The draft on the server, following a moment after the last keystroke. */
function useDraft(kind: Kind, slug: string, startAt: string | null) {
  const [at, setAt] = useState(startAt);
  const known = useRef(startAt);
  const [elsewhere, setElsewhere] = useState(false);
  const underWay = useRef(Promise.resolve());
  const keep = useCallback(
    (draft: Omit<DraftRequest, 'since'>) => {
      underWay.current = send(
        'saveDraft',
        { kind, slug },
        {
          ...draft,
          since: known.current,
        },
      ).then(
        (answer) => {
          known.current = answer.at;
          setAt(answer.at);
        },
        (e: unknown) => {
          // Out of reach is told when saving; what was typed stands on the page.
          if (e instanceof Refused && e.problem.status === 409) setElsewhere(true);
        },
      );
    },
    [kind, slug],
  );
  /** No draft is on its way any more: one that comes in after the save would stand against it. */
  const settled = () => underWay.current;
  /** From now on this window's text is the draft. */
  const takeOver = async () => {
    known.current = (await ask('draft', { kind, slug }))?.at ?? null;
    setElsewhere(false);
  };
  return { at, keep, settled, elsewhere, takeOver };
}

function Writing({ start }: { start: Start }) {
  const { me, hall } = useSigned();
  const navigate = useNavigate();
  const { query: library } = useLibrary();
  const { kind, slug } = start.body;
  const history = useHistory<Written>({ body: start.body, also: start.also });
  const { now: written } = history;
  const { body } = written;
  // A new cue that was taken off again is not saved.
  const named = new Set(referencesOf(body).map(documentId));
  const also = written.also.filter((a) => named.has(documentId(a.body)));
  const [started, setStarted] = useState({ base: start.base, body: start.baseBody });
  const [reason, setReason] = useState('');
  const [params] = useSearchParams();
  const [open, setOpen] = useState(() => firstOpen(start, params.get('at')));
  const draft = useDraft(kind, slug, start.draftAt);
  const outdated = start.inForce !== null && start.inForce.revision !== start.base;
  const [theirs, setTheirs] = useState<EntryInForce | null>(outdated ? start.inForce : null);
  const saving = useSend('saveDocument', { kind, slug });
  const head = me.role === 'head coach';
  const dirty = also.length > 0 || !started.body || canonicalJson(body) !== canonicalJson(started.body);
  const touched = useRef(false);
  const [waiting, setWaiting] = useState(false);
  const { keep, elsewhere } = draft;

  useEffect(() => {
    if (!touched.current || elsewhere) return;
    const timer = setTimeout(() => {
      if (touched.current) keep({ ...written, base: started.base });
    }, 800);
    return () => clearTimeout(timer);
  }, [written, started.base, keep, elsewhere]);

  const change = (next: Pick<Written, 'body'>) => {
    touched.current = true;
    // On top of what the same stroke may have changed before: a new cue and the list that names it.
    history.change((w) => ({ ...w, ...next }));
  };
  const discard = async () => {
    touched.current = false;
    await draft.settled();
    await send('dropDraft', { kind, slug }, undefined);
    void navigate(start.inForce ? `/library/${kind}/${slug}` : `/library?kind=${kind}`);
  };
  const errors = new Map(
    saving.error instanceof Refused
      ? (saving.error.problem.errors ?? []).map((e) => [memberOf(e.field, body), e.detail])
      : [],
  );
  const save = async () => {
    touched.current = false;
    setWaiting(true);
    await draft.settled();
    setWaiting(false);
    saving.mutate(
      { body, base: started.base, reason, ...(also.length > 0 ? { also } : {}) },
      {
        onSuccess: (result) => {
          void navigate(
            result.outcome === 'proposed' ? `/changes/${result.change}` : `/library/${kind}/${slug}`,
          );
        },
        onError: (e) => {
          touched.current = true;
          // Without an answer it may have been saved: a draft from before would stand against it.
          if (!(e instanceof Refused)) return;
          keep({ ...written, base: started.base });
          const wrong = e.problem.errors?.[0] && sectionAt(kind, memberOf(e.problem.errors[0].field, body));
          if (wrong) setOpen(wrong.title);
          if (e.problem.status === 409) void documentInForce(kind, slug).then(setTheirs);
        },
      },
    );
  };
  /** From now on the edit stands on what is in force. */
  const standOn = (now: EntryInForce, next: Body) => {
    change({ body: next });
    setStarted({ base: now.revision, body: now.body });
    setTheirs(null);
    saving.reset();
  };

  return (
    <div className="mx-auto max-w-7xl">
      <div className="sticky top-0 z-10 mb-4 flex flex-wrap items-end justify-between gap-3 border-b border-ink bg-ground py-2">
        <div className="min-w-0">
          <p className="label">
            {start.inForce ? (head ? 'Editing' : 'Proposing a change to') : 'New'} {KIND_WORDS[kind]}
            {draft.at && <span> (draft kept {moment(draft.at, hall.timeZone)})</span>}
          </p>
          <h1 className="truncate text-xl">{titleOf(body) || 'Without a name yet'}</h1>
        </div>
        <div className="flex gap-2">
          <Button disabled={history.steps === 0} onClick={history.undo}>
            Undo
          </Button>
          <Button tone="quiet" onClick={() => void discard()}>
            Discard the draft
          </Button>
          <Button
            tone="main"
            disabled={!dirty || waiting || saving.isPending || theirs !== null}
            onClick={() => void save()}
          >
            {head ? 'Put in force' : 'Propose'}
          </Button>
        </div>
      </div>
      {elsewhere && (
        <Notice tone="warn">
          This draft was written on in another window. Nothing was overwritten, and what stands here is not
          being kept. <Button onClick={() => location.reload()}>Read the other one</Button>{' '}
          <Button onClick={() => void draft.takeOver()}>Keep what stands here instead</Button>
        </Notice>
      )}
      {saving.error && <Notice tone="warn">{saving.error.message}</Notice>}
      {errors.size > 0 && (
        <ul className="mb-3 list-disc pl-8 text-warn">
          {[...errors].map(([field, detail]) => (
            <li key={field}>
              {field}: {detail}
            </li>
          ))}
        </ul>
      )}
      {theirs && (
        <PutTogether
          base={started.body}
          mine={body}
          theirs={theirs.body}
          title="Somebody changed this meanwhile"
          words={{ mine: 'Yours', theirs: 'Theirs, in force now', together: 'Go on with both together' }}
          onTogether={(next) => standOn(theirs, next)}
          more={
            <Button onClick={() => standOn(theirs, theirs.body)}>Start again from what is in force</Button>
          }
        />
      )}
      <div className="grid items-start gap-8 lg:grid-cols-[minmax(0,1fr)_20rem]">
        <div className="min-w-0">
          <Loaded query={library} what="the library">
            {({ entries }) => (
              <InPlace
                body={body}
                open={open}
                onOpen={setOpen}
                context={{
                  entries: [...entries, ...also.map((a) => stubOf(a.body))],
                  errors,
                  onWriteCue: (text) => {
                    const cue = newCue(text, entries, also, me.name);
                    history.amend((w) => ({ ...w, also: [...w.also, { body: cue, base: 0 }] }));
                    return cue.slug;
                  },
                }}
                onChange={(next) => change({ body: next })}
              />
            )}
          </Loaded>
          <p className="mt-6">
            <Link to={`/library/${kind}/${slug}`}>Back without saving (the draft stays)</Link>
          </p>
        </div>
        <WritingAside body={body} also={also} reason={reason} onReason={setReason} onSection={setOpen} />
      </div>
    </div>
  );
}

/** A path of the answer as one of the document. */
const memberOf = (field: string, { kind, slug }: Body) =>
  field.replace(/^body\./, '').replace(`${kind}/${slug} `, '');

/** The section that is open at first: the one asked for, or all there is to a small or new document. */
function firstOpen({ body, inForce }: Start, at: string | null): string | null {
  const sections = sectionsOf(body.kind);
  const asked = sections.find((s) => s.title === at) ?? (at ? sectionAt(body.kind, at) : undefined);
  return asked?.title ?? (inForce === null || sections.length <= 3 ? sections[0]!.title : null);
}

/** A cue written along with a sheet, under a slug that nothing has yet. */
function newCue(
  text: string,
  entries: readonly EntrySummary[],
  also: readonly Proposal[],
  author: string,
): Body {
  const taken = new Set([
    ...entries.filter((e) => e.kind === 'cue').map((e) => e.slug),
    ...also.map((a) => a.body.slug),
  ]);
  const plain = slugFrom(text.split(/\s+/).slice(0, 5).join(' ')) || 'cue';
  let slug = plain;
  for (let n = 2; taken.has(slug); n++) slug = `${plain}-${n}`;
  return blankBody('cue', slug, text, author);
}

/** What the form shows of a document that is not in the library yet. */
const stubOf = (body: Body): EntrySummary => ({
  kind: body.kind,
  slug: body.slug,
  title: titleOf(body),
  revision: 0,
  retired: false,
  pattern: null,
  branchOf: null,
  roles: [],
  laterality: null,
  mechanics: null,
  demandAdjustment: 0,
  facets: null,
  alsoCalled: [],
  words: '',
  uses: [],
});
