import { Link } from 'react-router';
import type { CaseRow } from '../../contract/fault.ts';
import { chainsDue } from '../../core/fault/index.ts';
import type { CaseEnd } from '../../core/fault/index.ts';
import { useAsk, useSigned } from '../shell/index.ts';
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
  const known = useAsk('desk', { people: [personId] });
  const mine = known.data?.people[0];
  if (!mine) return null;
  const chains = chainsDue(mine.chain, mine.recurring);
  const read = (slug: string) => mine.faults.find((f) => f.slug === slug);
  return (
    <section aria-label="Faults">
      <h2 className="border-b border-ink pb-1">Faults</h2>
      {mine.recurring.length === 0 && mine.cases.length === 0 && chains.length === 0 && (
        <p className="py-2 text-soft">None comes again, and none was worked on at the desk.</p>
      )}
      <ul>
        {mine.recurring.map((r) => (
          <li key={`${r.variation} ${r.fault}`} className="border-b border-rule py-1">
            <b>{read(r.fault)?.name ?? r.fault}</b>
            {r.side ? `, only on the ${r.side}` : ''}: {r.dates.length} sessions running{' '}
            <span className="text-soft">({r.dates.map((d) => day(d, hall.today)).join(', ')})</span>{' '}
            <Link to={`/faults?person=${personId}&of=${r.variation}`}>To the desk</Link>
          </li>
        ))}
      </ul>
      {chains.map(({ fault: slug, side }) => {
        const fault = read(slug);
        return fault && fault.chain.length > 0 ? (
          <div key={`${slug} ${side}`} className="mt-3">
            <ChainPanel
              personId={personId}
              date={hall.today}
              fault={fault}
              side={side}
              tries={mine.chain}
              barred={mine.barred}
            />
          </div>
        ) : null;
      })}
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
