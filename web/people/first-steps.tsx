import { useState } from 'react';
import { Link } from 'react-router';
import type { ReactNode } from 'react';
import type { Pattern } from '../../core/terms/index.ts';
import { preferences, useAsk, useLibrary, usePeople, useSend, useSigned } from '../shell/index.ts';
import { Button, ButtonLink, capital, fullDay, Loaded, Notice, SelectField, useKept } from '../ui/index.ts';

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
  const { query: people } = usePeople();
  const lines = useAsk('overview');
  const answered = useKept(preferences.houseQuestions) !== null;
  if (!library.query.data || !kit.data || !people.data || !lines.data) return null;
  const atWork = lines.data.some((l) => l.lastSession !== null);
  const begun = library.entries.length > 0;
  const way = (to: string, what: string, main: boolean) => (
    <ButtonLink to={to} tone={main ? 'main' : 'plain'}>
      {what}
    </ButtonLink>
  );
  const steps: Step[] = [
    { what: 'What to begin with', done: begun, how: <BeginWith /> },
    {
      what: 'The kit at hand',
      done: kit.data.length > 0,
      how: way('/kit?part=inventory', 'Tick what the hall has', begun),
    },
    {
      what: 'A squad and its people',
      done: people.data.length > 0,
      how: way('/people?add=several', 'Type or paste their names', kit.data.length > 0),
    },
    {
      what: 'House questions: where schools differ',
      // A hall that trains already has its answers in the library.
      done: answered || atWork || !begun,
      how: way('/library/questions', 'Answer them in one sitting', people.data.length > 0),
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
              {s.done && begun && ': done'}
            </span>
            {!s.done && s.how}
          </li>
        ))}
      </ol>
      <p className="mt-2 flex flex-wrap items-center gap-x-4 text-sm text-soft">
        Each can wait; this card stays until all are done. New here?{' '}
        <Link to="/guide">Six pages to begin with</Link>
        {begun && (
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
  const [only, setOnly] = useState<Pattern | ''>('');
  return (
    <Loaded query={shipped} what="the library that comes with Meister">
      {({ edition, authors, patterns, ...all }) => {
        const { variations, ladders, faults } = patterns.find((p) => p.pattern === only) ?? all;
        return (
          <div className="basis-full">
            <p>
              The library that comes with Meister: {variations} variations,{' '}
              {ladders === 1 ? 'one ladder' : `${ladders} ladders`}, {faults} faults; edition {edition.number}{' '}
              of {fullDay(edition.date)}, by {authors.join(' and ')}. From then on it is the hall’s own:
              change whatever the hall does otherwise.
              {only !== '' &&
                ' Where a level asks for a level of another pattern first, that need is left out: look at the heavy ones.'}
            </p>
            {send.error && <Notice tone="warn">{send.error.message}</Notice>}
            <p className="mt-1 flex flex-wrap items-end gap-4">
              <SelectField
                label="How much of it"
                className="w-56"
                value={only}
                onChange={(e) => setOnly(e.target.value as Pattern | '')}
              >
                <option value="">the whole library</option>
                {patterns.map((p) => (
                  <option key={p.pattern} value={p.pattern}>
                    {capital(p.pattern)} alone
                  </option>
                ))}
              </SelectField>
              <Button
                tone="main"
                disabled={send.isPending}
                onClick={() => send.mutate(only === '' ? {} : { only })}
              >
                {send.isPending
                  ? 'One moment …'
                  : only === ''
                    ? 'Begin with the whole library'
                    : `Begin with the ${only} alone`}
              </Button>
              <Link to="/hall?part=keeping" className="inline-flex min-h-9 items-center">
                Load a library file instead
              </Link>
              <Link to="/library" className="inline-flex min-h-9 items-center">
                Begin with nothing: write the first sheet
              </Link>
            </p>
          </div>
        );
      }}
    </Loaded>
  );
}
