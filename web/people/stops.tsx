import { useState } from 'react';
import type { Report } from '../../contract/reports.ts';
import { reachWords } from '../../core/ladder/index.ts';
import { useAsk, useSend, useSigned } from '../shell/index.ts';
import { Button, day, Dialog, Notice, TextField } from '../ui/index.ts';
import { reportWords } from './report-words.ts';

const SHOWN = 5;

/** What stops the person now, or asks for a doctor first; nothing where nothing does. */
export function OpenStop({ personId, referred }: { personId: string; referred: boolean }) {
  const { hall, me } = useSigned();
  const told = useAsk('stopsOf', { person: personId });
  const [clearing, setClearing] = useState(false);
  const open = told.data?.reports.filter((r) => r.open) ?? [];
  if (open.length === 0 && !referred) return null;
  return (
    <section aria-label="Stopped" className="mb-3 max-w-4xl border-l-[10px] border-warn bg-paper px-4 py-3">
      {open.length > 0 ? (
        <>
          <p className="font-head text-xl font-bold text-warn">
            Stopped. {reachWords(open.some((r) => r.reach === 'everything') ? 'everything' : open[0]!.reach!)}{' '}
            until it is cleared.
          </p>
          <Told reports={open} today={hall.today} />
        </>
      ) : (
        <p className="font-semibold text-warn">
          Pain that comes back: a doctor or physiotherapist first. The next sets ask less until it is cleared.
        </p>
      )}
      {me.role === 'head coach' ? (
        <Button className="mt-2" tone="main" onClick={() => setClearing(true)}>
          Clear it
        </Button>
      ) : (
        <p className="mt-1">The head coach clears it, on the word of a doctor or physiotherapist.</p>
      )}
      <Dialog title="Clear the stop" open={clearing} onClose={() => setClearing(false)}>
        <Clear personId={personId} reports={open} today={hall.today} onDone={() => setClearing(false)} />
      </Dialog>
    </section>
  );
}

/** Pain that was told of, and what cleared it. */
export function Stops({ personId }: { personId: string }) {
  const { hall } = useSigned();
  const told = useAsk('stopsOf', { person: personId });
  const [all, setAll] = useState(false);
  if (!told.data) return null;
  const { reports, clearances } = told.data;
  const past = reports.filter((r) => !r.open);
  return (
    <section aria-label="Pain and stops">
      <h2 className="border-b border-ink pb-1">Pain and stops</h2>
      {reports.length === 0 && <p className="py-2 text-soft">None told.</p>}
      <Told reports={reports.filter((r) => r.open)} today={hall.today} />
      <Told reports={all ? past : past.slice(0, SHOWN)} today={hall.today} />
      {past.length > SHOWN && (
        <Button tone="quiet" onClick={() => setAll(!all)}>
          {all ? 'Fewer' : `All ${past.length}`}
        </Button>
      )}
      <ul>
        {clearances.map((c) => (
          <li key={c.id} className="border-b border-rule py-1">
            <b>Cleared</b> on {day(c.date, hall.today)}
            {c.until && `, until ${day(c.until, hall.today)}`}: {c.what}. Said by {c.saidBy}; written down by{' '}
            {c.by}.
          </li>
        ))}
      </ul>
    </section>
  );
}

function Told({ reports, today }: { reports: readonly Report[]; today: string }) {
  return (
    <ul>
      {reports.map((r) => (
        <li key={r.id} className="border-b border-rule py-1">
          <b>{day(r.date, today)}</b>: {reportWords(r)}
          <span className="text-soft">, told by {r.by}</span>
        </li>
      ))}
    </ul>
  );
}

function Clear({
  personId,
  reports,
  today,
  onDone,
}: {
  personId: string;
  reports: readonly Report[];
  today: string;
  onDone: () => void;
}) {
  const send = useSend('clear', { person: personId });
  const [saidBy, setSaidBy] = useState('');
  const [what, setWhat] = useState('');
  const [until, setUntil] = useState('');
  return (
    <form
      className="grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        send.mutate({ saidBy, what, until: until || null }, { onSuccess: onDone });
      }}
    >
      <Told reports={reports} today={today} />
      <p>
        {reports.every((r) => r.lapsed)
          ? 'It was cleared before, for a time that is over: what was done since then goes on counting.'
          : 'What was logged before counts for nothing any more, neither for nor against: they begin the level anew.'}{' '}
        Is only part of it allowed? Record the rest as a restriction first.
      </p>
      <TextField
        label="Who cleared it"
        required
        maxLength={200}
        hint="Doctor, physiotherapist; or you, where it was a slip of the finger."
        value={saidBy}
        onChange={(e) => setSaidBy(e.target.value)}
      />
      <TextField
        label="For what"
        required
        maxLength={400}
        hint="In their words, such as: bridges and hinges without load."
        value={what}
        onChange={(e) => setWhat(e.target.value)}
      />
      <TextField
        label="Until"
        type="date"
        min={today}
        hint="The last day it holds; then the stop stands again. Empty: for good."
        value={until}
        onChange={(e) => setUntil(e.target.value)}
      />
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <Button type="submit" tone="main" disabled={send.isPending}>
        Clear it from today
      </Button>
    </form>
  );
}
