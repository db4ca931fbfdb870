import { useState } from 'react';
import { useAsk, useSend, useSendTo, useSigned } from '../shell/index.ts';
import { Qr } from '../sheets/index.ts';
import { Button, moment, Notice, SelectField, TextField } from '../ui/index.ts';

/** Links with which the person logs their own sets; each ends by itself or is revoked. */
export function OwnLinks({ personId }: { personId: string }) {
  const { hall } = useSigned();
  const rows = useAsk('ownLinks', { person: personId });
  const make = useSend('makeOwnLink', { person: personId });
  const revoke = useSendTo('revokeOwnLink');
  const [days, setDays] = useState('30');
  return (
    <section aria-label="Personal link">
      <h2 className="border-b border-ink pb-1">Logs own sets</h2>
      <p className="py-1 text-sm text-soft">
        With a link of their own this person writes sets down without sign-in, on one phone or tablet. They
        count as not watched.
      </p>
      <div className="flex flex-wrap items-end gap-2">
        <SelectField label="Open for" value={days} onChange={(e) => setDays(e.target.value)}>
          <option value="7">a week</option>
          <option value="30">30 days</option>
          <option value="90">90 days</option>
        </SelectField>
        <Button disabled={make.isPending} onClick={() => make.mutate({ days: Number(days) })}>
          Make a link
        </Button>
      </div>
      {(make.error ?? revoke.error) && <Notice tone="warn">{(make.error ?? revoke.error)!.message}</Notice>}
      {make.data && (
        <div className="mt-2 grid gap-2 border-l-[6px] border-tape bg-paper px-4 py-2">
          <p>
            Shown once: let them scan it with their own phone now. It opens on the first device that opens it,
            and on no other; do not try it here.
          </p>
          <div className="bg-white p-2">
            <Qr text={make.data.url} sizeMm={40} label="The link as a QR code" />
          </div>
          <TextField label="Or send it" readOnly value={make.data.url} onFocus={(e) => e.target.select()} />
          <div>
            <Button onClick={() => void navigator.clipboard?.writeText(make.data.url)}>Copy</Button>
          </div>
        </div>
      )}
      <ul className="mt-1">
        {rows.data?.map((r) => (
          <li key={r.id} className="flex items-center gap-3 border-b border-rule py-1 text-sm">
            <span className="grow">
              By {r.madeBy},{' '}
              {r.state === 'open' ? `open until ${moment(r.expiresAt, hall.timeZone)}` : r.state}
              {r.lastUsedAt && `; last used ${moment(r.lastUsedAt, hall.timeZone)}`}
            </span>
            {r.state === 'open' && (
              <Button tone="danger" onClick={() => revoke.mutate({ id: r.id })}>
                Revoke
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
