import Papa from 'papaparse';
import { useState } from 'react';
import { useAsk, useSend, useUnits } from '../shell/index.ts';
import { Button, Field, Notice } from '../ui/index.ts';
import { readList } from './read-list.ts';

/** Several people at once: a name on each line, typed, pasted or from a CSV file. */
export function AddSeveral({ onDone }: { onDone: () => void }) {
  const units = useUnits();
  const squads = useAsk('squads');
  const send = useSend('addPeople');
  const [text, setText] = useState('');
  const { people, problems } = readList(
    Papa.parse<string[]>(text.trim(), { delimitersToGuess: [',', ';', '\t'] }).data,
    units,
  );
  const known = new Set((squads.data ?? []).map((s) => s.name));
  const fresh = [...new Set(people.map((p) => p.squad))].filter((s) => s !== '' && !known.has(s));
  return (
    <form
      className="grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        send.mutate({ people }, { onSuccess: onDone });
      }}
    >
      <p className="text-soft">
        One person a line. After the name, where it is known: squad, stature in {units.length}, mass in{' '}
        {units.mass}, a note; with commas between.
      </p>
      <Field label="People">
        {(props) => (
          <textarea
            {...props}
            className="field"
            rows={8}
            placeholder={`Wim Sallow, Novices, ${units.length === 'cm' ? '178, 74' : '70, 163'}, new to rowing`}
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
        )}
      </Field>
      <label className="text-sm">
        Or a CSV file{' '}
        <input
          type="file"
          className="block w-full py-1 file:mr-3 file:min-h-9 file:border file:border-soft file:bg-paper file:px-3 file:text-ink"
          accept=".csv,text/csv,text/plain"
          onChange={(e) => {
            const file = e.target.files?.[0];
            if (file) void file.text().then(setText);
          }}
        />
      </label>
      {problems.length > 0 && <Notice tone="warn">{problems.slice(0, 5).join(' ')}</Notice>}
      {people.length > 0 && (
        <p aria-live="polite">
          {people.length === 1 ? '1 person' : `${people.length} people`}
          {fresh.length > 0 &&
            `; new ${fresh.length === 1 ? 'squad' : 'squads'}, made along with them: ${fresh.join(', ')}`}
          .
        </p>
      )}
      {send.error && <Notice tone="warn">{send.error.message} What you typed is kept here.</Notice>}
      <div>
        <Button
          type="submit"
          tone="main"
          disabled={people.length === 0 || problems.length > 0 || send.isPending}
        >
          Add {people.length === 1 ? 'the person' : 'them all'}
        </Button>
      </div>
    </form>
  );
}
