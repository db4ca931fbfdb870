import type { TodayLine } from '../../core/floor/index.ts';
import { useState } from 'react';
import type { DeskKnowledge } from '../../contract/fault.ts';
import { advise, easierChoices, mayBeOneSided, NO_EXPERIENCE, readFelt } from '../../core/fault/index.ts';
import type { Checked, CheckValue, Seen } from '../../core/fault/index.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { Toggle } from '../log/index.ts';
import { useAsk } from '../shell/index.ts';
import { Button, Notice } from '../ui/index.ts';
import { keepCase, newCase, openCaseOf } from './case-store.ts';
import type { OpenCase } from './case-store.ts';
import { ChainPanel } from './chain-panel.tsx';
import { Done, Easier, undone } from './desk-parts.tsx';
import { AnswersStep, AskStep, CauseBars } from './next-step.tsx';
import { SideQuestion, SignsPicker } from './signs-picker.tsx';
import { StopPanel } from './stop-panel.tsx';
import type { Stopped } from './stop-panel.tsx';

interface Props {
  variation: ResolvedVariation;
  revision: number;
  date: string;
  /** null: nobody is chosen; then nothing is kept. */
  person: { id: string; name: string } | null;
  knowledge: DeskKnowledge | null;
  below: TodayLine['below'];
  /** What is already counted in the set under way. */
  signs: readonly Seen[];
  /** What the set had come to: prefilled when it ends. */
  done: number;
  onStop: (stopped: Stopped, signs: readonly Seen[]) => void;
  /** The case is over, or laid aside; with the easier variation that is given instead, if any. */
  onClose: (easier?: string) => void;
  /** What is seen here is told to the set under way. */
  onSigns?: (signs: readonly Seen[]) => void;
}

/** From the sign to the next right step: causes, the check that separates them, answers, the easier variation. */
export function Desk(p: Props) {
  const { variation: v, date, person } = p;
  const mine = p.knowledge?.people.find((x) => x.personId === person?.id);
  const [kase, setKase] = useState<OpenCase>(() => {
    const of = { personId: person?.id ?? null, variation: v.source.slug, date };
    const begun =
      openCaseOf(of) ??
      // Begun today and not ended, perhaps on another tablet.
      mine?.cases.find((c) => c.end === null && c.date === date && c.variation === v.source.slug);
    if (!begun) return newCase({ ...of, variationRevision: p.revision, signs: [...p.signs] });
    // What has been counted since is seen as well.
    const since = p.signs.filter((s) => !begun.signs.some((x) => x.fault === s.fault));
    return { ...begun, signs: [...begun.signs, ...since] };
  });
  const [asked, setAsked] = useState<readonly string[]>(kase.signs.filter((s) => s.side).map((s) => s.fault));
  const [taken, setTaken] = useState<readonly string[]>([]);
  const [alone, setAlone] = useState(false);
  const [picking, setPicking] = useState(kase.signs.length + kase.felt.length === 0);
  const [hurts, setHurts] = useState(false);
  const change = (part: Partial<OpenCase>) => setKase(keepCase({ ...kase, ...part }));

  const barred = mine?.barred ?? {};
  const suggested = kase.felt.flatMap((f) => readFelt(v, f).faults);
  const slugs = new Set([...kase.signs.map((s) => s.fault), ...suggested]);
  const faults = v.faults.filter((f) => slugs.has(f.slug));
  const experience = p.knowledge?.experience ?? NO_EXPERIENCE;
  const advice = advise({
    faults,
    experience,
    now: kase,
    earlier: (mine?.cases ?? []).filter((c) => c.id !== kase.id),
    without: taken,
    barred,
    secondPerson: !alone,
  });
  const hallCases = faults
    .flatMap((f) => Object.values(experience.causes[f.slug] ?? {}))
    .reduce((a, b) => a + b, 0);
  // What checks and answers need, the kit of an easier variation too.
  const kit = new Map(
    faults.flatMap((f) => [...f.checks, ...f.answers].flatMap((x) => x.kit.flat())).map((e) => [e.slug, e]),
  );
  const needsSecond = faults.some((f) => f.answers.some((a) => a.needsSecondPerson));
  const twoLegs = v.source.laterality === 'two legs';
  const told = faults.length > 0 || kase.felt.some((f) => f.kind === 'pain');

  // Who has not agreed to be measured is not.
  const eye = useAsk('eye', person ? { person: person.id } : null);
  const measuring = eye.data?.consent?.given ? { lying: v.source.pattern === 'bridge' } : null;
  const checked = (c: CheckValue, result: string | null, measured?: Checked['measured']) =>
    change({
      checks: [...kase.checks, { fault: c.fault, check: c.check, result, ...(measured ? { measured } : {}) }],
    });

  const signs = (next: Seen[]) => {
    change({ signs: next });
    p.onSigns?.(next);
  };
  const stopped = (s: Stopped) => {
    if (s.ends) keepCase({ ...kase, end: 'stopped', pain: s.pain, felt: s.felt });
    else setHurts(false);
    p.onStop(s, kase.signs);
  };
  if (hurts || (advice.next === 'stop' && !picking)) {
    return (
      <StopPanel
        of={p.person && { personId: p.person.id, date: p.date }}
        variation={v}
        why={advice.next === 'stop' ? advice.why : null}
        whenToStop={faults.filter((f) => f.severity === 3).map((f) => f.whenToStop)}
        felt={kase.felt}
        done={p.done}
        onStop={stopped}
        onBack={() => {
          setHurts(false);
          setPicking(advice.next === 'stop');
        }}
      />
    );
  }
  return (
    <div>
      {picking ? (
        <>
          <SignsPicker
            variation={v}
            signs={kase.signs}
            felt={kase.felt}
            onSigns={signs}
            onFelt={(felt) => change({ felt })}
          />
          <div className="sticky bottom-0 mt-3 flex gap-2 border-t border-ink bg-ground py-2">
            <Button floor tone="main" className="grow" disabled={!told} onClick={() => setPicking(false)}>
              {told
                ? `What to do? (${kase.signs.length + kase.felt.length} chosen)`
                : 'Choose what you see, feel or hear'}
            </Button>
            <Button floor onClick={() => p.onClose()}>
              Leave it
            </Button>
          </div>
        </>
      ) : (
        <>
          <div className="mb-3 border-b border-rule pb-2">
            {kase.signs.map((s) => (
              <SideQuestion
                sided={mayBeOneSided(
                  faults.find((f) => f.slug === s.fault) ?? { views: [] },
                  v.source.laterality,
                )}
                key={s.fault}
                sign={{ ...s, asked: asked.includes(s.fault) }}
                name={v.faults.find((f) => f.slug === s.fault)?.name ?? s.fault}
                twoLegs={twoLegs}
                onSide={(side) => {
                  setAsked((a) => [...a, s.fault]);
                  signs(kase.signs.map((x) => (x.fault === s.fault ? { ...x, side } : x)));
                }}
              />
            ))}
            {suggested.length > 0 && (
              <p className="mt-1">
                What is felt goes with:{' '}
                {faults
                  .filter((f) => suggested.includes(f.slug))
                  .map((f) => f.name.toLowerCase())
                  .join(', ')}
                .
              </p>
            )}
            <div className="flex flex-wrap gap-2">
              <Button floor tone="quiet" onClick={() => setPicking(true)}>
                Seen something else too
              </Button>
              {[...kit.values()]
                .filter((e) => e.inHall > 0)
                .map((e) => (
                  <Toggle
                    key={e.slug}
                    on={taken.includes(e.slug)}
                    onChange={(on) => setTaken(on ? [...taken, e.slug] : taken.filter((x) => x !== e.slug))}
                  >
                    {e.name} taken
                  </Toggle>
                ))}
              {needsSecond && (
                <Toggle on={alone} onChange={setAlone}>
                  Nobody to help
                </Toggle>
              )}
            </div>
          </div>
          <div className="grid gap-6 lg:grid-cols-[1fr_20rem]">
            <div className="grid content-start gap-4">
              {advice.better.length > 0 && advice.next !== 'solved' && (
                <p className="border-l-[6px] border-tape pl-3">
                  Better: {advice.better.join(', ')}. What follows is for the rest.
                </p>
              )}
              {advice.next === 'ask' && (
                <AskStep advice={advice} faults={faults} measuring={measuring} onResult={checked} />
              )}
              {advice.next === 'solved' && (
                <div className="taped-left bg-paper py-3 pr-4 pl-5">
                  <p className="font-head text-2xl font-bold">{advice.why}</p>
                  <p className="text-soft">
                    {person
                      ? `Kept for ${person.name}: next time it comes first.`
                      : 'Nobody is chosen: it is not kept.'}
                  </p>
                  <Button
                    floor
                    tone="main"
                    className="mt-2"
                    onClick={() => {
                      change({ end: 'better' });
                      p.onClose();
                    }}
                  >
                    Back to the set
                  </Button>
                </div>
              )}
              {advice.next === 'easier' && (
                <Easier
                  choices={easierChoices(
                    faults.filter((f) => !advice.better.includes(f.name)),
                    kase.tried,
                    p.below,
                    barred,
                  )}
                  why={advice.why}
                  variation={v.source.slug}
                  onGiven={(easier) => {
                    change({ end: 'easier', easier });
                    p.onClose(easier);
                  }}
                />
              )}
              {(advice.next === 'ask' || advice.next === 'try') && (
                <AnswersStep
                  advice={advice}
                  first={advice.next === 'try'}
                  onTried={(a, outcome) =>
                    change({
                      tried: [...kase.tried, { fault: a.fault, answer: a.text, causes: a.causes, outcome }],
                    })
                  }
                />
              )}
              {advice.next === 'try' && advice.check && (
                <details>
                  <summary className="min-h-14 content-center font-head font-semibold">
                    Check first instead
                  </summary>
                  <AskStep advice={advice} faults={faults} measuring={measuring} onResult={checked} />
                </details>
              )}
              {person === null && (
                <Notice>Nobody is chosen: the desk helps, and what comes of it is not kept.</Notice>
              )}
            </div>
            <div className="grid content-start gap-4">
              <CauseBars advice={advice} cases={hallCases} />
              <Done
                kase={kase}
                onUndo={() => change(undone(kase))}
                onNote={person && ((note) => change({ note }))}
              />
              {person &&
                faults
                  .filter((f) => f.chain.length > 0)
                  .map((f) => (
                    <ChainPanel
                      key={f.slug}
                      personId={person.id}
                      date={date}
                      fault={f}
                      side={kase.signs.find((s) => s.fault === f.slug)?.side ?? null}
                      tries={mine?.chain ?? []}
                      barred={barred}
                    />
                  ))}
              <Button floor tone="danger" onClick={() => setHurts(true)}>
                It hurts
              </Button>
              <Button
                floor
                tone="quiet"
                onClick={() => {
                  if (kase.checks.length + kase.tried.length > 0)
                    change({ end: advice.better.length > 0 ? 'better' : 'left' });
                  p.onClose();
                }}
              >
                Leave it for today
              </Button>
            </div>
          </div>
        </>
      )}
    </div>
  );
}
