import { addressOf } from '../../contract/endpoints.ts';
import { useState } from 'react';
import { Link } from 'react-router';
import type { RatingRequest, SetToRate } from '../../contract/fault.ts';
import type { Person } from '../../contract/people.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { FaultCounts, outbox, useParcels } from '../log/index.ts';
import { letterOf, useAsk, usePeople } from '../shell/index.ts';
import { Button, Empty, Loaded } from '../ui/index.ts';

/** Sets another coach watched today, to be rated without seeing what they saw. */
export function RatePage() {
  const { query: people } = usePeople(true);
  return (
    <div className="mx-auto max-w-4xl">
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Rate as a second coach</h1>
          <p className="text-soft">
            Sets of today that another coach watched. Say what you saw, before you look at what they wrote: it
            stays as first given.
          </p>
        </div>
        <Link to="/faults" className="flex min-h-11 items-center">
          To the faults desk
        </Link>
      </div>
      <Loaded query={people} what="the people">
        {(all) => <Rows people={all} />}
      </Loaded>
    </div>
  );
}

function Rows({ people }: { people: readonly Person[] }) {
  const sets = useAsk('setsToRate', { people: people.map((p) => p.id) });
  const parcels = useParcels();
  const [open, setOpen] = useState<string | null>(null);
  const rated = new Set(parcels.map((p) => p.errand?.path).filter((p) => p !== undefined));
  return (
    <Loaded query={sets} what="the sets of today">
      {(all) => {
        const left = all.filter((s) => !rated.has(addressOf('rateSet', { id: s.id })));
        if (left.length === 0) {
          return (
            <Empty next={{ to: '/floor', what: 'To today' }}>
              No set of another coach waits for a second coach today.
            </Empty>
          );
        }
        return (
          <ul className="border-t border-ink">
            {left.map((s) => (
              <li key={s.id} className="border-b border-rule">
                <button
                  type="button"
                  aria-expanded={open === s.id}
                  onClick={() => setOpen(open === s.id ? null : s.id)}
                  className="flex min-h-14 w-full flex-wrap items-center gap-x-4 py-1 text-left"
                >
                  <b className="font-head text-lg">
                    {people.find((p) => p.id === s.personId)?.name}, set {s.ordinal} of the day
                  </b>
                  <span className="text-soft">
                    {[
                      s.doneReps !== null && `${s.doneReps} repetitions`,
                      s.holdS !== null && `${s.holdS} s`,
                      s.side,
                      `watched by ${s.loggedBy}`,
                    ]
                      .filter(Boolean)
                      .join(', ')}
                  </span>
                </button>
                {open === s.id && <Rate set={s} onKept={() => setOpen(null)} />}
              </li>
            ))}
          </ul>
        );
      }}
    </Loaded>
  );
}

function Rate({ set, onKept }: { set: SetToRate; onKept: () => void }) {
  const sheet = useAsk('sheet', { slug: set.variation });
  return (
    <Loaded query={sheet} what="the sheet">
      {({ resolved }) => <RateForm set={set} variation={resolved} onKept={onKept} />}
    </Loaded>
  );
}

function RateForm({
  set,
  variation,
  onKept,
}: {
  set: SetToRate;
  variation: ResolvedVariation;
  onKept: () => void;
}) {
  const [faults, setFaults] = useState<RatingRequest['faults']>([]);
  const keep = () => {
    void outbox.run(`rating ${set.id}`, set.personId, {
      ...letterOf('rateSet', { id: set.id }, { faults }),
      words: 'What you saw of a set',
    });
    onKept();
  };
  return (
    <div className="pb-3">
      <p className="font-head text-xl font-semibold">{variation.source.name}</p>
      <FaultCounts
        variation={variation}
        faults={faults}
        side={set.side}
        most={set.doneReps ?? 500}
        onChange={setFaults}
      />
      <Button floor tone="main" className="mt-2" onClick={keep}>
        {faults.length === 0 ? 'I saw no fault' : 'This is what I saw'}
      </Button>
    </div>
  );
}
