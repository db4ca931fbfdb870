import { useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { REFERENCE_BUILD } from '../../core/body/index.ts';
import { clipDraw, coachesAgree, eyeScores, nextAmount } from '../../core/fault/index.ts';
import type { EyeTrial } from '../../core/fault/index.ts';
import type { ResolvedFault, ResolvedVariation } from '../../core/library/index.ts';
import { performedS, withFault } from '../../core/track/index.ts';
import type { Performed } from '../../core/track/index.ts';
import { solved } from '../figure/index.ts';
import { outbox, useSheetsOf } from '../log/index.ts';
import { letterOf, useAsk, useLibrary, useSigned } from '../shell/index.ts';
import { Button, Empty, Loaded, Notice, percent, tidy } from '../ui/index.ts';
import { DRAWN, drawMoment, framingOf } from './drawn-camera.ts';

/** Movements that are practised on: faults that are drawn, from the side or the front. */
const MOST_SHEETS = 12;
const REPS = 2;

interface Clip {
  id: string;
  performed: Performed;
  variation: string;
  shown: ResolvedFault | null;
  amount: number;
  offered: ResolvedFault[];
}

/** Short drawn clips with known faults: what a coach sees, hits and false alarms, and which fault is worth practising. */
export function EyePage() {
  const trials = useAsk('trials');
  const { entries } = useLibrary();
  const slugs = useMemo(
    () =>
      entries
        .filter((e) => e.kind === 'variation' && !e.retired)
        .map((e) => e.slug)
        .sort()
        .filter((_, i, all) => i % Math.max(1, Math.floor(all.length / MOST_SHEETS)) === 0)
        .slice(0, MOST_SHEETS),
    [entries],
  );
  const sheets = useSheetsOf(slugs);
  // What is only drawn has no movement in which a fault could grow.
  const usable = [...sheets.values()].filter(
    (v) => v.mechanics.type !== 'drawn' && v.faults.some((f) => f.shows),
  );
  return (
    <div className="mx-auto max-w-6xl">
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>The coach’s eye</h1>
          <p className="text-soft">
            Short clips of a drawn body. Say what you see; clips come nearer to what you can just see.
          </p>
        </div>
        <Link to="/faults" className="flex min-h-11 items-center">
          To the faults desk
        </Link>
      </div>
      <Loaded query={trials} what="what was judged so far">
        {({ trials: all }) =>
          usable.length === 0 ? (
            <Empty>Sheets with drawn faults are being read. If none appear, the library has none.</Empty>
          ) : (
            <Practice trials={all} sheets={usable} />
          )
        }
      </Loaded>
    </div>
  );
}

const pick = <T,>(list: readonly T[], share: number): T =>
  list[Math.min(list.length - 1, Math.floor(share * list.length))]!;

/** The next clip: by how many were judged before, so that coaches see the same ones. */
function clipOf(n: number, own: readonly EyeTrial[], sheets: readonly ResolvedVariation[]): Clip {
  const draw = clipDraw(n);
  const sheet = pick(sheets, draw.movement);
  const drawn = sheet.faults.flatMap((f) => (f.shows ? [{ ...f, shows: f.shows }] : []));
  const chosen = pick(drawn, draw.fault);
  const { view } = chosen.shows;
  const amount = draw.sound ? 0 : nextAmount(own, chosen.slug);
  const sound: Performed = {
    build: REFERENCE_BUILD,
    mechanics: sheet.mechanics,
    range: solved(REFERENCE_BUILD, sheet.mechanics).range,
    tempo: { loweringS: 2, bottomS: 0.5, risingS: 1.5, topS: 0.5 },
    reps: REPS,
    view,
  };
  return {
    // Two coaches saw the same one only where as much of it was shown.
    id: `${n} ${sheet.source.slug} ${view} ${draw.sound ? 'sound' : chosen.slug} ${amount}`,
    variation: sheet.source.name,
    shown: draw.sound ? null : chosen,
    amount,
    offered: drawn.filter((f) => f.shows.view === view),
    performed: draw.sound ? sound : withFault(sound, chosen, amount),
  };
}

function Practice({ trials, sheets }: { trials: readonly EyeTrial[]; sheets: readonly ResolvedVariation[] }) {
  const { me } = useSigned();
  const [local, setLocal] = useState<EyeTrial[]>([]);
  const own = useMemo(() => {
    const known = new Set(trials.map((t) => `${t.coach} ${t.clip}`));
    return [
      ...trials.filter((t) => t.coach === me.name),
      ...local.filter((t) => !known.has(`${t.coach} ${t.clip}`)),
    ];
  }, [trials, local, me.name]);
  const [said, setSaid] = useState<{ clip: Clip; said: string | null } | null>(null);
  const clip = useMemo(() => said?.clip ?? clipOf(own.length, own, sheets), [said, own, sheets]);
  const answer = (fault: string | null) => {
    setSaid({ clip, said: fault });
    const request = {
      clip: clip.id,
      shown: clip.shown?.slug ?? null,
      amount: clip.amount,
      offered: clip.offered.map((f) => f.slug),
      said: fault,
    };
    const id = crypto.randomUUID();
    void outbox.run(id, me.id, { ...letterOf('keepTrial', { id }, request), words: 'A clip judged' });
    setLocal((l) => [...l, { coach: me.name, ...request }]);
  };
  const right = said && said.said === (clip.shown?.slug ?? null);
  return (
    <div className="grid gap-6 lg:grid-cols-[34rem_1fr]">
      <section aria-label="Clip">
        <h2>
          {clip.variation}, {clip.performed.view === 'side' ? 'from the side' : 'from the front'}
        </h2>
        <ClipPlayer key={clip.id} performed={clip.performed} />
        {said ? (
          <>
            <Notice tone={right ? 'plain' : 'warn'}>
              {right ? 'Yes. ' : 'Not so. '}
              {clip.shown
                ? `In it: ${clip.shown.name}, ${percent(clip.amount)} of how the sheet draws it. ${clip.shown.sign}`
                : 'Nothing was wrong in it.'}
            </Notice>
            <Button floor tone="main" className="mt-2" onClick={() => setSaid(null)}>
              Next clip
            </Button>
          </>
        ) : (
          <div className="mt-2 grid gap-2" role="group" aria-label="What do you see?">
            {clip.offered.map((f) => (
              <Button key={f.slug} floor onClick={() => answer(f.slug)}>
                {f.name}
              </Button>
            ))}
            <Button floor onClick={() => answer(null)}>
              Nothing is wrong
            </Button>
          </div>
        )}
      </section>
      <Scores trials={trials} own={own} me={me.name} head={me.role === 'head coach'} sheets={sheets} />
    </div>
  );
}

function ClipPlayer({ performed }: { performed: Performed }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const paper = canvas.current?.getContext('2d');
    if (!paper) return;
    const framing = framingOf(performed);
    const began = performance.now();
    let frame = 0;
    const draw = () => {
      drawMoment(paper, performed, framing, ((performance.now() - began) / 1000) % performedS(performed));
      frame = requestAnimationFrame(draw);
    };
    draw();
    return () => cancelAnimationFrame(frame);
  }, [performed]);
  return (
    <canvas
      ref={canvas}
      width={DRAWN.width}
      height={DRAWN.height}
      className="mt-1 w-full"
      role="img"
      aria-label="A drawn body doing the movement; what is wrong in it, if anything, is for the eye"
    />
  );
}

function Scores({
  trials,
  own,
  me,
  head,
  sheets,
}: {
  trials: readonly EyeTrial[];
  own: readonly EyeTrial[];
  me: string;
  head: boolean;
  sheets: readonly ResolvedVariation[];
}) {
  const names = new Map(sheets.flatMap((s) => s.faults.map((f) => [f.slug, f.name] as const)));
  const nameOf = (slug: string) => names.get(slug) ?? slug;
  const scores = eyeScores(own).filter((s) => s.shown > 0);
  const coaches = [...new Set(trials.map((t) => t.coach))].filter((c) => c !== me);
  return (
    <section aria-label="How well you see">
      <h2>How well you see, {own.length} clips</h2>
      {scores.length === 0 ? (
        <p className="text-soft">Judge some clips first.</p>
      ) : (
        <div className="overflow-x-auto">
          <table className="w-full border-collapse">
            <thead>
              <tr className="border-b-2 border-ink text-left align-bottom">
                <th scope="col" className="py-1 pr-3">
                  Fault
                </th>
                <th scope="col" className="py-1 pr-3">
                  Seen
                </th>
                <th scope="col" className="py-1 pr-3">
                  Said wrongly
                </th>
                <th scope="col" className="py-1 pr-3">
                  Sensitivity d′
                  <span className="block text-sm font-normal text-soft">0 is guessing, 3 is sure</span>
                </th>
                <th scope="col" className="py-1 pr-3">
                  Next clip shows
                </th>
              </tr>
            </thead>
            <tbody>
              {scores.map((s) => (
                <tr key={s.fault} className="border-b border-rule align-top tabular-nums">
                  <td className="py-1 pr-3">{nameOf(s.fault)}</td>
                  <td className="py-1 pr-3">
                    {s.hits} of {s.shown}
                  </td>
                  <td className="py-1 pr-3">
                    {s.falseAlarms} of {s.absent}
                  </td>
                  <td className="py-1 pr-3">
                    {s.dPrime
                      ? `${tidy(s.dPrime.value, 1)} (${tidy(s.dPrime.low, 1)} to ${tidy(s.dPrime.high, 1)})`
                      : 'too few clips'}
                  </td>
                  <td className="py-1 pr-3">{percent(nextAmount(own, s.fault))} of it</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {head && coaches.length > 0 && (
        <>
          <h3 className="mt-4">Who needs which fault</h3>
          <ul>
            {coaches.map((c) => {
              const of = trials.filter((t) => t.coach === c);
              const worst = eyeScores(of).find((s) => s.dPrime !== null);
              const with_ = coachesAgree(trials, me, c);
              return (
                <li key={c} className="border-b border-rule py-1">
                  <b>{c}</b>, {of.length} clips:{' '}
                  {worst?.dPrime
                    ? `${nameOf(worst.fault)}, d′ ${tidy(worst.dPrime.value, 1)}`
                    : 'too few clips to say'}
                  {with_?.kappa != null &&
                    `; agrees with you beyond chance (κ ${tidy(with_.kappa, 2)}, ${with_.n} clips)`}
                </li>
              );
            })}
          </ul>
        </>
      )}
      <p className="mt-2 text-sm text-soft">
        A drawn body is no athlete: this trains where to look, and says nothing of anybody’s worth.
      </p>
    </section>
  );
}
