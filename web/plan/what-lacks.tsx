import { helping, unseenIn } from '../../core/plan/index.ts';
import type { Change, Changed, Exchange, LaidOutRound } from '../../core/plan/index.ts';
import { Button } from '../ui/index.ts';
import type { PlannedHour } from '../workers/index.ts';
import type { useNaming } from './naming.ts';
import type { NeededHour } from './said.ts';
import { changeWords } from './words.ts';

/** What does not fit, with what would make it fit, and what no coach sees. */
export function WhatLacks({
  planned: { plan, job },
  laid,
  solver,
  naming,
  onPick,
  onChange,
  onExchange,
}: {
  planned: PlannedHour & { job: { hour: NeededHour } };
  laid: readonly LaidOutRound[];
  solver: { busy: boolean; changes: readonly Changed[]; exchanges: readonly Exchange[] };
  naming: ReturnType<typeof useNaming>;
  onPick: (piece: number) => void;
  onChange: (change: Change) => void;
  onExchange: (exchange: Exchange) => void;
}) {
  const name = (piece: number) => naming.piece(job.hour.pieces[piece]!.id);
  const helps = helping(solver.changes, plan);
  const unseen = unseenIn(laid);
  const over = laid.flatMap((l, round) => l.over.map((o) => ({ ...o, round })));
  return (
    <div className="mt-4 grid gap-6 md:grid-cols-2">
      {plan.dropped.length > 0 && (
        <section aria-label="What does not fit">
          <h2 className="border-b border-ink pb-1">What does not fit</h2>
          <ul>
            {plan.dropped.map((j) => {
              const ex = solver.exchanges.find((e) => e.done === j);
              return (
                <li key={j} className="border-b border-rule py-1">
                  <button
                    type="button"
                    className="text-left font-semibold underline"
                    onClick={() => onPick(j)}
                  >
                    {name(j)}
                  </button>
                  {ex && ex.waits.length > 0 && (
                    <span className="block">
                      Fits if {ex.waits.map(name).join(' and ')} {ex.waits.length === 1 ? 'waits' : 'wait'}{' '}
                      till next time.{' '}
                      <Button tone="quiet" onClick={() => onExchange(ex)}>
                        Do it so
                      </Button>
                    </span>
                  )}
                </li>
              );
            })}
          </ul>
          <h3 className="mt-3">The smallest change that helps</h3>
          {helps.length === 0 && (
            <p className="text-soft">
              {solver.busy || solver.changes.length < 5
                ? 'Trying changes …'
                : 'No single change was found to help.'}
            </p>
          )}
          <ul>
            {helps.slice(0, 3).map((c) => (
              <li
                key={JSON.stringify(c.change)}
                className="flex items-center gap-2 border-b border-rule py-1"
              >
                <span className="grow">
                  {changeWords(c.change, naming)}:{' '}
                  {c.dropped === 0 ? 'everything fits' : `${c.dropped} left out`}, {plan.points - c.points}{' '}
                  points better
                </span>
                {c.change.change !== 'one more' && c.change.change !== 'groups of three' && (
                  <Button onClick={() => onChange(c.change)}>Do that</Button>
                )}
              </li>
            ))}
          </ul>
        </section>
      )}
      {(unseen.length > 0 || over.length > 0) && (
        <section aria-label="What is not seen">
          <h2 className="border-b border-ink pb-1">What is not seen</h2>
          <ul>
            {unseen.map(({ piece, round }) => (
              <li key={piece} className="border-b border-rule py-1">
                {name(piece)}, round {round + 1}
              </li>
            ))}
            {over.map(({ piece, byS, round }) => (
              <li key={`over ${piece}`} className="border-b border-rule py-1">
                {name(piece)} ends {Math.ceil(byS / 60)} min after round {round + 1}
              </li>
            ))}
          </ul>
          <p className="mt-1 text-sm text-soft">Clean repetitions count only where a coach watches.</p>
        </section>
      )}
    </div>
  );
}
