import { useState } from 'react';
import { SET_COLUMNS } from '../../core/exchange/index.ts';
import { Download, useAsk, usePeople, useSend, useSigned, useUnits } from '../shell/index.ts';
import { Button, day, Field, Notice, SelectField, TextField } from '../ui/index.ts';
import { setSummary } from './words.ts';

const SHOWN_ROWS = 200;

/** Sets out as a file, and in again: looked at first, and brought in whole or not at all. */
export function CsvPage() {
  return (
    <div className="mx-auto max-w-5xl">
      <h1>Import or export sets</h1>
      <p className="text-soft">
        Comma-separated values, one line a set, the first line the names of the columns. What is empty is not
        known.
      </p>
      <Out />
      <In />
    </div>
  );
}

function Out() {
  const { hall } = useSigned();
  const squads = useAsk('squads');
  const { people } = usePeople();
  const [whose, setWhose] = useState('');
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const [kind, id] = whose.split(' ');
  const asked = {
    ...(kind && id ? { [kind]: id } : {}),
    from: from || undefined,
    to: to || undefined,
  };
  return (
    <section className="mt-5">
      <h2 className="border-b border-ink pb-1">Out</h2>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <SelectField label="Whose" value={whose} onChange={(e) => setWhose(e.target.value)}>
          <option value="">everybody</option>
          {squads.data?.map((s) => (
            <option key={s.id} value={`squad ${s.id}`}>
              {s.name}
            </option>
          ))}
          {people.map((p) => (
            <option key={p.id} value={`person ${p.id}`}>
              {p.name}
            </option>
          ))}
        </SelectField>
        <TextField
          label="From"
          type="date"
          max={hall.today}
          value={from}
          onChange={(e) => setFrom(e.target.value)}
        />
        <TextField
          label="To"
          type="date"
          max={hall.today}
          value={to}
          onChange={(e) => setTo(e.target.value)}
        />
        <Download name="setsCsv" of={asked}>
          Download the sets
        </Download>
      </div>
      <p className="mt-1 text-sm text-soft">It holds the people whom you look after.</p>
    </section>
  );
}

function In() {
  const { hall } = useSigned();
  const units = useUnits();
  const [text, setText] = useState('');
  const preview = useSend('previewCsv');
  const bring = useSend('importCsv');
  const change = (next: string) => {
    setText(next);
    preview.reset();
    bring.reset();
  };
  const data = preview.data;
  const fresh = data?.rows.filter((r) => !r.known).length ?? 0;
  return (
    <section className="mt-6">
      <h2 className="border-b border-ink pb-1">In</h2>
      <details className="py-2">
        <summary>The columns</summary>
        <p className="text-sm">
          {SET_COLUMNS.join(', ')}. Needed: person (the name as it is here), date (2026-11-24), variation (its
          short id, as in an exported file) and one of repetitions, hold_s, rounds. Yes or no; faults like
          “knee-falls-in x2 (left); wobbles”; felt like “work: back of hip”, or “nothing”; aids like “pads=2”,
          or “none”. Without an id the same line read twice is one set.
        </p>
      </details>
      <Field label="A file, or paste below">
        {(props) => (
          <input
            type="file"
            accept=".csv,text/csv,text/plain"
            className="field"
            {...props}
            onChange={(e) => {
              const file = e.target.files?.[0];
              if (file) void file.text().then(change);
            }}
          />
        )}
      </Field>
      <textarea
        aria-label="Pasted lines"
        className="field mt-2 font-mono text-sm"
        rows={7}
        placeholder="person,date,variation,repetitions,watched"
        value={text}
        onChange={(e) => change(e.target.value)}
      />
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <Button disabled={text.trim() === '' || preview.isPending} onClick={() => preview.mutate({ text })}>
          Look at it first
        </Button>
        {data && data.problems.length === 0 && (
          <Button
            tone="main"
            disabled={bring.isPending || fresh === 0 || bring.isSuccess}
            onClick={() => bring.mutate({ text })}
          >
            Bring in {fresh === 1 ? 'one set' : `${fresh} sets`}
          </Button>
        )}
      </div>
      {(preview.error ?? bring.error) && (
        <Notice tone="warn">{(preview.error ?? bring.error)!.message}</Notice>
      )}
      {bring.data && (
        <Notice>
          {bring.data.added} brought in{bring.data.known > 0 && `, ${bring.data.known} were here already`}.
          Decisions read them from now on.
        </Notice>
      )}
      {data && data.problems.length > 0 && (
        <div className="mt-3">
          <Notice tone="warn">
            {data.problems.length === 1 ? 'One thing is' : `${data.problems.length} things are`} wrong.
            Nothing is brought in until all are mended; what you pasted stays.
          </Notice>
          <ul className="mt-1">
            {data.problems.slice(0, SHOWN_ROWS).map((p, i) => (
              <li key={i} className="border-b border-rule py-1">
                <span className="font-semibold">Line {p.line}</span>
                {p.column && <span className="text-soft"> {p.column}</span>}: {p.problem}
              </li>
            ))}
          </ul>
        </div>
      )}
      {data && data.rows.length > 0 && (
        <div className="mt-3 overflow-x-auto">
          <table className="w-full text-left">
            <caption className="label py-1 text-left">
              {data.rows.length} {data.rows.length === 1 ? 'line' : 'lines'} read
              {data.rows.length > fresh && `, ${data.rows.length - fresh} here already`}
            </caption>
            <thead>
              <tr className="border-b border-ink text-sm">
                <th className="pr-3">Line</th>
                <th className="pr-3">Person</th>
                <th className="pr-3">Date</th>
                <th className="pr-3">Variation</th>
                <th>Set</th>
              </tr>
            </thead>
            <tbody>
              {data.rows.slice(0, SHOWN_ROWS).map((r) => (
                <tr key={r.line} className={`border-b border-rule ${r.known ? 'text-soft' : ''}`}>
                  <td className="pr-3">{r.line}</td>
                  <td className="pr-3">{r.person}</td>
                  <td className="pr-3 whitespace-nowrap">{day(r.date, hall.today)}</td>
                  <td className="pr-3">{r.variation}</td>
                  <td>
                    {setSummary(r.set, units.mass, (f) => f)}
                    {r.known && ' (here already)'}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {data.rows.length > SHOWN_ROWS && (
            <p className="text-sm text-soft">… and {data.rows.length - SHOWN_ROWS} more.</p>
          )}
        </div>
      )}
    </section>
  );
}
