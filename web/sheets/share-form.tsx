import { useState } from 'react';
import { Link } from 'react-router';
import { useSend } from '../shell/index.ts';
import { Button, fullDay, Notice, SelectField, TextField } from '../ui/index.ts';
import { Qr } from './qr.tsx';

const DAYS: [number, string][] = [
  [1, 'one day'],
  [7, 'a week'],
  [30, '30 days'],
  [90, '90 days'],
  [365, 'a year'],
];

/** Makes a link to the job for whoever holds it. */
export function ShareForm({
  job,
  person,
  personName,
}: {
  job: string;
  person: string | null;
  personName: string | null;
}) {
  const [days, setDays] = useState(30);
  const share = useSend('makeShare');
  const made = share.data;
  if (made) {
    return (
      <div className="grid gap-3">
        <p>
          Open until {fullDay(made.expiresAt.slice(0, 10))}. Copy it now: the hall keeps only what recognises
          it.
        </p>
        <TextField label="Link" readOnly value={made.url} onFocus={(e) => e.target.select()} />
        <div className="bg-white p-2">
          <Qr text={made.url} sizeMm={40} label="The link as a QR code" />
        </div>
        <p className="flex gap-4">
          <Button onClick={() => void navigator.clipboard?.writeText(made.url)}>Copy</Button>
          <Link to="/shares" className="self-center">
            All shared links
          </Link>
        </p>
      </div>
    );
  }
  return (
    <form
      className="grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        share.mutate({ job, person, days });
      }}
    >
      <p>
        Whoever holds the link reads these sheets without sign-in, always as they stand then
        {personName && `, with the dose and settings of ${personName}`}. You can revoke it at any time.
      </p>
      <SelectField label="Open for" value={days} onChange={(e) => setDays(Number(e.target.value))}>
        {DAYS.map(([n, words]) => (
          <option key={n} value={n}>
            {words}
          </option>
        ))}
      </SelectField>
      {share.error && <Notice tone="warn">{share.error.message}</Notice>}
      <Button type="submit" tone="main" disabled={share.isPending}>
        Make the link
      </Button>
    </form>
  );
}
