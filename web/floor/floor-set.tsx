import {
  AidsPicker,
  Amounts,
  counted,
  FaultCounts,
  FeltPicker,
  hasAids,
  MoreOfSet,
  inForm,
  mostFaults,
  OtherForm,
  Scale,
  SettingsOfSet,
  SideOfSet,
  startOf,
  Stepper,
  Toggle,
  Uneven,
  withAmount,
} from '../log/index.ts';
import type { Observed } from '../log/index.ts';
import type { TodayLine } from '../../core/floor/index.ts';
import { useMemo, useState } from 'react';
import type { DeskKnowledge } from '../../contract/fault.ts';
import type { TodayPerson } from '../../contract/session.ts';
import { INTERVAL, restFollows } from '../../core/dose/index.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import type { Side } from '../../core/terms/index.ts';
import { tempoAt } from '../../core/ladder/index.ts';
import type { NextSet } from '../../core/ladder/index.ts';
import { daysBetween, sidesApart, unevenSettings } from '../../core/terms/index.ts';
import type { Seen } from '../../core/fault/index.ts';
import { ClockPanel, clocks } from '../dose/index.ts';
import type { Ran } from '../dose/index.ts';
import { Desk, endedSet, SignPicture, StopPanel } from '../fault/index.ts';
import type { Stopped } from '../fault/index.ts';
import { solved } from '../figure/index.ts';
import { BarPanel, ContentPanel, FloorFit } from '../kit/index.ts';
import { useUnits } from '../shell/index.ts';
import type { OnBar } from '../kit/index.ts';
import { REFERENCE_BUILD } from '../../core/body/index.ts';
import { Button, Dialog, Guard } from '../ui/index.ts';
import { useSetDraft } from './set-draft.ts';
import { useSetKeys } from './use-set-keys.ts';

interface Props {
  person: TodayPerson;
  name: string;
  line: TodayLine;
  date: string;
  variation: ResolvedVariation;
  revision: number;
  next: NextSet;
  /** The others here who work with a bar. */
  onBar: readonly OnBar[];
  sideTest: boolean;
  onSideTest: (on: boolean) => void;
  knowledge: DeskKnowledge | null;
  /** Kept and, where it was the last of a pair of sides, rested after. */
  onLog: (observed: Observed) => void;
  /** Pain or a stop fault ended it. */
  onEnded: (observed: Observed) => void;
  /** An easier variation is done instead. */
  onGive: (variation: string) => void;
}

type Open = 'fault' | 'desk' | 'felt' | 'pain' | null;

/** The set under way: the clock, what can be told of it, and within reach of one thumb what ends it. */
export function FloorSet(p: Props) {
  const { person, line, variation, next, date } = p;
  const units = useUnits();
  // What is given instead is done in sets, whatever form the line has.
  const as =
    variation.source.slug === line.variation
      ? line
      : { countedIn: variation.source.countedIn, oneSided: sidesApart(variation.source) };
  const { oneSided } = as;
  const draftKey = `${person.personId} ${variation.source.slug} ${as.countedIn} ${date} ${next.number} ${next.side ?? ''} ${p.sideTest}`;
  const { set, change, clear } = useSetDraft(draftKey, () => startOf(variation, next, p.sideTest, as));
  const [open, setOpen] = useState<Open>(null);
  const uneven = unevenSettings(set.settings ?? []) !== null;
  const log = (observed: Observed) => {
    if (uneven) return;
    clear();
    p.onLog(observed);
  };
  const ended = (stopped: Stopped, signs: readonly Seen[]) => {
    setOpen(null);
    if (!stopped.ends) return change({ pain: stopped.pain });
    clear();
    p.onEnded(endedSet(set, stopped, signs));
  };
  useSetKeys({
    variation,
    onAmount: (n) => change((now) => withAmount(now, n)),
    onFault: (fault) =>
      change((now) => ({ faults: counted(now.faults, fault, 1, now.side, mostFaults(now)) })),
    onDone: () => log({ ...set, watched: true }),
  });
  const { workS = INTERVAL.workS } = line.target;
  const interval = line.countedIn === 'rounds' ? { workS, restS: line.target.restS } : INTERVAL;
  const ran = (r: Ran) => {
    // What ran is what was done, whatever the variation is counted in: repetitions nobody did are not written down.
    if (r.kind === 'tempo' && r.reps > 0) change(inForm('repetitions', r.reps));
    if (r.kind === 'hold' && r.workS > 0) {
      change({ ...inForm('seconds held', r.workS), breaths: r.breaths > 0 ? r.breaths : null });
    }
    if (r.kind === 'interval' && r.rounds > 0) {
      // Both sides have worked in a run that changes sides.
      const both = oneSided && variation.source.countedIn !== 'rounds';
      change({ ...inForm('rounds', r.rounds), workS: interval.workS, ...(both ? { side: null } : {}) });
    }
  };
  const amount = set.doneReps ?? set.holdS ?? set.rounds ?? 0;
  const what = set.doneReps !== null ? 'Repetitions done' : set.holdS !== null ? 'Seconds held' : 'Rounds';
  const step = set.holdS !== null ? 5 : 1;
  const put = (n: number) => change((now) => withAmount(now, n));
  const faultsSeen = set.faults.reduce((sum, f) => sum + f.reps, 0);
  const setName = `Set ${next.number}${next.side ? ` ${next.side}` : ''} done`;
  const { tempo } = variation.source;
  const range = solved(REFERENCE_BUILD, variation.mechanics).range;
  const needed = useMemo(
    () => [...variation.equipmentAll, ...variation.equipmentAny.flat()].map((n) => n.equipment.slug),
    [variation],
  );
  const loaded = set.loadKg !== null || variation.source.loadKind !== 'none';

  return (
    <>
      <Guard what="The clock">
        <ClockPanel
          personId={person.personId}
          label={`${p.name}, ${variation.source.shortName}`}
          tempo={tempoAt(tempo, line.target)}
          risesFirst={range?.workingIs === 'top'}
          side={set.side}
          oneSided={sidesApart(variation.source)}
          reps={set.doneReps}
          holdS={set.holdS}
          rounds={set.rounds}
          interval={interval}
          week={line.since ? Math.floor(daysBetween(line.since, date) / 7) + 1 : 1}
          onRan={ran}
        />
      </Guard>
      <div className="grid gap-4">
        {oneSided && (
          <div className="flex flex-wrap items-end gap-2">
            <SideOfSet set={set} onChange={change} />
            <Toggle
              on={p.sideTest}
              onChange={(on) => {
                change({ sideTest: on });
                p.onSideTest(on);
              }}
            >
              Side test, to the first unclean one
            </Toggle>
          </div>
        )}
        {loaded && <Amounts variation={variation} set={set} onChange={change} only="load" />}
        {variation.source.loadKind === 'improvised' && (
          <ContentPanel unit={units.mass} onTake={(loadKg) => change({ loadKg })} />
        )}
        {variation.source.loadKind === 'bar' && set.loadKg !== null && (
          <Guard what="The bar">
            <BarPanel
              equipment={needed}
              loadKg={set.loadKg}
              sets={next.of}
              name={p.name}
              others={p.onBar}
              onTake={(loadKg) => change({ loadKg })}
            />
          </Guard>
        )}
        <Scale
          label="Effort, 0 to 10 (ask after the last set)"
          value={set.effort}
          onPick={(effort) => change({ effort })}
        />
        {hasAids(variation, set) && (
          <AidsPicker variation={variation} value={set.aids} onChange={(aids) => change({ aids })} />
        )}
        {(variation.source.measures?.length ?? 0) > 0 && (
          <Guard what="How it is set">
            <FloorFit
              personId={person.personId}
              name={p.name}
              variation={variation.source.slug}
              equipment={needed}
              value={set.settings}
              onTake={(settings) => change({ settings })}
            />
          </Guard>
        )}
        <SettingsOfSet variation={variation} set={set} onChange={change} />
        <MoreOfSet variation={variation} set={set} onChange={change} felt={false} />
      </div>

      {/* What ends a set stands where the thumb is, whatever is being read above. */}
      <div
        role="group"
        aria-label="The set at hand"
        className="sticky bottom-0 z-10 -mx-4 mt-3 border-t-2 border-ink bg-ground px-4 pt-2 pb-3 md:mx-0 md:px-2"
      >
        <OtherForm asked={as.countedIn} set={set} />
        {set.settings && <Uneven value={set.settings} />}
        <div className="flex gap-2">
          <Stepper narrow label={what} value={amount} step={step} onChange={put} />
          <Button
            floor
            tone="main"
            className="grow px-2! text-base leading-tight sm:text-lg"
            disabled={uneven}
            onClick={() => log({ ...set, watched: true })}
          >
            {setName}: watched, {faultsSeen === 0 ? 'no fault' : `${faultsSeen} with a fault`}
          </Button>
        </div>
        <div className="mt-2 grid grid-cols-4 gap-2">
          <Button
            floor
            className="px-1! text-base leading-tight"
            aria-label={`${setName}: not watched`}
            disabled={uneven}
            onClick={() => log({ ...set, watched: false, faults: [] })}
          >
            Not watched
          </Button>
          <Button floor className="px-1!" onClick={() => setOpen('fault')}>
            Fault{faultsSeen > 0 && ` ${faultsSeen}`}
          </Button>
          <Button floor className="px-1!" onClick={() => setOpen('felt')}>
            Felt{set.sensations && set.sensations.length > 0 && ` ${set.sensations.length}`}
          </Button>
          <Button floor tone="danger" className="px-1!" onClick={() => setOpen('pain')}>
            Pain{set.pain !== null && ` ${set.pain}`}
          </Button>
        </div>
      </div>

      <Dialog
        title={`Fault: ${variation.source.name}`}
        open={open === 'fault'}
        wide
        onClose={() => setOpen(null)}
      >
        <p className="text-soft">Count the repetitions that show it.</p>
        {/* Its own scroll: no row is half beneath the buttons. */}
        <div className="max-h-[calc(84vh-12.5rem)] overflow-y-auto">
          <FaultCounts
            variation={variation}
            faults={set.faults}
            side={set.side}
            most={mostFaults(set)}
            onChange={(faults) => change({ faults })}
            picture={(f) => (
              <SignPicture
                mechanics={variation.mechanics}
                pattern={variation.source.pattern}
                shows={f.shows}
                size={72}
              />
            )}
          />
        </div>
        <div className="mt-3 grid grid-cols-2 gap-2">
          <Button floor tone="main" onClick={() => setOpen('desk')}>
            What to do?
          </Button>
          <Button floor onClick={() => setOpen(null)}>
            Only counted
          </Button>
        </div>
      </Dialog>
      <Dialog
        title={`What to do: ${p.name}, ${variation.source.name}`}
        open={open === 'desk'}
        wide="full"
        onClose={() => setOpen(null)}
      >
        <Guard what="The desk">
          <Desk
            variation={variation}
            revision={p.revision}
            date={date}
            person={{ id: person.personId, name: p.name }}
            knowledge={p.knowledge}
            below={line.below}
            signs={set.faults.map(({ fault, side }) => ({ fault, side }))}
            done={amount}
            onSigns={(signs) =>
              change((now) => ({
                faults: signs.reduce((all, s) => {
                  const with1 = all.some((f) => f.fault === s.fault)
                    ? all
                    : counted(all, s.fault, 1, now.side, mostFaults(now));
                  return with1.map((f) => (f.fault === s.fault && s.side ? { ...f, side: s.side } : f));
                }, now.faults),
              }))
            }
            onStop={ended}
            onClose={(easier) => {
              setOpen(null);
              if (easier) p.onGive(easier);
            }}
          />
        </Guard>
      </Dialog>
      <Dialog title="Where is it felt?" open={open === 'felt'} wide onClose={() => setOpen(null)}>
        <FeltPicker
          side={set.side}
          value={set.sensations}
          variation={variation}
          onChange={(sensations) => change({ sensations })}
        />
        <Button floor tone="main" className="mt-3 w-full" onClick={() => setOpen(null)}>
          Back to the set
        </Button>
      </Dialog>
      <Dialog title={`Pain: ${p.name}`} open={open === 'pain'} wide onClose={() => setOpen(null)}>
        <StopPanel
          of={{ personId: person.personId, date }}
          variation={variation}
          why={null}
          whenToStop={[]}
          felt={[]}
          done={amount}
          onStop={(s) => ended(s, [])}
          onBack={() => setOpen(null)}
        />
      </Dialog>
    </>
  );
}

/** Somebody rests after a set, but not between the two sides of it. */
export function restAfter(
  personId: string,
  line: Pick<TodayLine, 'target'>,
  side: Observed['side'],
  doneOf: (side: Side) => number,
): void {
  if (restFollows(side, doneOf)) clocks.rest(personId, line.target.restS);
  else clocks.endRest(personId);
}
