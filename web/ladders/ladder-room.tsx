import { useMemo, useState } from 'react';
import type { ReactNode } from 'react';
import { MovementIcon } from '../figure/index.ts';
import { Link, useParams } from 'react-router';
import { aidWords } from '../../core/terms/index.ts';
import { sentencesOf } from '../../core/criterion/index.ts';
import { wayOnSentence } from '../../core/ladder/index.ts';
import type { NameOfLevel } from '../../core/criterion/index.ts';
import type { Ladder, Level, SettledLevel } from '../../core/library/index.ts';
import { buildFor, useBuilds, Refused, Said, useLibrary, useSend, useSigned } from '../shell/index.ts';
import { Button, capital, Loaded, Notice, PatternWord, TextField } from '../ui/index.ts';
import { BuildSelect, MomentCaution } from '../body/index.ts';
import { useSpread } from '../workers/index.ts';
import { DemandQuestions } from './demand-questions.tsx';
import { Elevation } from './elevation.tsx';
import { Flights, NOT_TAUGHT } from './flights.tsx';
import { ladderProfile, orderByDemand } from './profile.tsx';
import { LevelFields, StairsDesk } from './stairs-desk.tsx';
import { TryOn } from './try-on.tsx';
import { useLadder, useLevelNames, useStanding } from './use-ladder.ts';

/** One ladder: its elevation, and the level chosen with what earns the next one. */
export function LadderRoom() {
  const { slug = '' } = useParams();
  const { me } = useSigned();
  const query = useLadder(slug);
  const standing = useStanding(slug);
  const { entries, find, titleOf } = useLibrary();
  const [chosen, setChosen] = useState<string | null>(null);
  const [editing, setEditing] = useState(false);
  const [personId, setPersonId] = useState<string | null>(null);
  const [parts, setParts] = useState(false);
  const [desk, setDesk] = useState(false);
  const builds = useBuilds();
  const build = buildFor(builds, personId);
  const forWhom = builds.find((b) => b.personId === personId)?.name ?? 'the reference build';
  const nameOf = useLevelNames();
  const spread = useSpread();
  const profile = useMemo(
    () => query.data && ladderProfile(query.data.ladder, entries, build),
    [query.data, entries, build],
  );
  const order = profile ? orderByDemand(profile.steps) : null;
  const spreads = useMemo(
    () => spread.result && new Map(spread.result.map((s) => [s.id, { ...s, people: s.builds }])),
    [spread.result],
  );
  return (
    <Loaded query={query} what="the ladder">
      {({ ladder, settled, revision }) => {
        const level = ladder.levels.find((l) => l.id === chosen) ?? ladder.levels[0]!;
        return (
          <>
            <div className="flex flex-wrap items-end justify-between gap-3">
              <div>
                <p className="text-sm">
                  <PatternWord pattern={ladder.pattern} /> ladder, {ladder.levels.length} levels
                </p>
                <h1>{ladder.name}</h1>
                {ladder.branchOf && (
                  <p>
                    A branch of <Link to={`/ladders/${ladder.branchOf.ladder}`}>the trunk</Link>: opens once{' '}
                    {nameOf(ladder.branchOf.ladder, ladder.branchOf.level)} is held.
                  </p>
                )}
                <p className="text-soft">{settled.purpose.map((l) => l.text).join(' ') || NOT_TAUGHT}</p>
              </div>
              <p className="flex gap-4">
                {me.role !== 'viewer' && !desk && (
                  <button
                    type="button"
                    className="underline underline-offset-4"
                    onClick={() => setDesk(true)}
                  >
                    Change the stairs
                  </button>
                )}
                <Link to={`/print?job=poster:${slug}`}>Print the poster</Link>
                <Link to={`/library/ladder/${slug}/history`}>Revision {revision}, history</Link>
              </p>
            </div>
            {desk ? (
              <StairsDesk
                key={revision}
                ladder={ladder}
                revision={revision}
                standing={standing}
                level={level.id}
                onDone={() => setDesk(false)}
              />
            ) : (
              <>
                <div className="mt-2 flex flex-wrap items-end gap-x-5 gap-y-2">
                  <BuildSelect
                    label="What it asks of"
                    builds={builds}
                    personId={personId}
                    onChange={setPersonId}
                  />
                  <label className="flex min-h-9 items-center gap-2">
                    <input type="checkbox" checked={parts} onChange={(e) => setParts(e.target.checked)} />
                    Show the parts
                  </label>
                  {builds.length > 0 && !spread.running && !spread.result && (
                    <Button
                      onClick={() =>
                        spread.start({
                          variations: (profile?.steps ?? []).map((s) => ({
                            id: s.id,
                            mechanics: s.mechanics,
                          })),
                          builds: builds.map((b) => b.build),
                        })
                      }
                    >
                      Spread over our people
                    </Button>
                  )}
                  {spread.running && (
                    <span className="flex items-center gap-3">
                      <progress
                        max={spread.running.of}
                        value={spread.running.done}
                        aria-label="Levels computed"
                      />
                      <Button onClick={() => spread.cancel()}>Cancel</Button>
                    </span>
                  )}
                  {spread.result && (
                    <Button tone="quiet" onClick={() => spread.clear()}>
                      Hide the spread
                    </Button>
                  )}
                  {spread.error && <Notice tone="warn">{spread.error}</Notice>}
                </div>
                <Elevation
                  nameOf={nameOf}
                  ladder={ladder}
                  standing={standing}
                  entries={entries}
                  profile={profile?.steps}
                  spread={spreads}
                  parts={parts}
                  build={build}
                  chosen={level.id}
                  onChoose={(id) => {
                    setChosen(id);
                    setEditing(false);
                  }}
                />
                <Flights trunk={ladder} entries={entries} build={build} />
                <p className="mt-1 text-sm text-soft">
                  Beneath the stairs: points for {forWhom}; hip, knee, low back and balance together.
                  Differences under 3 are ties. The order is the head coach’s; the figures only ask.
                  {order && ` By what they ask alone it would be ${order.join(', ')}.`}
                </p>
                <MomentCaution />
                {editing ? (
                  <EditLevel
                    key={`${level.id} ${revision}`}
                    ladder={ladder}
                    level={level}
                    revision={revision}
                    onDone={() => setEditing(false)}
                  />
                ) : (
                  <LevelView
                    nameOf={nameOf}
                    iconOf={(s) => {
                      const of = find('variation', s);
                      return of?.mechanics && of.pattern ? (
                        <MovementIcon mechanics={of.mechanics} pattern={of.pattern} build={build} size={56} />
                      ) : null;
                    }}
                    level={settled.levels.find((l) => l.id === level.id)!}
                    title={(s) => titleOf('variation', s)}
                    equipment={(s) => titleOf('equipment', s)}
                    onEdit={me.role === 'viewer' ? null : () => setEditing(true)}
                    editWord={me.role === 'head coach' ? 'Edit this level' : 'Propose a change to this level'}
                  />
                )}
                {profile && (
                  <DemandQuestions
                    ladder={ladder}
                    revision={revision}
                    questions={profile.questions}
                    forWhom={forWhom}
                    personId={personId}
                  />
                )}
              </>
            )}
          </>
        );
      }}
    </Loaded>
  );
}

interface ViewProps {
  level: SettledLevel;
  title: (slug: string) => string;
  equipment: (slug: string) => string;
  nameOf: NameOfLevel;
  iconOf: (slug: string) => ReactNode;
  onEdit: (() => void) | null;
  editWord: string;
}

function LevelView({ level, title, equipment, nameOf, iconOf, onEdit, editWord }: ViewProps) {
  const d = level.dose;
  return (
    <section className="mt-5" aria-label={`Level ${level.name}`}>
      <div className="flex flex-wrap items-baseline justify-between gap-4">
        <h2 className="text-xl">{level.name}</h2>
        {onEdit && <Button onClick={onEdit}>{editWord}</Button>}
      </div>
      <ul aria-label="Main variation and equals" className="mt-1 flex flex-wrap gap-x-6 gap-y-2">
        {[level.main, ...level.equals].map((slug) => (
          <li key={slug} className="flex items-center gap-2">
            {iconOf(slug)}
            <span className="max-w-40 leading-tight">
              <Link to={`/library/variation/${slug}`} className={slug === level.main ? 'font-semibold' : ''}>
                {title(slug)}
              </Link>
              <span className="block text-sm text-soft">{slug === level.main ? 'main' : 'an equal'}</span>
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-soft">
        On arrival {d.sets} × {d.reps ?? (d.holdS ? `${d.holdS} s` : `${d.rounds} rounds`)}
        {d.loadPercent && (
          <>
            {' '}
            with {d.loadPercent.new}, {d.loadPercent.some} or {d.loadPercent.trained} % of body mass (new,
            some experience, trained)
          </>
        )}
        {d.loadKg ? <Said of={d.loadPercent ? `, else ${d.loadKg} kg` : ` with ${d.loadKg} kg`} /> : ''}, rest{' '}
        {d.restS} s. Usual stay {level.usualStayWeeks.from} to {level.usualStayWeeks.to} weeks.
        {level.entryNeeds.map((n) => (
          <span key={`${n.ladder} ${n.level}`}>
            {' '}
            First: <Link to={`/ladders/${n.ladder}`}>{nameOf(n.ladder, n.level)}</Link>.
          </span>
        ))}
        {level.dose.aids?.map((a) => ` Begins with ${aidWords(a.aid, a.amount)}.`)}
      </p>
      <div className="mt-3 grid gap-6 md:grid-cols-3">
        <Sentences
          title="Move up when"
          joiner={level.advance.kind === 'any' ? 'or' : 'and'}
          lines={sentencesOf(level.advance, nameOf)}
        />
        <Sentences
          title="Step back when"
          joiner={level.stepBack.kind === 'all' ? 'and' : 'or'}
          lines={sentencesOf(level.stepBack, nameOf)}
        />
        <Sentences
          title="Ways on inside the level, in order"
          joiner="then"
          lines={level.waysOn.map((w) =>
            w.way === 'load' && w.equipment
              ? `${wayOnSentence(w)} (${equipment(w.equipment)})`
              : wayOnSentence(w),
          )}
        />
      </div>
      {level.interval && (
        <p className="mt-2">
          <b>In intervals:</b> {level.interval.rounds} rounds of {level.interval.workS} s work and{' '}
          {level.interval.restS} s rest at first, a round more after a clean week, up to {level.interval.upTo}
          . Move up when <Said of={sentencesOf(level.interval.advance, nameOf).join('; and ')} />.
        </p>
      )}
      {level.variants?.map((v, i) => (
        <p key={i} className="mt-2">
          <b>
            Asked instead of somebody
            {v.role && ` who does it as ${v.role === 'prepare' ? 'preparation' : v.role}`}
            {v.stage && ` at the stage ${v.stage}`}:
          </b>{' '}
          <Said of={sentencesOf(v.advance, nameOf).join('; and ')} />.
        </p>
      ))}
      <p className="mt-4 text-sm text-soft">
        Clean repetitions, holds and faults count only in sets a coach watched; pain and effort only where
        they were asked after the last set. One-sided work counts by the worse side. Pain stops any move up.
      </p>
    </section>
  );
}

function Sentences({ title, joiner, lines }: { title: string; joiner: string; lines: string[] }) {
  return (
    <div className="border-t-2 border-ink pt-1">
      <h3>{title}</h3>
      <ul className="mt-1">
        {lines.map((l, i) => (
          <li key={i} className="border-b border-rule py-1.5">
            {i > 0 ? <span className="text-soft">{joiner} </span> : null}
            <Said of={i > 0 ? l : capital(l)} />
          </li>
        ))}
      </ul>
    </div>
  );
}

function EditLevel({
  ladder,
  level,
  revision,
  onDone,
}: {
  ladder: Ladder;
  level: Level;
  revision: number;
  onDone: () => void;
}) {
  const { me } = useSigned();
  const { entries } = useLibrary();
  const send = useSend('saveDocument', { kind: 'ladder', slug: ladder.slug });
  const [edited, setEdited] = useState(level);
  const [reason, setReason] = useState('');
  const index = ladder.levels.indexOf(level);
  const changed = useMemo(
    () => ({ ...ladder, levels: ladder.levels.map((l) => (l === level ? edited : l)) }),
    [ladder, level, edited],
  );
  const errors = new Map(
    send.error instanceof Refused
      ? (send.error.problem.errors ?? []).map((e) => [e.field.replace(/^body\./, ''), e.detail])
      : [],
  );
  return (
    <form
      className="mt-5 max-w-5xl"
      onSubmit={(e) => {
        e.preventDefault();
        send.mutate({ body: changed, base: revision, reason }, { onSuccess: onDone });
      }}
    >
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <TryOn ladder={changed} level={edited.id} />
      <LevelFields level={edited} index={index} entries={entries} errors={errors} onChange={setEdited} />
      <div className="sticky bottom-0 mt-4 flex flex-wrap items-end gap-3 border-t border-ink bg-ground py-3">
        <TextField
          label="Why this change"
          value={reason}
          onChange={(e) => setReason(e.target.value)}
          className="grow"
        />
        <Button type="submit" tone="main" disabled={send.isPending}>
          {me.role === 'head coach' ? 'Put in force' : 'Propose'}
        </Button>
        <Button tone="quiet" onClick={onDone}>
          Leave as it was
        </Button>
      </div>
    </form>
  );
}
