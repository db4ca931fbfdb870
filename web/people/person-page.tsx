import type { OnLadder } from '../../core/floor/index.ts';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { MoveRow, PersonOnLadders, StoredSet } from '../../contract/log.ts';
import type { Person } from '../../contract/people.ts';
import { lastLoads } from '../../core/log/index.ts';
import { takenWaySentence } from '../../core/ladder/index.ts';
import { STAGES } from '../../core/terms/index.ts';
import type { Role, Stage } from '../../core/terms/index.ts';
import { MOST_OF_DAY, writeJob } from '../../core/sheets/index.ts';
import { mergedSets, setSummary, useParcels, usedLine } from '../log/index.ts';
import {
  ask,
  Download,
  Said,
  useAsk,
  useLibrary,
  usePeople,
  useSend,
  useSigned,
  useUnits,
} from '../shell/index.ts';
import {
  Button,
  day,
  Dialog,
  length,
  Loaded,
  mass,
  Notice,
  OUTCOME_WORDS,
  SelectField,
  TextField,
} from '../ui/index.ts';
import { PersonFaults } from '../fault/index.ts';
import { BodyPanel } from './body-panel.tsx';
import { Measures } from './measures.tsx';
import { OwnLinks } from './own-links.tsx';
import { mayBegin, Placements, Trials } from './trials.tsx';
import { Branches } from './branches.tsx';
import { Corrections } from './corrections.tsx';
import { DecisionPanel } from './decision.tsx';
import { Evidence } from './evidence.tsx';
import { OwnAnswers } from './own-answers.tsx';
import { PersonForm } from './person-form.tsx';
import { Restrictions } from './restrictions.tsx';
import { Stops } from './stops.tsx';

/** One person: decision with its evidence, moves, sets, restrictions, data. */
export function PersonPage() {
  const { id = '' } = useParams();
  const { me } = useSigned();
  const units = useUnits();
  const { query: people } = usePeople(true);
  const ladders = useAsk('personOnLadders', { person: id });
  const edit = useSend('savePerson', { person: id });
  const [dialog, setDialog] = useState<'edit' | 'erase' | null>(null);
  return (
    <Loaded query={people} what="the person">
      {(all) => {
        const person = all.find((p) => p.id === id);
        // Erased, or looked after by others: the server says which.
        if (!person || person.covered) {
          return ladders.error ? <Notice tone="warn">{ladders.error.message}</Notice> : null;
        }
        return (
          <>
            <div className="mb-4 flex flex-wrap items-end justify-between gap-3">
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
                <Link
                  to={`/floor/${id}`}
                  className="inline-flex min-h-9 items-center border border-tape bg-tape px-3 font-semibold text-on-tape no-underline"
                >
                  Log a set
                </Link>
                {ladders.data && <PrintToday personId={id} ladders={ladders.data.ladders} />}
                {me.role === 'head coach' && (
                  <>
                    <Button onClick={() => setDialog('edit')}>Change details</Button>
                    <Download name="exportPerson" of={{ person: id }}>
                      Export all data
                    </Download>
                    <Button tone="danger" onClick={() => setDialog('erase')}>
                      Erase
                    </Button>
                  </>
                )}
              </div>
            </div>
            <Loaded query={ladders} what="the evidence">
              {(data) => (
                <div className="grid gap-8 xl:grid-cols-[1fr_24rem]">
                  <div className="grid content-start gap-8">
                    {data.ladders
                      .filter((l) => l.standing)
                      .map((on) => (
                        <DecisionPanel
                          key={on.ladder.slug}
                          personId={id}
                          on={on}
                          signOffs={data.signOffs}
                          mayDecide
                        />
                      ))}
                    <Branches personId={id} ladders={data.ladders} />
                    <Trials personId={id} ladders={data.ladders} />
                    <Placement personId={id} ladders={data.ladders} />
                    <Measures personId={id} ladders={data.ladders} massKg={person.massKg} />
                  </div>
                  <div className="grid content-start gap-6">
                    <Stops
                      personId={id}
                      referred={data.ladders.some((l) => (l.decision?.referral ?? null) !== null)}
                    />
                    <Restrictions personId={id} />
                    <PersonFaults personId={id} />
                    <OwnAnswers personId={id} />
                    <BodyPanel personId={id} ladders={data.ladders} lastLoads={lastLoads(data.sets)} />
                    <Settings settings={data.settings} />
                    <Moves moves={data.moves} ladders={data.ladders} />
                    <Placements personId={id} ladders={data.ladders} />
                    <Sets personId={id} data={data} />
                    <OwnLinks personId={id} />
                    <Corrections personId={id} />
                  </div>
                </div>
              )}
            </Loaded>
            <Dialog title="Change details" open={dialog === 'edit'} onClose={() => setDialog(null)}>
              <PersonForm
                person={person}
                error={edit.error}
                busy={edit.isPending}
                onSave={(request) => edit.mutate(request, { onSuccess: () => setDialog(null) })}
              />
            </Dialog>
            <Dialog title={`Erase ${person.name}`} open={dialog === 'erase'} onClose={() => setDialog(null)}>
              <Erase person={person} />
            </Dialog>
          </>
        );
      }}
    </Loaded>
  );
}

function Placement({ personId, ladders }: { personId: string; ladders: OnLadder[] }) {
  const send = useSend('place', { person: personId });
  const free = ladders.filter(mayBegin);
  const [ladder, setLadder] = useState('');
  const [level, setLevel] = useState('');
  const [reason, setReason] = useState('');
  const [role, setRole] = useState<Role | ''>('');
  const [stage, setStage] = useState<Stage | ''>('');
  if (ladders.length === 0) {
    return (
      <Notice>
        There is no ladder in the library yet. <Link to="/ladders">Make one</Link>.
      </Notice>
    );
  }
  if (free.length === 0) return null;
  const chosen = free.find((l) => l.ladder.slug === ladder) ?? free[0]!;
  return (
    <form
      className="grid max-w-xl gap-3 bg-paper p-4"
      onSubmit={(e) => {
        e.preventDefault();
        send.mutate({
          ladder: chosen.ladder.slug,
          level: level || chosen.ladder.levels[0]!.id,
          reason,
          ...(role ? { role } : {}),
          ...(stage ? { stage } : {}),
        });
      }}
    >
      <h2>Place on a level, with a reason</h2>
      <div className="grid grid-cols-2 gap-3">
        <SelectField label="Ladder" value={chosen.ladder.slug} onChange={(e) => setLadder(e.target.value)}>
          {free.map((l) => (
            <option key={l.ladder.slug} value={l.ladder.slug}>
              {l.ladder.name}
            </option>
          ))}
        </SelectField>
        <SelectField label="Level" value={level} onChange={(e) => setLevel(e.target.value)}>
          {chosen.ladder.levels.map((l, i) => (
            <option key={l.id} value={l.id}>
              {i + 1}. {l.name}
            </option>
          ))}
        </SelectField>
      </div>
      <div className="grid grid-cols-2 gap-3">
        <SelectField label="Does it as" value={role} onChange={(e) => setRole(e.target.value as Role | '')}>
          <option value="">work</option>
          <option value="prepare">preparation</option>
          <option value="teach">teaching</option>
        </SelectField>
        <SelectField
          label="Read at stage"
          value={stage}
          onChange={(e) => setStage(e.target.value as Stage | '')}
        >
          <option value="">as the level says</option>
          {STAGES.map((s) => (
            <option key={s}>{s}</option>
          ))}
        </SelectField>
      </div>
      <TextField
        label="Why here"
        required
        hint="The simplest level at which the person is at ease."
        value={reason}
        onChange={(e) => setReason(e.target.value)}
      />
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <div>
        <Button type="submit" tone="main" disabled={send.isPending}>
          Place here
        </Button>
      </div>
    </form>
  );
}

function Moves({ moves, ladders }: { moves: MoveRow[]; ladders: OnLadder[] }) {
  const { hall } = useSigned();
  const level = (m: MoveRow, id: string | null) =>
    ladders.find((l) => l.ladder.slug === m.ladder)?.ladder.levels.find((x) => x.id === id)?.name ?? id;
  return (
    <section>
      <h2 className="border-b border-ink pb-1">Moves</h2>
      {moves.length === 0 && <p className="py-2 text-soft">None yet.</p>}
      <ol>
        {moves.map((m) => (
          <li key={m.id} className="border-b border-rule py-2">
            <span className="font-semibold">
              {day(m.date, hall.today)}:{' '}
              {m.kind === 'placed'
                ? 'Placed'
                : m.kind === 'form'
                  ? `Now in ${m.form}`
                  : OUTCOME_WORDS[m.kind]}
              {m.fromLevel !== m.toLevel && ` to ${level(m, m.toLevel)}`}
              {m.taken && <Said of={` (${takenWaySentence(m.taken)})`} />}
            </span>{' '}
            by {m.by}.{' '}
            {m.proposed && m.proposed !== m.kind && (
              <span className="font-semibold">
                The tool proposed: {OUTCOME_WORDS[m.proposed].toLowerCase()}.{' '}
              </span>
            )}
            {m.reason}
            {m.evidence && (
              <details>
                <summary className="text-sm text-soft">
                  Evidence as it was (library state {m.stateNumber})
                </summary>
                <ul className="list-disc pl-5 text-sm">
                  {m.evidence.reasons.map((r, i) => (
                    <li key={i}>
                      <Said of={r.text} />
                    </li>
                  ))}
                </ul>
                <div className="overflow-x-auto">
                  <Evidence judged={m.evidence.advance} today={hall.today} wanted />
                </div>
              </details>
            )}
            {m.flags.map((f) => (
              <p key={`${f.setId}${f.at}`} className="font-semibold text-warn">
                A set that this stood on was {f.what} afterwards: look again.
              </p>
            ))}
          </li>
        ))}
      </ol>
    </section>
  );
}

function Settings({ settings }: { settings: PersonOnLadders['settings'] }) {
  const { hall } = useSigned();
  const units = useUnits();
  const { titleOf } = useLibrary();
  if (settings.length === 0) return null;
  return (
    <section>
      <h2 className="border-b border-ink pb-1">Aids and settings last used</h2>
      <ul>
        {settings.map((s) => (
          <li key={s.variation} className="border-b border-rule py-1">
            {titleOf('variation', s.variation)}: <b>{usedLine(s, units.length) || 'none'}</b>{' '}
            <span className="text-sm text-soft">{day(s.date, hall.today)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Sets({ personId, data }: { personId: string; data: PersonOnLadders }) {
  const { hall } = useSigned();
  const units = useUnits();
  const { titleOf: title } = useLibrary();
  const [older, setOlder] = useState<StoredSet[]>([]);
  const [more, setMore] = useState(data.moreSessions);
  const [all, setAll] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const sets = mergedSets([...older, ...data.sets], useParcels(), personId);
  const days = [...new Set(sets.map((s) => s.date))].reverse();
  const readOlder = async () => {
    try {
      const page = await ask('olderSets', { person: personId, before: more ?? undefined });
      setOlder((now) => [...page.sets, ...now]);
      setMore(page.more);
      setProblem(null);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'Older sessions could not be read.');
    }
  };
  return (
    <section>
      <h2 className="border-b border-ink pb-1">Sets</h2>
      {days.length === 0 && <p className="py-2 text-soft">None yet.</p>}
      {(all ? days : days.slice(0, 4)).map((date) => (
        <div key={date} className="border-b border-rule py-2">
          <h3>{day(date, hall.today)}</h3>
          <ol className="text-sm">
            {sets
              .filter((s) => s.date === date)
              .map((s) => (
                <li key={s.id}>
                  {title('variation', s.variation)}: {setSummary(s, units.mass, (f) => title('fault', f))}
                  {s.own && <span className="text-soft"> (own)</span>}
                  {s.unsent && <span className="text-warn"> (not sent)</span>}
                </li>
              ))}
          </ol>
        </div>
      ))}
      {problem && <Notice tone="warn">{problem}</Notice>}
      {!all && days.length > 4 && (
        <Button tone="quiet" onClick={() => setAll(true)}>
          Show {days.length} of {data.sessions} sessions
        </Button>
      )}
      {all && more && (
        <Button tone="quiet" onClick={() => void readOlder()}>
          Older sessions
        </Button>
      )}
    </section>
  );
}

function Erase({ person }: { person: Person }) {
  const send = useSend('erasePerson', { person: person.id });
  const navigate = useNavigate();
  const [name, setName] = useState('');
  return (
    <form
      className="grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        send.mutate({ name }, { onSuccess: () => void navigate('/people') });
      }}
    >
      <p>
        All sessions, sets, moves and restrictions of this person are erased from the database at once.
        Snapshots and downloaded backups made before still hold them until they rotate out; export first if
        the person wants a copy.
      </p>
      <TextField
        label={`Type the name: ${person.name}`}
        required
        value={name}
        onChange={(e) => setName(e.target.value)}
      />
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <Button type="submit" tone="danger" disabled={send.isPending}>
        Erase for good
      </Button>
    </form>
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
  const look = 'inline-flex min-h-9 items-center border border-soft bg-paper px-3 no-underline';
  return (
    <>
      <Link to={`/print?${new URLSearchParams({ job, person: personId })}`} className={look}>
        Print for today
      </Link>
      <Link to={`/floor/${personId}/paper?of=${of.join('+')}`} className={look}>
        Enter a paper sheet
      </Link>
    </>
  );
}
