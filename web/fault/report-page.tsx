import { Link } from 'react-router';
import type { FaultReport } from '../../contract/fault.ts';
import { NEVER_HELPED_TRIES, partedOn } from '../../core/fault/index.ts';
import type { Proportion } from '../../core/fault/index.ts';
import { useAddress, useAsk, useSigned } from '../shell/index.ts';
import { day, Empty, fullDay, Loaded, percent, Segmented } from '../ui/index.ts';

const SPANS = [28, 91, 365] as const;
const MOST_ROWS = 40;
const PARTS = ['answers', 'where', 'agreement'] as const;
const PART_WORDS: Record<(typeof PARTS)[number], string> = {
  answers: 'Which answers help',
  where: 'Which faults appear where',
  agreement: 'Do two coaches see the same?',
};

/** For the head coach: where faults appear, which answers help and which never do, and whether coaches see the same. */
export function FaultReportPage() {
  const { params, set } = useAddress();
  const days = Number(params.get('days') ?? SPANS[1]);
  const shown = PARTS.find((p) => p === params.get('part')) ?? 'answers';
  const report = useAsk('faultReport', { days });
  return (
    <div>
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>What the cases say</h1>
          {report.data && (
            <p className="text-soft">
              {fullDay(report.data.from)} to {fullDay(report.data.to)}, {report.data.cases} cases worked on at
              the desk
            </p>
          )}
        </div>
        <div className="flex flex-wrap items-center gap-x-4">
          <Segmented
            label="How far back"
            options={SPANS}
            value={days}
            onPick={(d) => set({ days: String(d) })}
          >
            {(d) => `${d} days`}
          </Segmented>
          <Link to="/faults" className="flex min-h-11 items-center">
            To the faults desk
          </Link>
        </div>
      </div>
      <Loaded query={report} what="the cases">
        {(r) => (
          <>
            <Segmented
              label="What is shown"
              className="mb-4 border-b border-rule font-head"
              options={PARTS}
              value={shown}
              onPick={(part) => set({ part })}
            >
              {(part) => PART_WORDS[part]}
            </Segmented>
            {shown === 'answers' ? (
              <Answers report={r} />
            ) : shown === 'where' ? (
              <Where report={r} />
            ) : (
              <Agree report={r} />
            )}
          </>
        )}
      </Loaded>
    </div>
  );
}

/** "7 of 9, 78 % (45–94 %)". */
function Share({ of }: { of: Proportion }) {
  return (
    <>
      {Math.round(of.share * of.n)} of {of.n}, <b>{percent(of.share)}</b>{' '}
      <span className="text-soft">
        ({Math.round(100 * of.low)}–{percent(of.high)})
      </span>
    </>
  );
}

const cell = 'border-b border-rule px-2 py-1 align-top';

function Answers({ report: r }: { report: FaultReport }) {
  const rewrite = r.answers.filter((a) => a.rewrite);
  return (
    <section aria-label="Which answers help">
      <h2 className="border-b border-ink pb-1">Which answers help</h2>
      <p className="text-sm text-soft">Share that made it better, with its 95 % interval (Wilson).</p>
      {rewrite.length > 0 && (
        <div className="my-2 border-l-[6px] border-warn bg-paper px-4 py-2">
          <p className="font-semibold">
            Never of help in {NEVER_HELPED_TRIES} tries or more: rewrite, or take out
          </p>
          <ul>
            {rewrite.map((a) => (
              <li key={`${a.fault} ${a.answer}`}>
                <Link to={`/library/fault/${a.fault}/edit`}>{r.names.faults[a.fault]}</Link>: {a.answer}{' '}
                <span className="text-soft">({a.helped.n} tries)</span>
              </li>
            ))}
          </ul>
        </div>
      )}
      {r.answers.length === 0 ? (
        <Empty next={{ to: '/faults', what: 'To the faults desk' }}>
          No answer was tried at the desk in this time.
        </Empty>
      ) : (
        <table className="w-full text-sm">
          <thead>
            <tr>
              <th className={cell}>Answer</th>
              <th className={cell}>Fault</th>
              <th className={cell}>Better</th>
              <th className={cell}>Worse</th>
            </tr>
          </thead>
          <tbody>
            {r.answers.slice(0, MOST_ROWS).map((a) => (
              <tr key={`${a.fault} ${a.answer}`}>
                <td className={cell}>{a.answer}</td>
                <td className={cell}>
                  <Link to={`/library/fault/${a.fault}`}>{r.names.faults[a.fault]}</Link>
                </td>
                <td className={`${cell} whitespace-nowrap`}>
                  <Share of={a.helped} />
                </td>
                <td className={cell}>{a.outcomes.worse}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

function Where({ report: r }: { report: FaultReport }) {
  return (
    <section aria-label="Which faults appear where">
      <h2 className="border-b border-ink pb-1">Which faults appear where</h2>
      <p className="text-sm text-soft">Of the watched sets of the variation, warm-ups left out.</p>
      {r.where.length === 0 ? (
        <Empty next={{ to: '/floor', what: 'To today' }}>
          No fault was seen in a watched set in this time.
        </Empty>
      ) : (
        <table className="w-full text-sm">
          <thead>
            <tr>
              <th className={cell}>Fault</th>
              <th className={cell}>Variation</th>
              <th className={cell}>Sets</th>
              <th className={cell}>People</th>
            </tr>
          </thead>
          <tbody>
            {r.where.slice(0, MOST_ROWS).map((w) => (
              <tr key={`${w.fault} ${w.variation}`}>
                <td className={cell}>
                  <Link to={`/library/fault/${w.fault}`}>{r.names.faults[w.fault]}</Link>
                </td>
                <td className={cell}>{r.names.variations[w.variation]}</td>
                <td className={`${cell} whitespace-nowrap`}>
                  <Share of={w.sets} />
                </td>
                <td className={cell}>{w.people}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

// A rounded nothing has no sign.
const two = (n: number) => (Math.round(100 * n) / 100 || 0).toFixed(2);

function Agree({ report: r }: { report: FaultReport }) {
  return (
    <section aria-label="Do two coaches see the same">
      <h2 className="border-b border-ink pb-1">Do two coaches see the same?</h2>
      <p className="text-sm text-soft">
        {r.rated.length} sets rated by two coaches, each without the other’s marks. Agreement beyond chance
        (Cohen’s kappa: 0 is chance, 1 is always), with its 95 % interval; rough for few sets.
      </p>
      {r.agreement.length === 0 ? (
        <Empty next={{ to: '/faults/rate', what: 'Rate as a second coach' }}>
          No set was rated twice in this time.
        </Empty>
      ) : (
        <table className="w-full text-sm">
          <thead>
            <tr>
              <th className={cell}>Fault</th>
              <th className={cell}>Kappa</th>
              <th className={cell}>Both, one alone, neither</th>
              <th className={cell}>Where they part, newest first</th>
            </tr>
          </thead>
          <tbody>
            {r.agreement.map(({ fault, counts, agreement: a }) => (
              <tr key={fault}>
                <td className={cell}>{r.names.faults[fault]}</td>
                <td className={`${cell} whitespace-nowrap`}>
                  {a.kappa === null ? (
                    'one answer only'
                  ) : (
                    <>
                      <b>{two(a.kappa)}</b>{' '}
                      <span className="text-soft">
                        {a.low === null ? '(too few to say how sure)' : `(${two(a.low)} to ${two(a.high!)})`}
                      </span>
                    </>
                  )}
                </td>
                <td className={`${cell} whitespace-nowrap`}>
                  {counts.both}, {counts.first + counts.second}, {counts.neither}
                </td>
                <td className={cell}>
                  <Parted report={r} fault={fault} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

/** The sets on which the two part over a fault, shut until it is asked for. */
function Parted({ report: r, fault }: { report: FaultReport; fault: string }) {
  const { hall } = useSigned();
  const parted = partedOn(r.rated, fault);
  if (parted.length === 0) return <span className="text-soft">nowhere</span>;
  return (
    <details>
      <summary>{parted.length === 1 ? 'one set' : `${parted.length} sets`}</summary>
      <ul>
        {parted.map((p) => {
          const [saw, not] = p.first.faults.includes(fault) ? [p.first, p.second] : [p.second, p.first];
          return (
            <li key={`${p.setId} ${p.second.by}`}>
              <Link to={`/people/${p.personId}?part=restrictions`}>{r.names.people[p.personId]}</Link>,{' '}
              {r.names.variations[p.variation]}, {day(p.date, hall.today)}: {saw.by} saw it, {not.by} did not
            </li>
          );
        })}
      </ul>
    </details>
  );
}
