import { Link } from 'react-router';
import type { ReactNode } from 'react';
import { preferences, useAsk, useLibrary, usePeople, useSend, useSigned } from '../shell/index.ts';
import { Button, fullDay, Loaded, Notice, useKept } from '../ui/index.ts';

/** What a new hall still lacks, the next thing first, until nothing is lacking; a head coach’s alone. */
export function FirstSteps() {
  const { me } = useSigned();
  const away = useKept(preferences.firstSteps);
  return me.role === 'head coach' && !away ? <Steps /> : null;
}

interface Step {
  what: string;
  done: boolean;
  how: ReactNode;
}

function Steps() {
  const library = useLibrary();
  const kit = useAsk('kit');
  const squads = useAsk('squads');
  const { query: people } = usePeople();
  if (!library.query.data || !kit.data || !squads.data || !people.data) return null;
  const steps: Step[] = [
    { what: 'What to begin with', done: library.entries.length > 0, how: <BeginWith /> },
    {
      what: 'The kit at hand',
      done: kit.data.length > 0,
      how: <Link to="/hall?part=kit">Say what the hall has</Link>,
    },
    {
      what: 'A squad',
      done: squads.data.length > 0,
      how: <Link to="/hall?part=squads">Name the first squad</Link>,
    },
    {
      what: 'People',
      done: people.data.length > 0,
      how: <Link to="/people">Add the first person</Link>,
    },
  ];
  const next = steps.find((s) => !s.done);
  if (!next) return null;
  return (
    <section aria-label="First steps" className="mb-4 border-l-[7px] border-tape bg-paper px-4 py-3">
      <h2>First steps</h2>
      <ol className="mt-1 grid gap-2">
        {steps.map((s, i) => (
          <li key={s.what} className={`flex flex-wrap items-baseline gap-x-3 ${s.done ? 'text-soft' : ''}`}>
            <span className={s === next ? 'font-semibold' : ''}>
              {i + 1}. {s.what}
              {s.done && ': done'}
            </span>
            {!s.done && s.how}
          </li>
        ))}
      </ol>
      <p className="mt-2 flex flex-wrap items-center gap-x-4 text-sm text-soft">
        Each can wait; this card stays until all are done.
        {steps[0]!.done && (
          <Button tone="quiet" onClick={() => preferences.firstSteps.put('away')}>
            Put this card away
          </Button>
        )}
      </p>
    </section>
  );
}

function BeginWith() {
  const shipped = useAsk('shippedLibrary');
  const send = useSend('beginWithShipped');
  return (
    <Loaded query={shipped} what="the library that comes with Meister">
      {({ edition, authors, variations, ladders, faults }) => (
        <div className="basis-full">
          <p>
            The library that comes with Meister: {variations} variations, {ladders} ladders, {faults} faults;
            edition {edition.number} of {fullDay(edition.date)}, by {authors.join(' and ')}. From then on it
            is the hall’s own: change whatever the hall does otherwise.
          </p>
          {send.error && <Notice tone="warn">{send.error.message}</Notice>}
          <p className="mt-1 flex flex-wrap items-center gap-4">
            <Button tone="main" disabled={send.isPending} onClick={() => send.mutate({})}>
              {send.isPending ? 'One moment …' : 'Begin with the whole library'}
            </Button>
            <Link to="/hall?part=keeping">Load a library file instead</Link>
            <Link to="/library">Begin with nothing: write the first sheet</Link>
          </p>
        </div>
      )}
    </Loaded>
  );
}
