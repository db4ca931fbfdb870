import { FormSwitch, keepSet, targetWords, usedLine } from '../log/index.ts';
import type { Observed, ShownSet } from '../log/index.ts';
import type { TodayLine } from '../../core/floor/index.ts';
import type { Of } from '../../contract/endpoints.ts';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { Sheet } from '../../contract/library.ts';
import type { TodayPerson } from '../../contract/session.ts';
import { clocks, FloorFigure } from '../dose/index.ts';
import type { OnBar } from '../kit/index.ts';
import { ChainsBegun } from '../fault/index.ts';
import { Said, useAddress, useAsk, useUnits } from '../shell/index.ts';
import { Button, Guard, Loaded, Notice } from '../ui/index.ts';
import { FloorSet, restAfter } from './floor-set.tsx';
import { nextOf, sheetOf } from '../log/index.ts';
import { insteadPath, nextWords } from './next-words.ts';
import { SetTo } from './set-to.tsx';
import { WatchList } from './watch-list.tsx';
import { WayOn } from './way-on.tsx';

/** What one person does next on one ladder: figure, target, cues, what to watch, and the set at hand. */
export function LineAtHand({
  person: p,
  name,
  line,
  date,
  ofDay,
  desk,
  onBar,
  onKept,
}: {
  person: TodayPerson;
  name: string;
  line: TodayLine;
  date: string;
  ofDay: ShownSet[];
  desk: Of<'desk'>;
  onBar: readonly OnBar[];
  /** The set just kept, so that it can be taken back. */
  onKept: (id: string) => void;
}) {
  const units = useUnits();
  const { params, set } = useAddress();
  // An easier variation that the desk led to is done instead of the level's own.
  const slug = params.get('give') ?? line.variation;
  const sheet = useAsk('sheet', slug ? sheetOf(slug, line, p.personId) : null);
  const knowledge = useAsk('desk', desk);
  const [asTest, setSideTest] = useState<boolean | null>(null);
  const [ended, setEnded] = useState(false);
  const given = slug === line.variation ? undefined : sheet.data?.resolved;
  const next = useMemo(() => nextOf(line, ofDay, date, given), [line, ofDay, date, given]);
  // One that is due is taken as one, unless the coach says otherwise.
  const sideTest = asTest ?? next.sideTest;
  if (line.variation === null || slug === null) {
    return (
      <Notice tone="warn">
        <Said of={line.reason} />{' '}
        {line.outcome === 'stop and refer' &&
          `Nothing of this is done until the head coach ${p.stops.length > 0 ? 'clears' : 'lifts'} it. `}
        Local rules and licensed practice come first.
      </Notice>
    );
  }
  const keep = ({ resolved, revision }: Sheet, observed: Observed) => {
    clocks.stopFor(p.personId);
    onKept(
      keepSet(
        {
          personId: p.personId,
          date,
          ordinal: Math.max(0, ...ofDay.map((s) => s.ordinal)) + 1,
          source: resolved.source,
          revision,
          target: line.target,
        },
        observed,
      ),
    );
  };
  return (
    <>
      {ended && (
        <Notice tone="warn">
          The set was ended and recorded. Nothing more of this today unless it has settled; refer if it does
          not. {!p.covered && <Link to={`/people/${p.personId}`}>To the decision</Link>}
        </Notice>
      )}
      <div className="taped-left mb-3 bg-paper py-3 pr-4 pl-5">
        <p className="label">
          {line.ladderName}, level {line.levelNumber} of {line.levels}: {line.levelName}
        </p>
        <div className="grid grid-cols-[1fr_7rem] gap-x-3 sm:grid-cols-[1fr_19rem] sm:gap-x-4 lg:grid-cols-[1fr_22rem]">
          <div>
            <p className="font-head text-2xl leading-tight font-bold sm:text-3xl bright:sm:text-4xl">
              {given?.source.name ?? line.variationName}
            </p>
            {given && (
              <p>
                Instead of {line.variationName}.{' '}
                <Button floor tone="quiet" onClick={() => set({ give: null })}>
                  Back to it
                </Button>
              </p>
            )}
            <p className="mt-1 text-xl sm:text-3xl bright:text-2xl bright:sm:text-4xl bright:sm:font-semibold">
              {targetWords(line.target, units.mass, line.sides)}
            </p>
            <p className="text-lg font-semibold sm:text-2xl bright:sm:text-3xl">
              {next.done ? 'All sets of the target are done.' : `Next: ${nextWords(next, units.mass)}`}
            </p>
            {usedLine(next, units) && <p className="text-lg">With {usedLine(next, units)}</p>}
            {!given && <SetTo line={line} />}
          </div>
          <div className="sm:row-span-2">
            {sheet.data && (
              <Guard what="The figure">
                <FloorFigure
                  mechanics={sheet.data.resolved.mechanics}
                  pattern={line.pattern}
                  personId={p.personId}
                />
              </Guard>
            )}
          </div>
          <div className="col-span-2 sm:col-span-1">
            <ol aria-label="Three cues" className="mt-1 border-t border-rule">
              {(given ? (sheet.data?.resolved.cues.slice(0, 3) ?? []) : line.cues).map((c) => (
                <li
                  key={c.slug}
                  className="border-b border-rule py-1 text-xl leading-tight font-semibold sm:text-2xl bright:sm:text-4xl"
                >
                  {c.text}
                </li>
              ))}
            </ol>
            {next.last && (
              <p className="text-soft">
                Last time: <Said of={next.last} />.
              </p>
            )}
            {next.why.map((w) => (
              <p key={w} className="text-soft">
                <Said of={w} />
              </p>
            ))}
            {line.variationNote && !given && <p className="text-soft">{line.variationNote}</p>}
          </div>
        </div>
        <WayOn key={line.wayOn} line={line} personId={p.personId} mayConfirm={!p.covered} />
        <WatchList watch={line.watch} />
        <Guard what="The chain">
          <ChainsBegun personId={p.personId} name={name} date={date} knowledge={knowledge.data ?? null} />
        </Guard>
      </div>
      {line.failure && <Notice tone="warn">{line.failure}</Notice>}
      <Loaded query={sheet} what="the sheet">
        {(read) => (
          <FloorSet
            key={`${slug} ${line.form} ${ofDay.length} ${next.side} ${next.number} ${sideTest}`}
            person={p}
            name={name}
            line={line}
            date={date}
            variation={read.resolved}
            revision={read.revision}
            next={next}
            onBar={onBar}
            sideTest={sideTest}
            onSideTest={setSideTest}
            knowledge={knowledge.data ?? null}
            onLog={(observed) => {
              setEnded(false);
              keep(read, observed);
              restAfter(
                p.personId,
                line,
                observed.side,
                (side) => ofDay.filter((s) => s.variation === slug && s.side === side && !s.warmUp).length,
              );
            }}
            onEnded={(observed) => {
              keep(read, observed);
              setEnded(true);
            }}
            onGive={(variation) => set({ give: variation })}
          />
        )}
      </Loaded>
      {!p.covered && <FormSwitch personId={p.personId} ladder={line.ladder} form={line.form} />}
      <p className="mt-2 flex flex-wrap gap-x-5">
        {line.kit.length > 0 && (
          <Link className="flex min-h-14 items-center" to={insteadPath(line, p.personId)}>
            {line.kit[0]!.name} taken: what instead?
          </Link>
        )}
        <Link
          className="flex min-h-14 items-center"
          to={`/floor/measure?person=${p.personId}&ladder=${line.ladder}`}
        >
          Measure this set
        </Link>
        <Link className="flex min-h-14 items-center" to={`/library/variation/${slug}`}>
          Whole sheet
        </Link>
        <Link className="flex min-h-14 items-center" to={`/people/${p.personId}`}>
          Evidence and decision
        </Link>
        <Link className="flex min-h-14 items-center" to="/faults/rate">
          Rate as a second coach
        </Link>
      </p>
    </>
  );
}
