import { Link } from 'react-router';
import type { CaseRow, DeskKnowledge } from '../../contract/fault.ts';
import type { EntryInForce } from '../../contract/library.ts';
import type { RecurringFault } from '../../core/ladder/index.ts';
import type { CaseEnd } from '../../core/fault/index.ts';
import type { Fault, ResolvedFault, Side } from '../../core/library/index.ts';
import { useGet, useSigned } from '../shell/index.ts';
import { day } from '../ui/index.ts';
import { ChainPanel } from './chain-panel.tsx';

const END_WORDS: Record<CaseEnd, string> = {
  better: 'an answer helped',
  easier: 'an easier variation was given',
  stopped: 'the set was ended',
  left: 'left for another day',
};

/** On a person's page: faults that come again or on one side only, the chains out of them, and the cases so far. */
export function PersonFaults({ personId }: { personId: string }) {
  const { hall } = useSigned();
  const known = useGet<DeskKnowledge>(`/api/faults/desk?people=${personId}`);
  const mine = known.data?.people[0];
  if (!mine) return null;
  const chains = new Map<string, { fault: string; side: Side | null }>();
  for (const t of mine.chain) chains.set(`${t.fault} ${t.side ?? ''}`, { fault: t.fault, side: t.side });
  for (const r of mine.recurring) chains.set(`${r.fault} ${r.side ?? ''}`, { fault: r.fault, side: r.side });
  return (
    <section aria-label="Faults">
      <h2 className="border-b border-ink pb-1">Faults</h2>
      {mine.recurring.length === 0 && mine.cases.length === 0 && chains.size === 0 && (
        <p className="py-2 text-soft">None comes again, and none was worked on at the desk.</p>
      )}
      <ul>
        {mine.recurring.map((r) => (
          <Recurring key={`${r.variation} ${r.fault}`} of={r} personId={personId} />
        ))}
      </ul>
      {[...chains].map(([key, c]) => (
        <Chain key={key} personId={personId} slug={c.fault} side={c.side} known={mine} date={hall.today} />
      ))}
      {mine.cases.length > 0 && (
        <details className="mt-2">
          <summary className="min-h-11 content-center font-head font-semibold">
            Worked on at the desk ({mine.cases.length})
          </summary>
          <ul>
            {mine.cases.toReversed().map((c) => (
              <Case key={c.id} of={c} />
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

const useFault = (slug: string) =>
  useGet<EntryInForce>(`/api/library/fault/${slug}`).data?.body as Fault | undefined;

function Recurring({ of: r, personId }: { of: RecurringFault; personId: string }) {
  const { hall } = useSigned();
  const name = useFault(r.fault)?.name ?? r.fault;
  return (
    <li className="border-b border-rule py-1">
      <b>{name}</b>
      {r.side ? `, only on the ${r.side}` : ''}: {r.dates.length} sessions running{' '}
      <span className="text-soft">({r.dates.map((d) => day(d, hall.today)).join(', ')})</span>{' '}
      <Link to={`/faults?person=${personId}&of=${r.variation}`}>To the desk</Link>
    </li>
  );
}

function Chain({
  personId,
  slug,
  side,
  known,
  date,
}: {
  personId: string;
  slug: string;
  side: Side | null;
  known: DeskKnowledge['people'][number];
  date: string;
}) {
  const fault = useFault(slug);
  if (!fault || fault.chain.length === 0) return null;
  const read: Pick<ResolvedFault, 'slug' | 'name' | 'chain'> = {
    slug,
    name: fault.name,
    chain: fault.chain.map((c) => ({
      text: c.line.text,
      gate: c.gate.text,
      variation: c.variation ? { slug: c.variation, name: 'Its sheet' } : null,
    })),
  };
  return (
    <div className="mt-3">
      <ChainPanel
        personId={personId}
        date={date}
        fault={read}
        side={side}
        tries={known.chain}
        barred={known.barred}
      />
    </div>
  );
}

function Case({ of: c }: { of: CaseRow }) {
  const { hall } = useSigned();
  return (
    <li className="border-b border-rule py-1">
      <b>{day(c.date, hall.today)}</b>, by {c.by}: {c.end ? END_WORDS[c.end] : 'still open'}
      {c.pain !== null && `, pain ${c.pain}`}
      <span className="block text-sm text-soft">
        {[
          ...c.checks.map((x) => `${x.check} ${x.result ?? 'not known'}`),
          ...c.tried.map((t) => `${t.answer} ${t.outcome}`),
          c.note,
        ]
          .filter(Boolean)
          .join('; ')}
      </span>
    </li>
  );
}
