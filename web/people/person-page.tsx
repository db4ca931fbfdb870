import type { OnLadder } from '../../core/floor/index.ts';
import { useState } from 'react';
import { useParams } from 'react-router';
import type { PersonOnLadders } from '../../contract/log.ts';
import type { Person, PersonRow } from '../../contract/people.ts';
import { lastLoads } from '../../core/log/index.ts';
import { gravityOf } from '../../core/ladder/index.ts';
import { MOST_OF_DAY, writeJob } from '../../core/sheets/index.ts';
import { useAddress, useAsk, usePeople, useUnits } from '../shell/index.ts';
import { Button, ButtonLink, length, Loaded, mass, Parts } from '../ui/index.ts';
import { PersonFaults } from '../fault/index.ts';
import { BodyPanel } from './body-panel.tsx';
import { Branches } from './branches.tsx';
import { DecisionPanel } from './decision.tsx';
import { Details } from './details.tsx';
import { Measures } from './measures.tsx';
import { Moves } from './moves.tsx';
import { OwnAnswers } from './own-answers.tsx';
import { Sets, Settings } from './person-log.tsx';
import { PersonEye } from '../eye/index.ts';
import { Placement } from './placement.tsx';
import { Restrictions } from './restrictions.tsx';
import { OpenStop, Stops } from './stops.tsx';
import { mayBegin, Placements, Trials } from './trials.tsx';

const PARTS = [
  ['standing', 'Standing'],
  ['log', 'Log'],
  ['body', 'Body'],
  ['measured', 'Measured'],
  ['restrictions', 'Pain, restrictions, faults'],
  ['moves', 'Moves'],
  ['details', 'Details'],
] as const;

/** One person: the next step first, then where they stand, what they did, their body, what is barred, what was decided. */
export function PersonPage() {
  const { id = '' } = useParams();
  const { query: people } = usePeople(true);
  const ladders = useAsk('personOnLadders', { person: id });
  return (
    <Loaded query={people} what="the person">
      {(all) => {
        const person = all.find((p) => p.id === id);
        // Erased, or looked after by others: the server says which.
        if (!person || person.covered)
          return <NotInFull person={person ?? null} why={ladders.error?.message ?? null} />;
        return (
          <Loaded query={ladders} what="the evidence">
            {(data) => <InFull person={person} data={data} />}
          </Loaded>
        );
      }}
    </Loaded>
  );
}

/** All that may be seen of somebody who is in other hands. */
function NotInFull({ person, why }: { person: PersonRow | null; why: string | null }) {
  return (
    <div className="max-w-xl">
      <h1>{person?.name ?? 'A person'}</h1>
      {why && <p className="my-2">{why}</p>}
      {person?.covered && (
        <p className="my-2">
          You cover their session: what you need of them today stands on the floor. The rest of the page is
          for their own coaches.
        </p>
      )}
      <p className="flex flex-wrap gap-2">
        {person?.covered && (
          <ButtonLink to={`/floor/${person.id}`} tone="main">
            Their session today
          </ButtonLink>
        )}
        <ButtonLink to="/people">All people</ButtonLink>
      </p>
    </div>
  );
}

function InFull({ person, data }: { person: Person; data: PersonOnLadders }) {
  const units = useUnits();
  const { params, set } = useAddress();
  const part = PARTS.find(([value]) => value === params.get('part'))?.[0] ?? 'standing';
  const id = person.id;
  const referred = data.ladders.some((l) => (l.decision?.referral ?? null) !== null);
  return (
    <>
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>{person.name}</h1>
          <p className="text-soft">
            {[
              person.statureM && length(person.statureM, units.length),
              person.massKg && mass(person.massKg, units.mass),
              person.note,
            ]
              .filter(Boolean)
              .join(', ') || 'Nothing noted.'}
          </p>
        </div>
        <div className="flex flex-wrap gap-2">
          <ButtonLink to={`/floor/${id}`} tone="main">
            Log a set
          </ButtonLink>
          <PrintToday personId={id} ladders={data.ladders} />
        </div>
      </div>
      <OpenStop personId={id} referred={referred} />
      <Parts
        label="Parts of the page"
        parts={PARTS}
        value={part}
        onPick={(to) => set({ part: to === 'standing' ? null : to })}
      >
        {part === 'standing' && <Standing personId={id} data={data} />}
        {part === 'log' && (
          <div className="grid grid-cols-[minmax(0,1fr)] gap-8 xl:grid-cols-[minmax(0,1fr)_24rem]">
            <Measures personId={id} ladders={data.ladders} massKg={person.massKg} />
            <div className="grid content-start gap-6">
              <Sets personId={id} data={data} />
              <Settings settings={data.settings} />
            </div>
          </div>
        )}
        {part === 'body' && (
          <BodyPanel personId={id} ladders={data.ladders} lastLoads={lastLoads(data.sets)} />
        )}
        {part === 'measured' && <PersonEye personId={id} name={person.name} />}
        {part === 'restrictions' && (
          <div className="grid grid-cols-[minmax(0,1fr)] gap-8 lg:grid-cols-2">
            <div className="grid content-start gap-6">
              <Stops personId={id} />
              <Restrictions personId={id} />
            </div>
            <div className="grid content-start gap-6">
              <PersonFaults personId={id} />
              <OwnAnswers personId={id} />
            </div>
          </div>
        )}
        {part === 'moves' && (
          <div className="grid grid-cols-[minmax(0,1fr)] gap-8 lg:grid-cols-2">
            <Moves moves={data.moves} ladders={data.ladders} />
            <Placements personId={id} ladders={data.ladders} />
          </div>
        )}
        {part === 'details' && <Details person={person} />}
      </Parts>
    </>
  );
}

/** Where they stand on each ladder, the gravest first; beginning another one opens on demand. */
function Standing({ personId, data }: { personId: string; data: PersonOnLadders }) {
  const [beginning, setBeginning] = useState<'trials' | 'reason' | null>(null);
  const gravity = (l: OnLadder) => gravityOf(l.decision?.outcome);
  const on = data.ladders.filter((l) => l.standing).sort((a, b) => gravity(a) - gravity(b));
  const free = data.ladders.some(mayBegin);
  const open = beginning ?? (on.length === 0 ? 'trials' : null);
  const pick = (what: 'trials' | 'reason') => setBeginning(open === what ? null : what);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-8 xl:grid-cols-[minmax(0,1fr)_24rem]">
      <div className="grid grid-cols-[minmax(0,1fr)] gap-8">
        {on.length === 0 && (
          <p className="border-l-[10px] border-tape bg-paper px-5 py-4 font-head text-2xl font-bold">
            {data.ladders.length === 0 ? 'No ladder is in the library yet' : 'Next: place them by trials'}
          </p>
        )}
        {on.map((l, i) => (
          <DecisionPanel
            key={l.ladder.slug}
            personId={personId}
            on={l}
            signOffs={data.signOffs}
            mayDecide
            first={i === 0}
          />
        ))}
      </div>
      <div className="grid gap-6">
        <Branches personId={personId} ladders={data.ladders} />
        {data.ladders.length === 0 ? (
          <p>
            <ButtonLink to="/ladders" tone="main">
              Begin with a ladder
            </ButtonLink>
          </p>
        ) : (
          free && (
            <section className="grid gap-3">
              <p className="flex flex-wrap gap-2">
                <Button aria-expanded={open === 'trials'} onClick={() => pick('trials')}>
                  {on.length === 0 ? 'Place by trials' : 'Begin another ladder by trials'}
                </Button>
                <Button aria-expanded={open === 'reason'} onClick={() => pick('reason')}>
                  Place on a level, with a reason
                </Button>
              </p>
              {open === 'trials' && <Trials personId={personId} ladders={data.ladders} />}
              {open === 'reason' && <Placement personId={personId} ladders={data.ladders} />}
            </section>
          )
        )}
      </div>
    </div>
  );
}

/** Floor sheets, a warm-up list and a blank log of what they are on, and back from paper. */
function PrintToday({ personId, ladders }: { personId: string; ladders: readonly OnLadder[] }) {
  const today = ladders.flatMap((on) => {
    const level = on.ladder.levels.find((l) => l.id === on.standing?.level);
    return level ? [on.decision?.variation ?? level.main] : [];
  });
  if (today.length === 0) return null;
  const of = today.slice(0, MOST_OF_DAY);
  const job = writeJob([
    ...of.map((slug) => ({ kind: 'floor' as const, of: [slug] })),
    { kind: 'warm-up', of },
    { kind: 'log', of },
  ]);
  return (
    <>
      <ButtonLink to={`/print?${new URLSearchParams({ job, person: personId })}`}>Print for today</ButtonLink>
      <ButtonLink to={`/floor/${personId}/paper?of=${of.join('+')}`}>Enter a paper sheet</ButtonLink>
    </>
  );
}
