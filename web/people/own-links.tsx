import { useState } from 'react';
import { useAsk, useSend, useSendTo, useSigned } from '../shell/index.ts';
import { Button, moment, Notice, SelectField } from '../ui/index.ts';

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
        Whoever holds the link writes sets down for this person, without sign-in. They count as not watched.
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
        <Notice>
          Shown once, hand it over now:{' '}
          <a className="break-all" href={make.data.url}>
            {make.data.url}
          </a>
        </Notice>
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
