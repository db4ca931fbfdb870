import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { KitRow } from '../../contract/kit.ts';
import { useAsk, useLibrary, useSend } from '../shell/index.ts';
import { Empty, Loaded, Notice } from '../ui/index.ts';

/** What the hall has of each kind of equipment, and where it stands. */
export function Kit() {
  const { entries } = useLibrary();
  const kit = useAsk('kit');
  const things = useMemo(() => entries.filter((e) => e.kind === 'equipment' && !e.retired), [entries]);
  if (things.length === 0)
    return (
      <Empty next={{ to: '/overview', what: 'To the first steps' }}>The library has no equipment yet.</Empty>
    );
  return (
    <Loaded query={kit} what="what the hall has">
      {(rows) => (
        <>
          <p className="mb-3 max-w-2xl text-soft">
            Untick what the hall has none of: it is not offered, and what needs it is done with an equal or
            left out. Each line is kept when you leave it.
          </p>
          <table className="w-full max-w-4xl text-left">
            <thead>
              <tr className="border-b border-ink">
                <th className="w-12 py-1">Here</th>
                <th>Equipment</th>
                <th>How many</th>
                <th>Where it stands</th>
              </tr>
            </thead>
            <tbody>
              {things.map((e) => (
                <Row
                  key={e.slug}
                  name={e.title}
                  row={rows.find((r) => r.equipment === e.slug) ?? { equipment: e.slug, count: 1, place: '' }}
                />
              ))}
            </tbody>
          </table>
        </>
      )}
    </Loaded>
  );
}

function Row({ name, row }: { name: string; row: KitRow }) {
  const send = useSend('saveKit', { slug: row.equipment });
  const [count, setCount] = useState(String(row.count));
  const [place, setPlace] = useState(row.place);
  const number = /^\d+$/.test(count.trim()) ? Number(count) : null;
  const keep = () => {
    if (number === null || (number === row.count && place === row.place)) return;
    send.mutate({ count: number, place });
  };
  // Ticked again, the number that was there before comes back.
  const [before, setBefore] = useState(row.count || 1);
  const tick = (here: boolean) => {
    if (!here && number) setBefore(number);
    const count = here ? before : 0;
    setCount(String(count));
    send.mutate({ count, place });
  };
  return (
    <tr className="border-b border-rule align-baseline">
      <td className="py-1">
        <input
          type="checkbox"
          className="size-5"
          aria-label={`Here: ${name}`}
          checked={number !== 0}
          onChange={(e) => tick(e.target.checked)}
        />
      </td>
      <th scope="row" className="py-1 pr-4 font-read font-normal">
        <Link to={`/library/equipment/${row.equipment}`}>{name}</Link>
        {number === 0 && <span className="block text-sm text-warn">The hall has none.</span>}
      </th>
      <td className="w-28 pr-4">
        <input
          aria-label={`How many: ${name}`}
          aria-invalid={number === null}
          className="field"
          inputMode="numeric"
          value={count}
          onChange={(e) => setCount(e.target.value)}
          onBlur={keep}
        />
        {number === null && <span className="text-sm text-warn">A whole number, 0 to 500.</span>}
      </td>
      <td>
        <input
          aria-label={`Where it stands: ${name}`}
          className="field"
          value={place}
          onChange={(e) => setPlace(e.target.value)}
          onBlur={keep}
        />
        {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      </td>
    </tr>
  );
}
