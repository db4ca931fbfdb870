import { useState } from 'react';
import { LOAD_PLACES, PATTERNS } from '../../core/terms/index.ts';
import type { LoadPlace } from '../../core/terms/index.ts';
import { barSentence } from '../../core/ladder/index.ts';
import type { Bar } from '../../core/ladder/index.ts';
import { useAsk, useSend, useSigned } from '../shell/index.ts';
import { Button, day, Dialog, Notice, SelectField, TextField } from '../ui/index.ts';

const BARS: { label: string; bar: Bar }[] = [
  { label: 'All training', bar: { bars: 'all' } },
  ...PATTERNS.map((pattern) => ({ label: `Every ${pattern}`, bar: { bars: 'pattern' as const, pattern } })),
  { label: 'Deep positions', bar: { bars: 'depth' } },
  { label: 'Jumps and landings', bar: { bars: 'impact' } },
];

/** What is barred for the person, until when, and who said so. */
export function Restrictions({ personId }: { personId: string }) {
  const { hall, me } = useSigned();
  const rows = useAsk('restrictions', { person: personId });
  const [adding, setAdding] = useState(false);
  const [lifting, setLifting] = useState<string | null>(null);
  const head = me.role === 'head coach';
  return (
    <section>
      <h2 className="border-b border-ink pb-1">Restrictions</h2>
      {rows.data?.length === 0 && <p className="py-2 text-soft">None recorded.</p>}
      <ul>
        {rows.data?.map((r) => {
          const over = r.liftedOn !== null || (r.until !== null && r.until < hall.today);
          return (
            <li key={r.id} className={`border-b border-rule py-2 ${over ? 'text-soft' : ''}`}>
              <span className={over ? '' : 'font-semibold text-warn'}>
                {r.bars.map(barSentence).join(', ')}
              </span>
              , from {day(r.from, hall.today)} {r.until ? `to ${day(r.until, hall.today)}` : 'until lifted'}.
              Said by {r.saidBy}; recorded by {r.recordedBy}.
              {r.liftedOn && ` Lifted on ${day(r.liftedOn, hall.today)} by ${r.liftedBy}: ${r.liftedSource}.`}
              {head && !over && (
                <Button tone="quiet" onClick={() => setLifting(r.id)}>
                  Lift it
                </Button>
              )}
            </li>
          );
        })}
      </ul>
      {head && (
        <Button className="mt-2" onClick={() => setAdding(true)}>
          Record a restriction
        </Button>
      )}
      <Dialog title="Record a restriction" open={adding} onClose={() => setAdding(false)}>
        <AddRestriction personId={personId} today={hall.today} onDone={() => setAdding(false)} />
      </Dialog>
      <Dialog title="Lift the restriction" open={lifting !== null} onClose={() => setLifting(null)}>
        {lifting && <Lift id={lifting} onDone={() => setLifting(null)} />}
      </Dialog>
    </section>
  );
}

function AddRestriction({
  personId,
  today,
  onDone,
}: {
  personId: string;
  today: string;
  onDone: () => void;
}) {
  const send = useSend('addRestriction', { person: personId });
  const [chosen, setChosen] = useState<Bar[]>([]);
  const [place, setPlace] = useState<LoadPlace | ''>('');
  const [from, setFrom] = useState(today);
  const [until, setUntil] = useState('');
  const [saidBy, setSaidBy] = useState('');
  const bars: Bar[] = place ? [...chosen, { bars: 'load place', place }] : chosen;
  return (
    <form
      className="grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        send.mutate({ bars, from, until: until || null, saidBy }, { onSuccess: onDone });
      }}
    >
      <fieldset>
        <legend className="label">What is barred</legend>
        <div className="grid grid-cols-2">
          {BARS.map(({ label, bar }) => (
            <label key={label} className="flex min-h-9 items-center gap-2">
              <input
                type="checkbox"
                checked={chosen.includes(bar)}
                onChange={(e) =>
                  setChosen(e.target.checked ? [...chosen, bar] : chosen.filter((b) => b !== bar))
                }
              />
              {label}
            </label>
          ))}
        </div>
      </fieldset>
      <SelectField
        label="Load at a place"
        value={place}
        onChange={(e) => setPlace(e.target.value as LoadPlace | '')}
      >
        <option value="">no load place barred</option>
        {LOAD_PLACES.filter((p) => p !== 'none').map((p) => (
          <option key={p}>{p}</option>
        ))}
      </SelectField>
      <div className="grid grid-cols-2 gap-3">
        <TextField label="From" type="date" required value={from} onChange={(e) => setFrom(e.target.value)} />
        <TextField
          label="Last barred day"
          type="date"
          hint="Empty: until lifted."
          value={until}
          onChange={(e) => setUntil(e.target.value)}
        />
      </div>
      <TextField
        label="Who said so"
        required
        hint="Doctor, physiotherapist, parent, the athlete."
        value={saidBy}
        onChange={(e) => setSaidBy(e.target.value)}
      />
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <Button type="submit" tone="main" disabled={bars.length === 0 || send.isPending}>
        Record it
      </Button>
    </form>
  );
}

function Lift({ id, onDone }: { id: string; onDone: () => void }) {
  const send = useSend('liftRestriction', { id });
  const [source, setSource] = useState('');
  return (
    <form
      className="grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        send.mutate({ source }, { onSuccess: onDone });
      }}
    >
      <TextField label="Who said so" required value={source} onChange={(e) => setSource(e.target.value)} />
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <Button type="submit" tone="main" disabled={send.isPending}>
        Lift it from today
      </Button>
    </form>
  );
}
