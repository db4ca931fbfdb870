import { useState } from 'react';
import { Link } from 'react-router';
import type { DeskKnowledge } from '../../contract/fault.ts';
import { chainsBegun, chainState } from '../../core/fault/index.ts';
import type { ChainTry } from '../../core/fault/index.ts';
import type { ResolvedFault } from '../../core/library/index.ts';
import type { Side } from '../../core/terms/index.ts';
import { outbox } from '../log/index.ts';
import { letterOf, useSigned } from '../shell/index.ts';
import { Button, day, Dialog } from '../ui/index.ts';

interface Props {
  personId: string;
  date: string;
  fault: Pick<ResolvedFault, 'slug' | 'name' | 'chain'>;
  side: Side | null;
  tries: readonly ChainTry[];
  barred: Readonly<Record<string, string>>;
}

/** The drills that lead out of a fault over weeks: one step at a time, each opened by the gate before it. */
export function ChainPanel({ personId, date, fault, side, tries, barred }: Props) {
  const { hall } = useSigned();
  const [own, setOwn] = useState<ChainTry[]>([]);
  const all = [...tries, ...own];
  const { at, passed, triedOn } = chainState(fault.chain, all, fault.slug, side);
  const now = fault.chain[at];
  const keep = (gate: boolean) => {
    const made: ChainTry = { fault: fault.slug, side, step: now!.text, date, passed: gate };
    setOwn((before) => [...before, made]);
    const id = crypto.randomUUID();
    void outbox.run(id, personId, {
      ...letterOf('keepChainTry', { id }, { ...made, personId }),
      words: 'A step of a corrective chain',
    });
  };
  return (
    <section aria-label={`Over weeks: ${fault.name}`} className="border-t border-ink pt-2">
      <h2>
        Over weeks: {fault.name.toLowerCase()}
        {side && `, ${side}`}
      </h2>
      <ol className="mt-1">
        {fault.chain.map((step, i) => {
          const bars = step.variation && barred[step.variation.slug];
          return (
            <li
              key={step.text}
              className={`border-b border-rule py-1 pl-3 ${i === at ? 'taped-left bg-paper' : ''} ${i > at ? 'text-soft' : ''}`}
            >
              <span className="font-semibold">
                {i + 1}. {step.text}
              </span>{' '}
              {step.variation && i === at && (
                <Link to={`/library/variation/${step.variation.slug}`}>{step.variation.name}</Link>
              )}
              <br />
              <span className="text-soft">
                {i < at ? `gate passed on ${day(passed[i]!, hall.today)}` : `until: ${step.gate}`}
                {i === at &&
                  triedOn.length > 0 &&
                  `; not passed yet on ${triedOn.map((d) => day(d, hall.today)).join(', ')}`}
              </span>
              {i === at && bars && <p className="font-semibold text-warn">Barred for them: {bars}.</p>}
              {i === at && !bars && (
                <div className="mt-1 flex flex-wrap gap-2" role="group" aria-label={`Gate: ${step.gate}`}>
                  <Button floor onClick={() => keep(true)}>
                    Gate passed today
                  </Button>
                  <Button floor tone="quiet" onClick={() => keep(false)}>
                    Done, not passed yet
                  </Button>
                </div>
              )}
            </li>
          );
        })}
      </ol>
      {at >= fault.chain.length && (
        <p className="mt-1 font-semibold">Through: back into the lift, and watch whether it comes again.</p>
      )}
    </section>
  );
}

/** On the floor: the step of each chain that somebody has begun, done before the work or between sets. */
export function ChainsBegun({
  personId,
  name,
  date,
  knowledge,
}: {
  personId: string;
  name: string;
  date: string;
  knowledge: DeskKnowledge | null;
}) {
  const [open, setOpen] = useState<string | null>(null);
  const mine = knowledge?.people.find((p) => p.personId === personId);
  if (!mine) return null;
  return (
    <ul>
      {chainsBegun(mine.chain).map(({ fault: slug, side }) => {
        const key = `${slug} ${side ?? ''}`;
        const fault = mine.faults.find((f) => f.slug === slug);
        const step = fault?.chain[chainState(fault.chain, mine.chain, slug, side).at];
        if (!fault || !step) return null;
        return (
          <li key={key}>
            <button
              type="button"
              onClick={() => setOpen(key)}
              className="min-h-14 w-full border-t border-rule py-1 text-left leading-tight"
            >
              <b>Over weeks, {fault.name.toLowerCase()}:</b> {step.text}{' '}
              <span className="text-soft">until: {step.gate}</span>
            </button>
            <Dialog title={name} open={open === key} onClose={() => setOpen(null)}>
              <ChainPanel
                personId={personId}
                date={date}
                fault={fault}
                side={side}
                tries={mine.chain}
                barred={mine.barred}
              />
            </Dialog>
          </li>
        );
      })}
    </ul>
  );
}
