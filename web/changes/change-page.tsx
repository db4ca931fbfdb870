import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { ChangeDetail } from '../../contract/library.ts';
import { KIND_WORDS, titleOf } from '../../core/library/index.ts';
import type { Body } from '../../core/library/index.ts';
import { EffectsView, InPlace, SideBySide, useCheck } from '../library/index.ts';
import { Refused, useAsk, useLibrary, useSend, useSigned } from '../shell/index.ts';
import { Button, Loaded, moment, Notice, TextField } from '../ui/index.ts';

/** One change side by side with what is in force; the head coach accepts, edits or declines. */
export function ChangePage() {
  const { id = '' } = useParams();
  const change = useAsk('change', { id });
  return (
    <Loaded query={change} what="the change">
      {(data) => <Detail key={data.id} change={data} />}
    </Loaded>
  );
}

function Detail({ change }: { change: ChangeDetail }) {
  const { hall, me } = useSigned();
  const navigate = useNavigate();
  const { entries } = useLibrary();
  const send = useSend('decideChange', { id: change.id });
  const [word, setWord] = useState('');
  const [edited, setEdited] = useState<ReadonlyMap<string, Body>>(new Map());
  const [editing, setEditing] = useState<string | null>(null);
  const [section, setSection] = useState<string | null>(null);
  const open = change.state === 'proposed' && me.role === 'head coach';
  const waiting = change.state === 'proposed';
  const asProposed = useAsk('checkChange', waiting ? { id: change.id } : null);
  const asEdited = useCheck(
    change.items.map((i) => edited.get(`${i.kind}/${i.slug}`) ?? i.proposed),
    waiting && edited.size > 0,
  );
  const check = edited.size > 0 ? asEdited : asProposed;
  const decide = (accept: boolean) =>
    send.mutate(
      {
        accept,
        word,
        ...(accept && edited.size
          ? {
              edited: change.items.flatMap((i) => {
                const body = edited.get(`${i.kind}/${i.slug}`);
                return body ? [{ body, base: i.inForce?.revision ?? 0 }] : [];
              }),
            }
          : {}),
      },
      { onSuccess: () => void navigate('/changes') },
    );
  return (
    <div className="mx-auto max-w-5xl">
      <p>
        <Link to="/changes">All changes</Link>
      </p>
      <h1>
        {change.documents
          .map((d) => d.title)
          .slice(0, 3)
          .join(', ')}
      </h1>
      <p className="text-soft">
        {{ proposed: 'Proposed', accepted: 'Accepted', declined: 'Declined' }[change.state]}: by{' '}
        {change.author}, {moment(change.at, hall.timeZone)}
        {change.reason && `. Why: ${change.reason}`}
        {change.decidedBy &&
          `. Decided by ${change.decidedBy}${change.decision ? `: ${change.decision}` : ''}`}
      </p>
      {change.items.slice(0, 20).map((item) => {
        const key = `${item.kind}/${item.slug}`;
        const mine = edited.get(key) ?? item.accepted ?? item.proposed;
        const moved = (item.inForce?.revision ?? 0) !== item.base && change.state === 'proposed';
        const left = change.state === 'proposed' ? (item.inForce?.body ?? null) : item.baseBody;
        return (
          <section key={key} className="mt-5">
            <h2>
              {titleOf(item.proposed)} <span className="text-soft">({KIND_WORDS[item.kind]})</span>
            </h2>
            {moved && (
              <Notice tone="warn">
                This started from revision {item.base}; revision {item.inForce?.revision ?? 0} is in force
                now. Edit the proposal against it before accepting.
              </Notice>
            )}
            <SideBySide
              before={left}
              after={mine}
              titles={[
                change.state === 'proposed'
                  ? `In force (revision ${item.inForce?.revision ?? 0})`
                  : `Before (revision ${item.base})`,
                edited.has(key) || item.accepted
                  ? 'Edited by the head coach'
                  : `Proposed by ${change.author}`,
              ]}
            />
            {open && (
              <Button
                className="mt-2"
                onClick={() => {
                  setEditing(editing === key ? null : key);
                  setSection(null);
                }}
                aria-expanded={editing === key}
              >
                {editing === key ? 'Close the editor' : 'Edit before accepting'}
              </Button>
            )}
            {editing === key && (
              <div className="mt-3 border-l-4 border-tape pl-4">
                <InPlace
                  body={mine}
                  context={{ entries, errors: new Map() }}
                  open={section}
                  onOpen={setSection}
                  onChange={(body) => setEdited(new Map(edited).set(key, body))}
                />
              </div>
            )}
          </section>
        );
      })}
      {change.items.length > 20 && (
        <p className="mt-4 text-soft">and {change.items.length - 20} more documents.</p>
      )}
      {waiting && check.error && <Notice tone="warn">{check.error.message}</Notice>}
      {waiting && check.data && (
        <section className="mt-5 border-l-4 border-tape bg-paper px-4 py-2">
          <h2>What it would change</h2>
          {check.data.effects && <EffectsView effects={check.data.effects} />}
          {[...check.data.breaches.map((b) => b.problem), ...check.data.findings.map((f) => f.proof)].map(
            (text) => (
              <p key={text} className="text-sm">
                {text}
              </p>
            ),
          )}
        </section>
      )}
      {open && (
        <div className="sticky bottom-0 mt-6 border-t-2 border-ink bg-ground py-3">
          {send.error && (
            <Notice tone="warn">
              {send.error.message}
              {send.error instanceof Refused &&
                send.error.problem.errors?.map((e) => (
                  <span key={e.field} className="block">
                    {e.field}: {e.detail}
                  </span>
                ))}
            </Notice>
          )}
          <div className="flex flex-wrap items-end gap-3">
            <TextField
              label="A word to the author"
              value={word}
              onChange={(e) => setWord(e.target.value)}
              className="grow"
            />
            <Button tone="main" disabled={send.isPending} onClick={() => decide(true)}>
              {edited.size ? 'Accept as edited' : 'Accept'}
            </Button>
            <Button tone="danger" disabled={send.isPending} onClick={() => decide(false)}>
              Decline
            </Button>
          </div>
        </div>
      )}
      {change.state === 'proposed' && me.role !== 'head coach' && (
        <Notice>The head coach accepts or declines it. Until then the sheet stays as it is.</Notice>
      )}
    </div>
  );
}
