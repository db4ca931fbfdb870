import { useState } from 'react';
import type { PersonOnLadders, StoredSet } from '../../contract/log.ts';
import { mergedSets, setSummary, useParcels, usedLine } from '../log/index.ts';
import { ask, useLibrary, useSigned, useUnits } from '../shell/index.ts';
import { Button, day, Notice } from '../ui/index.ts';

export function Settings({ settings }: { settings: PersonOnLadders['settings'] }) {
  const { hall } = useSigned();
  const units = useUnits();
  const { titleOf } = useLibrary();
  if (settings.length === 0) return null;
  return (
    <section>
      <h2 className="border-b border-ink pb-1">Aids and settings last used</h2>
      <ul>
        {settings.map((s) => (
          <li key={s.variation} className="border-b border-rule py-1">
            {titleOf('variation', s.variation)}: <b>{usedLine(s, units) || 'none'}</b>{' '}
            <span className="text-sm text-soft">{day(s.date, hall.today)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

export function Sets({ personId, data }: { personId: string; data: PersonOnLadders }) {
  const { hall } = useSigned();
  const units = useUnits();
  const { titleOf: title } = useLibrary();
  const [older, setOlder] = useState<StoredSet[]>([]);
  const [more, setMore] = useState(data.moreSessions);
  const [all, setAll] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const sets = mergedSets([...older, ...data.sets], useParcels(), personId);
  const days = [...new Set(sets.map((s) => s.date))].reverse();
  const readOlder = async () => {
    try {
      const page = await ask('olderSets', { person: personId, before: more ?? undefined });
      setOlder((now) => [...page.sets, ...now]);
      setMore(page.more);
      setProblem(null);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'Older sessions could not be read.');
    }
  };
  return (
    <section>
      <h2 className="border-b border-ink pb-1">Sets</h2>
      {days.length === 0 && <p className="py-2 text-soft">None yet.</p>}
      {(all ? days : days.slice(0, 4)).map((date) => (
        <div key={date} className="border-b border-rule py-2">
          <h3>{day(date, hall.today)}</h3>
          <ol className="text-sm">
            {sets
              .filter((s) => s.date === date)
              .map((s) => (
                <li key={s.id}>
                  {title('variation', s.variation)}: {setSummary(s, units.mass, (f) => title('fault', f))}
                  {s.own && <span className="text-soft"> (own)</span>}
                  {s.unsent && <span className="text-warn"> (not sent)</span>}
                </li>
              ))}
          </ol>
        </div>
      ))}
      {problem && <Notice tone="warn">{problem}</Notice>}
      {!all && days.length > 4 && (
        <Button tone="quiet" onClick={() => setAll(true)}>
          Show {days.length} of {data.sessions} sessions
        </Button>
      )}
      {all && more && (
        <Button tone="quiet" onClick={() => void readOlder()}>
          Older sessions
        </Button>
      )}
    </section>
  );
}
