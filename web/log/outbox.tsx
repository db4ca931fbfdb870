import { useEffect, useState, useSyncExternalStore } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { refresh, useSigned, warnBeforeSignOut } from '../shell/index.ts';
import { Button, Dialog } from '../ui/index.ts';
import { outbox } from './outbox-store.ts';

export const useParcels = () => useSyncExternalStore(outbox.subscribe, outbox.current);

const EVERY_MS = 8_000;

/** Keeps sending, and says in the band how much is still on this tablet only. */
export function Outbox() {
  const parcels = useParcels();
  const [open, setOpen] = useState(false);
  const client = useQueryClient();
  const { me } = useSigned();
  const unsent = parcels.filter((p) => p.state === 'waiting');
  const waiting = unsent.length;
  const others = [...new Set(unsent.flatMap((p) => (p.by && p.by.id !== me.id ? [p.by.name] : [])))];
  const refused = parcels.filter((p) => p.state === 'refused');
  const flagged = parcels.filter((p) => (p.flaggedMoves ?? 0) > 0);

  useEffect(() => {
    outbox.signedInAs(me);
    warnBeforeSignOut(() => {
      const left = outbox.current().filter((p) => p.state === 'waiting' && p.by?.id === me.id).length;
      return left === 0
        ? null
        : `${left} of yours ${left === 1 ? 'is' : 'are'} on this tablet only, and sent when you sign in here again. Sign out all the same?`;
    });
    return () => outbox.signedInAs(undefined);
  }, [me]);
  useEffect(() => {
    const tick = () => void outbox.check().catch(() => undefined);
    tick();
    const timer = setInterval(tick, EVERY_MS);
    addEventListener('online', tick);
    return () => {
      clearInterval(timer);
      removeEventListener('online', tick);
    };
  }, []);
  useEffect(() => {
    // What has arrived changes decisions and lists.
    if (waiting === 0) void refresh(client, ['log', 'standings', 'check-ins', 'cues', 'faults', 'ratings']);
  }, [waiting, client]);

  if (waiting === 0 && refused.length === 0 && flagged.length === 0) return null;
  return (
    <>
      <Button tone="danger" onClick={() => setOpen(true)} aria-live="polite">
        {waiting > 0 && `${waiting} not sent`}
        {waiting > 0 && refused.length > 0 && ', '}
        {refused.length > 0 && `${refused.length} refused`}
        {waiting + refused.length === 0 &&
          (flagged.length === 1 ? '1 decision to look at' : `${flagged.length} decisions to look at`)}
      </Button>
      <Dialog title="On this tablet only" open={open} onClose={() => setOpen(false)}>
        <p className="mb-3">
          {waiting > 0
            ? 'These sets are kept on this tablet and sent as soon as the hall’s computer answers.'
            : 'Everything else has been sent.'}
        </p>
        {others.length > 0 && (
          <p className="mb-3">What {others.join(' and ')} did here goes out when they sign in here again.</p>
        )}
        <div className="mb-4 flex gap-2">
          <Button
            tone="main"
            disabled={waiting === 0}
            onClick={() => void outbox.check().catch(() => undefined)}
          >
            Try to send now
          </Button>
        </div>
        {flagged.map((p) => (
          <div key={p.id} className="mb-2 border-t border-rule pt-2">
            <p>
              A set {p.set ? `of ${p.set.date} was corrected` : 'was deleted'}, and a decision had stood on
              it. It is marked; look again whether it still holds.
            </p>
            <Link
              to={`/people/${p.personId}?part=moves`}
              className="mr-3"
              onClick={() => {
                setOpen(false);
                void outbox.seen(p.id);
              }}
            >
              To the decision
            </Link>
            <Button tone="quiet" onClick={() => void outbox.seen(p.id)}>
              Seen
            </Button>
          </div>
        ))}
        {refused.map((p) => (
          <div key={p.id} className="mb-2 border-t border-rule pt-2">
            <p className="text-warn">{p.error}</p>
            <p className="text-sm text-soft">
              {p.errand
                ? p.errand.words
                : p.set
                  ? `${p.set.date}, set ${p.set.ordinal} of ${p.set.variation}`
                  : 'A deleted set'}
            </p>
            <Button tone="danger" onClick={() => void outbox.discard(p.id)}>
              Discard this one
            </Button>
          </div>
        ))}
      </Dialog>
    </>
  );
}
